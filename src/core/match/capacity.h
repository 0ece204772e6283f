#pragma once
// Does it fit on the paper there is? Answered by really laying the patches on the sheets, never by area.

#include "core/sections/patches.h"
#include "core/sheets/nest.h"
#include "core/stash/stash.h"

#include <memory>
#include <unordered_map>

namespace zesty {

/// What a nesting of one paper's patches gave.
struct PaperNest {
    std::vector<int> patches; ///< the patches asked for, ascending
    std::vector<int> sheets;  ///< indices into all sheets; the job's sheet k is sheets[k]
    NestResult result;        ///< piece k is patches[k]
    double placed_area = 0;
    bool complete() const { return result.unplaced.empty(); }
};

/// Answers are remembered between calls and between plans, so that an edit only costs the papers it touches.
/// One thread at a time.
class Capacity {
public:
    /// Both must outlive this object's use; `patches` in page coordinates.
    void use(const Stash& stash, const std::vector<Sheet>& sheets, const std::vector<Patch>& patches,
             double gap, unsigned seed);

    /// Lays the patches on the paper's sheets, scraps first.
    const PaperNest& lay(int paper, std::vector<int> patches, int attempts, const StopToken& stop);

    /// Whether the patch fits on an empty sheet of the paper.
    bool fits_alone(int patch, int paper);

    double stock_area(int paper) const { return stock_area_[paper]; }
    std::size_t layings() const { return layings_; } ///< nestings really done

private:
    std::uint64_t key(int paper, const std::vector<int>& patches) const;

    const Stash* stash_ = nullptr;
    const std::vector<Sheet>* sheets_ = nullptr;
    const std::vector<Patch>* patches_ = nullptr;
    double gap_ = 0;
    unsigned seed_ = 1;
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
