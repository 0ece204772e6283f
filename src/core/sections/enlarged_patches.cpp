#include "core/sections/enlarged_patches.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double near_by = 12; ///< mm round the room

class Enlarging {
public:
    Enlarging(const Spots& spots, const std::map<int, Patch>& room, const Transform& to_page)
        : spots_(spots), room_(room) {
        for (const Opening& o : spots.cut->openings)
            boxes_.push_back(bounds(openings_.emplace_back(transformed(o.outline, to_page))));
        for (const Piece& p : spots.cut->pieces) edges_.push_back(transformed(p.outline.outer, to_page));
    }

    /// What may become of the patch; nothing, and why, where it is not one of an opening alone.
    std::optional<Enlargeable> look_at(Patch& p) const {
        const auto room = room_.find(spots_.whole[p.opening]);
        if (spots_.whole[p.opening] < 0 || spots_.is_part(p.opening) || room == room_.end())
            p.not_enlarged = NotEnlarged::Part;
        else if (p.trimmed)
            p.not_enlarged = NotEnlarged::OffThePage;
        else
            return Enlargeable(openings_[p.opening], room->second.outline,
                               around(p.opening, room->second.outline));
        return {};
    }

    /// By the first copy that suits.
    void enlarge(Patch& p, const Enlargeable& how, const std::vector<double>& factors) const {
        for (const double f : factors) {
            auto copy = how.range().holds(f) ? how.copy(f) : std::nullopt;
            if (!copy) continue;
            p.outline = std::move(*copy);
            p.enlarged = f;
            p.lip = gap(openings_[p.opening].outer, p.outline.outer).distance;
            return;
        }
        p.not_enlarged = NotEnlarged::NoCopy;
    }

private:
    AroundOpening around(int o, const Polygon& room) const {
        AroundOpening out;
        out.edge = &edges_[spots_.cut->openings[o].piece];
        const Box near = bounds(room).grown(near_by);
        for (std::size_t k = 0; k < openings_.size(); ++k)
            if (static_cast<int>(k) != o && spots_.whole[k] >= 0 && boxes_[k].meets(near))
                out.others.push_back(&openings_[k].outer);
        return out;
    }

    const Spots& spots_;
    const std::map<int, Patch>& room_;
    std::vector<Polygon> openings_; ///< on the page
    std::vector<Box> boxes_;
    std::vector<Ring> edges_; ///< by piece
};

} // namespace

std::vector<double> make_enlarged(std::vector<Patch>& patches, const Spots& spots,
                                  const std::map<int, Patch>& room, const Transform& to_page) {
    const auto wanted = [](const Patch& p) { return p.method == BackingMethod::EnlargedCopy; };
    if (std::none_of(patches.begin(), patches.end(), wanted)) return {};
    const Enlarging enlarging(spots, room, to_page);
    std::vector<std::optional<Enlargeable>> found(patches.size());
    on_two_threads(found.size(), [&](std::size_t i) {
        if (!wanted(patches[i])) return;
        if (auto how = enlarging.look_at(patches[i])) found[i].emplace(*how);
        if (found[i]) patches[i].not_enlarged = found[i]->why();
    });
    std::vector<FactorRange> ranges;
    for (const auto& one : found)
        if (one && one->possible()) ranges.push_back(one->range());
    std::vector<double> factors = enlargements(std::move(ranges));
    on_two_threads(found.size(), [&](std::size_t i) {
        if (found[i] && found[i]->possible()) enlarging.enlarge(patches[i], *found[i], factors);
    });
    for (Patch& p : patches) p.fell_back = p.not_enlarged != NotEnlarged::No;
    return factors;
}

} // namespace zesty
