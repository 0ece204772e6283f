#include "core/sections/grouping.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numeric>
#include <set>

namespace zesty {

namespace {

Point middle(const CutFile& cut, const Transform& to_page, int opening) {
    return to_page(cut.openings[opening].label.centre);
}

/// Classes parted at the widest steps between sizes, as ratios.
std::vector<int> by_size(const CutFile& cut, const std::vector<int>& among, int count) {
    std::vector<int> order = among;
    std::sort(order.begin(), order.end(),
              [&](int a, int b) { return cut.openings[a].area < cut.openings[b].area; });
    std::vector<std::pair<double, std::size_t>> steps;
    for (std::size_t i = 1; i < order.size(); ++i)
        steps.emplace_back(std::log(std::max(cut.openings[order[i]].area, 1e-9) /
                                    std::max(cut.openings[order[i - 1]].area, 1e-9)),
                           i);
    std::sort(steps.rbegin(), steps.rend());
    std::set<std::size_t> starts;
    for (int i = 0; i + 1 < count && i < static_cast<int>(steps.size()); ++i)
        if (steps[i].first > 1e-6) starts.insert(steps[i].second);
    std::vector<int> out(cut.openings.size(), -1);
    int group = 0;
    for (std::size_t i = 0; i < order.size(); ++i) {
        if (starts.contains(i)) ++group;
        out[order[i]] = group;
    }
    return out;
}

/// Evenly between the least and the greatest.
std::vector<int> by_value(const CutFile& cut, const std::vector<int>& among, int count,
                          const std::vector<double>& value) {
    double least = std::numeric_limits<double>::infinity();
    double most = -least;
    for (int o : among) {
        least = std::min(least, value[o]);
        most = std::max(most, value[o]);
    }
    std::vector<int> out(cut.openings.size(), -1);
    for (int o : among)
        out[o] =
            std::min(count - 1, static_cast<int>(count * (value[o] - least) / std::max(most - least, 1e-9)));
    return out;
}

std::vector<int> in_rows(const CutFile& cut, const Transform& to_page, const std::vector<int>& among) {
    std::vector<int> out(cut.openings.size(), -1);
    int next = 0;
    const std::set<int> allowed(among.begin(), among.end());
    for (int o : among) {
        if (out[o] >= 0) continue;
        for (int other : row_of(cut, to_page, o))
            if (allowed.contains(other) && out[other] < 0) out[other] = next;
        ++next;
    }
    return out;
}

std::vector<int> by_twins(const CutFile& cut, const std::vector<int>& among) {
    std::vector<int> out(cut.openings.size(), -1);
    const std::set<int> allowed(among.begin(), among.end());
    for (std::size_t g = 0; g < cut.twins.size(); ++g)
        for (int o : cut.twins[g])
            if (allowed.contains(o)) out[o] = static_cast<int>(g);
    return out;
}

} // namespace

std::vector<std::vector<int>> groups_by(const GroupRule& rule, const CutFile& cut, const Transform& to_page,
                                        const std::vector<int>& cut_of_opening, std::vector<int> among) {
    if (among.empty()) {
        among.resize(cut.openings.size());
        std::iota(among.begin(), among.end(), 0);
    }
    const int count = std::max(rule.count, 1);
    std::vector<double> value(cut.openings.size(), 0);
    std::vector<int> group;
    switch (rule.kind) {
    case GroupRule::Kind::Twins:
        group = by_twins(cut, among);
        break;
    case GroupRule::Kind::Sizes:
        group = by_size(cut, among, count);
        break;
    case GroupRule::Kind::Bands:
        for (int o : among) value[o] = middle(cut, to_page, o).y;
        group = by_value(cut, among, count, value);
        break;
    case GroupRule::Kind::Rings:
        for (int o : among) value[o] = distance(middle(cut, to_page, o), rule.centre);
        group = by_value(cut, among, count, value);
        break;
    case GroupRule::Kind::Rows:
        group = in_rows(cut, to_page, among);
        break;
    case GroupRule::Kind::Cuts:
        group.assign(cut.openings.size(), -1);
        for (int o : among) group[o] = cut_of_opening[o];
        break;
    }
    std::map<int, std::vector<int>> sorted;
    for (std::size_t o = 0; o < group.size(); ++o)
        if (group[o] >= 0) sorted[group[o]].push_back(static_cast<int>(o));
    std::vector<std::vector<int>> out;
    for (auto& [key, members] : sorted)
        if (members.size() > 1) out.push_back(std::move(members));
    return out;
}

std::vector<int> inside_outline(const CutFile& cut, const Transform& to_page, const Ring& outline) {
    std::vector<int> out;
    for (std::size_t o = 0; o < cut.openings.size(); ++o)
        if (contains(outline, middle(cut, to_page, static_cast<int>(o)))) out.push_back(static_cast<int>(o));
    return out;
}

std::vector<int> row_of(const CutFile& cut, const Transform& to_page, int opening) {
    const Box own = bounds(transformed(cut.openings[opening].outline.outer, to_page));
    std::vector<int> out;
    for (std::size_t o = 0; o < cut.openings.size(); ++o) {
        const Box b = bounds(transformed(cut.openings[o].outline.outer, to_page));
        const double reach = std::min(own.height(), b.height()) / 2;
        if (std::abs(b.centre().y - own.centre().y) <= reach) out.push_back(static_cast<int>(o));
    }
    return out;
}

} // namespace zesty
