#include "core/match/capacity.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <bit>

namespace zesty {

namespace {

constexpr std::uint64_t seed_hash = 0xcbf29ce484222325ull;
constexpr std::size_t most_remembered = 4000;
/// Layings that are asked for with so many attempts are for good: there it pays to make room.
constexpr int worth_refining = 10;
constexpr int refinements = 6;

void mix(std::uint64_t& h, std::uint64_t v) {
    h ^= v + 0x9e3779b97f4a7c15ull + (h << 6) + (h >> 2);
    h *= 0x100000001b3ull;
}

void mix(std::uint64_t& h, const Polygon& p) {
    const auto ring = [&](const Ring& r) {
        mix(h, r.size());
        for (Point q : r) {
            mix(h, std::bit_cast<std::uint64_t>(q.x));
            mix(h, std::bit_cast<std::uint64_t>(q.y));
        }
    };
    ring(p.outer);
    for (const Ring& r : p.holes) ring(r);
}

std::vector<double> rotations(Direction d) {
    if (d == Direction::Fixed) return {0};
    if (d == Direction::Half) return {0, 180};
    return {};
}

} // namespace

void Capacity::use(const Stash& stash, const std::vector<Sheet>& sheets, const std::vector<Patch>& patches,
                   double gap, unsigned seed) {
    stash_ = &stash;
    sheets_ = &sheets;
    patches_ = &patches;
    gap_ = gap;
    seed_ = seed;
    patch_hash_.clear();
    for (const Patch& p : patches) {
        std::uint64_t h = seed_hash;
        mix(h, p.on_sheet());
        patch_hash_.push_back(h);
    }
    paper_hash_.clear();
    stock_area_.assign(stash.papers.size(), 0);
    for (std::size_t p = 0; p < stash.papers.size(); ++p) {
        std::uint64_t h = seed_hash;
        mix(h, static_cast<std::uint64_t>(stash.papers[p].direction));
        mix(h, std::bit_cast<std::uint64_t>(gap));
        mix(h, seed);
        paper_hash_.push_back(h);
    }
    for (std::size_t i = 0; i < sheets.size(); ++i) {
        mix(paper_hash_[sheets[i].paper], sheets[i].outline);
        mix(paper_hash_[sheets[i].paper], i);
        stock_area_[sheets[i].paper] += sheets[i].area;
    }
    if (known_.size() > most_remembered) known_.clear();
    if (alone_.size() > 100 * most_remembered) alone_.clear();
}

std::uint64_t Capacity::key(int paper, const std::vector<int>& patches) const {
    std::uint64_t h = paper_hash_[paper];
    for (int p : patches) {
        mix(h, patch_hash_[p]);
        mix(h, static_cast<std::uint64_t>(p)); // results speak of patches by index
    }
    return h;
}

const PaperNest& Capacity::lay(int paper, std::vector<int> patches, int attempts, const StopToken& stop) {
    std::sort(patches.begin(), patches.end());
    Remembered& r = known_[key(paper, patches)];
    if (r.attempts >= attempts || (r.attempts > 0 && r.nest.complete() && attempts <= 4)) return r.nest;
    NestJob job;
    job.gap = gap_;
    job.seed = seed_;
    job.attempts = attempts;
    job.refinements = attempts >= worth_refining ? refinements : 0;
    const Direction direction = stash_->papers[paper].direction;
    for (int p : patches)
        job.pieces.push_back(
            {(*patches_)[p].on_sheet(), direction == Direction::Free, rotations(direction), {}});
    PaperNest nested;
    nested.patches = std::move(patches);
    for (std::size_t i = 0; i < sheets_->size(); ++i) {
        const Sheet& s = (*sheets_)[i];
        if (s.paper != paper || s.area <= 0) continue;
        nested.sheets.push_back(static_cast<int>(i));
        job.sheets.push_back({s.outline, static_cast<int>(s.kind)});
    }
    ++layings_;
    nested.result = nest(job, stop);
    for (const NestPlacement& p : nested.result.placements)
        nested.placed_area += (*patches_)[nested.patches[p.piece]].paper_area();
    r.nest = std::move(nested);
    // An answer cut short is used this once but not trusted later.
    r.attempts = stopped(stop) ? 0 : attempts;
    return r.nest;
}

bool Capacity::fits_alone(int patch, int paper) {
    std::uint64_t h = paper_hash_[paper];
    mix(h, patch_hash_[patch]);
    const auto known = alone_.find(h);
    if (known != alone_.end()) return known->second;
    const Box box = bounds((*patches_)[patch].on_sheet());
    const double longer = std::max(box.width(), box.height());
    bool fits = false;
    for (const Sheet& s : *sheets_) {
        // A sheet that could hold the patch's circumscribed square whichever way up needs no trying.
        const Box sheet = bounds(s.outline);
        fits = fits || (s.paper == paper && s.kind > SheetKind::Offcut &&
                        std::min(sheet.width(), sheet.height()) > longer + 2);
    }
    if (!fits) fits = lay(paper, {patch}, 1, {}).complete();
    alone_[h] = fits;
    return fits;
}

} // namespace zesty
