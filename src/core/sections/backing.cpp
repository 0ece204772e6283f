#include "core/sections/backing.h"

#include "core/geometry/cuttable.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"
#include "core/sections/enlarged_patches.h"
#include "core/sections/method_shapes.h"
#include "core/sections/one_sheet.h"
#include "core/sections/overlap.h"

#include <algorithm>
#include <limits>
#include <map>
#include <set>

namespace zesty {

namespace {

constexpr double widest_lip = 12; ///< how far a patch of any method may reach

class Backer {
public:
    Backer(const CutFile& whole, const Spots& spots, const std::vector<BackingWish>& wishes,
           const BackingRules& rules, const SharedBars& bars, const Transform& to_page, const Box& page)
        : whole_(whole), spots_(spots), wishes_(wishes), rules_(rules), bars_(bars), to_page_(to_page),
          page_(page) {}

    Result<Backing> run() {
        gluing_ = gluing_keys();
        for (std::size_t o = 0; o < wishes_.size(); ++o)
            if (wishes_[o].method == BackingMethod::OneSheet && is_whole(static_cast<int>(o)))
                on_one_sheet_.insert(spots_.whole[o]);
        if (auto r = make_base(); !r) return tl::make_unexpected(r.error());
        const int n = static_cast<int>(spots_.cut->openings.size());
        for (int o = 0; o < n; ++o) {
            if (!wishes_[o].backed) continue;
            const auto shows = shows_on_page(o);
            if (!shows) return tl::make_unexpected(shows.error());
            if (!*shows) continue;
            auto patch = raw(o);
            if (!patch) return tl::make_unexpected(patch.error());
            if (patch->outline.outer.empty()) continue;
            patch->opening = o;
            patch->lip_wanted = wishes_[o].lip;
            patch->method = wishes_[o].method;
            out_.patches.push_back(std::move(*patch));
        }
        if (auto r = by_method(); !r) return tl::make_unexpected(r.error());
        put_in_order();
        return std::move(out_);
    }

private:
    /// Wishes about whole openings: a divided one is backed when one of its parts is.
    std::vector<PatchWish> whole_wishes(double at_least) const {
        std::vector<PatchWish> out(whole_.openings.size());
        for (std::size_t o = 0; o < wishes_.size(); ++o) {
            if (spots_.whole[o] < 0 || !wishes_[o].backed) continue;
            PatchWish& w = out[spots_.whole[o]];
            w.backed = true;
            w.lip = std::max({w.lip, wishes_[o].lip, at_least});
        }
        return out;
    }

    Result<std::map<int, Patch>> by_whole(double at_least) const {
        auto made = make_patches(whole_, whole_wishes(at_least), to_page_, page_, bars_);
        if (!made) return tl::make_unexpected(made.error());
        std::map<int, Patch> out;
        for (Patch& p : *made) out.emplace(p.opening, std::move(p));
        return out;
    }

    Result<void> make_base() {
        auto made = bars_.all_meet() ? make_patches(whole_, whole_wishes(0), to_page_, page_) : crossing();
        if (!made) return tl::make_unexpected(made.error());
        for (Patch& p : *made) base_.emplace(p.opening, std::move(p));
        const bool wider = std::any_of(wishes_.begin(), wishes_.end(), [](const BackingWish& w) {
            return w.backed &&
                   (w.method == BackingMethod::EnlargedCopy || w.method == BackingMethod::Punches);
        });
        if (!wider) return {};
        auto room = by_whole(widest_lip);
        if (!room) return tl::make_unexpected(room.error());
        room_ = std::move(*room);
        return {};
    }

