#include "core/stash/search.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cctype>
#include <sstream>

namespace zesty {

namespace {

std::string lower(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return text;
}

bool says(const Paper& paper, const std::string& words) {
    const std::string all = lower(paper.id + "\n" + paper.name + "\n" + paper.notes + "\n" + paper.kept_in);
    std::istringstream in(lower(words));
    for (std::string word; in >> word;)
        if (all.find(word) == std::string::npos) return false;
    return true;
}

bool holds(const Paper& paper, double width, double height) {
    return std::any_of(paper.sheets.begin(), paper.sheets.end(), [&](const SheetStock& s) {
        const Box b = bounds(s.outline);
        return s.count > 0 && std::max(b.width(), b.height()) >= std::max(width, height) &&
               std::min(b.width(), b.height()) >= std::min(width, height);
    });
}

/// How far off its colour is, for the side that comes nearest; nothing when no side looks as asked.
std::optional<double> looks(const Paper& paper, const StashQuery& query) {
    std::optional<double> best;
    for (const Side side : {Side::A, Side::B}) {
        if (!paper.has(side)) continue;
        const PaperFace face = paper.face(side);
        const double off = query.colour ? difference(to_lab(face.colour), to_lab(*query.colour)) : 0;
        if (query.pattern && face.pattern != *query.pattern) continue;
        if (query.colour && off > query.colour_within) continue;
        best = std::min(off, best.value_or(off));
    }
    return best;
}

} // namespace

std::vector<int> found_in(const Stash& stash, const StashQuery& query) {
    std::vector<std::pair<double, int>> found;
    for (std::size_t i = 0; i < stash.papers.size(); ++i) {
        const Paper& p = stash.papers[i];
        const auto off = looks(p, query);
        if (!off || !says(p, query.words)) continue;
        if ((query.in_stock || query.width > 0 || query.height > 0) && !holds(p, query.width, query.height))
            continue;
        found.emplace_back(*off, static_cast<int>(i));
    }
    std::stable_sort(found.begin(), found.end(),
                     [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<int> out;
    for (const auto& f : found) out.push_back(f.second);
    return out;
}

} // namespace zesty
