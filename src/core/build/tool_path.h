#pragma once
// In which order a machine cuts closed contours, and where it begins each: every contour once, what lies
// inside another before that, and with little travel between them. Millimetres, from the upper left corner of
// the cutting mat.
//
// The next contour is the nearest that may be cut; then contours are moved to better places and stretches of
// the way turned round as long as that shortens it (or-opt and 2-opt with precedence: G. Laporte and others,
// "Classical and modern heuristics for the vehicle routing problem", International Transactions in
// Operational Research 7, 2000), and the best starts for an order are found exactly by dynamic programming.

#include "core/geometry/shapes.h"

#include <vector>

namespace zesty {

struct ToolPath {
    struct Stop {
        int contour = 0;       ///< into the contours given
        std::size_t start = 0; ///< corner where it begins and ends
    };
    std::vector<Stop> stops;
    double travel = 0; ///< mm with the blade up: from the origin to the first, and from each to the next
};

/// Deterministic. Contours must not cross each other; those with fewer than three corners are left out.
ToolPath tool_path(const std::vector<Ring>& contours);

/// How far the blade would travel cutting them as they are given, each from its first corner.
double travel_as_given(const std::vector<Ring>& contours);

/// By contour: the smallest that lies round it, or -1.
std::vector<int> lying_in(const std::vector<Ring>& contours);

/// The contours in that order, each beginning with its start.
std::vector<Ring> in_order(const std::vector<Ring>& contours, const ToolPath& path);

} // namespace zesty
