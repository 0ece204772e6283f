#include "io/project_json.h"

#include "io/project_file.h"
#include "io/stash_json.h"
#include "io/wanted_json.h"

namespace zesty {

using nlohmann::json;

namespace {

const char* name_of(SizeRule r) {
    return r == SizeRule::Margin  ? "margin"
           : r == SizeRule::Width ? "width"
           : r == SizeRule::Frame ? "frame"
                                  : "height";
}

json sides_json(const Sides& s) {
    return {s.left, s.top, s.right, s.bottom};
}

json spot_json(Spot s) {
    return {s.cut, s.opening + 1, s.part};
}

json page_json(const Page& page) {
    return {{"width_mm", page.width},
            {"height_mm", page.height},
            {"spread", page.spread},
            {"gap_mm", page.gap},
            {"reveal_mm", sides_json(page.reveal)},
            {"frame", page.frame == FrameKind::Whole ? "whole" : "strips"},
            {"glue_lip_mm", page.glue_lip},
            {"frame_paper", page.frame_paper},
            {"gut", page.gut},
            {"base_paper", page.base_paper},
            {"under_photos", page.under_photos}};
}

json cut_json(const PlacedCut& c) {
    return {{"id", c.id},
            {"drawing", c.drawing + 1},
            {"rule", name_of(c.place.rule)},
            {"length_mm", c.place.length},
            {"turn_deg", c.place.turn_deg},
            {"mirrored", c.place.mirrored},
            {"shift_mm", {c.place.shift.x, c.place.shift.y}},
            {"left_out", c.left_out},
            {"pieces_from_paper", c.pieces_from_paper},
            {"layers", c.layers},
            {"by_whole", c.by_whole},
            {"grown_mm", c.grown},
            {"paper", c.paper},
            {"above_photos", c.above_photos}};
}

json photo_json(const Photo& p) {
    json out{{"name", p.name},
             {"width_mm", p.width},
             {"height_mm", p.height},
             {"round", p.round},
             {"centre_mm", {p.centre.x, p.centre.y}},
             {"turn_deg", p.turn_deg},
             {"on_top", p.on_top},
             {"keep_free_mm", json::array()}};
    for (const Box& b : p.keep_free) out["keep_free_mm"].push_back({b.x0, b.y0, b.x1, b.y1});
    return out;
}

json print_json(const PrintWish& w) {
    json out = json::object();
    if (w.slant_deg) out["slant_deg"] = *w.slant_deg;
    if (w.tone) out["tone"] = *w.tone;
    if (w.motif)
        out["motif"] = {{"on_paper_mm", {w.motif->on_paper.x, w.motif->on_paper.y}},
                        {"off_middle_mm", {w.motif->off_middle.x, w.motif->off_middle.y}}};
    if (w.run_on) out["run_on"] = true;
    return out;
}

json style_json(const MatchStyle& s) {
    json zones = json::array();
    for (const Rgb c : s.zones) zones.push_back(format_colour(c));
    const MatchWeights& w = s.weights;
    return {{"drift", s.drift},
            {"light_deg", s.light_deg},
            {"map", key_of(s.map)},
            {"zones", zones},
            {"weights",
             {{"differ", w.differ},
              {"spread", w.spread},
              {"print", w.print},
              {"behind", w.behind},
              {"photo", w.photo},
              {"thrift", w.thrift}}}};
}

const char* key_of(SlantRule rule) {
    return rule == SlantRule::AsTheyFit ? "as-they-fit" : rule == SlantRule::Parallel ? "parallel" : "facing";
}

json section_json(Spot spot, const SectionChoice& c) {
    json s{{"opening", spot_json(spot)}, {"treatment", key_of(c.treatment)}};
    if (!c.name.empty()) s["name"] = c.name;
    if (!c.paper.empty()) s["paper"] = c.paper;
    if (c.locked) s["locked"] = true;
    if (c.lip) s["lip_mm"] = *c.lip;
    if (c.school) s["school"] = key_of(*c.school);
    if (c.order != 0) s["order"] = c.order;
    if (c.side == Side::B) s["side"] = "B";
    if (!c.never.empty()) s["never"] = c.never;
    if (c.same_as) s["same_as"] = spot_json(*c.same_as);
    if (c.facing) s["facing"] = true;
    if (c.print != PrintWish{}) s["print"] = print_json(c.print);
    return s;
}

json backing_json(const BackingRules& b) {
    return {
        {"school", key_of(b.school)},    {"lips", key_of(b.lips)},  {"inlay_clearance_mm", b.inlay_clearance},
        {"foam_width_mm", b.foam_width}, {"punches_mm", b.punches}, {"punch_on_top", b.punch_on_top}};
}

json bar_json(const BarName& bar, LipMode lips) {
    return {{"between", {spot_json(bar.first), spot_json(bar.second)}}, {"lips", key_of(lips)}};
}

json division_json(Spot spot, const Division& d) {
    return {{"opening", spot_json(spot)}, {"kind", key_of(d.kind)}, {"count", d.count}, {"rows", d.rows},
            {"turn_deg", d.turn_deg},     {"at", {d.at.x, d.at.y}}};
}

} // namespace

std::vector<std::string> drawing_entries(const Project& p) {
    std::vector<std::string> out;
    for (std::size_t i = 0; i < p.drawings.size(); ++i)
        out.push_back("drawing/" + std::to_string(i + 1) + "/" + p.drawings[i]->name);
    return out;
}

std::vector<std::string> photo_entries(const Project& p) {
    std::vector<std::string> out;
    for (std::size_t i = 0; i < p.photos.size(); ++i)
        out.push_back(p.photos[i].picture
                          ? "photos/" + std::to_string(i + 1) + "/" + p.photos[i].picture->name
                          : std::string());
    return out;
}

json project_json(const Project& p) {
    json out{{"format", "zesty-project/" + std::to_string(project_version)},
             {"title", p.title},
             {"units", p.units == Units::Inches ? "in" : "cm"},
             {"page", page_json(p.page)},
             {"drawings", drawing_entries(p)},
             {"cuts", json::array()},
             {"photos", json::array()},
             {"lip_mm", p.lip},
             {"blade_gap_mm", p.blade_gap},
             {"seed", p.seed},
             {"backing", backing_json(p.backing)},
             {"mat_mm", {p.mat_width, p.mat_height}},
             {"colours", style_json(p.style)},
             {"roles", json::object()},
             {"apart", p.apart},
             {"slants", {{"rule", key_of(p.slants.rule)}, {"angle_deg", p.slants.angle_deg}}},
             {"wanted", json::array()},
             {"pins", json::array()},
             {"bars", json::array()},
             {"divisions", json::array()},
             {"groups", json::array()},
             {"sections", json::array()}};
    for (const PlacedCut& c : p.cuts) out["cuts"].push_back(cut_json(c));
    const std::vector<std::string> pictures = photo_entries(p);
    for (std::size_t i = 0; i < p.photos.size(); ++i) {
        json photo = photo_json(p.photos[i]);
        if (!pictures[i].empty()) photo["picture"] = pictures[i];
        out["photos"].push_back(photo);
    }
    for (const auto& [paper, role] : p.roles) out["roles"][paper] = key_of(role);
    for (const WantedPiece& w : p.wanted) out["wanted"].push_back(to_json(w));
    for (const auto& [opening, pin] : p.pins)
        out["pins"].push_back({{"opening", spot_json(opening)},
                               {"sheet", pin.sheet},
                               {"rotation_deg", pin.rotation_deg},
                               {"shift_mm", {pin.shift.x, pin.shift.y}}});
    for (const auto& g : p.groups) {
        json members = json::array();
        for (Spot s : g) members.push_back(spot_json(s));
        out["groups"].push_back(members);
    }
    for (const auto& [bar, lips] : p.bars) out["bars"].push_back(bar_json(bar, lips));
    for (const auto& [spot, d] : p.divisions) out["divisions"].push_back(division_json(spot, d));
    for (const auto& [spot, c] : p.sections) out["sections"].push_back(section_json(spot, c));
    if (p.stash) out["stash"] = stash_json(*p.stash);
    return out;
}

} // namespace zesty
