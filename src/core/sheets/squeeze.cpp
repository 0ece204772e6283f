#include "core/sheets/squeeze.h"

#include <algorithm>
#include <array>
#include <limits>

namespace zesty {

namespace {

constexpr int patience = 7;
constexpr int samples_for_new = 60;
constexpr int ideas_tried = 16;
constexpr int ideas = 60;
constexpr double first_reach = 0.04; ///< of a sheet, but no more than a piece
constexpr float bolder = 1.5F;
constexpr float humbler = 0.88F;

} // namespace

/// What one try changes: these come off, those go on.
struct Squeezer::Idea {
    std::vector<int> off;
    std::vector<int> on;
    std::vector<CrowdSpot> at = {}; ///< where they are put first
    double gain = 0;
};

Squeezer::Squeezer(const CrowdJob& job, std::vector<CrowdSpot> spots)
    : job_(job), crowd_(job), best_(std::move(spots)) {
    double one = 0;
    for (const Claim& c : job.claims) one += c.area() / static_cast<double>(job.claims.size());
    for (const auto& s : job.sheets) reach_.push_back(std::min(first_reach * s.area, one));
    crowd_.load(best_);
}

void Squeezer::adopt(const std::vector<CrowdSpot>& spots) {
    best_ = spots;
    crowd_.load(best_);
}

void Squeezer::squeeze(std::mt19937& random, const StopToken& stop) {
    const int sheet = static_cast<int>(random() % job_.sheets.size());
    crowd_.keep_to(sheet);
    const auto idea = best_idea(random, sheet);
    if (!idea) return;
    for (int p : idea->off) crowd_.take_off(p);
    for (std::size_t k = 0; k < idea->on.size(); ++k) crowd_.put_at(idea->on[k], idea->at[k]);
    double& reach = reach_[sheet];
    if (crowd_.separate(random, patience, idea->gain, stop)) {
        const double before = placed();
        best_ = crowd_.spots();
        reach = std::max(reach, placed() - before) * bolder;
    } else {
        crowd_.load(best_);
        reach *= humbler;
    }
    const double area = job_.sheets[sheet].area;
    reach = std::clamp(reach, 1e-3 * area, 0.15 * area);
}

/// Several ideas tried as they first come; the one that crowds the sheet least for what it gains.
std::optional<Squeezer::Idea> Squeezer::best_idea(std::mt19937& random, int sheet) {
    std::optional<Idea> best;
    double least = std::numeric_limits<double>::infinity();
    for (int k = 0; k < ideas_tried; ++k) {
        auto idea = think(random, sheet);
        if (!idea) return best;
        for (int p : idea->off) crowd_.take_off(p);
        bool all = true;
        for (int p : idea->on) {
            crowd_.put(p, random, samples_for_new, idea->off.empty() ? CrowdSpot{} : best_[idea->off.front()],
                       idea->off.empty() ? -1 : idea->off.front());
            idea->at.push_back(crowd_.spots()[p]);
            all = all && idea->at.back().sheet >= 0;
        }
        const double cost = crowd_.overlap_at(idea->on);
        for (int p : idea->on) crowd_.take_off(p);
        for (int p : idea->off) crowd_.put_at(p, best_[p]);
        if (!all || cost >= least) continue;
        least = cost;
        best = std::move(idea);
        if (cost <= 0) break;
    }
    return best;
}

std::optional<Squeezer::Idea> Squeezer::think(std::mt19937& random, int sheet) const {
    std::vector<int> out;
    std::vector<int> in;
    double placed = 0;
    for (std::size_t i = 0; i < best_.size(); ++i) {
        if (best_[i].sheet == sheet) {
            in.push_back(static_cast<int>(i));
            placed += job_.claims[i].area();
        } else if (best_[i].sheet < 0 && job_.may_go(static_cast<int>(i), sheet)) {
            out.push_back(static_cast<int>(i));
        }
    }
    if (out.empty()) return {};
    const double wanted = reach_[sheet] * (0.5 + static_cast<double>(random() % 1000) / 1000);
    std::optional<Idea> best;
    for (int k = 0; k < ideas; ++k) {
        Idea idea = guess(random, in, out);
        if (idea.gain <= 0 || idea.gain > job_.sheets[sheet].area - placed) continue;
        if (!best || std::abs(idea.gain - wanted) < std::abs(best->gain - wanted)) best = std::move(idea);
    }
    return best;
}

/// Up to two neighbours off, up to two on.
Squeezer::Idea Squeezer::guess(std::mt19937& random, const std::vector<int>& in,
                               const std::vector<int>& out) const {
    static constexpr std::array<std::pair<int, int>, 8> kinds{
        {{0, 1}, {1, 1}, {1, 1}, {1, 1}, {1, 2}, {1, 2}, {2, 1}, {2, 2}}};
    const auto [off, on] = kinds[random() % kinds.size()];
    Idea idea;
    const auto add = [&](std::vector<int>& to, int p, double sign) {
        if (std::find(to.begin(), to.end(), p) != to.end()) return;
        to.push_back(p);
        idea.gain += sign * job_.value[p];
    };
    for (int k = 0; k < on; ++k) add(idea.on, out[random() % out.size()], 1);
    if (off > 0 && !in.empty()) add(idea.off, in[random() % in.size()], -1);
    if (off > 1 && in.size() > 1) add(idea.off, beside(idea.off[0], in, random), -1);
    return idea;
}

/// One of the pieces that lie nearest.
int Squeezer::beside(int piece, const std::vector<int>& in, std::mt19937& random) const {
    std::array<std::pair<float, int>, 4> near;
    near.fill({std::numeric_limits<float>::infinity(), in[0]});
    for (int other : in) {
        if (other == piece) continue;
        const float x = best_[other].x - best_[piece].x, y = best_[other].y - best_[piece].y;
        const std::pair<float, int> one{x * x + y * y, other};
        if (one >= near.back()) continue;
        near.back() = one;
        std::sort(near.begin(), near.end());
    }
    return near[random() % std::min(near.size(), in.size() - 1)].second;
}

} // namespace zesty
