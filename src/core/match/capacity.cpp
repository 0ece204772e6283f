#include "core/match/capacity.h"

#include "core/geometry/hash.h"
#include "core/geometry/measure.h"
#include "core/match/pattern_turn.h"
#include "core/sheets/laid.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <limits>
#include <map>

namespace zesty {

namespace {

constexpr std::uint64_t seed_hash = 0xcbf29ce484222325ull;
constexpr std::size_t most_remembered = 4000;
/// Layings that are asked for with so many attempts are for good: there it pays to make room.
constexpr int worth_refining = 10;
constexpr int refinements = 4;
constexpr double tone_tolerance = 0.05; ///< of an ombre's way from light to dark
constexpr double most_from_end = 0.12;  ///< of the same
constexpr std::size_t most_motifs = 300;

using zesty::mix;

void mix(std::uint64_t& h, const PatchPattern& p) {
    mix(h, p.slant_deg.value_or(1e9));
    mix(h, static_cast<std::uint64_t>(p.stripes_only));
    mix(h, p.tone.value_or(1e9));
    if (p.motif)
        for (const Point q : {p.motif->on_paper, p.motif->on_page}) {
            mix(h, q.x);
            mix(h, q.y);
        }
    mix(h, static_cast<std::uint64_t>(p.run_on));
    if (!p.pin) return;
    mix(h, static_cast<std::uint64_t>(p.pin->sheet));
    mix(h, p.pin->rotation_deg);
    mix(h, p.pin->shift.x);
    mix(h, p.pin->shift.y);
}

/// What can change where patches of a side may lie.
void mix(std::uint64_t& h, const PaperFace& face) {
    mix(h, static_cast<std::uint64_t>(face.direction));
    mix(h, static_cast<std::uint64_t>(face.pattern));
    mix(h, face.repeat);
    mix(h, face.angle_deg);
}

/// The turns on the sheet that a side allows; none for any.
std::vector<double> turns_of(const PaperFace& face, Side side, const PatchPattern& pattern) {
    if (pattern.slant_deg && (!pattern.stripes_only || face.pattern == Pattern::Stripe)) {
        const double turn = turn_for_slant(face, side, *pattern.slant_deg);
        if (face.direction == Direction::Fixed) return {turn};
        return {turn, turn + 180};
    }
    if (face.direction == Direction::Fixed) return {0};
    if (face.direction == Direction::Half) return {0, 180};
    return {};
}

const Transform& turned_over(Side side) {
    static const Transform over = Transform::mirrored_x();
    static const Transform same;
    return side == Side::B ? over : same;
}

/// Half of how far the piece reaches along the way, at the least of its turns.
double least_half_reach(const Polygon& piece, Point along, const std::vector<double>& turns_deg) {
    const std::vector<double> any{0, 15, 30, 45, 60, 75, 90, 105, 120, 135, 150, 165};
    double least = std::numeric_limits<double>::infinity();
    for (const double turn : turns_deg.empty() ? any : turns_deg) {
        const Transform turned = Transform::turned_deg(turn);
        double low = std::numeric_limits<double>::infinity();
        double high = -low;
        for (const Point p : piece.outer) {
            const double at = dot(turned(p), along);
            low = std::min(low, at);
            high = std::max(high, at);
        }
        least = std::min(least, (high - low) / 2);
    }
    return least;
}

/// The stripe of the sheet in which an ombre has the tone, or comes as near to it as the piece lets it.
NestBand band_for(const Paper& paper, const PaperFace& face, Side side, double tone, const Polygon& piece,
                  const std::vector<double>& turns_deg) {
    const Point middle = bounds(piece).centre();
    const double deg = side == Side::A ? face.angle_deg : 180 - face.angle_deg;
    NestBand out;
    out.of_piece = middle;
    const Transform turn = Transform::turned_deg(deg);
    out.along = turn({1, 0});
    double light = std::numeric_limits<double>::infinity();
    double dark = -light;
    for (const Point corner : ring_of(picture_box(paper))) {
        light = std::min(light, dot(corner, out.along));
        dark = std::max(dark, dot(corner, out.along));
    }
    const double reach = std::min(least_half_reach(piece, out.along, turns_deg), (dark - light) / 2);
    const double at =
        std::clamp(light + std::clamp(tone, 0.0, 1.0) * (dark - light), light + reach, dark - reach);
    out.from = at - tone_tolerance * (dark - light);
    out.to = at + tone_tolerance * (dark - light);
    // The palest and the darkest places are as near the ends as the patch can come.
    out.from = std::min(out.from, dark - most_from_end * (dark - light));
    out.to = std::max(out.to, light + most_from_end * (dark - light));
    return out;
}

} // namespace

void Capacity::use(const Stash& stash, const std::vector<Sheet>& sheets, const std::vector<Patch>& patches,
                   double gap, unsigned seed, std::vector<PatchPattern> patterns,
                   const std::vector<ReservedPiece>& wanted) {
    assert(patterns.empty() || patterns.size() == patches.size());
    stash_ = &stash;
    sheets_ = &sheets;
    patches_ = &patches;
    patterns_ = std::move(patterns);
    patterns_.resize(patches.size());
    gap_ = gap;
    seed_ = seed;
    patch_hash_.clear();
    for (std::size_t p = 0; p < patches.size(); ++p) {
        std::uint64_t h = seed_hash;
        mix(h, patches[p].on_sheet());
        if (patterns_[p] != PatchPattern{}) mix(h, patterns_[p]);
        patch_hash_.push_back(h);
    }
    paper_hash_.clear();
    stock_area_.assign(stash.papers.size(), 0);
    for (const Paper& p : stash.papers) {
        std::uint64_t h = seed_hash;
        mix(h, p.face(Side::A));
        mix(h, p.face(Side::B));
        mix(h, gap);
        mix(h, static_cast<std::uint64_t>(seed));
        paper_hash_.push_back(h);
    }
    wanted_of_.assign(stash.papers.size(), {});
    later_.assign(stash.papers.size(), {});
    for (std::size_t w = 0; w < wanted.size(); ++w) {
        const int paper = stash.find(wanted[w].paper);
        if (paper < 0) continue;
        const Side side = stash.papers[paper].has(wanted[w].side) ? wanted[w].side : Side::A;
        const std::vector<double> turns = turns_of(stash.papers[paper].face(side), side, {});
        wanted_of_[paper].push_back(static_cast<int>(w));
        later_[paper].push_back({wanted[w].outline, turns.empty(), turns, {}});
        mix(paper_hash_[paper], wanted[w].outline);
        mix(paper_hash_[paper], w);
    }
    for (std::size_t i = 0; i < sheets.size(); ++i) {
        mix(paper_hash_[sheets[i].paper], sheets[i].outline);
        mix(paper_hash_[sheets[i].paper], i);
        stock_area_[sheets[i].paper] += sheets[i].area;
    }
    if (known_.size() > most_remembered) known_.clear();
    if (alone_.size() > 100 * most_remembered) alone_.clear();
}

std::uint64_t Capacity::key(int paper, const std::vector<LaidPatch>& patches) const {
    std::uint64_t h = paper_hash_[paper];
    for (const LaidPatch& p : patches) {
        mix(h, patch_hash_[p.patch]);
        mix(h, static_cast<std::uint64_t>(p.patch)); // results speak of patches by index
        if (p.side == Side::B) mix(h, std::uint64_t{1});
    }
    return h;
}

/// The patches that make one piece each; what runs on is one piece.
std::vector<std::vector<int>> Capacity::pieces_of(const std::vector<LaidPatch>& patches) const {
    std::vector<std::vector<int>> out;
    std::map<std::pair<int, Side>, std::size_t> groups;
    for (std::size_t k = 0; k < patches.size(); ++k) {
        const PatchPattern& pattern = patterns_[patches[k].patch];
        if (pattern.run_on >= 0 && !pattern.pin) {
            const auto [at, fresh] = groups.try_emplace({pattern.run_on, patches[k].side}, out.size());
            if (!fresh) {
                out[at->second].push_back(static_cast<int>(k));
                continue;
            }
        }
        out.push_back({static_cast<int>(k)});
    }
    return out;
}

/// Everywhere on the sheets where the feature of the pattern comes to lie where it is wanted.
std::vector<NestPin> Capacity::motif_pins(int paper, const LaidPatch& patch, const PatchPattern::Motif& motif,
                                          const std::vector<double>& turns,
                                          const std::vector<int>& sheets) const {
    const Paper& info = stash_->papers[paper];
    const PaperFace face = info.face(patch.side);
    Point feature = motif.on_paper;
    if (patch.side == Side::B) feature.x = picture_box(info).width() - feature.x;
    const double step = face.pattern == Pattern::Picture ? 0 : face.repeat;
    const Polygon outline = transformed((*patches_)[patch.patch].on_sheet(), turned_over(patch.side));
    std::vector<NestPin> out;
    for (std::size_t k = 0; k < sheets.size(); ++k) {
        const Box sheet = bounds((*sheets_)[sheets[k]].outline);
        for (const double turn : turns) {
            const Transform turned = Transform::turned_deg(turn);
            const Box own = bounds(transformed(outline, turned));
            const Point at = turned(turned_over(patch.side)(motif.on_page));
            const auto range = [&](double low, double high, double first) {
                if (step <= 0) return std::pair{0, 0};
                return std::pair{static_cast<int>(std::ceil((low - first) / step)),
                                 static_cast<int>(std::floor((high - first) / step))};
            };
            const Point first = feature - at;
            const auto [x0, x1] = range(sheet.x0 - own.x0, sheet.x1 - own.x1, first.x);
            const auto [y0, y1] = range(sheet.y0 - own.y0, sheet.y1 - own.y1, first.y);
            for (int y = y0; y <= y1; ++y)
                for (int x = x0; x <= x1 && out.size() < most_motifs; ++x)
                    out.push_back({static_cast<int>(k), turn, first + Point{x * step, y * step}});
        }
    }
    return out;
}

NestPiece Capacity::piece_for(int paper, const LaidPatch& patch, const std::vector<int>& sheets) const {
    const Paper& info = stash_->papers[paper];
    const PaperFace face = info.face(patch.side);
    const PatchPattern& pattern = patterns_[patch.patch];
    const std::vector<double> turns = turns_of(face, patch.side, pattern);
    NestPiece out{
        transformed((*patches_)[patch.patch].on_sheet(), turned_over(patch.side)), turns.empty(), turns, {}};
    if (pattern.pin) {
        const auto at = std::find(sheets.begin(), sheets.end(), pattern.pin->sheet);
        if (at != sheets.end()) {
            out.pins.emplace();
            if (allows(face.direction, pattern.pin->rotation_deg))
                out.pins->push_back(
                    {static_cast<int>(at - sheets.begin()), pattern.pin->rotation_deg, pattern.pin->shift});
        }
    } else if (pattern.motif) {
        out.pins =
            motif_pins(paper, patch, *pattern.motif, turns.empty() ? std::vector<double>{0} : turns, sheets);
    } else if (pattern.tone && face.pattern == Pattern::Ombre) {
        out.band = band_for(info, face, patch.side, *pattern.tone, out.outline, turns);
    }
    return out;
}

NestJob Capacity::job_for(const PaperNest& nest, int paper) const {
    NestJob job;
    job.gap = gap_;
    job.seed = seed_;
    for (const auto& members : pieces_of(nest.patches)) {
        NestPiece piece = piece_for(paper, nest.patches[members.front()], nest.sheets);
        for (std::size_t m = 1; m < members.size(); ++m) {
            const LaidPatch& p = nest.patches[members[m]];
            piece.together.push_back(transformed((*patches_)[p.patch].on_sheet(), turned_over(p.side)));
        }
        job.pieces.push_back(std::move(piece));
    }
    for (int s : nest.sheets)
        job.sheets.push_back({(*sheets_)[s].outline, static_cast<int>((*sheets_)[s].kind)});
    return job;
}

const PaperNest& Capacity::lay(int paper, std::vector<LaidPatch> patches, int attempts,
                               const StopToken& stop) {
    assert(stash_ && paper >= 0 && static_cast<std::size_t>(paper) < stash_->papers.size());
    std::sort(patches.begin(), patches.end());
    Remembered& r = known_[key(paper, patches)];
    if (r.attempts >= attempts || (r.attempts > 0 && r.nest.complete() && attempts <= 4)) return r.nest;
    PaperNest nested;
    nested.patches = std::move(patches);
    for (std::size_t i = 0; i < sheets_->size(); ++i)
        if ((*sheets_)[i].paper == paper && (*sheets_)[i].area > 0)
            nested.sheets.push_back(static_cast<int>(i));
    NestJob job = job_for(nested, paper);
    job.attempts = attempts;
    if (attempts >= worth_refining) {
        job.refinements = refinements;
        job.later = later_[paper];
        nested.wanted = wanted_of_[paper];
    }
    ++layings_;
    NestResult found = memory_->nest(job, stop);
    nested.result.room = std::move(found.room);
    const auto pieces = pieces_of(nested.patches);
    for (NestPlacement p : found.placements)
        for (int k : pieces[p.piece]) {
            nested.result.placements.push_back({k, p.sheet, p.rotation_deg, p.shift});
            nested.placed_area += (*patches_)[nested.patches[k].patch].paper_area();
        }
    for (int u : found.unplaced)
        nested.result.unplaced.insert(nested.result.unplaced.end(), pieces[u].begin(), pieces[u].end());
    std::sort(nested.result.unplaced.begin(), nested.result.unplaced.end());
    sort_by_piece(nested.result.placements);
    r.nest = std::move(nested);
    assert(r.nest.result.placements.size() + r.nest.result.unplaced.size() == r.nest.patches.size());
    // An answer cut short is used this once but not trusted later.
    r.attempts = stopped(stop) ? 0 : attempts;
    return r.nest;
}

bool Capacity::fits_alone(int patch, int paper, Side side) {
    std::uint64_t h = paper_hash_[paper];
    mix(h, patch_hash_[patch]);
    if (side == Side::B) mix(h, std::uint64_t{1});
    const auto known = alone_.find(h);
    if (known != alone_.end()) return known->second;
    const PatchPattern& pattern = patterns_[patch];
    const bool anywhere = !pattern.pin && !pattern.motif && !pattern.tone;
    const Box box = bounds((*patches_)[patch].on_sheet());
    // However it is turned it stays within a circle, and so within this square.
    const double longer = pattern.slant_deg ? box.diagonal() : std::max(box.width(), box.height());
    bool fits = false;
    for (const Sheet& s : *sheets_) {
        // A sheet that could hold the patch's circumscribed square whichever way up needs no trying.
        const Box sheet = bounds(s.outline);
        fits = fits || (anywhere && s.paper == paper && s.kind > SheetKind::Offcut &&
                        std::min(sheet.width(), sheet.height()) > longer + 2);
    }
    if (!fits) fits = lay(paper, {{patch, side}}, 1, {}).complete();
    alone_[h] = fits;
    return fits;
}

} // namespace zesty
