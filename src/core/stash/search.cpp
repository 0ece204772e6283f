#include "core/stash/search.h"

#include "core/stash/colour_words.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <sstream>

namespace zesty {

namespace {

constexpr double seen_from = 0.04;   ///< share of a colour that is named
constexpr double counts_from = 0.15; ///< the same of one that a paper is looked for by

/// Words that mean the same to people who look for paper.
constexpr std::array<std::array<std::string_view, 3>, 14> searched_alike{{{"solid", "plain", "cardstock"},
                                                                          {"stripe", "striped", "lines"},
                                                                          {"ombre", "gradient", "fade"},
                                                                          {"small", "little", "tiny"},
                                                                          {"large", "big", "bold"},
                                                                          {"picture", "scene", "motif"},
                                                                          {"translucent", "vellum", "sheer"},
                                                                          {"glossy", "shiny", "gloss"},
                                                                          {"matt", "matte", "dull"},
                                                                          {"grey", "gray", "silver"},
                                                                          {"offcut", "scrap", "leftover"},
                                                                          {"purple", "violet", "plum"},
                                                                          {"brown", "kraft", "tan"},
                                                                          {"dark", "deep", "navy"}}};

/// Everything that is said of a paper.
std::string all_of(const Paper& paper) {
    std::string out = paper.id + "\n" + paper.name + "\n" + paper.notes + "\n" + paper.kept_in;
    if (paper.finish) out += std::string("\n") + key_of(*paper.finish);
    for (const Side side : {Side::A, Side::B}) {
        if (!paper.has(side)) continue;
        const PaperFace face = paper.face(side);
        out += std::string("\n") + name_of(face.pattern);
        // A black and white stripe is black and white, not the grey that is its mean.
        for (const PaletteColour& c : palette_or_colour(face))
            if (c.share >= seen_from) out += "\n" + colour_words(c.colour);
    }
    for (const SheetStock& s : paper.sheets)
        if (s.irregular && s.count > 0) out += "\nscrap";
    return in_lower(out);
}

bool says(const Paper& paper, const std::string& words) {
    if (words.empty()) return true;
    const std::string all = all_of(paper);
    const auto said = [&](std::string_view word) { return all.find(word) != std::string::npos; };
    std::istringstream in(in_lower(words));
    for (std::string word; in >> word;) {
        if (said(word)) continue;
        const bool means_the_same =
            std::any_of(searched_alike.begin(), searched_alike.end(), [&](const auto& same) {
                return std::find(same.begin(), same.end(), word) != same.end() &&
                       std::any_of(same.begin(), same.end(), said);
            });
        if (!means_the_same) return false;
    }
    return true;
}

bool anything_left(const Paper& paper) {
    return std::any_of(paper.sheets.begin(), paper.sheets.end(),
                       [](const SheetStock& s) { return s.count > 0; });
}

/// Of the colours that make up a good part of a side, the nearest.
double off_by(const PaperFace& face, Rgb wanted) {
    double best = difference(to_lab(main_colour(face)), to_lab(wanted));
    for (const PaletteColour& c : palette_or_colour(face))
        if (c.share >= counts_from) best = std::min(best, difference(to_lab(c.colour), to_lab(wanted)));
    return best;
}

/// How far off its colour is, for the side that comes nearest; nothing when no side looks as asked.
std::optional<double> looks(const Paper& paper, const StashQuery& query) {
    std::optional<double> best;
    for (const Side side : {Side::A, Side::B}) {
        if (!paper.has(side)) continue;
        const PaperFace face = paper.face(side);
        const double off = query.colour ? off_by(face, *query.colour) : 0;
        if (query.pattern && face.pattern != *query.pattern) continue;
        if (query.colour && off > query.colour_within) continue;
        best = std::min(off, best.value_or(off));
    }
    return best;
}

} // namespace

std::string in_lower(std::string text) {
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return text;
}

std::vector<int> found_in(const Stash& stash, const StashQuery& query) {
    std::vector<std::pair<double, int>> found;
    for (std::size_t i = 0; i < stash.papers.size(); ++i) {
        const Paper& p = stash.papers[i];
        const auto off = looks(p, query);
        if (!off || !says(p, query.words)) continue;
        if (query.to_use_up && !p.use_up) continue;
        if (!query.untouched_since.empty() && (p.touched.empty() || p.touched >= query.untouched_since))
            continue;
        if (query.in_stock && !anything_left(p)) continue;
        found.emplace_back(*off, static_cast<int>(i));
    }
    std::stable_sort(found.begin(), found.end(),
                     [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<int> out;
    for (const auto& f : found) out.push_back(f.second);
    return out;
}

} // namespace zesty
