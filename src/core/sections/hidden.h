#pragma once
// What photos and cuts above cover for good need not be backed.

#include "core/sections/spots.h"

namespace zesty {

/// By opening of `spots.cut`: the share of it, from 0 to 1, that is covered by photos and by cuts that lie
/// above its own. Photos that slide behind a cut do not cover it. `open`: openings that stay see-through.
Result<std::vector<double>> covered_shares(const SetOutDecisions& page, const Composition& composed,
                                           const Spots& spots, const std::vector<char>& open);

/// From this share on an opening counts as hidden.
inline constexpr double hidden_share = 0.999;

} // namespace zesty
