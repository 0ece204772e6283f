#pragma once
// Better arrangements from one that there is, or from anywhere. For arrange() alone.

#include "core/setout/arrange_taste.h"

#include <random>

namespace zesty::arranging {

/// Laid before, and to be kept away from.
struct Earlier {
    std::vector<Place> places;
    Point cut;
};

struct Annealing {
    Taste taste;
    std::vector<Earlier> earlier;
    double different = 0; ///< mm that make one really different from an earlier one
    int moves = 4000;
    double step = 3.175; ///< mm, the least a thing is moved
};

struct Annealed {
    std::vector<Place> places;
    double energy = 0;
    bool good = false; ///< nothing lies where it must not, and no more is covered than may be
};

/// Every thing of the scene must have a place at all.
Annealed anneal(const Scene& scene, const FreeRoom& room, const Annealing& how, std::vector<Place> from,
                std::mt19937& random);

} // namespace zesty::arranging
