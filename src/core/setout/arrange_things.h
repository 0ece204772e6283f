#pragma once
// What is arranged, where each thing may lie, and which places exclude each other. For arrange() alone.

#include "core/setout/arrange.h"
#include "core/setout/cover_map.h"

namespace zesty::arranging {

struct Thing {
    double width = 0;
    double height = 0;
    bool round = false;
    bool behind = false; ///< the cuts lie above it
    bool may_turn = false;
    int level = 0;                                  ///< what lies above has a higher one
    std::vector<Box> protected_parts, hidden_parts; ///< from its middle

    /// Whether it may lie just where another may.
    bool goes_where(const Thing& t) const {
        return width == t.width && height == t.height && round == t.round && behind == t.behind &&
               may_turn == t.may_turn && protected_parts == t.protected_parts;
    }
};

struct Place {
    Point centre;
    bool turned = false; ///< by a quarter
    int base = 0;
    double covers = 0; ///< mm2 of the silhouette
};

Box box_of(const Thing& thing, const Place& place);

/// Photos first, then rooms.
std::vector<Thing> things_of(const ArrangeQuestion& question);

/// Whether two things cannot lie like that.
bool clash(const Thing& a, const Place& at, const Thing& b, const Place& there);

/// The cut where it has been moved and sized about its middle.
class Board {
public:
    Board(const ArrangeQuestion& question, const CoverMap& silhouette, const CoverMap& over_photos)
        : question_(question), silhouette_(silhouette), over_photos_(over_photos) {}

    void set(Point moved, double factor);
    Point moved() const { return moved_; }
    double budget() const { return question_.may_cover * silhouette_.whole() * factor_ * factor_; }
    double silhouette_area() const { return silhouette_.whole() * factor_ * factor_; }
    Box cut_box() const;
    const std::vector<Box>& bases() const { return question_.bases; }

    double covered_by(const Thing& thing, const Place& place) const;
    double covered_by(const Box& box) const; ///< whatever lies there, above the cut
    /// Whether nothing above covers a part that is protected.
    bool allows(const Thing& thing, const Place& place) const;
    /// The share of the parts to be hidden that the cut hides.
    double hides(const Thing& thing, const Place& place, const Box& part) const;
    /// All there are, the least covering first, then from the top left.
    std::vector<Place> places_for(const Thing& thing) const;

private:
    Point back(Point p) const;
    Box back(const Box& b) const;

    const ArrangeQuestion& question_;
    const CoverMap& silhouette_;
    const CoverMap& over_photos_;
    Point moved_;
    double factor_ = 1;
};

} // namespace zesty::arranging
