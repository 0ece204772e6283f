#include "io/plan_json.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/pattern_plan.h"
#include "core/sections/hidden.h"
#include "io/dress_json.h"
#include "io/json_shapes.h"

#include <algorithm>
#include <set>

namespace zesty {

using nlohmann::json;

namespace {

std::string opening_id(int i) {
    return "o" + std::to_string(i + 1);
}
std::string section_id(const Section& s) {
    return "s" + s.label;
}
std::string patch_id(const Patch& p) {
    return "p" + std::to_string(p.opening + 1);
}

json sections_json(const Project& project, const Plan& plan) {
    json out = json::array();
    const auto slants = section_slants(project, plan);
    for (std::size_t i = 0; i < plan.sections.all.size(); ++i) {
        const Section& s = plan.sections.all[i];
        json openings = json::array();
        for (int o : s.openings) openings.push_back(opening_id(o));
        const int paper = plan.papers.of_section[i];
        out.push_back({{"id", section_id(s)},
                       {"name", s.name.empty() ? s.label : s.name},
                       {"openings", openings},
                       {"treatment", key_of(s.treatment)},
                       {"method", takes_paper(s.treatment) ? json(key_of(s.method)) : json(nullptr)},
                       {"slant_deg", slants[i] ? json(*slants[i]) : json(nullptr)},
                       {"paper", paper < 0 ? json(nullptr) : json(project.stash->papers[paper].id)},
                       {"side", paper < 0 ? json(nullptr) : json(name_of(plan.papers.side_of_section[i]))}});
    }
    return out;
}

/// Whether it ends where a part of the same opening begins, which runs on below it.
bool meets_under(const Plan& plan, const Patch& p) {
    return plan.sections.spots[p.opening].part > 1;
}

json patches_json(const Plan& plan) {
    json out = json::array();
    for (std::size_t i = 0; i < plan.sections.patches.size(); ++i) {
        const Patch& p = plan.sections.patches[i];
        const PlacedPatch& at = plan.sheets.placed[i];
        json patch{{"id", patch_id(p)},
                   {"section", section_id(plan.sections.all[p.section])},
                   {"opening", opening_id(p.opening)},
                   {"outline", to_json(p.outline)},
                   {"lip_mm", p.trimmed || meets_under(plan, p) ? 0 : rounded(p.lip)},
                   {"mirrored", at.sheet >= 0 && at.mirrored}};
        if (at.sheet < 0) {
            patch.update(
                {{"sheet", nullptr}, {"rotation_deg", 0}, {"dx", 0}, {"dy", 0}, {"on_sheet", nullptr}});
        } else {
            patch.update({{"sheet", plan.papers.sheets[at.sheet].id},
                          {"rotation_deg", at.rotation_deg},
                          {"dx", at.shift.x},
                          {"dy", at.shift.y},
                          {"on_sheet", to_json(transformed(p.outline, at.to_sheet()))}});
        }
        out.push_back(patch);
    }
    return out;
}

json findings_json(const Plan& plan) {
    json out = json::array();
    for (const Finding& f : plan.findings) {
        json ways = json::array();
        for (const Fix& fix : f.fixes) ways.push_back(fix.label());
        out.push_back({{"code", key_of(f.code)},
                       {"severity", key_of(f.severity())},
                       {"message", f.title + ": " + f.message},
                       {"ways_out", ways},
                       {"where", f.where ? to_json(*f.where) : json(nullptr)}});
    }
    return out;
}

/// What is left after trimming what hangs off the page.
Region on_page(const Polygon& polygon, const Box& page) {
    const auto kept = clipped(polygon, page);
    return kept ? *kept : Region{polygon};
}

json opening_json(const Plan& plan, std::size_t i, const Box& page) {
    const Spot& spot = plan.sections.spots[i];
    const Polygon whole = transformed(plan.sections.cut->openings[i].outline, plan.set_out.whole.to_page);
    const Region seen = on_page(whole, page);
    const Polygon* most = seen.empty() ? nullptr : &largest(seen);
    json out{{"id", opening_id(static_cast<int>(i))},
             {"spot", {spot.cut, spot.opening + 1, spot.part}},
             {"outline", to_json(most ? *most : whole)},
             {"hidden", !most || plan.sections.covered[i] >= hidden_share}};
    if (plan.sections.behind[i].share > 0) out["photo_share"] = plan.sections.behind[i].share;
    for (const Polygon& part : seen)
        if (&part != most) out["more"].push_back(to_json(part));
    return out;
}

} // namespace

json plan_json(const Project& project, const Plan& plan, double seconds) {
    const Transform& t = plan.set_out.whole.to_page;
    json out{{"format", "zesty-plan/1"},
             {"units", "mm"},
             {"page",
              {{"width", rounded(project.set_out.page.full_width())},
               {"height", rounded(project.set_out.page.full_height())}}},
             {"material", json::array()},
             {"openings", json::array()},
             {"sections", sections_json(project, plan)},
             {"neighbours", json::array()},
             {"patches", patches_json(plan)},
             {"sheets", json::array()},
             {"room", json::array()},
             {"short", json::array()},
             {"findings", findings_json(plan)},
             {"dress", dress_json(project, plan)},
             {"seconds", seconds}};
    const Box page = project.set_out.page.whole();
    const CutFile no_cut;
    const CutFile& cut = plan.sections.cut ? *plan.sections.cut : no_cut;
    for (const Piece& p : cut.pieces)
        for (const Polygon& part : on_page(transformed(p.outline, t), page))
            out["material"].push_back(to_json(part));
    for (std::size_t i = 0; i < cut.openings.size(); ++i)
        out["openings"].push_back(opening_json(plan, i, page));
    for (const Neighbours& n : plan.sections.neighbours)
        if (!n.by_sight)
            out["neighbours"].push_back(
                {section_id(plan.sections.all[n.a]), section_id(plan.sections.all[n.b])});
    for (const UsedSheet& u : plan.sheets.used) {
        const Sheet& s = plan.papers.sheets[u.sheet];
        out["sheets"].push_back({{"id", s.id},
                                 {"paper", project.stash->papers[s.paper].id},
                                 {"source", name_of(s.kind)},
                                 {"outline", to_json(s.outline)},
                                 {"leftovers", to_json(u.leftovers)}});
    }
    for (const ReservedRoom& r : plan.sheets.room)
        out["room"].push_back({{"page", r.page.empty() ? json(nullptr) : json(r.page)},
                               {"sheet", plan.papers.sheets[r.sheet].id},
                               {"outline", to_json(r.on_sheet)}});
    for (const ShortPatch& s : plan.sheets.short_patches)
        out["short"].push_back({{"section", section_id(plan.sections.all[s.section])},
                                {"patch", patch_id(plan.sections.patches[s.patch])},
                                {"reason", s.reason}});
    for (const int o : plan.sections.without_patch)
        out["short"].push_back({{"section", section_id(plan.sections.all[plan.sections.of_opening[o]])},
                                {"patch", nullptr},
                                {"reason", "the opening is too narrow for an inlay"}});
    return out;
}

namespace {

Result<std::string> id_of(const json& j, const std::string& where, std::set<std::string>& seen) {
    if (!j.is_object() || !j.contains("id") || !j["id"].is_string())
        return fail(ErrorKind::BadInput, where + " has no \"id\"");
    const auto id = j["id"].get<std::string>();
    if (!seen.insert(id).second)
        return fail(ErrorKind::BadInput, where + ": the id \"" + id + "\" comes twice");
    return id;
}

Result<Polygon> outline_of(const json& j, const std::string& where) {
    auto p = polygon_from(j.contains("outline") ? j["outline"] : json(), where + ": the outline");
    if (!p) return p;
    if (!is_valid({*p}) || area(*p) <= 0)
        return fail(ErrorKind::BadInput, where + ": the outline crosses itself or has no area");
    return p;
}

} // namespace

Result<NamedNestJob> nest_job_from(const json& j, const std::string& what) {
    if (!j.is_object() || j.value("format", json()) != "zesty-nest/1")
        return fail(ErrorKind::BadInput, what + ": the format is not zesty-nest/1");
    if (j.value("units", json("mm")) != "mm")
        return fail(ErrorKind::BadInput, what + ": \"units\" must be mm");
    NamedNestJob out;
    const json gap = j.value("gap", json(0.5));
    if (!gap.is_number() || gap.get<double>() < 0 || gap.get<double>() > 100)
        return fail(ErrorKind::BadInput, what + ": \"gap\" must be a number from 0 to 100");
    out.job.gap = gap.get<double>();
    for (const char* list : {"pieces", "sheets"})
        if (!j.contains(list) || !j[list].is_array())
            return fail(ErrorKind::BadInput, what + ": there is no list of \"" + list + "\"");
    std::set<std::string> piece_ids;
    std::set<std::string> sheet_ids;
    for (const json& p : j["pieces"]) {
        const auto id = id_of(p, what + ": piece " + std::to_string(out.pieces.size() + 1), piece_ids);
        if (!id) return tl::make_unexpected(id.error());
        auto outline = outline_of(p, what + ": piece \"" + *id + "\"");
        if (!outline) return tl::make_unexpected(outline.error());
        NestPiece piece{std::move(*outline), true, {}, {}};
        if (p.contains("rotations") && p["rotations"] != "any") {
            piece.any_rotation = false;
            if (p["rotations"].is_array())
                for (const json& r : p["rotations"])
                    if (r.is_number()) piece.rotations_deg.push_back(r.get<double>());
            if (piece.rotations_deg.empty())
                return fail(ErrorKind::BadInput, what + ": piece \"" + *id +
                                                     "\": \"rotations\" must be \"any\" or a "
                                                     "list of degrees");
        }
        out.pieces.push_back(*id);
        out.job.pieces.push_back(std::move(piece));
    }
    for (const json& s : j["sheets"]) {
        const auto id = id_of(s, what + ": sheet " + std::to_string(out.sheets.size() + 1), sheet_ids);
        if (!id) return tl::make_unexpected(id.error());
        auto outline = outline_of(s, what + ": sheet \"" + *id + "\"");
        if (!outline) return tl::make_unexpected(outline.error());
        out.sheets.push_back(*id);
        out.job.sheets.push_back({std::move(*outline), 0});
    }
    return out;
}

json nest_result_json(const NamedNestJob& job, const NestResult& result, double seconds) {
    json out{{"format", "zesty-nest-result/1"},
             {"placements", json::array()},
             {"unplaced", json::array()},
             {"seconds", seconds}};
    for (const NestPlacement& p : result.placements)
        out["placements"].push_back({{"piece", job.pieces[p.piece]},
                                     {"sheet", job.sheets[p.sheet]},
                                     {"rotation_deg", p.rotation_deg},
                                     {"mirrored", false},
                                     {"dx", p.shift.x},
                                     {"dy", p.shift.y}});
    for (int u : result.unplaced) out["unplaced"].push_back(job.pieces[u]);
    return out;
}

} // namespace zesty