    /// Patches that run over bars. Where three would lie on each other the second goes to the middle of its
    /// bars only, and where that is not enough the third, too: the first is left with what it has.
    Result<std::vector<Patch>> crossing() {
        const GluedBefore before = [this](int a, int b) { return glued_before(a, b); };
        auto made = make_patches(whole_, whole_wishes(0), to_page_, page_, bars_, before);
        if (!made) return made;
        auto three = third_layers(*made, before);
        if (three.empty() && on_one_sheet_.empty()) return made;
        auto meeting = make_patches(whole_, whole_wishes(0), to_page_, page_);
        if (!meeting) return meeting;
        std::map<int, const Patch*> plain;
        for (const Patch& p : *meeting) {
            plain.emplace(p.opening, &p);
            // Of one sheet nothing can lie on the rest of it.
            if (on_one_sheet_.contains(p.opening)) meeting_.emplace(p.opening, p);
        }
        for (std::size_t last = 1; last < 3 && !three.empty(); ++last) {
            for (const auto& layers : three)
                for (std::size_t k = 1; k <= last; ++k)
                    if (const auto p = plain.find((*made)[layers[k]].opening); p != plain.end())
                        (*made)[layers[k]] = *p->second;
            three = third_layers(*made, before);
        }
        return made;
    }

    Polygon on_page(int opening) const {
        return transformed(spots_.cut->openings[opening].outline, to_page_);
    }

    /// Whether anything of it lies on the page; what hangs off is trimmed with the cut.
    Result<bool> shows_on_page(int o) const {
        const Box box = bounds(on_page(o));
        if (page_.holds(box)) return true;
        if (!page_.meets(box)) return false;
        const auto kept = clipped(on_page(o), page_);
        if (!kept) return tl::make_unexpected(kept.error());
        return area(*kept) > 0;
    }

    /// The patch before its method has its say.
    Result<Patch> raw(int o) const {
        Patch patch;
        if (spots_.whole[o] < 0) {
            patch.outline = on_page(o);
            if (spots_.is_base(o)) return tucked(std::move(patch), o, spots_.base_cells);
            patch.area = area(patch.outline);
            return trimmed(std::move(patch));
        }
        const int whole = spots_.whole[o];
        const auto meeting = meeting_.find(whole);
        if (meeting != meeting_.end()) return meeting->second;
        const auto found = base_.find(whole);
        if (found == base_.end()) return patch;
        patch = found->second;
        if (!spots_.is_part(o)) return patch;
        return tucked(std::move(patch), o, spots_.cells[spots_.whole[o]]);
    }

    /// Of a divided opening each part keeps its own cell and runs on by the lip below those that come after.
    Result<Patch> tucked(Patch patch, int o, const std::vector<Region>& cells) const {
        const std::size_t own = spots_.cell[o];
        const auto here = [&](std::size_t i) { return transformed(cells[i], to_page_); };
        auto room = grow(here(own), std::max(wishes_[o].lip, 1e-3), Corner::Sharp);
        for (std::size_t k = 0; room && k < own; ++k) room = subtract(*room, here(k));
        if (!room) return tl::make_unexpected(room.error());
        Region whole{patch.outline};
        if (spots_.is_base(o)) {
            // Parts of the base have nothing around them; they are cut to the base's edge.
            Region base;
            for (std::size_t k = 0; k < spots_.whole.size(); ++k)
                if (spots_.is_base(static_cast<int>(k))) base.push_back(on_page(static_cast<int>(k)));
            const auto joined = unite(base);
            if (!joined) return tl::make_unexpected(joined.error());
            whole = *joined;
        }
        auto kept = intersect(whole, *room);
        if (!kept) return tl::make_unexpected(kept.error());
        auto own_piece = piece_behind(*kept, o);
        if (!own_piece) return tl::make_unexpected(own_piece.error());
        patch.outline = std::move(*own_piece);
        patch.area = area(patch.outline);
        // Of the base nothing hides a lip: its parts end at its edge.
        patch.trimmed = patch.trimmed || spots_.is_base(o);
        return patch;
    }

    /// The one of these that lies behind most of the opening; empty when none does.
    Result<Polygon> piece_behind(const Region& pieces, int o) const {
        Polygon most;
        double seen = 0;
        for (const Polygon& piece : pieces) {
            const auto behind = intersect({piece}, {on_page(o)});
            if (!behind) return tl::make_unexpected(behind.error());
            if (area(*behind) > seen) {
                seen = area(*behind);
                most = piece;
            }
        }
        return most;
    }

    Result<Patch> trimmed(Patch patch) const {
        if (page_.holds(bounds(patch.outline))) return patch;
        const auto kept = clipped(patch.outline, page_);
        if (!kept) return tl::make_unexpected(kept.error());
        patch.trimmed = true;
        patch.outline = kept->empty() ? Polygon{} : largest(*kept);
        patch.area = area(patch.outline);
        return patch;
    }

