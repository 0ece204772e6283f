#include "io/recovery.h"

#include "io/json_shapes.h"
#include "io/project_file.h"
#include "io/read_file.h"

#include <QBuffer>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QUuid>
#include <algorithm>
#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

namespace zesty {

namespace {

constexpr qint64 most_words = 1 << 20; ///< bytes of what is said about an entry

QString file_of(const QString& folder, const QString& id, const char* ending) {
    return QDir(folder).filePath(id + ending);
}

/// Takes the lock of an entry; -1 where somebody living has it. Closing it, dying included, lets go of it.
int lock_of(const QString& folder, const QString& id) {
    const int file = ::open(QFile::encodeName(file_of(folder, id, ".lock")).constData(),
                            O_RDWR | O_CREAT | O_CLOEXEC, 0600);
    if (file >= 0 && flock(file, LOCK_EX | LOCK_NB) == 0) return file;
    if (file >= 0) ::close(file);
    return -1;
}

void remove_entry(const QString& folder, const QString& id) {
    for (const char* ending : {".zesty", ".json", ".png", ".lock"})
        QFile::remove(file_of(folder, id, ending));
}

QByteArray png_of(const QImage& page) {
    QByteArray out;
    QBuffer buffer(&out);
    buffer.open(QIODevice::WriteOnly);
    page.save(&buffer, "PNG");
    return out;
}

/// What is said about an entry; nothing where it is damaged or has no project.
std::optional<LeftWork> described(const QString& folder, const QString& id) {
    const QFileInfo project(file_of(folder, id, ".zesty"));
    const auto words = read_file(file_of(folder, id, ".json"), most_words);
    if (!project.isFile() || !words) return std::nullopt;
    const auto j = parse_json(words->toStdString(), "recovery");
    if (!j || !j->is_object()) return std::nullopt;
    const auto text = [&](const char* key) {
        const auto at = j->find(key);
        return at != j->end() && at->is_string() ? QString::fromStdString(at->get<std::string>()) : QString();
    };
    return LeftWork{id, text("title"), text("path"), project.lastModified(),
                    QImage(file_of(folder, id, ".png"))};
}

} // namespace

Autosave::Autosave(const QString& folder)
    : folder_(folder), id_(QUuid::createUuid().toString(QUuid::WithoutBraces)) {}

Autosave::~Autosave() {
    if (lock_ >= 0) ::close(lock_);
}

Result<void> Autosave::hold() {
    if (lock_ >= 0) return {};
    if (!QDir().mkpath(folder_))
        return fail(ErrorKind::Unwritable, folder_.toStdString() + ": this folder cannot be made");
    lock_ = lock_of(folder_, id_);
    if (lock_ < 0)
        return fail(ErrorKind::Unwritable, folder_.toStdString() + ": nothing can be written there");
    return {};
}

Result<void> Autosave::keep(const Project& project, const QString& path, const QImage& page) {
    if (auto r = hold(); !r) return r;
    const nlohmann::json words{{"title", project.title}, {"path", path.toStdString()}};
    if (auto r = write_file(file_of(folder_, id_, ".json"), QByteArray::fromStdString(words.dump())); !r)
        return r;
    if (!page.isNull())
        if (auto r = write_file(file_of(folder_, id_, ".png"), png_of(page)); !r) return r;
    const auto bytes = project_bytes(project);
    if (!bytes) return tl::make_unexpected(bytes.error());
    return write_file(file_of(folder_, id_, ".zesty"), *bytes);
}

void Autosave::forget() {
    if (lock_ < 0) return;
    remove_entry(folder_, id_);
    ::close(lock_);
    lock_ = -1;
}

std::vector<LeftWork> left_work(const QString& folder) {
    std::vector<LeftWork> out;
    for (const QFileInfo& file : QDir(folder).entryInfoList({"*.zesty"}, QDir::Files)) {
        const QString id = file.completeBaseName();
        const int lock = lock_of(folder, id);
        if (lock < 0) continue;
        if (auto left = described(folder, id)) out.push_back(std::move(*left));
        ::close(lock);
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const LeftWork& a, const LeftWork& b) { return a.kept_at > b.kept_at; });
    return out;
}

Result<Project> open_left_work(const QString& folder, const QString& id) {
    return open_project(file_of(folder, id, ".zesty"));
}

void throw_away_left_work(const QString& folder, const QString& id) {
    remove_entry(folder, id);
}

} // namespace zesty
