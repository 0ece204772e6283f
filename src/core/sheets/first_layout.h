#pragma once
// First layouts of a job, fast: pieces are rounded to cells on the safe side and each goes as high up as it
// can, then as far left, in whatever order is tried. Sound without further checks.

#include "core/sheets/bit_raster.h"
#include "core/sheets/nest.h"

namespace zesty {

/// A layout and what it is judged by.
struct FirstLayout {
    NestResult result;
    double placed_area = 0;
    double opened = 0; ///< ranks of the sheets used, weighed
    double room = 0;   ///< for later pieces, mm2 of them
    double whole = 0;  ///< the largest rectangle left on each of them, together, mm2
    double height = 0; ///< of what is used on them
    bool better_than(const FirstLayout& o) const {
        if (std::abs(placed_area - o.placed_area) > 1e-6) return placed_area > o.placed_area;
        if (opened != o.opened) return opened < o.opened;
        if (std::abs(room - o.room) > 1e-6) return room > o.room;
        if (whole != o.whole) return whole > o.whole;
        return height < o.height - 1e-9;
    }
};

class FirstLayouts {
public:
    /// The job and the token must live as long.
    FirstLayouts(const NestJob& job, const StopToken& stop);

    /// Pieces in that order, held ones first; then there is looked for room for later ones. Told to stop, it
    /// leaves the rest unplaced. For several threads at once.
    FirstLayout in_order(const std::vector<int>& order) const;

    double piece_area(int piece) const { return pieces_[piece].area; }
    double piece_length(int piece) const;

private:
    /// One way up of a piece.
    struct Pose {
        double rotation_deg;
        PieceRaster cells;
        PieceRaster blocked; ///< of the piece grown by the gap: what it takes from others
        int left = 0;        ///< by how many cells `blocked` begins before `cells`
        int up = 0;
        Point size; ///< of its box, exactly
    };

    struct PreparedPiece {
        double area = 0; ///< times its worth
        std::vector<Pose> poses;
    };

    const NestPiece& asked(int piece) const;
    PreparedPiece prepare(const NestPiece& piece, std::size_t most_bases) const;
    void keep_room(std::vector<SheetRaster>& sheets, FirstLayout& out) const;
    std::pair<int, int> columns_for(int piece, const Pose& pose, const SheetRaster& sheet, int y) const;
    bool place(int piece, std::vector<SheetRaster>& sheets, std::vector<double>& used,
               NestResult& result) const;
    bool place_on(int piece, int s, SheetRaster& sheet, double& used, NestResult& result) const;
    bool place_flush(int piece, int s, SheetRaster& sheet, double& used, NestResult& result) const;

    const NestJob& job_;
    const StopToken& stop_;
    double cell_;
    std::vector<PreparedPiece> pieces_; ///< those of the job, then later ones
    std::vector<int> later_;            ///< into pieces_, large ones first
    std::vector<SheetRaster> empty_;    ///< but for the pinned pieces
    std::vector<NestPlacement> pinned_;
    std::vector<int> sheet_order_;
};

} // namespace zesty
