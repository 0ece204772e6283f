#include "app/bench/settings.h"

#include "io/own_numbers_file.h"
#include "io/stash_store.h"

#include <QDateTime>
#include <QDir>
#include <QFileInfo>
#include <QStandardPaths>

namespace zesty {

namespace {

constexpr int most_recent = 8;

struct Key {
    const char* name;
    QVariant otherwise;
};
const Key recent{"files/recent", QStringList()};
const Key geometry{"window/geometry", QByteArray()};
const Key folder{"files/folder", QString()};
const Key letter{"print/letter", false};
const Key machine{"machine/faster", 1.0};
const Key drawer{"window/drawer-folded", true};
const Key letter_size{"window/letters", 0};

QVariant read(const QSettings& s, const Key& key) {
    return s.value(key.name, key.otherwise);
}

} // namespace

Settings::Settings(const QString& file)
    : store_(file.isEmpty() ? std::make_unique<QSettings>(QSettings::IniFormat, QSettings::UserScope,
                                                          "zesty-panel", "zesty-panel")
                            : std::make_unique<QSettings>(file, QSettings::IniFormat)),
      beside_(file.isEmpty() ? QString() : QFileInfo(file).absolutePath()) {}

QString Settings::data_folder() const {
    return beside_.isEmpty() ? QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) : beside_;
}

QString Settings::stash_file() const {
    if (!another_stash_.isEmpty()) return another_stash_;
    return beside_.isEmpty() ? living_stash_path() : QDir(beside_).filePath("papers.stash");
}

QString Settings::stash_name() const {
    return another_stash_.isEmpty() ? QString() : QFileInfo(another_stash_).completeBaseName();
}

QString Settings::recovery_folder() const {
    return QDir(data_folder()).filePath("recovery");
}

QString Settings::numbers_file() const {
    return beside_.isEmpty() ? own_numbers_path() : QDir(beside_).filePath("numbers.json");
}

QStringList Settings::recent_files() const {
    QStringList out;
    for (const QString& path : read(*store_, recent).toStringList())
        if (QFileInfo::exists(path)) out << path;
    return out;
}

void Settings::add_recent(const QString& path) {
    const QString absolute = QFileInfo(path).absoluteFilePath();
    QStringList all = read(*store_, recent).toStringList();
    all.removeAll(absolute);
    all.prepend(absolute);
    store_->setValue(recent.name, QStringList(all.mid(0, most_recent)));
}

int Settings::letters() const {
    return read(*store_, letter_size).toInt();
}

void Settings::set_letters(int percent) {
    store_->setValue(letter_size.name, percent);
}

bool Settings::drawer_folded() const {
    return read(*store_, drawer).toBool();
}

void Settings::set_drawer_folded(bool folded) {
    store_->setValue(drawer.name, folded);
}

QByteArray Settings::window_geometry() const {
    return read(*store_, geometry).toByteArray();
}

void Settings::set_window_geometry(const QByteArray& bytes) {
    store_->setValue(geometry.name, bytes);
}

QString Settings::last_folder() const {
    const QString f = read(*store_, folder).toString();
    return f.isEmpty() ? QDir::homePath() : f;
}

void Settings::set_last_folder(const QString& path) {
    store_->setValue(folder.name, path);
}

bool Settings::letter_paper() const {
    return read(*store_, letter).toBool();
}

void Settings::set_letter_paper(bool on) {
    store_->setValue(letter.name, on);
}

QString Settings::machine_folder() const {
    return data_folder() + "/cutter";
}

double Settings::machine_speed() const {
    return read(*store_, machine).toDouble();
}

void Settings::set_machine_speed(double faster) {
    store_->setValue(machine.name, faster);
}

std::int64_t Settings::now() const {
    return clock_ ? clock_() : QDateTime::currentSecsSinceEpoch();
}

} // namespace zesty
