#pragma once
// What makes one arrangement better than another, as numbers: the less the better.

#include "core/setout/arrange_full.h"

namespace zesty::arranging {

/// How much each thing counts. What they weigh is between 0 and 1 each.
struct Taste {
    double cover = 1.2;  ///< the cut that is covered
    double room = 1;     ///< page that is not in the largest free rectangle
    double hide = 1;     ///< what was to be hidden and is not
    double apart = 0.3;  ///< photos far from each other
    double ragged = 0.5; ///< edges that are in line with no other
    double tight = 0.6;  ///< things nearly at an edge or at each other
};

/// The share of the parts to be hidden that something hides; 1 where there are none.
double hidden_share(const Scene& scene, const std::vector<Place>& places);

/// Where the cut lies, by cells of every base; made once, asked often.
class FreeRoom {
public:
    FreeRoom(const Scene& scene, double cell);
    /// The largest rectangle of a base that nothing lies on, to one cell.
    Box largest(const std::vector<Place>& places) const;

private:
    struct Cells {
        std::size_t columns = 0, rows = 0;
        std::vector<char> taken;
    };
    Box largest_in(const Box& base, Cells cells, const std::vector<Place>& places) const;

    const Scene& scene_;
    double cell_;
    std::vector<Cells> of_base_;
};

double distaste(const Scene& scene, const FreeRoom& room, const std::vector<Place>& places,
                const Taste& taste, double covers);

/// How far places of the same things are apart on average, of the one taken for the nearest of its size; the
/// cut counts as one.
double apart(const std::vector<Thing>& things, const std::vector<Place>& a, Point cut_a,
             const std::vector<Place>& b, Point cut_b);

} // namespace zesty::arranging
