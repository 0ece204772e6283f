#pragma once
// What a piece claims on a sheet, made ready for very many questions of "how much do these two overlap?".
//
// A claim is the piece grown by half the gap, so that claims which do not overlap keep the gap. It holds the
// outline as plain floats about a reference point inside the piece, and some large circles that lie in it.
// How much two claims overlap is told by their circles (J. Gardeyn, G. Vanden Berghe and T. Wauters, "An
// overlap minimization heuristic for 2D irregular strip packing", 2025); whether they overlap at all by their
// outlines. Millimetres. Floats are good to a few hundredths of a micrometre here; claims are grown by more
// than that.

#include "core/geometry/shapes.h"

#include <vector>

namespace zesty {

struct FloatBox {
    float x0, y0, x1, y1;
    bool meets(const FloatBox& o, float dx, float dy) const {
        return x0 < o.x1 + dx && o.x0 + dx < x1 && y0 < o.y1 + dy && o.y0 + dy < y1;
    }
};

/// Circles, as many as go into two registers; those that are not used lie far away and have no size.
struct Poles {
    static constexpr int most = 8;
    float x[most], y[most], r[most];
    int count = 0;

    /// About the reference point, by the angle with this cosine and sine.
    Poles turned(float cosine, float sine) const;
};

/// Edges from each point to the next; the first point is repeated at the end.
struct FloatRing {
    std::vector<float> x, y;
    FloatBox box{};
};

/// A claim turned one way, about its reference point.
struct TurnedClaim {
    double rotation_deg = 0;
    FloatRing claim; ///< what must not overlap other claims
    FloatRing body;  ///< the piece itself: what must lie inside the sheet
    Poles poles{};
    float diameter = 0;
    float weight = 1; ///< of its overlaps: larger for what is hard to place
};

class Claim {
public:
    /// Claims are grown by this more, and simplified by no more than it, mm.
    static constexpr double slack = 0.004;

    /// `half_gap` is what the piece is grown by.
    Claim(const Polygon& piece, double half_gap);
    /// What a sheet does not offer: not grown.
    static Claim obstacle(const Polygon& polygon) { return Claim(polygon, 0); }

    TurnedClaim turned(double rotation_deg) const;
    /// The same into a claim of this piece that is there already, without asking for memory.
    void turn(double rotation_deg, TurnedClaim& out) const;
    Point reference() const { return reference_; } ///< in the piece's own coordinates
    double area() const { return area_; }
    double diameter() const { return upright_.diameter; }

    /// A point inside and its distance to what is not free.
    struct InnerPoint {
        Point at;
        double free;
    };

private:
    void find_circles(std::vector<InnerPoint> inner, double whole);

    Point reference_;
    TurnedClaim upright_; ///< about the reference point
    double area_ = 0;
};

/// 0 when the claims do not overlap, else a measure of how far: a length, larger for larger claims. `b` is
/// moved by (dx, dy) against `a`.
float overlap(const TurnedClaim& a, const TurnedClaim& b, float dx, float dy);

/// The same for the body of a piece and an obstacle; `grown` is what the claim is larger than its body.
float overlap_with_obstacle(const TurnedClaim& piece, const TurnedClaim& obstacle, float dx, float dy,
                            float grown);

} // namespace zesty
