#pragma once
// What is stored of Dress.

#include "core/dress/decisions.h"
#include "core/setout/placed_cut.h"
#include "io/fields/description.h"
#include "io/fields/set_out.h"

namespace zesty {

template <class F, Describes<Writing> T> void describe(F& f, T& w) {
    f.word("shape", w.shape);
    f.text("text", w.text);
    f.point("centre_mm", w.centre, place_limits);
    f.number("width_mm", w.width, writing_side_limits);
    f.number("height_mm", w.height, writing_side_limits);
    f.number("turn_deg", w.turn_deg, turn_limits);
    f.number("radius_mm", w.radius, writing_radius_limits);
    f.number("from_deg", w.from_deg, turn_limits);
    f.number("sweep_deg", w.sweep_deg, sweep_limits);
    f.number("line_height_mm", w.line_height, line_height_limits);
    f.colour("pen", w.pen);
    f.whole("with_photo", w.with_photo, photo_id_limits);
}

template <class F, Describes<PaperLayer> T> void describe(F& f, T& layer) {
    f.text("name", layer.name);
    f.word("shape", layer.shape);
    f.text("paper", layer.paper);
    f.word("side", layer.side);
    f.point("centre_mm", layer.centre, place_limits);
    f.number("width_mm", layer.width, layer_side_limits);
    f.number("height_mm", layer.height, layer_side_limits);
    f.number("turn_deg", layer.turn_deg, turn_limits);
    f.word("edge", layer.edge);
    f.number("inset_mm", layer.inset, layer_inset_limits);
    f.flag("torn", layer.torn);
    f.number("tear_mm", layer.tear, layer_tear_limits);
    f.word("place", layer.place);
    f.object("held", [&](auto& o) { describe(o, layer.held); });
}

template <class F, Describes<TitlePath> T> void describe(F& f, T& path) {
    f.word("on", path.on);
    f.point("centre_mm", path.centre, place_limits);
    f.number("length_mm", path.length, title_length_limits);
    f.number("turn_deg", path.turn_deg, turn_limits);
    f.number("radius_mm", path.radius, writing_radius_limits);
    f.number("from_deg", path.from_deg, turn_limits);
    f.number("sweep_deg", path.sweep_deg, title_sweep_limits);
    f.spot("opening", path.opening);
    f.whole("cut", path.cut, {0, most_cut_ids - 1});
    f.number("start", path.start, share_limits);
    f.number("offset_mm", path.offset, title_offset_limits);
}

template <class F, Describes<PageTitle> T> void describe(F& f, T& title) {
    f.text("text", title.text);
    f.values("sets", title.sets, [](auto& v, const char* key, auto& id) { v.text(key, id); });
    f.object("path", [&](auto& o) { describe(o, title.path); });
    f.number("spacing_mm", title.spacing, title_spacing_limits);
    f.number("height_mm", title.height, title_height_limits);
    f.flag("block", title.block);
    f.flag("label", title.label);
    f.colour("label_colour", title.label_colour);
    f.number("label_margin_mm", title.label_margin, label_margin_limits);
    f.object("held", [&](auto& o) { describe(o, title.held); });
    if constexpr (std::is_same_v<F, Settler>)
        if (title.text.size() > longest_title) title.text = as_text(title.text.substr(0, longest_title - 4));
    f.check("text", [&] { return title.text.size() <= longest_title; });
}

template <class F, Describes<PlacedEmbellishment> T> void describe(F& f, T& placed) {
    f.text("id", placed.id);
    f.point("centre_mm", placed.centre, place_limits);
    f.number("turn_deg", placed.turn_deg, turn_limits);
    f.object("held", [&](auto& o) { describe(o, placed.held); });
}

template <class F, Describes<Stitching> T> void describe(F& f, T& s) {
    f.word("stitch", s.stitch);
    f.flag("left", s.left);
    f.flag("top", s.top);
    f.flag("right", s.right);
    f.flag("bottom", s.bottom);
    f.number("inset_mm", s.inset, stitch_inset_limits);
    f.number("spacing_mm", s.spacing, stitch_spacing_limits);
    f.number("clearance_mm", s.clearance, stitch_clearance_limits);
    f.colour("thread", s.thread);
}

template <class F, Describes<WetZone> T> void describe(F& f, T& zone) {
    f.text("name", zone.name);
    f.word("kind", zone.kind);
    f.word("shape", zone.shape);
    f.point("centre_mm", zone.centre, place_limits);
    f.number("width_mm", zone.width, wet_side_limits);
    f.number("height_mm", zone.height, wet_side_limits);
    f.number("turn_deg", zone.turn_deg, turn_limits);
    f.whole("cut", zone.cut, {0, most_cut_ids - 1});
    f.number("margin_mm", zone.margin, wet_margin_limits);
    f.colour("colour", zone.colour);
    f.flag("primer", zone.primer);
    f.number("primer_margin_mm", zone.primer_margin, wet_margin_limits);
}

template <class F, Describes<LateFrame> T> void describe(F& f, T& frame) {
    f.word("how", frame.how);
    static constexpr std::array corners{"upper_left_mm", "upper_right_mm", "lower_right_mm", "lower_left_mm"};
    for (std::size_t i = 0; i < corners.size(); ++i)
        f.number(corners[i], frame.corners[i], late_reveal_limits);
    f.text("paper", frame.paper);
    f.text("side_paper", frame.side_paper);
    f.number("lip_mm", frame.lip, late_lip_limits);
}

template <class F, Describes<FreePart> T> void describe(F& f, T& part) {
    f.point("centre_mm", part.centre, place_limits);
    f.number("radius_mm", part.radius, free_part_limits);
}

template <class F, Describes<DressDecisions> T> void describe(F& f, T& dress) {
    const auto each = [](auto& o, auto& item) { describe(o, item); };
    short_list(f, "wet", dress.wet, most_wet_zones, each);
    f.object("frame", [&](auto& o) { describe(o, dress.frame); });
    short_list(f, "free_parts", dress.free_parts, most_free_parts, each);
    f.number("album_takes_mm", dress.album_takes, album_limits);
    short_list(f, "stitchings", dress.stitchings, most_stitchings, each);
    short_list(f, "embellishments", dress.embellishments, most_placed, each);
    short_list(f, "titles", dress.titles, most_titles, each);
    short_list(f, "layers", dress.layers, most_layers, each);
    f.list("writings", dress.writings, [](auto& o, auto& w) { describe(o, w); });
    f.number("letter_width", dress.letter_width, letter_width_limits);
}

} // namespace zesty