    Result<void> by_method() {
        out_.enlargements = make_enlarged(out_.patches, spots_, room_, to_page_);
        std::map<std::pair<int, bool>, int> leaders; // piece, and whether it is see-through -> patch
        std::vector<Patch> kept;
        std::vector<Result<Shaped>> shaped(out_.patches.size(), Shaped::Patch);
        on_two_threads(shaped.size(), [&](std::size_t i) { shaped[i] = shape(out_.patches[i]); });
        for (std::size_t i = 0; i < shaped.size(); ++i) {
            Patch& p = out_.patches[i];
            if (!shaped[i]) return tl::make_unexpected(shaped[i].error());
            if (*shaped[i] == Shaped::TooNarrow) out_.without_patch.push_back(p.opening);
            if (*shaped[i] != Shaped::Patch) continue;
            if (p.method == BackingMethod::OneSheet && is_whole(p.opening)) {
                const int piece = spots_.cut->openings[p.opening].piece;
                const auto [at, first] = leaders.try_emplace({piece, wishes_[p.opening].see_through},
                                                             static_cast<int>(kept.size()));
                if (!first) p.rides_on = at->second;
            }
            kept.push_back(std::move(p));
        }
        out_.patches = std::move(kept);
        for (const auto& [sheet, leader] : leaders)
            if (auto r = sheet_behind(sheet.first, leader); !r) return r;
        return {};
    }

    enum class Shaped { Patch, TooNarrow, OffThePage };

    /// By its method. Several threads may shape patches, each its own.
    Result<Shaped> shape(Patch& p) const {
        const auto shaped = shape_by_method(p);
        if (!shaped) return tl::make_unexpected(shaped.error());
        if (!*shaped) return Shaped::TooNarrow;
        if (p.outline.outer.empty()) return Shaped::OffThePage;
        p.outline = made_cuttable(p.outline);
        p.blank = made_cuttable(p.blank);
        return p.outline.outer.empty() ? Shaped::TooNarrow : Shaped::Patch;
    }

    bool is_whole(int opening) const { return spots_.whole[opening] >= 0 && !spots_.is_part(opening); }

    /// False when the opening is too narrow for it. What lies off the page comes back without an outline.
    Result<bool> shape_by_method(Patch& p) const {
        const bool whole = is_whole(p.opening);
        const Polygon opening = on_page(p.opening);
        switch (p.method) {
        case BackingMethod::Inlay:
            if (auto inlay = inlay_shape(opening, rules_.inlay_clearance)) {
                p.outline = std::move(*inlay);
                p.lip = 0;
                break;
            }
            return false;
        case BackingMethod::CutFrom:
            p.outline = opening;
            p.lip = 0;
            break;
        case BackingMethod::GlueAndTrim:
            p.blank = rough_rectangle(p.outline);
            break;
        case BackingMethod::Punches:
            punch(p, opening, whole);
            break;
        case BackingMethod::EnlargedCopy:
        case BackingMethod::MachinePatches:
        case BackingMethod::TraceAndTrim:
        case BackingMethod::OneSheet:
            break;
        }
        p.area = area(p.outline);
        auto kept = trimmed(p);
        if (!kept) return tl::make_unexpected(kept.error());
        p = std::move(*kept);
        return true;
    }

    void punch(Patch& p, const Polygon& opening, bool whole) const {
        std::optional<Punched> best;
        if (wishes_[p.opening].punch_on_top)
            best = punch_on_top(opening, rules_.punches);
        else if (const auto room = room_.find(spots_.whole[p.opening]); whole && room != room_.end())
            best = punch_behind(opening, room->second.outline, rules_.punches);
        p.fell_back = !best;
        if (!best) return;
        p.outline = std::move(best->outline);
        p.punch = best->diameter;
        p.border = best->border;
        p.lip = best->lip;
    }

