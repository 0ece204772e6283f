#include "app/bench/tried_out.h"

#include <QCoreApplication>
#include <QFileInfo>
#include <QProcess>
#include <csignal>
#include <sys/prctl.h>

namespace zesty {

namespace {

QString installed_reader() {
    const QString beside = QCoreApplication::applicationDirPath() + "/zesty";
    return QFileInfo::exists(beside) ? beside : QString("zesty");
}

QString word_for(TriedAs as) {
    switch (as) {
    case TriedAs::Page:
        return "page";
    case TriedAs::Picture:
        return "picture";
    case TriedAs::Papers:
        return "papers";
    case TriedAs::Cut:
        break;
    }
    return "cut";
}

} // namespace

Result<void> tried_out(const QString& path, TriedAs as, double square, const TrialReader& reader) {
    QStringList arguments{"inspect", QFileInfo(path).absoluteFilePath(), "--as", word_for(as)};
    if (square > 0) arguments << "--square" << QString::number(square, 'g', 17) + "mm";
    QProcess process;
    process.setChildProcessModifier([] { ::prctl(PR_SET_PDEATHSIG, SIGKILL); });
    process.start(reader.program.isEmpty() ? installed_reader() : reader.program, arguments);
    const std::string name = path.toStdString();
    const bool started = process.waitForStarted();
    if (!started && as == TriedAs::Page) return {};
    if (!started)
        return fail(ErrorKind::Unreadable, name + ": zesty, which files are tried out with, is not there");
    if (!process.waitForFinished(reader.patience_ms)) {
        process.kill();
        process.waitForFinished();
        return fail(ErrorKind::TooLarge, name + ": reading this takes too long; it was given up");
    }
    if (process.exitStatus() != QProcess::NormalExit)
        return fail(ErrorKind::TooLarge, name + ": this cannot be read; whoever tried was ended by it");
    if (process.exitCode() == 0) return {};
    return fail(ErrorKind::BadInput, process.readAllStandardError().trimmed().toStdString());
}

} // namespace zesty
