#include "core/setout/arrange_full.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <limits>
#include <numeric>

namespace zesty::arranging {

namespace {

constexpr double none = std::numeric_limits<double>::infinity();
constexpr double slack = 1e-6; ///< mm2
constexpr long between_looks = 1 << 16;

class FullSearch {
public:
    FullSearch(const Scene& scene, double budget, bool least, long work, const StopToken& stop)
        : scene_(scene), budget_(budget), least_(least), work_(work), stop_(stop), now_(scene.things.size()),
          order_(scene.things.size()) {
        std::iota(order_.begin(), order_.end(), std::size_t{0});
        // What has fewest places goes first.
        std::stable_sort(order_.begin(), order_.end(), [&](std::size_t a, std::size_t b) {
            return scene_.places[a]->size() < scene_.places[b]->size();
        });
        for (const Thing& t : scene_.things)
            for (const Box& part : t.hidden_parts) twice_ += part.area();
    }

    std::optional<Laying> run() {
        lay(0, 0);
        return best_;
    }

private:
    bool out_of_work() {
        if (work_ <= 0) return true;
        if (work_ / between_looks != looked_) {
            looked_ = work_ / between_looks;
            if (stopped(stop_)) work_ = 0;
        }
        return work_ <= 0;
    }

    bool free(std::size_t thing, const Place& place, std::size_t laid) {
        for (std::size_t k = laid; k-- > 0;) {
            --work_;
            const std::size_t other = order_[k];
            if (clash(scene_.things[thing], place, scene_.things[other], now_[other])) return false;
        }
        return true;
    }

    /// What a thing covers at least beside those that are laid.
    double least_of(std::size_t thing, std::size_t laid) {
        for (const Place& p : *scene_.places[thing]) {
            if (free(thing, p, laid)) return p.covers;
            if (out_of_work()) break;
        }
        return none;
    }

    /// Of all that are still to be laid after `laid`.
    double rest(std::size_t laid) {
        double sum = 0;
        for (std::size_t k = laid; k < order_.size() && sum < none; ++k) sum += least_of(order_[k], laid);
        return sum;
    }

    bool lay(std::size_t laid, double covers) {
        if (laid == order_.size()) {
            const double really = covers_of(scene_, now_);
            if (really > budget_ + slack) return false;
            best_ = Laying{now_, really};
            budget_ = really - 2 * slack;
            return !least_;
        }
        const std::size_t thing = order_[laid];
        double others = 0;
        for (std::size_t k = laid + 1; k < order_.size(); ++k) others += least_of(order_[k], laid);
        if (others == none) return false;
        for (const Place& p : *scene_.places[thing]) {
            if (covers + p.covers + others > budget_ + twice_ + slack || out_of_work()) return false;
            if (!free(thing, p, laid)) continue;
            now_[thing] = p;
            if (covers + p.covers + rest(laid + 1) > budget_ + twice_ + slack) continue;
            if (lay(laid + 1, covers + p.covers)) return true;
        }
        return false;
    }

    const Scene& scene_;
    double budget_;
    double twice_ = 0; ///< mm2 that may lie on each other, and are counted for both until all are laid
    bool least_;
    long work_;
    const StopToken& stop_;
    long looked_ = -1;
    std::vector<Place> now_;
    std::vector<std::size_t> order_;
    std::optional<Laying> best_;
};

} // namespace

double covers_of(const Scene& scene, const std::vector<Place>& places) {
    double sum = 0;
    for (std::size_t i = 0; i < places.size(); ++i) {
        sum += places[i].covers;
        for (std::size_t k = 0; k < i; ++k) {
            if (scene.things[i].behind || scene.things[k].behind) continue;
            const Box both = common(box_of(scene.things[i], places[i]), box_of(scene.things[k], places[k]));
            if (!both.empty()) sum -= scene.board.covered_by(both);
        }
    }
    return sum;
}

Scene::Scene(const std::vector<Thing>& all, const Board& at) : things(all), board(at) {
    for (std::size_t i = 0; i < things.size(); ++i) {
        const auto alike = std::find_if(things.begin(), things.begin() + static_cast<std::ptrdiff_t>(i),
                                        [&](const Thing& t) { return t.goes_where(things[i]); });
        places.push_back(alike != things.begin() + static_cast<std::ptrdiff_t>(i)
                             ? places[static_cast<std::size_t>(alike - things.begin())]
                             : std::make_shared<const std::vector<Place>>(board.places_for(things[i])));
    }
}

std::optional<Laying> full_search(const Scene& scene, double budget, bool least, long work,
                                  const StopToken& stop) {
    return FullSearch(scene, budget, least, work, stop).run();
}

} // namespace zesty::arranging
