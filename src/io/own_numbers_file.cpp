#include "io/own_numbers_file.h"

#include "io/fields/build.h"
#include "io/fields/sections.h"
#include "io/fields/set_out.h"
#include "io/fields/sheets.h"
#include "io/read_file.h"
#include "io/stash_store.h"

#include <QDir>
#include <QFileInfo>

namespace zesty {

using nlohmann::json;

namespace {

constexpr char numbers_format[] = "zesty-numbers/1";
constexpr qint64 largest_numbers = 1 << 20;

template <class F, Describes<OwnNumbers> T> void describe(F& f, T& own) {
    f.object("bars", [&](auto& o) { describe(o, own.bars); });
    f.object("usual", [&](auto& o) { describe(o, own.usual); });
    f.object("cutting_mat", [&](auto& o) { describe(o, own.cutting_mat); });
    f.object("pace", [&](auto& o) { describe(o, own.pace); });
    f.number("lip_mm", own.lip, lip_limits);
    f.object("backing", [&](auto& o) { describe(o, own.backing); });
    f.number("blade_gap_mm", own.blade_gap, blade_gap_limits);
    f.object("cutting", [&](auto& o) { describe(o, own.cutting); });
    f.object("habits", [&](auto& o) { describe(o, own.habits); });
    f.object("minutes", [&](auto& o) { describe(o, own.minutes); });
    f.object("drying_minutes", [&](auto& o) { describe(o, own.drying); });
}

} // namespace

QString own_numbers_path() {
    return QFileInfo(living_stash_path()).absoluteDir().filePath("numbers.json");
}

Result<OwnNumbers> read_own_numbers(const QString& path) {
    if (!QFileInfo::exists(path)) return {};
    const auto bytes = read_file(path, largest_numbers);
    if (!bytes) return tl::make_unexpected(bytes.error());
    const std::string what = path.toStdString();
    const json j = json::parse(bytes->begin(), bytes->end(), nullptr, false);
    if (!j.is_object() || !j.contains("format") || j["format"] != numbers_format)
        return fail(ErrorKind::BadInput, what + ": these are not numbers this program has written");
    OwnNumbers out;
    Reader f(j, what);
    describe(f, out);
    if (f.error()) return tl::make_unexpected(*f.error());
    return out;
}

Result<void> write_own_numbers(const OwnNumbers& own, const QString& path) {
    if (!QFileInfo(path).absoluteDir().mkpath("."))
        return fail(ErrorKind::Unwritable, path.toStdString() + ": the folder cannot be made");
    Writer f;
    f.text("format", numbers_format);
    describe(f, own);
    return write_file(path, QByteArray::fromStdString(f.done().dump(1) + "\n"));
}

} // namespace zesty
