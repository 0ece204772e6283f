#include "io/project_json.h"

#include "io/fields/dress.h"
#include "io/fields/match.h"
#include "io/fields/sections.h"
#include "io/fields/set_out.h"
#include "io/fields/sheets.h"
#include "io/fields/upgrade.h"
#include "io/stash_json.h"

#include <algorithm>

namespace zesty {

using nlohmann::json;

namespace {

constexpr char format_name[] = "zesty-project/";

template <class F, Describes<Project> T> void describe(F& f, T& project, InArchive& in) {
    f.text("title", project.title);
    f.word("units", project.units);
    f.whole("seed", project.seed, {0, 4294967295.0});
    f.object("set_out", [&](auto& o) { describe(o, project.set_out, in); });
    f.object("sections", [&](auto& o) { describe(o, project.sections); });
    f.object("match", [&](auto& o) { describe(o, project.match); });
    f.object("sheets", [&](auto& o) { describe(o, project.sheets); });
    f.object("dress", [&](auto& o) { describe(o, project.dress); });
    f.values("set_aside", project.set_aside, [](auto& v, const char* key, auto& said) { v.text(key, said); });
    f.check("set_aside", [&] { return std::is_sorted(project.set_aside.begin(), project.set_aside.end()); });
}

/// The number of the format, from 1 to the newest.
Result<int> format_of(const json& j, const std::string& what) {
    const std::string format = j.is_object() && j.contains("format") && j["format"].is_string()
                                   ? j["format"].get<std::string>()
                                   : "";
    if (format.rfind(format_name, 0) != 0)
        return fail(ErrorKind::BadInput, what + ": this is not a project file");
    const std::string number = format.substr(sizeof format_name - 1);
    for (int known = 1; known <= project_version; ++known)
        if (number == std::to_string(known)) return known;
    const bool newer = !number.empty() && number.size() < 10 &&
                       std::all_of(number.begin(), number.end(), [](char c) { return c >= '0' && c <= '9'; });
    if (!newer) return fail(ErrorKind::BadInput, what + ": this is not a project file");
    return fail(ErrorKind::NewerFormat, what + ": written by a newer version of this program (format " +
                                            number + "); this one reads up to format " +
                                            std::to_string(project_version));
}

} // namespace

InArchive entries_of(const Project& p) {
    InArchive out;
    for (std::size_t i = 0; i < p.set_out.drawings.size(); ++i)
        out.drawings.push_back("drawing/" + std::to_string(i + 1) + "/" + p.set_out.drawings[i]->name);
    for (std::size_t i = 0; i < p.set_out.photos.size(); ++i) {
        const auto& picture = p.set_out.photos[i].picture;
        out.pictures.push_back(picture ? "photos/" + std::to_string(i + 1) + "/" + picture->name
                                       : std::string());
    }
    if (const auto& sketch = p.set_out.sketch.picture; sketch) out.sketch = "sketch/" + sketch->name;
    return out;
}

json project_json(const Project& project) {
    Writer f;
    f.text("format", format_name + std::to_string(project_version));
    InArchive in = entries_of(project);
    describe(f, project, in);
    json out = f.done();
    if (project.stash) out["stash"] = stash_json(*project.stash);
    return out;
}

Result<ReadDecisions> decisions_from(const json& j, const std::string& what) {
    const auto format = format_of(j, what);
    if (!format) return tl::make_unexpected(format.error());
    const json document = upgraded(j, *format);
    ReadDecisions out;
    Reader f(document, what);
    describe(f, out.project, out.in);
    if (f.error()) return tl::make_unexpected(*f.error());
    return out;
}

void bring_within_limits(Project& project) {
    Settler f;
    InArchive in;
    describe(f, project, in);
}

} // namespace zesty
