#pragma once
// The full search for an arrangement: depth first, with what the rest covers at least as the bound.

#include "core/setout/arrange_things.h"

#include <memory>
#include <optional>

namespace zesty::arranging {

/// What can be laid where, for one place of the cut.
struct Scene {
    const std::vector<Thing>& things;
    const Board& board;
    std::vector<std::shared_ptr<const std::vector<Place>>>
        places; ///< by thing; shared by those that are alike

    Scene(const std::vector<Thing>& all, const Board& at);
};

struct Laying {
    std::vector<Place> places; ///< by thing
    double covers = 0;         ///< mm2
};

/// mm2 of the cut, what lies on each other counted once.
double covers_of(const Scene& scene, const std::vector<Place>& places);

/// A laying that covers no more than `budget`; with `least`, the one that covers least. Nothing where there
/// is none, or where none was found within `work` comparisons.
std::optional<Laying> full_search(const Scene& scene, double budget, bool least, long work,
                                  const StopToken& stop);

} // namespace zesty::arranging
