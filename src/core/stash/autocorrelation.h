#pragma once
// After what distance a row of numbers, or a grid of them, looks like itself again.

#include <optional>
#include <vector>

namespace zesty {

/// The first distance at which the numbers agree with themselves, in steps and to a fraction of one; nothing
/// when they never agree better than `least` (1 is perfect).
std::optional<double> repeat_of(const std::vector<double>& numbers, double least);

struct GridRepeat {
    double x = 0; ///< the shortest shift that brings the grid onto itself, in cells
    double y = 0;
    double agreement = 0;
};
/// Nothing when no shift of up to half the grid agrees better than `least`.
std::optional<GridRepeat> repeat_of(const std::vector<double>& cells, int width, int height, double least);

} // namespace zesty
