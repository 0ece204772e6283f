#pragma once
// What a proposal aims at, and which papers of the drawer it works with. Proposals are different because they
// work with different papers, not because the same ones are dealt again.

#include "core/match/match.h"

#include <set>

namespace zesty {

enum class Mood {
    AsAsked,     ///< the aims as they are set
    FromHere,    ///< improves on what is chosen
    WithPhoto,   ///< papers that come near the photo's colours
    Quiet,       ///< muted, small patterns
    Bold,        ///< strong colours, large patterns, contrast
    Warm,        ///< yellows, oranges, reds
    Cool,        ///< greens, blues, purples
    FewPapers,   ///< three or four
    ManyPapers,  ///< as many as go
    ScrapsFirst, ///< what is left of other pages
    MoreDrift,   ///< each tone in its place
    MoreScatter, ///< every paper all over the page
    AnotherTake  ///< the same aims from another start
};
template <>
inline constexpr std::array words_of<Mood>{
    "as asked",   "better from here", "with the photo", "quiet",      "bold",           "warm",        "cool",
    "few papers", "many papers",      "scraps first",   "more drift", "more scattered", "another take"};
inline const char* name_of(Mood mood) {
    return key_of(mood);
}

/// How well a paper suits a mood, 0 to 1, by all the colours of its sides and by how busy it is in openings
/// of that radius in mm. Warm hues are those from red-purple to yellow-green (330 to 110 degrees in CIELAB).
double liking(Mood mood, const Paper& paper, const std::vector<PaletteColour>& photo_colours, double radius);

/// How busy a side looks through an opening of that radius, 0 to 1: how much its colours vary within it. By
/// its palette and its kind of pattern where there is no picture.
double busyness(const PaperFace& face, double radius);

/// The papers a mood works with: those it likes best that look different, with one of every kind of pattern
/// that has room on the page, enough of them for all sections and for every size of section. `taken` are
/// papers of other proposals, which are only gone back to where nothing else is left. Papers that are given
/// by hand are not among them unless they are liked. `more` is how many beyond the usual.
std::set<int> papers_for(Mood mood, const MatchJob& job, Capacity& capacity, const std::set<int>& taken,
                         int more = 0);

/// The style a mood is made with.
MatchStyle style_for(Mood mood, const MatchStyle& asked);

} // namespace zesty
