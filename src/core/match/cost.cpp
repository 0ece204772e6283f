#include "core/match/cost.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double weight_unassigned = 1000;
constexpr double weight_alike = 100;
constexpr double weight_similar = 20;
constexpr double weight_share = 40;
constexpr double weight_print = 6;
constexpr double weight_lonely = 2;
constexpr double weight_near = 10;
constexpr double weight_tone = 60;
constexpr double near_reach = 0.35;      ///< of the diagonal around all sections
constexpr double looks_alike_below = 10; ///< delta E 2000

/// Radius of the largest circle an opening should offer for a print to be seen, mm.
double room_for(Pattern p) {
    switch (p) {
    case Pattern::Large:
        return 14;
    case Pattern::Picture:
        return 18;
    case Pattern::Ombre:
        return 8;
    case Pattern::Stripe:
        return 5;
    case Pattern::Small:
        return 4;
    case Pattern::Solid:
        break;
    }
    return 0;
}

} // namespace

Cost::Cost(const MatchJob& job) : job_(job), next_(job.sections.size()) {
    for (std::size_t i = 0; i < job.neighbours.size(); ++i) {
        const Neighbours& n = job.neighbours[i];
        next_[n.a].emplace_back(n.b, static_cast<int>(i));
        next_[n.b].emplace_back(n.a, static_cast<int>(i));
    }
    const auto& papers = job.stash.papers;
    clash_.assign(papers.size(), std::vector<double>(papers.size(), 0));
    for (std::size_t a = 0; a < papers.size(); ++a)
        for (std::size_t b = 0; b < papers.size(); ++b) {
            const double d = difference(to_lab(papers[a].colour), to_lab(papers[b].colour));
            clash_[a][b] = a == b ? weight_alike : weight_similar * std::max(0.0, 1 - d / looks_alike_below);
        }
    total_area_ = 1e-9;
    for (const MatchSection& s : job.sections) total_area_ += s.area;
    fair_share_ = 1.0 / std::clamp<double>(static_cast<double>(papers.size()), 1, 7);
    find_near();
    find_tones();
}

void Cost::find_near() {
    near_.resize(job_.sections.size());
    const double weight = weight_near * (1 - job_.style.drift);
    Box box;
    for (const MatchSection& s : job_.sections) box.add(s.at);
    const double reach = near_reach * box.diagonal();
    if (weight <= 0 || reach <= 0) return;
    for (std::size_t a = 0; a < near_.size(); ++a)
        for (std::size_t b = a + 1; b < near_.size(); ++b) {
            const double d = distance(job_.sections[a].at, job_.sections[b].at);
            if (d >= reach) continue;
            near_[a].emplace_back(static_cast<int>(b), weight * (1 - d / reach));
            near_[b].emplace_back(static_cast<int>(a), weight * (1 - d / reach));
        }
}

void Cost::find_tones() {
    double light = 0;
    double dark = 100;
    for (const Paper& p : job_.stash.papers) {
        tone_.push_back(to_lab(p.colour).l);
        light = std::max(light, tone_.back());
        dark = std::min(dark, tone_.back());
    }
    for (double& t : tone_) t = light > dark ? (light - t) / (light - dark) : 0.5;
}

double Cost::unassigned(int section) const {
    return weight_unassigned * (1 + job_.sections[section].area / total_area_);
}

double Cost::local(int section, int paper, const std::vector<int>& assigned) const {
    if (paper < 0) return unassigned(section);
    double sum = 0;
    for (const auto& [other, index] : next_[section]) {
        const int q = assigned[other];
        // A wide bar keeps two papers apart better than a narrow one.
        if (q >= 0) sum += clash_[paper][q] * (1 - 0.5 * job_.neighbours[index].width / neighbour_limit);
    }
    for (const auto& [other, weight] : near_[section])
        if (assigned[other] == paper) sum += weight;
    if (job_.style.drift > 0)
        sum += weight_tone * job_.style.drift * std::abs(tone_[paper] - job_.sections[section].tone);
    const double room = room_for(job_.stash.papers[paper].pattern);
    if (job_.sections[section].radius < room)
        sum += weight_print * (1 - job_.sections[section].radius / room);
    return sum;
}

double Cost::share(double area, int uses) const {
    if (uses == 0) return 0;
    const double over = std::max(0.0, area / total_area_ - fair_share_);
    return weight_share * over * over * 10 + (uses < 3 ? weight_lonely * (3 - uses) : 0);
}

double Cost::total(const std::vector<int>& assigned) const {
    double sum = 0;
    std::vector<double> area(job_.stash.papers.size(), 0);
    std::vector<int> uses(job_.stash.papers.size(), 0);
    for (std::size_t s = 0; s < assigned.size(); ++s) {
        if (!job_.sections[s].backed) continue;
        // Every pair is met from both sides: count its clash by halves.
        std::vector<int> alone;
        const double with = local(static_cast<int>(s), assigned[s], assigned);
        if (assigned[s] < 0) {
            sum += with;
            continue;
        }
        alone.assign(assigned.size(), -1);
        const double without = local(static_cast<int>(s), assigned[s], alone);
        sum += without + (with - without) / 2;
        area[assigned[s]] += job_.sections[s].area;
        ++uses[assigned[s]];
    }
    for (std::size_t p = 0; p < area.size(); ++p) sum += share(area[p], uses[p]);
    return sum;
}

} // namespace zesty
