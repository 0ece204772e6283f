// zesty-cutter: a cutting machine that is not there, for trying out everything up to the cut.

#include "devices/cutter_server.h"

#include <QCommandLineParser>
#include <QGuiApplication>
#include <cstdio>

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen"); // it has no window
    QGuiApplication app(argc, argv);
    QCommandLineParser options;
    options.setApplicationDescription("A stand-in for a cutting machine, behind a local socket");
    options.addHelpOption();
    options.addOptions({{"name", "Name of the socket", "NAME", "zesty-cutter"},
                        {"journals", "Folder that says what has been cut", "FOLDER"},
                        {"mat", "Size of its cutting mat in mm: 304.8x304.8", "SIZE", "304.8x304.8"},
                        {"faster", "How many times as fast as a real one it works", "N", "1"}});
    options.process(app);
    zesty::CutterMake make;
    make.folder = options.value("journals");
    if (make.folder.isEmpty() || !QDir().mkpath(make.folder)) {
        std::fputs("--journals: a folder that can be made is needed\n", stderr);
        return 2;
    }
    const QStringList mat = options.value("mat").split('x');
    bool sizes = mat.size() == 2, wide = false, high = false, fast = false;
    if (sizes) make.mat_width = mat[0].toDouble(&wide);
    if (sizes) make.mat_height = mat[1].toDouble(&high);
    make.faster = options.value("faster").toDouble(&fast);
    if (!wide || !high || make.mat_width < 10 || make.mat_height < 10 || make.mat_width > 3000 ||
        make.mat_height > 3000) {
        std::fputs("--mat: must be two lengths such as 304.8x304.8\n", stderr);
        return 2;
    }
    if (!fast || make.faster < 0.1 || make.faster > 10000) {
        std::fputs("--faster: must be a number from 0.1 to 10000\n", stderr);
        return 2;
    }
    zesty::CutterServer server(make);
    if (!server.listen(options.value("name"))) {
        std::fprintf(stderr, "%s: %s\n", qPrintable(options.value("name")), qPrintable(server.error()));
        return 2;
    }
    std::puts("ready");
    std::fflush(stdout);
    return QGuiApplication::exec();
}
