#pragma once
// Titles: which letters stand where, which are missing, and how well they are read. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

/// By DressDecisions::titles; pieces that run out are dealt to them in that order.
std::vector<TitleFacts> title_facts(const DressNow& now, const std::vector<LyingThing>& pile);

/// One title alone with one set for all its words, or with its own where that is empty: its letters, their
/// room and which are missing. What other titles take is taken.
TitleFacts title_as_set(const DressNow& now, std::size_t title, const std::string& set = {});
/// And how its letters are read; its label is not measured.
TitleFacts title_as_read(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t title,
                         const std::string& set = {});

/// Drawn or stamped: ink on what lies below, nothing that can be raised.
bool is_written(const TitleLetter& letter, const Stash& stash);

/// A title is hard to read from so many lines below one letter on, or with less difference to what lies
/// under it, in L*.
inline constexpr int too_many_lines = 2;
inline constexpr double readable_contrast = 25;

} // namespace zesty
