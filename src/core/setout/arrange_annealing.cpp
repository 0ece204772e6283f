#include "core/setout/arrange_annealing.h"

#include "core/chance.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>

namespace zesty::arranging {

namespace {

constexpr double warm = 0.4;
constexpr double cold = 0.004;
constexpr double wrong = 20;      ///< weight of what must not be
constexpr double one_wrong = 0.2; ///< however small it is
constexpr double same_again = 2;  ///< weight of being what there is already
constexpr double gap = 25.4 / 4;  ///< left between things that are put beside each other

struct Energy {
    double sum = 0;
    bool good = true;
};

class Run {
public:
    Run(const Scene& scene, const FreeRoom& room, const Annealing& how, std::vector<Place> from,
        std::mt19937& random)
        : scene_(scene), room_(room), how_(how), random_(random), now_(std::move(from)) {}

    Annealed run() {
        Energy energy = of_now();
        Annealed best{now_, energy.sum, energy.good};
        for (int i = 0; i < how_.moves && !now_.empty(); ++i) {
            const double heat = warm * std::pow(cold / warm, static_cast<double>(i) / how_.moves);
            const std::vector<Place> before = now_;
            move();
            const Energy next = of_now();
            const double worse = next.sum - energy.sum;
            if (worse > 0 && chance(random_) >= std::exp(-worse / heat)) {
                now_ = before;
                continue;
            }
            energy = next;
            if (std::pair(!energy.good, energy.sum) < std::pair(!best.good, best.energy))
                best = {now_, energy.sum, energy.good};
        }
        return best;
    }

private:
    std::size_t any(std::size_t count) {
        return std::min(count - 1, static_cast<std::size_t>(chance(random_) * static_cast<float>(count)));
    }

    Energy of_now() const {
        Energy out;
        double wrongs = 0;
        for (std::size_t i = 0; i < now_.size(); ++i)
            for (std::size_t k = 0; k < i; ++k) {
                if (!clash(scene_.things[i], now_[i], scene_.things[k], now_[k])) continue;
                const Box a = box_of(scene_.things[i], now_[i]);
                const Box b = box_of(scene_.things[k], now_[k]);
                wrongs += one_wrong + common(a, b).area() / std::min(a.area(), b.area());
            }
        const double covers = covers_of(scene_, now_);
        const double too_much = covers - scene_.board.budget();
        if (too_much > 1e-6) wrongs += one_wrong / 4 + too_much / scene_.board.silhouette_area();
        out.good = wrongs == 0;
        out.sum = wrong * wrongs + distaste(scene_, room_, now_, how_.taste, covers);
        for (const Earlier& e : how_.earlier) {
            const double far = apart(scene_.things, now_, scene_.board.moved(), e.places, e.cut);
            out.sum += same_again * std::max(0.0, 1 - far / how_.different);
            if (far < how_.different) out.good = false;
        }
        return out;
    }

    void move() {
        const std::size_t i = any(now_.size());
        switch (any(5)) {
        case 0: // Anywhere, rather where little is covered.
            anywhere(i);
            break;
        case 1:
            trade(i);
            break;
        case 2:
            beside(i);
            break;
        default:
            nudge(i);
        }
    }

    void anywhere(std::size_t i) {
        const auto& places = *scene_.places[i];
        const float u = chance(random_);
        now_[i] = places[std::min(places.size() - 1,
                                  static_cast<std::size_t>(u * u * static_cast<float>(places.size())))];
    }

    void trade(std::size_t i) {
        const std::size_t k = any(now_.size());
        if (k == i) return;
        const Place there = now_[k];
        take(k, now_[i].centre, now_[i].base);
        take(i, there.centre, there.base);
    }

    void nudge(std::size_t i) {
        const double by = how_.step * static_cast<double>(1 + any(4) * any(3));
        static constexpr Point ways[] = {{1, 0}, {-1, 0}, {0, 1}, {0, -1}};
        take(i, now_[i].centre + ways[any(4)] * by, now_[i].base);
    }

    /// In line with another thing, at one of its sides.
    void beside(std::size_t i) {
        const std::size_t k = any(now_.size());
        if (k == i) return;
        const Box other = box_of(scene_.things[k], now_[k]);
        const Box own = box_of(scene_.things[i], now_[i]);
        Point at = other.centre();
        const bool across = any(2) == 0;
        const double away = chance(random_) < 0.5F ? gap : 0;
        const double half = across ? (own.width() + other.width()) / 2 : (own.height() + other.height()) / 2;
        (across ? at.x : at.y) += (any(2) == 0 ? 1 : -1) * (half + away);
        const double line = across ? (own.height() - other.height()) / 2 : (own.width() - other.width()) / 2;
        (across ? at.y : at.x) += line * (static_cast<double>(any(3)) - 1);
        take(i, at, now_[k].base);
    }

    /// There, or as near to it as its base allows; where it is, if it must not lie there.
    void take(std::size_t i, Point centre, int base) {
        Place next = now_[i];
        next.centre = centre;
        next.base = base;
        const Box& room = scene_.board.bases()[static_cast<std::size_t>(base)];
        const Box own = box_of(scene_.things[i], next);
        if (own.width() > room.width() + 1e-6 || own.height() > room.height() + 1e-6) return;
        const auto into = [](double at, double half, double from, double to) {
            return std::min(std::max(at, from + half), std::max(from + half, to - half));
        };
        next.centre = {into(centre.x, own.width() / 2, room.x0, room.x1),
                       into(centre.y, own.height() / 2, room.y0, room.y1)};
        if (!scene_.board.allows(scene_.things[i], next)) return;
        next.covers = scene_.board.covered_by(scene_.things[i], next);
        now_[i] = next;
    }

    const Scene& scene_;
    const FreeRoom& room_;
    const Annealing& how_;
    std::mt19937& random_;
    std::vector<Place> now_;
};

} // namespace

Annealed anneal(const Scene& scene, const FreeRoom& room, const Annealing& how, std::vector<Place> from,
                std::mt19937& random) {
    return Run(scene, room, how, std::move(from), random).run();
}

} // namespace zesty::arranging
