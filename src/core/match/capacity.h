#pragma once
// Does it fit on the paper there is? Answered by really laying the patches on the sheets, never by area.

#include "core/match/pattern_wish.h"
#include "core/sections/patches.h"
#include "core/sheets/nest_memory.h"
#include "core/stash/reserved_piece.h"

#include <memory>
#include <unordered_map>

namespace zesty {

/// A patch and the side of the paper that is to show.
struct LaidPatch {
    int patch = 0;
    Side side = Side::A;
    LaidPatch(int of_patch, Side showing = Side::A) : patch(of_patch), side(showing) {}
    auto operator<=>(const LaidPatch&) const = default;
};

/// What a patch asks of the pattern and of its place, in page coordinates.
struct PatchPattern {
    std::optional<double> slant_deg; ///< as in PatternWish
    bool stripes_only = false;       ///< the slant is for striped papers alone
    std::optional<double> tone;      ///< as in PatternWish; only an ombre listens
    struct Motif {
        Point on_paper;
        Point on_page;
        bool operator==(const Motif&) const = default;
    };
    std::optional<Motif> motif;
    int run_on = -1; ///< patches with the same number, on the same side of the same paper, keep together
    struct Pin {
        int sheet; ///< into all sheets
        double rotation_deg;
        Point shift;
        bool operator==(const Pin&) const = default;
    };
    std::optional<Pin> pin; ///< goes before everything else; only where the sheet is of the patch's paper
    bool operator==(const PatchPattern&) const = default;
};

/// What a nesting of one paper's patches gave.
struct PaperNest {
    std::vector<LaidPatch> patches; ///< the patches asked for, ascending
    std::vector<int> sheets;        ///< indices into all sheets; the job's sheet k is sheets[k]
    NestResult result;              ///< piece k is patches[k], mirrored first where side B shows
    std::vector<int> wanted; ///< into what is wanted of all papers; piece k of result.room is wanted[k]
    double placed_area = 0;
    bool complete() const { return result.unplaced.empty(); }
};

/// Answers are remembered between calls and between plans, so that an edit only costs the papers it touches.
/// One thread at a time.
class Capacity {
public:
    /// Layings are looked up there first; several may share one.
    explicit Capacity(std::shared_ptr<NestMemory> memory = std::make_shared<NestMemory>())
        : memory_(std::move(memory)) {}
    const std::shared_ptr<NestMemory>& memory() const { return memory_; }

    /// All must outlive this object's use; `patches` in page coordinates, `patterns` by patch or empty.
    /// Layings that are for good keep room for what is wanted.
    void use(const Stash& stash, const std::vector<Sheet>& sheets, const std::vector<Patch>& patches,
             double gap, unsigned seed, std::vector<PatchPattern> patterns = {},
             const std::vector<ReservedPiece>& wanted = {});

    /// Lays the patches on the paper's sheets, scraps first.
    const PaperNest& lay(int paper, std::vector<LaidPatch> patches, int attempts, const StopToken& stop);

    /// Whether the patch fits on an empty sheet of the paper, with that side showing.
    bool fits_alone(int patch, int paper, Side side = Side::A);
    /// What lies on the sheets as job and result, to be checked.
    NestJob job_for(const PaperNest& nest, int paper) const;

    double stock_area(int paper) const { return stock_area_[paper]; }
    std::size_t layings() const { return layings_; } ///< nestings really done

private:
    std::uint64_t key(int paper, const std::vector<LaidPatch>& patches) const;
    NestPiece piece_for(int paper, const LaidPatch& patch, const std::vector<int>& sheets) const;
    std::vector<NestPin> motif_pins(int paper, const LaidPatch& patch, const PatchPattern::Motif& motif,
                                    const std::vector<double>& turns, const std::vector<int>& sheets) const;
    std::vector<std::vector<int>> pieces_of(const std::vector<LaidPatch>& patches) const;

    std::shared_ptr<NestMemory> memory_; ///< never null
    const Stash* stash_ = nullptr;
    const std::vector<Sheet>* sheets_ = nullptr;
    const std::vector<Patch>* patches_ = nullptr;
    double gap_ = 0;
    unsigned seed_ = 1;
    std::vector<PatchPattern> patterns_;
    std::vector<std::vector<int>> wanted_of_;   ///< by paper: into what is wanted
    std::vector<std::vector<NestPiece>> later_; ///< by paper: the same as pieces
    std::vector<std::uint64_t> patch_hash_;
    std::vector<std::uint64_t> paper_hash_;
    std::vector<double> stock_area_;
    struct Remembered {
        PaperNest nest;
        int attempts = 0;
    };
    std::unordered_map<std::uint64_t, Remembered> known_;
    std::unordered_map<std::uint64_t, bool> alone_;
    std::size_t layings_ = 0;
};

} // namespace zesty
