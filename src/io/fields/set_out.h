#pragma once
// What is stored of Set out. The drawings and the pictures of photos lie beside it in the archive.

#include "core/setout/decisions.h"
#include "io/fields/description.h"
#include "io/in_archive.h"

#include <set>

namespace zesty {

template <class F, Describes<Page> T> void describe(F& f, T& page) {
    f.number("width_mm", page.width, page_side_limits);
    f.number("height_mm", page.height, page_side_limits);
    f.flag("spread", page.spread);
    f.number("gap_mm", page.gap, page_length_limits);
    f.number("second_width_mm", page.second_width, second_side_limits);
    f.number("second_height_mm", page.second_height, second_side_limits);
    f.object("reveal_mm", [&](auto& sides) {
        sides.number("left", page.reveal.left, page_length_limits);
        sides.number("top", page.reveal.top, page_length_limits);
        sides.number("right", page.reveal.right, page_length_limits);
        sides.number("bottom", page.reveal.bottom, page_length_limits);
    });
    f.word("frame", page.frame);
    f.number("glue_lip_mm", page.glue_lip, page_length_limits);
    f.number("window_width_mm", page.window_width, second_side_limits);
    f.number("window_height_mm", page.window_height, second_side_limits);
    f.text("frame_paper", page.frame_paper);
    f.flag("gut", page.gut);
    f.text("base_paper", page.base_paper);
    f.text("side_paper", page.side_paper);
    f.flag("under_photos", page.under_photos);
    if constexpr (std::is_same_v<F, Settler>)
        for (double* side : {&page.second_width, &page.second_height})
            if (*side < page_side_limits.least) *side = 0;
    f.check("second_width_mm", [&] {
        return (page.second_width == 0 || page_side_limits.hold(page.second_width)) &&
               (page.second_height == 0 || page_side_limits.hold(page.second_height));
    });
}

template <class F, Describes<CuttingMat> T> void describe(F& f, T& mat) {
    f.number("width_mm", mat.width, cutting_mat_limits);
    f.number("height_mm", mat.height, cutting_mat_limits);
    f.number("gap_mm", mat.gap, cutting_mat_gap_limits);
}

template <class F, Describes<NarrowestBars> T> void describe(F& f, T& bars) {
    f.number("blade_mm", bars.blade, narrowest_bar_limits);
    f.number("glue_mm", bars.glue, narrowest_bar_limits);
    f.number("foam_mm", bars.foam, narrowest_bar_limits);
    f.number("tape_mm", bars.tape, narrowest_bar_limits);
}

template <class F, Describes<UsualSizes> T> void describe(F& f, T& usual) {
    f.number("shadow_mm", usual.shadow, shadow_limits);
    f.number("grid_gap_mm", usual.grid_gap, grid_gap_limits);
    f.number("photo_overlap_mm", usual.photo_overlap, photo_overlap_limits);
    f.number("scan_square_mm", usual.scan_square, scan_square_limits);
}

/// How something is held on what lies below it.
template <class F, Describes<Mounting> T> void describe(F& f, T& held) {
    f.word("how", held.how);
    f.number("foot_deg", held.foot_deg, foot_limits);
}

template <class F, Describes<PlacedCut> T> void describe(F& f, T& cut) {
    f.whole("id", cut.id, {0, most_cut_ids - 1});
    f.index("drawing", cut.drawing, {1, 10'000});
    f.word("rule", cut.place.rule);
    f.number("length_mm", cut.place.length, length_limits(cut.place.rule));
    f.number("turn_deg", cut.place.turn_deg, turn_limits);
    f.flag("mirrored", cut.place.mirrored);
    f.point("shift_mm", cut.place.shift, place_limits);
    f.number("sized_at_deg", cut.place.sized_at_deg, turn_limits);
    f.values("left_out", cut.left_out, [](auto& v, const char* key, auto& piece) {
        v.whole(key, piece, {0, 10'000'000});
    });
    f.values("layers", cut.layers, [](auto& v, const char* key, auto& layer) { v.text(key, layer); });
    f.flag("by_whole", cut.by_whole);
    f.number("grown_mm", cut.grown, grown_limits);
    f.flag("pieces_from_paper", cut.pieces_from_paper);
    f.optional("colour", cut.colour, [](auto& o, auto& c) { o.colour("rgb", c); });
    f.optional("edge", cut.edge, [](auto& o, auto& c) { o.colour("rgb", c); });
    f.text("paper", cut.paper);
    f.flag("above_photos", cut.above_photos);
    f.object("held", [&](auto& o) { describe(o, cut.held); });
    if constexpr (std::is_same_v<F, Settler>) std::sort(cut.left_out.begin(), cut.left_out.end());
    f.check("left_out", [&] { return std::is_sorted(cut.left_out.begin(), cut.left_out.end()); });
}

template <class F, Describes<PhotoMat> T> void describe(F& f, T& mat) {
    f.text("paper", mat.paper);
    f.word("side", mat.side);
    f.number("border_mm", mat.border, mat_border_limits);
    f.point("shift_mm", mat.shift, mat_shift_limits);
    f.word("span", mat.span);
    f.flag("torn", mat.torn);
    f.number("tear_mm", mat.tear, tear_limits);
    f.flag("see_through", mat.see_through);
    f.flag("gut", mat.gut);
}

template <class F, Describes<Photo> T> void describe(F& f, T& photo) {
    f.text("name", photo.name);
    f.number("width_mm", photo.width, photo_side_limits);
    f.number("height_mm", photo.height, photo_side_limits);
    f.flag("round", photo.round);
    f.point("centre_mm", photo.centre, place_limits);
    f.number("turn_deg", photo.turn_deg, turn_limits);
    f.flag("on_top", photo.on_top);
    const auto part_of_it = [](auto& v, const char* key, auto& part) { v.box(key, part, photo_part_limits); };
    f.values("protected_mm", photo.protected_parts, part_of_it);
    f.values("to_hide_mm", photo.hidden_parts, part_of_it);
    f.box("picture_part", photo.part, picture_part_limits);
    f.flag("whole_picture", photo.whole);
    f.whole("id", photo.id, photo_id_limits);
    f.object("held", [&](auto& o) { describe(o, photo.held); });
    f.list("mats", photo.mats, [](auto& o, auto& mat) { describe(o, mat); });
    if constexpr (std::is_same_v<F, Settler>)
        if (photo.mats.size() > most_mats) photo.mats.resize(most_mats);
    f.check("mats", [&] { return photo.mats.size() <= most_mats; });
    f.check("picture_part", [&] { return photo.part.x0 < photo.part.x1 && photo.part.y0 < photo.part.y1; });
}

template <class F, Describes<RoomWanted> T> void describe(F& f, T& room) {
    f.word("for", room.what);
    f.number("width_mm", room.width, room_side_limits);
    f.number("height_mm", room.height, room_side_limits);
    f.optional("place", room.centre,
               [](auto& o, auto& centre) { o.point("centre_mm", centre, place_limits); });
}

/// `entry`: where its picture is in the archive; empty for none.
template <class F, Describes<Sketch> T, class Name> void describe(F& f, T& sketch, Name& entry) {
    f.text("picture", entry);
    f.point("at_mm", sketch.at, place_limits);
    f.number("width_mm", sketch.width, sketch_width_limits);
    f.number("turn_deg", sketch.turn_deg, turn_limits);
    f.number("strength", sketch.strength, strength_limits);
    f.list("boxes", sketch.boxes, [](auto& o, auto& box) {
        o.word("role", box.role);
        o.box("box_mm", box.box, place_limits);
    });
}

template <class F, Describes<SetOutDecisions> T> void describe(F& f, T& page, InArchive& in) {
    auto& drawings = in.drawings;
    auto& pictures = in.pictures;
    f.object("page", [&](auto& o) { describe(o, page.page); });
    f.values("drawings", drawings, [](auto& v, const char* key, auto& entry) { v.text(key, entry); });
    f.list("cuts", page.cuts, [](auto& o, auto& cut) { describe(o, cut); });
    f.list("photos", page.photos, [](auto& o, auto& photo) { describe(o, photo); });
    f.values("pictures", pictures, [](auto& v, const char* key, auto& entry) { v.text(key, entry); });
    f.object("cutting_mat", [&](auto& o) { describe(o, page.cutting_mat); });
    f.object("narrowest_bars", [&](auto& o) { describe(o, page.bars); });
    f.object("usual", [&](auto& o) { describe(o, page.usual); });
    f.list("rooms", page.rooms, [](auto& o, auto& room) { describe(o, room); });
    f.number("may_cover", page.may_cover, covered_limits);
    f.object("sketch", [&](auto& o) { describe(o, page.sketch, in.sketch); });
    f.text("date", page.date);
    f.whole("next_cut", page.next_cut, {0, most_cut_ids});
    f.check("pictures", [&] { return pictures.size() == page.photos.size(); });
    f.check("cuts", [&] {
        std::set<int> ids;
        return std::all_of(page.cuts.begin(), page.cuts.end(), [&](const PlacedCut& c) {
            return c.drawing < static_cast<int>(drawings.size()) && c.id < page.next_cut &&
                   ids.insert(c.id).second;
        });
    });
}

} // namespace zesty
