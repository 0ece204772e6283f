#include "io/hold_json.h"

#include "core/dress/wet.h"
#include "io/json_shapes.h"

namespace zesty {

using nlohmann::json;

namespace {

json raised_json(const RaisedThing& thing) {
    json levels = json::array();
    for (const FoamLevel& l : thing.levels)
        levels.push_back({{"foam_mm", l.thickness}, {"area_mm2", l.area}});
    json strips = json::array();
    for (const FoamStrip& s : thing.strips)
        strips.push_back({{"from", to_json(s.from)}, {"to", to_json(s.to)}, {"foam_mm", s.thickness}});
    json pads = json::array();
    for (const FoamPad& p : thing.pads)
        pads.push_back({{"at", to_json(p.at)}, {"side_mm", p.side}, {"foam_mm", p.thickness}});
    return {{"name", thing.name},     {"held", key_of(thing.how)}, {"top_mm", thing.top},
            {"levels", levels},       {"strips", strips},          {"pads", pads},
            {"full_mm2", thing.full}, {"foam_mm2", thing.planned}, {"for_shakers", thing.for_shakers}};
}

json uses_json(const std::vector<GlueUse>& uses) {
    json out = json::array();
    for (const GlueUse& use : uses)
        out.push_back({{"what", key_of(use.what)}, {"length_mm", use.length}, {"dots", use.dots}});
    return out;
}

} // namespace

json heights_json(const Project& project, const Plan& plan) {
    const HeightFacts& h = plan.dress.heights;
    json raised = json::array();
    for (const RaisedThing& thing : h.raised) raised.push_back(raised_json(thing));
    json foam = json::array();
    for (const FoamTotal& f : h.foam)
        foam.push_back({{"foam_mm", f.thickness}, {"strips_mm", f.length}, {"pads", f.pads}});
    return {{"highest_mm", h.highest},
            {"at", to_json(h.at)},
            {"album_takes_mm", project.dress.album_takes},
            {"higher_share", h.over_share},
            {"raised", raised},
            {"foam", foam},
            {"foam_mm2", h.planned},
            {"full_foam_mm2", h.full}};
}

json glue_json(const Plan& plan) {
    json cuts = json::array();
    for (const GlueMap& map : plan.dress.glue.cuts) {
        json places = json::array();
        for (const GluePlace& p : map.places)
            places.push_back({{"at", to_json(p.at)},
                              {"length_mm", rounded(p.length)},
                              {"what", key_of(p.what)},
                              {"when", key_of(p.when)}});
        cuts.push_back({{"cut", map.cut + 1},
                        {"places", places},
                        {"never", to_json(map.never)},
                        {"after", to_json(map.after)},
                        {"tucked", map.tucks},
                        {"uses", uses_json(map.uses)}});
    }
    json held = json::array();
    for (const BadlyHeld& b : plan.dress.glue.badly_held)
        held.push_back({{"piece", b.piece + 1}, {"at", to_json(b.at)}, {"apart_mm", b.apart}});
    return {{"cuts", cuts}, {"held_once", held}, {"uses", uses_json(plan.dress.glue.uses)}};
}

json wet_json(const Project& project, const Plan& plan) {
    json out = json::array();
    for (std::size_t i = 0; i < plan.dress.wet.size() && i < project.dress.wet.size(); ++i) {
        const WetFacts& f = plan.dress.wet[i];
        out.push_back({{"name", name_of(project.dress.wet[i], i)},
                       {"kind", key_of(project.dress.wet[i].kind)},
                       {"outline", to_json(f.wet)},
                       {"primer", to_json(f.primer)},
                       {"seen", f.seen},
                       {"contrast", f.contrast},
                       {"better_by", f.better ? to_json(*f.better) : json(nullptr)}});
    }
    return out;
}

json late_frame_json(const Plan& plan) {
    if (!plan.dress.frame) return nullptr;
    const LateFrameFacts& f = *plan.dress.frame;
    json inner = json::array();
    for (const Ring& ring : f.inner) inner.push_back(to_json(ring));
    json marks = json::array();
    for (const Point at : f.marks) marks.push_back(to_json(at));
    json hides = json::array();
    for (const FramedThing& t : f.hides)
        hides.push_back(
            {{"what", t.name}, {"share", t.share}, {"depth_mm", t.depth}, {"protected", t.protected_part}});
    return {{"inner", inner},
            {"marks", marks},
            {"hides", hides},
            {"bars_mm", f.bars},
            {"widest_even_mm", f.most_even}};
}

} // namespace zesty
