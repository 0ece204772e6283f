#include "core/match/zones.h"

#include "core/disjoint_sets.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

/// Zones in the making, with the tones they reach from and to.
class Joining {
public:
    explicit Joining(const std::vector<MatchSection>& sections) : sets_(sections.size()) {
        for (const MatchSection& s : sections) span_.emplace_back(s.place_tone, s.place_tone);
    }

    int root(int section) { return sets_.root(section); }

    void join(int a, int b) {
        a = root(a);
        b = root(b);
        const std::pair both{std::min(span_[a].first, span_[b].first),
                             std::max(span_[a].second, span_[b].second)};
        if (a == b || both.second - both.first > widest_zone) return;
        sets_.join(a, b);
        span_[root(a)] = both;
    }

private:
    DisjointSets sets_;
    std::vector<std::pair<double, double>> span_;
};

} // namespace

std::vector<int> drift_zones(const std::vector<MatchSection>& sections,
                             const std::vector<Neighbours>& neighbours) {
    std::vector<std::tuple<double, double, int, int>> links;
    for (const Neighbours& n : neighbours)
        if (sections[n.a].backed && sections[n.b].backed)
            links.emplace_back(std::abs(sections[n.a].place_tone - sections[n.b].place_tone), n.width, n.a,
                               n.b);
    std::sort(links.begin(), links.end());
    Joining zones(sections);
    for (const auto& [tones, width, a, b] : links) zones.join(a, b);
    std::vector<int> number(sections.size(), -1);
    std::vector<int> out;
    int count = 0;
    for (std::size_t s = 0; s < sections.size(); ++s) {
        int& n = number[zones.root(static_cast<int>(s))];
        if (n < 0) n = count++;
        out.push_back(n);
    }
    return out;
}

} // namespace zesty
