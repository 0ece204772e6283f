#include "core/dress/tucked.h"

#include "core/geometry/boolean.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double round_a_tuck = mm_per_inch / 8;
constexpr double beside_a_window = 0.5; ///< mm round what glue would be seen through
constexpr int ways_in = 16;
constexpr double way_step = 4;      ///< mm
constexpr double long_step = 20;    ///< mm
constexpr double longest_way = 600; ///< mm
constexpr double hardly_tucked = 4; ///< mm2
constexpr int free_part_corners = 32;

double on_each_other(const Region& cut, const Ring& convex) {
    double out = 0;
    for (const Polygon& p : cut) out += area_inside_convex({p.outer, {}}, convex);
    return out;
}

/// What a convex ring passes over when it is moved.
Region swept(const Ring& ring, Point by) {
    Region parts{{ring, {}}};
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i];
        const Point b = ring[(i + 1) % ring.size()];
        if (std::abs(cross(b - a, by)) > 1e-6) parts.push_back({{a, b, b + by, a + by}, {}});
    }
    const auto joined = unite(parts);
    return joined ? *joined : parts;
}

/// Moved that far in one of the directions it is clear of the cut; nothing where it is not.
std::optional<Point> clear_at(const Region& cut, const Ring& ring, double far) {
    for (int k = 0; k < ways_in; ++k) {
        const double angle = 2 * M_PI * k / ways_in;
        const Point by{far * std::cos(angle), far * std::sin(angle)};
        Ring moved = ring;
        for (Point& p : moved) p = p + by;
        if (on_each_other(cut, moved) < hardly_tucked) return by;
    }
    return {};
}

/// The shortest way that takes the ring clear of the cut, looked for in long steps and then in short ones.
std::optional<Point> way_out(const Region& cut, const Ring& ring) {
    for (double far = long_step; far <= longest_way; far += long_step) {
        const auto found = clear_at(cut, ring, far);
        if (!found) continue;
        for (double nearer = far - long_step + way_step; nearer < far; nearer += way_step)
            if (const auto by = clear_at(cut, ring, nearer)) return by;
        return found;
    }
    return {};
}

Ring convex_outline(const Photo& photo) {
    const Polygon whole = matted_outline(photo);
    if (photo.round && photo.mats.empty()) return whole.outer;
    Ring out = smallest_rectangle_around(whole.outer);
    return out.empty() ? whole.outer : out;
}

class Tucking {
public:
    Tucking(const DressNow& now, const LyingThing& cut) : now_(now), cut_(cut) {}

    TuckZones run() {
        photos();
        windows();
        for (const FreePart& f : now_.decided.free_parts)
            never_.push_back({circle(f.centre, f.radius, free_part_corners), {}});
        TuckZones out;
        if (const auto joined = unite(never_)) out.never = *joined;
        if (const auto joined = unite(after_))
            if (const auto rest = subtract(*joined, out.never)) out.after = *rest;
        out.tucks = std::move(tucks_);
        return out;
    }

private:
    void photos() {
        if (!now_.page.cuts[static_cast<std::size_t>(cut_.index)].above_photos) return;
        for (std::size_t i = 0; i < now_.page.photos.size(); ++i) {
            const Photo& photo = now_.page.photos[i];
            if (photo.on_top) continue;
            const Ring ring = convex_outline(photo);
            if (!bounds(ring).meets(cut_.box) || on_each_other(cut_.outline, ring) < hardly_tucked) continue;
            tucks_.push_back(name_of(photo, i));
            if (const auto grown = grow({{ring, {}}}, round_a_tuck))
                never_.insert(never_.end(), grown->begin(), grown->end());
            if (const auto by = way_out(cut_.outline, ring)) {
                const Region way = swept(ring, *by);
                after_.insert(after_.end(), way.begin(), way.end());
            }
        }
    }

    void windows() {
        const CutFile& cut = *now_.sections.cut;
        for (std::size_t o = 0; o < cut.openings.size(); ++o) {
            if (now_.sections.cut_of_opening[o] != cut_.index) continue;
            const Section& section = now_.sections.all[static_cast<std::size_t>(now_.sections.of_opening[o])];
            if (section.treatment != Treatment::Shaker && section.treatment != Treatment::Translucent)
                continue;
            const Polygon opening = transformed(cut.openings[o].outline, now_.whole.to_page);
            if (const auto grown = grow({opening}, beside_a_window))
                never_.insert(never_.end(), grown->begin(), grown->end());
        }
    }

    const DressNow& now_;
    const LyingThing& cut_;
    Region never_, after_;
    std::vector<std::string> tucks_;
};

} // namespace

bool lies_in(const Region& region, Point at) {
    return std::any_of(region.begin(), region.end(), [&](const Polygon& p) { return contains(p, at); });
}

std::vector<TuckZones> zones_of(const DressNow& now, const std::vector<LyingThing>& pile) {
    std::vector<TuckZones> out;
    if (!now.sections.cut) return out;
    for (std::size_t c = 0; c < now.page.cuts.size(); ++c)
        out.push_back(tuck_zones(now, pile, static_cast<int>(c)));
    return out;
}

TuckZones tuck_zones(const DressNow& now, const std::vector<LyingThing>& pile, int cut) {
    for (const LyingThing& thing : pile)
        if (thing.what == Lying::Cut && thing.index == cut) return Tucking(now, thing).run();
    return {};
}

} // namespace zesty
