#pragma once
// Several assignments that are clearly different, for somebody to choose from.

#include "core/match/match.h"

namespace zesty {

/// What a proposal was made for.
enum class Idea { FromHere, AsAsked, AnotherTake, MoreScatter, MoreDrift, ScrapsFirst, BolderContrast };

struct Proposal {
    Idea idea = Idea::AsAsked;
    MatchStyle style; ///< it was made with
    Assignment assignment;
};

/// Up to `count`, best first: fewest sections short, then fewest neighbours alike, then the cost as asked.
/// Any two differ in at least a quarter of the sections that are free to choose; where so few can be had, in
/// a tenth. A job with a start is improved on as one of them. Told to stop, it gives those it has, the first
/// of which may not be complete.
std::vector<Proposal> proposals(const MatchJob& job, Capacity& capacity, int count,
                                const StopToken& stop = {}, const Progress& progress = {});

/// The share of free sections in which two assignments differ.
double unlikeness(const MatchJob& job, const std::vector<int>& a, const std::vector<int>& b);

/// A few words.
const char* name_of(Idea idea);

} // namespace zesty
