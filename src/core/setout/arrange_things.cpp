#include "core/setout/arrange_things.h"

#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"

#include <algorithm>
#include <cmath>

namespace zesty::arranging {

namespace {

constexpr double touching = 1e-6; ///< mm by which things may overlap and still only touch
constexpr double no_area = 0.5;   ///< mm2

Box placed(const Box& part, const Place& place) {
    return {place.centre.x + part.x0, place.centre.y + part.y0, place.centre.x + part.x1,
            place.centre.y + part.y1};
}

/// From `from`, as far apart as places are, and flush with the far end.
std::vector<double> steps(double from, double to, double step) {
    std::vector<double> out;
    for (int i = 0; from + i * step <= to + touching; ++i) out.push_back(from + i * step);
    if (!out.empty() && to - out.back() > touching) out.push_back(to);
    return out;
}

/// Whether it is still open which way round a photo is.
bool turns(const Photo& p) {
    return !p.picture && !p.round && p.protected_parts.empty() && p.hidden_parts.empty() &&
           std::abs(p.width - p.height) > touching;
}

double distance_to(const Box& b, Point p) {
    const double dx = std::max({b.x0 - p.x, p.x - b.x1, 0.0});
    const double dy = std::max({b.y0 - p.y, p.y - b.y1, 0.0});
    return std::hypot(dx, dy);
}

} // namespace

Box box_of(const Thing& thing, const Place& place) {
    const double w = (place.turned ? thing.height : thing.width) / 2;
    const double h = (place.turned ? thing.width : thing.height) / 2;
    return {place.centre.x - w, place.centre.y - h, place.centre.x + w, place.centre.y + h};
}

std::vector<Thing> things_of(const ArrangeQuestion& question) {
    std::vector<Thing> out;
    const auto count = static_cast<int>(question.photos.size());
    for (int i = 0; i < count; ++i) {
        const Photo& p = question.photos[static_cast<std::size_t>(i)];
        Thing t;
        t.width = p.width + 2 * reach_of_mats(p);
        t.height = (p.round ? p.width : p.height) + 2 * reach_of_mats(p);
        t.round = p.round;
        t.behind = !p.on_top;
        t.level = i + (p.on_top ? count : 0);
        t.protected_parts = p.protected_parts;
        t.hidden_parts = p.hidden_parts;
        t.may_turn = turns(p);
        out.push_back(std::move(t));
    }
    for (const RoomWanted& r : question.rooms) {
        Thing t;
        t.width = r.width;
        t.height = r.height;
        t.may_turn = r.what != RoomFor::Title && std::abs(r.width - r.height) > touching;
        t.level = 2 * count + static_cast<int>(out.size());
        out.push_back(std::move(t));
    }
    return out;
}

bool clash(const Thing& a, const Place& at, const Thing& b, const Place& there) {
    const Box one = box_of(a, at);
    const Box other = box_of(b, there);
    const Box both = common(one, other);
    if (both.width() <= touching || both.height() <= touching) return false;
    if (a.round && b.round) {
        if (distance(at.centre, there.centre) >= (a.width + b.width) / 2 - touching) return false;
    } else if (a.round && distance_to(other, at.centre) >= a.width / 2 - touching) {
        return false;
    } else if (b.round && distance_to(one, there.centre) >= b.width / 2 - touching) {
        return false;
    }
    const bool a_below = a.level < b.level;
    const Thing& below = a_below ? a : b;
    const Place& below_at = a_below ? at : there;
    for (const Box& part : below.protected_parts) {
        const Box covered = common(placed(part, below_at), both);
        if (covered.width() > touching && covered.height() > touching) return true;
    }
    return std::none_of(below.hidden_parts.begin(), below.hidden_parts.end(),
                        [&](const Box& part) { return placed(part, below_at).grown(touching).holds(both); });
}

void Board::set(Point moved, double factor) {
    moved_ = moved;
    factor_ = factor;
}

Point Board::back(Point p) const {
    const Point middle = silhouette_.box().centre();
    return (p - moved_ - middle) * (1 / factor_) + middle;
}

Box Board::back(const Box& b) const {
    const Point from = back(Point{b.x0, b.y0});
    const Point to = back(Point{b.x1, b.y1});
    return {from.x, from.y, to.x, to.y};
}

Box Board::cut_box() const {
    const Box& b = silhouette_.box();
    if (b.empty()) return b;
    const Point m = b.centre() + moved_;
    const double w = b.width() / 2 * factor_;
    const double h = b.height() / 2 * factor_;
    return {m.x - w, m.y - h, m.x + w, m.y + h};
}

double Board::covered_by(const Thing& thing, const Place& place) const {
    if (thing.behind) return 0;
    if (!thing.round) return covered_by(box_of(thing, place));
    return silhouette_.of_circle(back(place.centre), thing.width / 2 / factor_) * factor_ * factor_;
}

double Board::covered_by(const Box& box) const {
    return silhouette_.of(back(box)) * factor_ * factor_;
}

bool Board::allows(const Thing& thing, const Place& place) const {
    return !thing.behind ||
           std::all_of(thing.protected_parts.begin(), thing.protected_parts.end(), [&](const Box& part) {
               return over_photos_.of(back(placed(part, place))) * factor_ * factor_ <= no_area;
           });
}

double Board::hides(const Thing& thing, const Place& place, const Box& part) const {
    if (!thing.behind || part.area() <= 0) return 0;
    return over_photos_.of(back(placed(part, place))) * factor_ * factor_ / part.area();
}

std::vector<Place> Board::places_for(const Thing& thing) const {
    std::vector<Place> out;
    for (std::size_t b = 0; b < question_.bases.size(); ++b)
        for (const bool turned : {false, true}) {
            if (turned && !thing.may_turn) continue;
            const Box& base = question_.bases[b];
            Place place{{}, turned, static_cast<int>(b), 0};
            const Box own = box_of(thing, place);
            for (const double y : steps(base.y0 - own.y0, base.y1 - own.y1, question_.step))
                for (const double x : steps(base.x0 - own.x0, base.x1 - own.x1, question_.step)) {
                    place.centre = {x, y};
                    if (!allows(thing, place)) continue;
                    place.covers = covered_by(thing, place);
                    out.push_back(place);
                }
        }
    std::stable_sort(out.begin(), out.end(),
                     [](const Place& a, const Place& b) { return a.covers < b.covers - 1e-9; });
    return out;
}

} // namespace zesty::arranging
