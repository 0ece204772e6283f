#include "io/dress_json.h"

#include "core/dress/layers.h"
#include "core/project/finished.h"
#include "core/setout/photo_mats.h"
#include "io/hold_json.h"
#include "io/json_shapes.h"

namespace zesty {

using nlohmann::json;

namespace {

json writing_json(const WritingFacts& f) {
    json lines = json::array();
    for (const WritingLine& l : f.lines)
        lines.push_back({{"from", to_json(l.from)},
                         {"to", to_json(l.to)},
                         {"radius_mm", l.radius},
                         {"length_mm", l.length},
                         {"text", l.text}});
    return {{"lines", lines},      {"length_mm", f.length},    {"holds", f.holds},
            {"words", f.words},    {"left_over", f.left_over}, {"contrast", f.pen.contrast},
            {"entered", f.entered}};
}

json piece_json(const DressPiece& piece) {
    return {{"what", piece.what},
            {"paper", piece.paper.empty() ? json(nullptr) : json(piece.paper)},
            {"outline", to_json(piece.outline)},
            {"sheet", piece.placed ? json(piece.sheet) : json(nullptr)},
            {"on_sheet", piece.placed ? to_json(piece.on_sheet) : json(nullptr)}};
}

json mats_json(const Project& project, const Plan& plan) {
    json out = json::array();
    for (const MatFacts& m : plan.dress.mats) {
        const Photo& photo = project.set_out.photos[static_cast<std::size_t>(m.photo)];
        out.push_back({{"photo", m.photo + 1},
                       {"mat", m.mat + 1},
                       {"outline", to_json(outline_of_mat(photo, static_cast<std::size_t>(m.mat)))},
                       {"seen", m.seen},
                       {"border_seen", m.border_seen}});
    }
    return out;
}

json layers_json(const Project& project, const Plan& plan) {
    json out = json::array();
    for (std::size_t i = 0; i < project.dress.layers.size() && i < plan.dress.layers_seen.size(); ++i) {
        const PaperLayer& layer = project.dress.layers[i];
        out.push_back({{"name", name_of(layer, i)},
                       {"shape", key_of(layer.shape)},
                       {"place", key_of(layer.place)},
                       {"outline", to_json(outline_of(layer, project.set_out.page))},
                       {"seen", plan.dress.layers_seen[i]}});
    }
    return out;
}

json titles_json(const Project& project, const Plan& plan) {
    json out = json::array();
    for (std::size_t i = 0; i < plan.dress.titles.size() && i < project.dress.titles.size(); ++i) {
        const TitleFacts& t = plan.dress.titles[i];
        json letters = json::array();
        for (const TitleLetter& l : t.letters)
            letters.push_back({{"piece", l.piece},
                               {"set", l.set},
                               {"foot", to_json(l.foot)},
                               {"turn_deg", l.turn_deg},
                               {"width_mm", l.width},
                               {"height_mm", l.height},
                               {"missing", l.missing},
                               {"bars", l.lines},
                               {"contrast", l.contrast}});
        json missing = json::array();
        for (const auto& [piece, count] : t.missing) missing.push_back({{"piece", piece}, {"short", count}});
        out.push_back({{"text", project.dress.titles[i].text},
                       {"length_mm", t.length},
                       {"room_mm", t.room},
                       {"overhang_mm", t.overhang},
                       {"height_mm", t.height},
                       {"missing", missing},
                       {"letters", letters},
                       {"label_mm", {t.label_width, t.label_height}}});
    }
    return out;
}

json embellishments_json(const Project& project, const Plan& plan) {
    json placed = json::array();
    for (std::size_t i = 0; i < plan.dress.embellishments.size() && i < project.dress.embellishments.size();
         ++i) {
        const EmbellishmentFacts& e = plan.dress.embellishments[i];
        placed.push_back(
            {{"id", project.dress.embellishments[i].id},
             {"outline", e.known ? to_json(e.outline) : json(nullptr)},
             {"contrast", e.contrast},
             {"opening", e.opening < 0 ? json(nullptr) : json("o" + std::to_string(e.opening + 1))}});
    }
    json lacking = json::array();
    for (const ShortThing& s : plan.dress.short_embellishments)
        lacking.push_back({{"id", s.id}, {"used", s.used}, {"there", s.there}});
    return {{"placed", placed}, {"short", lacking}};
}

json balance_json(const BalanceFacts& b) {
    json clusters = json::array();
    for (const Cluster& c : b.clusters)
        clusters.push_back(
            {{"centre", to_json(c.centre)}, {"area_mm2", c.area}, {"members", c.members.size()}});
    json back = json::array();
    for (const ComesBack& c : b.come_back)
        back.push_back({{"what", c.what},
                        {"by", c.colour ? "colour" : "kind"},
                        {"count", c.count},
                        {"least_angle_deg", c.least_angle_deg}});
    return {{"clusters", clusters},
            {"angles_deg", b.angles_deg},
            {"around_photo", b.around_photo < 0 ? json(nullptr) : json(b.around_photo + 1)},
            {"quarters", b.quarters},
            {"third_at", b.suggested ? to_json(*b.suggested) : json(nullptr)},
            {"third_of", b.suggested_things},
            {"come_back", back},
            {"emptiest", {{"centre", to_json(b.emptiest)}, {"radius_mm", b.emptiest_radius}}}};
}

json stitchings_json(const Plan& plan) {
    json out = json::array();
    for (const StitchingFacts& f : plan.dress.stitchings) {
        json runs = json::array();
        for (const StitchRun& r : f.runs)
            runs.push_back({{"from", to_json(r.from)},
                            {"to", to_json(r.to)},
                            {"holes", r.holes},
                            {"spacing_mm", r.spacing}});
        out.push_back({{"runs", runs},
                       {"length_mm", f.length},
                       {"holes", f.holes},
                       {"thread_mm", f.thread},
                       {"kept_clear_of", f.kept_clear_of}});
    }
    return out;
}

json coverage_json(const Plan& plan) {
    json openings = json::array();
    for (const CoveredOpening& c : plan.dress.coverage.openings)
        openings.push_back({{"opening", "o" + std::to_string(c.opening + 1)},
                            {"hidden", c.hidden},
                            {"left_mm2", c.left},
                            {"sliver_mm", c.sliver ? json(c.width) : json(nullptr)}});
    json sections = json::array();
    for (std::size_t s = 0; s < plan.dress.coverage.of_section.size(); ++s)
        if (plan.dress.coverage.of_section[s] > 0)
            sections.push_back({{"section", "s" + plan.sections.all[s].label},
                                {"hidden", plan.dress.coverage.of_section[s]}});
    return {{"openings", openings}, {"sections", sections}};
}

} // namespace

json dress_json(const Project& project, const Plan& plan) {
    json writings = json::array();
    for (const WritingFacts& f : plan.dress.writings) writings.push_back(writing_json(f));
    json pieces = json::array();
    for (const DressPiece& p : plan.dress.pieces) pieces.push_back(piece_json(p));
    return {{"journaling", writings},
            {"pieces", pieces},
            {"photo_mats", mats_json(project, plan)},
            {"layers", layers_json(project, plan)},
            {"coverage", coverage_json(plan)},
            {"stitchings", stitchings_json(plan)},
            {"balance", balance_json(plan.dress.balance)},
            {"titles", titles_json(project, plan)},
            {"embellishments", embellishments_json(project, plan)},
            {"height", heights_json(project, plan)},
            {"glue", glue_json(plan)},
            {"wet", wet_json(project, plan)},
            {"late_frame", late_frame_json(plan)},
            {"missing", missing_of(project, plan)}};
}

} // namespace zesty
