#include "core/setout/arrange.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/arrange_annealing.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <optional>

namespace zesty {

using namespace arranging;

namespace {

constexpr double border = 25.4 / 4; ///< of a cut that has been moved to an edge
constexpr double coarse = 25.4 / 2; ///< cells of the free room, while there are many to judge
constexpr std::size_t most_placings = 6;
constexpr long quick_work = 400'000; ///< comparisons, a few hundredths of a second
constexpr long long_work = 40'000'000;
constexpr int cut_halvings = 7;
constexpr double raster_is_over_by = 0.002; ///< share of the cut that a raster may be wrong by

/// The cut as it lies, then in the middle, at the edges and in the corners of every base that holds it.
std::vector<Point> placings_of(const ArrangeQuestion& question, const Box& cut) {
    std::vector<Point> out{{}};
    if (!question.cuts_move || cut.empty()) return out;
    for (const Box& base : question.bases) {
        const double rx = (base.width() - cut.width()) / 2;
        const double ry = (base.height() - cut.height()) / 2;
        if (rx < 0 || ry < 0) continue;
        const Point middle = base.centre() - cut.centre();
        for (const double x : {0.0, -1.0, 1.0})
            for (const double y : {0.0, -1.0, 1.0})
                out.push_back(middle + Point{x * std::max(0.0, rx - border), y * std::max(0.0, ry - border)});
    }
    std::vector<Point> once;
    for (const Point p : out)
        if (std::none_of(once.begin(), once.end(), [&](Point q) { return distance(p, q) < border; }))
            once.push_back(p);
    return once;
}

/// A place of the cut, with a laying there where one was found at once.
struct Placing {
    Board board;
    Scene scene;
    FreeRoom room;
    std::optional<Laying> laying;

    Placing(const Board& at, const std::vector<Thing>& things)
        : board(at), scene(things, board), room(scene, coarse) {}
};

class Arranger {
public:
    Arranger(const ArrangeQuestion& question, const StopToken& stop)
        : question_(question), stop_(stop), silhouette_(question.silhouette),
          over_photos_(question.over_photos), things_(things_of(question)),
          board_(question, silhouette_, over_photos_) {}

    Arranged run() {
        Arranged out;
        find_placings(1, quick_work);
        if (placings_.empty()) return too_large(out);
        if (!found_any()) find_placings(1, long_work / static_cast<long>(placings_.size()));
        for (int k = 0; k < arrangements_wanted && !stopped(stop_); ++k) {
            auto next = another(out.found.empty());
            if (!next) break;
            out.found.push_back(std::move(*next));
        }
        return out.found.empty() ? shortage(out) : out;
    }

private:
    bool found_any() const {
        return std::any_of(placings_.begin(), placings_.end(), [](const auto& p) { return p->laying; });
    }

    void find_placings(double factor, long work) {
        placings_.clear();
        board_.set({}, factor);
        for (const Point moved : placings_of(question_, board_.cut_box())) {
            board_.set(moved, factor);
            auto placing = std::make_unique<Placing>(board_, things_);
            if (std::any_of(placing->scene.places.begin(), placing->scene.places.end(),
                            [](const auto& places) { return places->empty(); }))
                continue;
            placing->laying = full_search(placing->scene, placing->board.budget(), false, work, stop_);
            placings_.push_back(std::move(placing));
            if (stopped(stop_)) break;
        }
        // Those that were found to do come first.
        std::stable_partition(placings_.begin(), placings_.end(),
                              [](const auto& p) { return p->laying.has_value(); });
        if (placings_.size() > most_placings) placings_.resize(most_placings);
    }

    static std::vector<Place> anyhow(const Placing& placing) {
        std::vector<Place> out;
        for (const auto& places : placing.scene.places) out.push_back(places->front());
        return out;
    }

    /// One that is unlike those there are; the first may be as it likes.
    std::optional<Arrangement> another(bool first) {
        Annealing how;
        how.earlier = earlier_;
        how.step = question_.step;
        const Box& base = question_.bases.front();
        how.different = least_difference * std::max(base.width(), base.height());
        const std::size_t tried = std::min(placings_.size(), most_placings);
        how.moves = tried > 2 ? 4000 : 9000;
        const Placing* where = nullptr;
        Annealed best;
        for (std::size_t i = 0; i < tried && !stopped(stop_); ++i) {
            const Placing& placing = *placings_[i];
            for (const bool roomy : {false, true}) {
                how.taste.room = roomy ? 2 : 1;
                Annealed one = anneal(placing.scene, placing.room, how,
                                      placing.laying ? placing.laying->places : anyhow(placing), random_);
                if (one.good && !near_enough(placing, one.places)) one.good = false;
                if (where && std::pair(!one.good, one.energy) >= std::pair(!best.good, best.energy)) continue;
                where = &placing;
                best = std::move(one);
            }
        }
        if (where && best.good) return taken(*where, best.places);
        if (!first) return {};
        for (const auto& placing : placings_)
            if (placing->laying) return taken(*placing, placing->laying->places);
        return {};
    }

