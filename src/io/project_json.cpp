#include "io/project_json.h"

#include "io/fields/build.h"
#include "io/fields/dress.h"
#include "io/fields/keep.h"
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

/// What a project and an arrangement that is kept have alike.
template <class F, class Page> void describe_page(F& f, Page& page, InArchive& in) {
    f.object("set_out", [&](auto& o) { describe(o, page.set_out, in); });
    f.object("sections", [&](auto& o) { describe(o, page.sections); });
    f.object("match", [&](auto& o) { describe(o, page.match); });
    f.object("sheets", [&](auto& o) { describe(o, page.sheets); });
    f.object("dress", [&](auto& o) { describe(o, page.dress); });
}

/// One was within its limits when it was put aside, and does not change.
template <class F, Describes<Variant> T> void describe(F& f, T& variant, InArchive& in) {
    f.text("name", variant.name);
    if constexpr (!std::is_same_v<F, Settler>) {
        KeptPage page = variant.page ? *variant.page : KeptPage{};
        describe_page(f, page, in);
        if constexpr (std::is_same_v<F, Reader>)
            variant.page = std::make_shared<const KeptPage>(std::move(page));
    }
}

template <class F, Describes<Project> T> void describe(F& f, T& project, InArchive& in) {
    f.text("title", project.title);
    f.word("units", project.units);
    f.whole("seed", project.seed, {0, 4294967295.0});
    describe_page(f, project, in);
    f.object("build", [&](auto& o) { describe(o, project.build); });
    f.object("keep", [&](auto& o) { describe(o, project.keep); });
    std::size_t variants = 0;
    short_list(f, "variants", project.variants, most_variants, [&](auto& o, auto& variant) {
        if (in.variants.size() <= variants) in.variants.emplace_back();
        describe(o, variant, in.variants[variants++]);
    });
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

namespace {

/// Names what lies in the archive; what several arrangements have alike lies there once.
class Naming {
public:
    InArchive of(const SetOutDecisions& page, const std::string& folder) {
        InArchive out;
        for (std::size_t i = 0; i < page.drawings.size(); ++i)
            out.drawings.push_back(
                named(drawings_, page.drawings[i], folder + "drawing/" + std::to_string(i + 1) + "/"));
        for (std::size_t i = 0; i < page.photos.size(); ++i) {
            const auto& picture = page.photos[i].picture;
            out.pictures.push_back(
                picture ? named(pictures_, picture, folder + "photos/" + std::to_string(i + 1) + "/")
                        : std::string());
        }
        if (const auto& sketch = page.sketch.picture; sketch)
            out.sketch = named(pictures_, sketch, folder + "sketch/");
        return out;
    }

private:
    template <class T> using Named = std::vector<std::pair<Shared<T>, std::string>>;
    template <class T>
    static std::string named(Named<T>& known, const Shared<T>& file, const std::string& folder) {
        if (folder.rfind("variant/", 0) == 0)
            for (const auto& [other, name] : known)
                if (other == file) return name;
        known.emplace_back(file, folder + file->name);
        return known.back().second;
    }

    Named<DrawingFile> drawings_;
    Named<BroughtPicture> pictures_;
};

} // namespace

InArchive entries_of(const Project& p) {
    Naming naming;
    InArchive out = naming.of(p.set_out, "");
    for (std::size_t i = 0; i < p.variants.size(); ++i)
        out.variants.push_back(
            naming.of(p.variants[i].page->set_out, "variant/" + std::to_string(i + 1) + "/"));
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