    /// As large as those that ride on it, joined where they lie within reach of each other; what does not
    /// hang together has a patch of its own. Nothing of it shows in the other openings.
    Result<void> sheet_beside_others(const std::vector<const Polygon*>& riders, const Region& others,
                                     int leader) {
        auto joined = sheets_beside(riders, others);
        if (!joined) return tl::make_unexpected(joined.error());
        std::map<int, int> new_leader; // of the patches that ride on it
        for (Polygon sheet : *joined) {
            int own = -1;
            for (std::size_t i = 0; i < out_.patches.size(); ++i) {
                Patch& p = out_.patches[i];
                if (static_cast<int>(i) != leader && p.rides_on != leader) continue;
                if (!contains(sheet.outer, spots_label(p.opening))) continue;
                if (own < 0) own = static_cast<int>(i);
                new_leader.emplace(static_cast<int>(i), own);
            }
            sheet = made_cuttable(sheet);
            if (own >= 0 && !sheet.outer.empty()) out_.patches[own].blank = std::move(sheet);
        }
        for (const auto& [patch, own] : new_leader) out_.patches[patch].rides_on = patch == own ? -1 : own;
        return {};
    }

    Point spots_label(int opening) const { return to_page_(spots_.cut->openings[opening].label.centre); }

    /// Where the piece has something else behind it, too, the sheet is only as large as what rides on it.
    Result<void> sheet_behind(int piece, int leader) {
        std::vector<const Polygon*> riders;
        Region others;
        for (std::size_t i = 0; i < out_.patches.size(); ++i)
            if (static_cast<int>(i) == leader || out_.patches[i].rides_on == leader)
                riders.push_back(&out_.patches[i].outline);
            else if (spots_.cut->openings[out_.patches[i].opening].piece == piece)
                others.push_back(on_page(out_.patches[i].opening));
        if (!others.empty()) return sheet_beside_others(riders, others, leader);
        const Ring silhouette = transformed(spots_.cut->pieces[piece].outline.outer, to_page_);
        auto sheet = one_sheet(silhouette, riders, page_);
        if (!sheet) return tl::make_unexpected(sheet.error());
        if (!sheet->outer.empty()) out_.patches[leader].blank = std::move(*sheet);
        return {};
    }

    /// Parts of one opening in the order of their cells; otherwise as wished, then large before small.
    void put_in_order() {
        std::vector<std::size_t> order(out_.patches.size());
        for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
        std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
            const int x = spots_.whole[out_.patches[a].opening];
            const int y = spots_.whole[out_.patches[b].opening];
            return x != y && (x < 0 || (y >= 0 && glued_before(x, y)));
        });
        int next = 0;
        for (std::size_t i : order) out_.patches[i].order = ++next;
    }

    bool glued_before(int a, int b) const { return gluing_[a] < gluing_[b]; }

    /// By whole opening; a wish for any part of one counts for it.
    std::vector<std::pair<int, double>> gluing_keys() const {
        std::vector<std::pair<int, double>> out;
        for (const Opening& o : whole_.openings) out.emplace_back(std::numeric_limits<int>::max(), -o.area);
        for (std::size_t o = 0; o < wishes_.size(); ++o)
            if (const int w = spots_.whole[o]; w >= 0 && wishes_[o].order != 0)
                out[w].first = std::min(out[w].first, wishes_[o].order);
        return out;
    }

    const CutFile& whole_;
    const Spots& spots_;
    const std::vector<BackingWish>& wishes_;
    const BackingRules& rules_;
    const SharedBars& bars_;
    Transform to_page_;
    Box page_;
    std::vector<std::pair<int, double>> gluing_; ///< what is glued first has the least
    std::map<int, Patch> base_;                  ///< by whole opening
    std::set<int> on_one_sheet_;                 ///< whole openings
    std::map<int, Patch> meeting_;               ///< of these, as they are where others overlap
    std::map<int, Patch> room_;                  ///< as far as any patch may reach
    Backing out_;
};

} // namespace

Result<Backing> backing_of(const CutFile& whole, const Spots& spots, const std::vector<BackingWish>& wishes,
                           const BackingRules& rules, const SharedBars& bars, const Transform& to_page,
                           const Box& page) {
    return Backer(whole, spots, wishes, rules, bars, to_page, page).run();
}

} // namespace zesty