    /// Exactly what is covered, not by cells.
    double covered(const Placing& placing, const std::vector<Place>& places) const {
        if (question_.silhouette.empty()) return 0;
        Region above;
        for (std::size_t i = 0; i < places.size(); ++i) {
            if (things_[i].behind) continue;
            above.push_back(things_[i].round ? Polygon{circle(places[i].centre, things_[i].width / 2, 96), {}}
                                             : Polygon{ring_of(box_of(things_[i], places[i])), {}});
        }
        const Point m = placing.board.moved();
        const auto one = unite(above);
        const auto both =
            one ? intersect(*one, transformed(question_.silhouette, Transform::moved(m.x, m.y))) : one;
        return both ? area(*both) / area(question_.silhouette) : 1;
    }

    bool near_enough(const Placing& placing, const std::vector<Place>& places) const {
        return covered(placing, places) <= question_.may_cover + raster_is_over_by;
    }

    Arrangement taken(const Placing& placing, const std::vector<Place>& places) {
        Arrangement out;
        out.photos = question_.photos;
        out.rooms = question_.rooms;
        for (std::size_t i = 0; i < places.size(); ++i)
            if (i < out.photos.size()) {
                out.photos[i].centre = places[i].centre;
                out.photos[i].turn_deg = 0;
                if (places[i].turned) std::swap(out.photos[i].width, out.photos[i].height);
            } else {
                RoomWanted& room = out.rooms[i - out.photos.size()];
                room.centre = places[i].centre;
                if (places[i].turned) std::swap(room.width, room.height);
            }
        out.cuts_moved = placing.board.moved();
        out.covered = covered(placing, places);
        out.hidden = hidden_share(placing.scene, places);
        out.free = FreeRoom(placing.scene, question_.step).largest(places);
        earlier_.push_back({places, placing.board.moved()});
        return out;
    }

    /// Something is larger than every base.
    Arranged too_large(Arranged out) const {
        out.short_mm2 = 1;
        for (const Thing& t : things_) {
            double best = t.width * t.height;
            for (const Box& base : question_.bases)
                best = std::min(best, t.width * t.height - std::min(t.width, base.width()) *
                                                               std::min(t.height, base.height()));
            out.short_mm2 = std::max(out.short_mm2, best);
        }
        return out;
    }

    Arranged shortage(Arranged out) {
        double least = std::numeric_limits<double>::infinity();
        for (const auto& placing : placings_)
            if (const auto laying = full_search(placing->scene, least, true, quick_work, stop_))
                least = std::min(least, laying->covers);
        out.without_cut = std::isfinite(least);
        if (!out.without_cut) {
            double wanted = 0;
            for (const Thing& t : things_)
                wanted += t.round ? t.width * t.width * 0.785398163 : t.width * t.height;
            for (const Box& base : question_.bases) wanted -= base.area();
            out.short_mm2 = std::max(wanted, 0.0);
            return out;
        }
        out.short_mm2 = least - question_.may_cover * silhouette_.whole();
        double good = 0;
        double bad = 1;
        for (int i = 0; i < cut_halvings && !stopped(stop_); ++i) {
            const double factor = (good + bad) / 2;
            find_placings(factor, quick_work);
            (found_any() ? good : bad) = factor;
        }
        out.factor = good;
        return out;
    }

    const ArrangeQuestion& question_;
    const StopToken& stop_;
    CoverMap silhouette_;
    CoverMap over_photos_;
    std::vector<Thing> things_;
    Board board_;
    std::vector<std::unique_ptr<Placing>> placings_;
    std::vector<Earlier> earlier_;
    std::mt19937 random_{20260517};
};

std::vector<Place> places_of(const Arrangement& a) {
    std::vector<Place> out;
    for (const Photo& p : a.photos) out.push_back({p.centre, false, 0, 0});
    for (const RoomWanted& r : a.rooms) out.push_back({r.centre.value_or(Point{}), false, 0, 0});
    return out;
}

} // namespace

Arranged arrange(const ArrangeQuestion& question, const StopToken& stop) {
    return Arranger(question, stop).run();
}

double difference_of(const Arrangement& a, const Arrangement& b) {
    ArrangeQuestion question;
    question.photos = a.photos;
    question.rooms = a.rooms;
    return apart(things_of(question), places_of(a), a.cuts_moved, places_of(b), b.cuts_moved);
}

} // namespace zesty
