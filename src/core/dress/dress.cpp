#include "core/dress/dress.h"

#include "core/dress/writing.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <cmath>

namespace zesty {

namespace {

constexpr double may_enter = 1;             ///< mm
constexpr double no_dress_area = 1;         ///< mm2
constexpr Rgb plain_base{0xf4, 0xf4, 0xf2}; ///< cardstock nobody has named

Rgb ground_of(const DressNow& now, const Writing& w) {
    const std::string& paper = w.shape == WritingShape::Back ? std::string() : now.page.page.base_paper;
    const int at = paper.empty() ? -1 : now.stash.find(paper);
    return at < 0 ? plain_base : now.stash.papers[static_cast<std::size_t>(at)].colour;
}

bool lies_on(const Region& writing, const Polygon& thing) {
    if (!bounds(writing).meets(bounds(thing))) return false;
    const auto both = intersect(writing, {thing});
    return both && area(*both) > no_dress_area;
}

std::vector<std::string> entered_by(const DressNow& now, std::size_t own) {
    std::vector<std::string> out;
    const Polygon outline = outline_of(now.decided.writings[own]);
    if (outline.outer.empty()) return out;
    const auto inside = grow({outline}, -may_enter);
    if (!inside || inside->empty()) return out;
    for (std::size_t i = 0; i < now.page.photos.size(); ++i)
        if (lies_on(*inside, outline_of(now.page.photos[i]))) out.push_back(name_of(now.page.photos[i], i));
    if (now.sections.cut)
        for (const Piece& p : now.sections.cut->pieces)
            if (lies_on(*inside, transformed(p.outline, now.whole.to_page))) {
                out.emplace_back("the cut");
                break;
            }
    for (std::size_t k = 0; k < own; ++k)
        if (const Polygon other = outline_of(now.decided.writings[k]);
            !other.outer.empty() && lies_on(*inside, other))
            out.push_back("other writing");
    return out;
}

} // namespace

DressFacts dress_facts(const DressNow& now) {
    DressFacts out;
    for (std::size_t i = 0; i < now.decided.writings.size(); ++i) {
        const Writing& w = now.decided.writings[i];
        WritingFacts facts = written(w, now.decided.letter_width);
        facts.ground = ground_of(now, w);
        facts.contrast = std::abs(to_lab(w.pen).l - to_lab(facts.ground).l);
        facts.entered = entered_by(now, i);
        out.writings.push_back(std::move(facts));
    }
    return out;
}

} // namespace zesty
