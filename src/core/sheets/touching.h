#pragma once
// Where a piece touches most of what lies around it: the usual wish of somebody who lays patches by hand, put
// corner into corner. Poses are judged on a grid of distances (Clearance) by points of the outline; the best
// of a coarse net of places and turns are moved uphill. Millimetres. What is found may still overlap by a few
// tenths.

#include "core/sheets/clearance.h"
#include "core/sheets/crowd.h"

#include <random>

namespace zesty {

/// A spot and how much of the piece's outline has something close by there: 1 all, 0 nothing.
struct Touch {
    CrowdSpot spot;
    float score = 0;
};

/// How thoroughly is looked.
struct Effort {
    std::size_t nodes = 1000; ///< places of the coarse net at most: on an empty sheet a part of them will do
    std::size_t places = 10;  ///< of them looked at closely
    std::size_t look = 1;     ///< pieces: of so many the one that touches most is laid first
};

/// The outlines of a job's claims as points, upright about their reference points; the farthest first, which
/// hit something soonest.
struct OutlinePoints {
    struct Points {
        std::vector<float> x, y;
    };
    std::vector<Points> fine, rough; ///< by piece
    std::vector<Poles> poles;

    explicit OutlinePoints(const CrowdJob& job);
};

/// Remembers nothing between questions but memory: one for each thread. The job and its points must live as
/// long.
class Touching {
public:
    Touching(const CrowdJob& job, const OutlinePoints& points) : job_(job), points_(points) {}

    /// Good places for the piece with its reference point in `where`, found roughly, the best first.
    std::vector<Touch> places(int piece, int sheet, const Clearance& clear, const FloatBox& where,
                              const Effort& effort, std::mt19937& random);
    /// The best place about a rough one; nothing when the piece would reach into something there.
    std::optional<Touch> closer(int piece, const Clearance& clear, const Touch& from, std::mt19937& random);
    /// How much the piece touches there, overlaps not counted.
    float touch(int piece, const Clearance& clear, const CrowdSpot& spot);

private:
    struct Node {
        int column, row;
    };
    /// The points of a turned outline as steps on the grid.
    struct Stencil {
        std::vector<int> points;
        int poles[Poles::most];
        float radius[Poles::most];
        int pole_count = 0;
        int left = 0, right = 0, up = 0, down = 0;
    };
    class Best;

    const OutlinePoints::Points& turned(int piece, double deg);
    const Stencil& stencil(int piece, double deg, const Clearance& clear);
    static std::vector<Node> free_nodes(const Clearance& clear, const FloatBox& where, float room, int stride,
                                        int right, int down);
    std::vector<Touch> coarse(int piece, int sheet, const Clearance& clear, const FloatBox& where,
                              const Effort& effort, std::mt19937& random);
    static void try_nodes(const Clearance& clear, const Stencil& stencil, const std::vector<Node>& nodes,
                          CrowdSpot spot, Best& best);
    float score(int piece, const Clearance& clear, const CrowdSpot& spot, float steep, float enough);
    float deepest(int piece, const Clearance& clear, const CrowdSpot& spot);
    Touch uphill(int piece, const Clearance& clear, Touch from, float step, float last, std::mt19937& random);

    const CrowdJob& job_;
    const OutlinePoints& points_;
    int piece_ = -1; ///< that is turned
    double deg_ = 0;
    OutlinePoints::Points turned_;
    Poles poles_{};
    Stencil stencil_;
};

} // namespace zesty
