#pragma once
// Where writing stands on the page: what it is written on, and what lies in its way. Page millimetres.

#include "core/dress/pile.h"

#include <optional>

namespace zesty {

/// What lies in the room of a writing by more than 1 mm: photos, the cut, embellishments, titles, and writing
/// that comes before it.
std::vector<std::string> entered_by(const DressNow& now, const std::vector<LyingThing>& pile,
                                    const std::vector<TitleFacts>& titles, std::size_t own);

/// The shortest way to a place on the base that nothing lies in; none where there is none within 100 mm.
std::optional<Point> way_to_free_place(const DressNow& now, const std::vector<LyingThing>& pile,
                                       const std::vector<TitleFacts>& titles, std::size_t own);

/// A pen is hardly read from less difference in L* on.
inline constexpr double pen_is_read_from = 35;

/// `writing`: as it is on the page.
PenLook pen_look(const DressNow& now, const std::vector<LyingThing>& pile, const Writing& writing);

} // namespace zesty
