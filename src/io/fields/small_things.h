#pragma once
// What is stored of embellishments and letter sets, in the stash and in pages.

#include "core/geometry/measure.h"
#include "core/stash/embellishment.h"
#include "core/stash/letter_set.h"
#include "io/fields/description.h"
#include "io/fields/outline.h"

namespace zesty {

template <class F, Describes<Embellishment> T> void describe(F& f, T& thing) {
    f.text("id", thing.id);
    f.text("name", thing.name);
    f.word("kind", thing.kind);
    f.colour("colour", thing.colour);
    outline_field(f, "outline", thing.outline);
    f.number("thickness_mm", thing.thickness, thickness_limits);
    f.number("white_rim_mm", thing.white_rim, white_rim_limits);
    f.whole("count", thing.count, thing_count_limits);
    f.text("on_sheet", thing.on_sheet);
    f.text("kept_in", thing.kept_in);
    f.text("image", thing.picture);
    f.text("uid", thing.uid);
    f.check("id", [&] { return !thing.id.empty(); });
    f.check("outline", [&] {
        const Box b = bounds(thing.outline);
        return thing_side_limits.hold(b.width()) && thing_side_limits.hold(b.height());
    });
}

template <class F, Describes<LetterSet> T> void describe(F& f, T& set) {
    f.text("id", set.id);
    f.text("name", set.name);
    f.word("kind", set.kind);
    f.number("height_mm", set.height, letter_height_limits);
    f.number("stroke_mm", set.stroke, letter_stroke_limits);
    f.number("gap_mm", set.gap, letter_gap_limits);
    f.colour("colour", set.colour);
    f.number("thickness_mm", set.thickness, thickness_limits);
    f.map("letters", set.letters, [](auto& o, auto& letter, auto& piece) {
        o.text("letter", letter);
        o.number("width_mm", piece.width, piece_width_limits);
        o.whole("count", piece.count, thing_count_limits);
        o.check("letter", [&] { return !letter.empty(); });
    });
    f.text("kept_in", set.kept_in);
    f.text("uid", set.uid);
    f.check("id", [&] { return !set.id.empty(); });
}

template <class Thing> nlohmann::json thing_json(const Thing& thing) {
    Writer f;
    describe(f, thing);
    return f.done();
}

template <class Thing> Result<Thing> thing_from(const nlohmann::json& j, const std::string& what) {
    Thing out;
    Reader f(j, what);
    describe(f, out);
    if (f.error()) return tl::make_unexpected(*f.error());
    return out;
}

} // namespace zesty
