#include "core/sections/spots.h"

#include "core/cutfile/bars.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <numeric>
#include <utility>

namespace zesty {

namespace {

constexpr double touching = 1e-4;        ///< of the size of the cut
constexpr double label_tolerance = 1e-3; ///< of the size of the opening

Opening opening_of(Polygon outline, int piece) {
    Opening o;
    o.area = area(outline);
    o.box = bounds(outline);
    o.piece = piece;
    const auto circle = largest_circle(outline, o.box.diagonal() * label_tolerance);
    o.label = circle.value_or(Circle{o.box.centre(), 0});
    o.outline = std::move(outline);
    return o;
}

class Spreader {
public:
    Spreader(const Composition& composed, const SetOutDecisions& page, const SectionDecisions& decided)
        : composed_(composed), page_(page), decided_(decided), cut_(*composed.cut) {
        cut_.openings.clear();
        cut_.bars.clear();
        cut_.twins.clear();
        out_.cells.resize(composed.cut->openings.size());
    }

    Result<Spots> run() {
        for (std::size_t o = 0; o < composed_.cut->openings.size(); ++o)
            if (auto r = add_whole(static_cast<int>(o)); !r) return tl::make_unexpected(r.error());
        for (Later& l : later_) add(std::move(l.opening), l.name, l.cut, l.whole, l.cell);
        for (std::size_t o = 0; o < out_.cells.size(); ++o)
            if (!out_.cells[o].empty()) find_seams(parts_of(static_cast<int>(o)));
        number_again();
        add_pieces();
        if (auto r = add_base(); !r) return tl::make_unexpected(r.error());
        out_.cut = std::make_shared<const CutFile>(std::move(cut_));
        return std::move(out_);
    }

private:
    void add(Opening opening, Spot name, int cut, int whole, std::size_t cell) {
        cut_.openings.push_back(std::move(opening));
        out_.names.push_back(name);
        out_.cut_of_opening.push_back(cut);
        out_.whole.push_back(whole);
        out_.cell.push_back(cell);
    }

    Result<void> add_whole(int o) {
        const Opening& opening = composed_.cut->openings[o];
        const Spot name = composed_.spots[o];
        const int cut = composed_.cut_of_opening[o];
        const auto division = decided_.divisions.find(name);
        if (division == decided_.divisions.end()) {
            add(opening, name, cut, o, 0);
            return {};
        }
        // Divided as the drawing lies, so that the parts turn with the cut.
        const Transform& own = composed_.each[cut].to_page;
        const Transform to_cut =
            own == composed_.whole.to_page ? Transform{} : inverse(composed_.whole.to_page) * own;
        const Box box = bounds(transformed(opening.outline.outer, inverse(to_cut)));
        std::vector<Region> cells = zesty::cells(division->second, box);
        for (Region& c : cells) c = transformed(c, to_cut);
        const auto parts = divide(opening.outline, cells);
        if (!parts) return tl::make_unexpected(parts.error());
        int island = static_cast<int>(cells.size());
        bool first = true;
        std::vector<char> used(cells.size(), 0);
        for (const DividedPart& part : *parts) {
            const int number = used[part.cell]++ ? ++island : static_cast<int>(part.cell) + 1;
            Opening p = opening_of(part.outline, opening.piece);
            for (int insert : opening.inserts)
                if (contains(part.outline.outer, composed_.cut->pieces[insert].outline.outer.front()))
                    p.inserts.push_back(insert);
            const Spot part_name(name.cut, name.opening, number);
            // The first part takes the place of the whole, so that the other openings keep their numbers.
            if (std::exchange(first, false))
                add(std::move(p), part_name, cut, o, part.cell);
            else
                later_.push_back({std::move(p), part_name, cut, o, part.cell});
        }
        out_.cells[o] = std::move(cells);
        return {};
    }

    std::vector<int> parts_of(int whole) const {
        std::vector<int> out;
        for (std::size_t o = 0; o < out_.whole.size(); ++o)
            if (out_.whole[o] == whole) out.push_back(static_cast<int>(o));
        return out;
    }

    void find_seams(const std::vector<int>& parts) {
        const double near = touching * std::max(cut_.box.diagonal(), 1e-9);
        const auto rings = [&](int o) {
            std::vector<const Ring*> all{&cut_.openings[o].outline.outer};
            for (const Ring& h : cut_.openings[o].outline.holes) all.push_back(&h);
            return all;
        };
        for (int a : parts)
            for (int b : parts) {
                if (b <= a) continue;
                if (!cut_.openings[a].box.grown(near).meets(cut_.openings[b].box)) continue;
                Gap least{std::numeric_limits<double>::infinity(), {}, {}};
                for (const Ring* x : rings(a))
                    for (const Ring* y : rings(b))
                        if (const Gap g = gap(*x, *y); g.distance < least.distance) least = g;
                if (least.distance <= near) out_.seams.push_back({a, b, least.from});
            }
    }

    /// Bars, twins and the pieces' lists in the numbers of the parts.
    void number_again() {
        std::vector<std::vector<int>> of_whole(composed_.cut->openings.size());
        for (std::size_t o = 0; o < out_.whole.size(); ++o)
            of_whole[out_.whole[o]].push_back(static_cast<int>(o));
        for (Piece& p : cut_.pieces) {
            std::vector<int> openings;
            for (int o : p.openings) openings.insert(openings.end(), of_whole[o].begin(), of_whole[o].end());
            p.openings = std::move(openings);
            if (p.in_opening >= 0 && !of_whole[p.in_opening].empty())
                p.in_opening = of_whole[p.in_opening].front();
        }
        for (const auto& twins : composed_.cut->twins) {
            std::vector<int> same;
            for (int o : twins)
                if (of_whole[o].size() == 1) same.push_back(of_whole[o].front());
            if (same.size() > 1) cut_.twins.push_back(std::move(same));
        }
        if (cut_.openings.size() == composed_.cut->openings.size()) {
            cut_.bars = composed_.cut->bars;
            return;
        }
        cut_.bars = find_bars(cut_.pieces, cut_.openings);
        std::erase_if(cut_.bars,
                      [&](const Bar& b) { return b.b != Bar::edge && out_.whole[b.a] == out_.whole[b.b]; });
    }

    void add_pieces() {
        for (std::size_t p = 0; p < cut_.pieces.size(); ++p) {
            const int layer = cut_.pieces[p].layer;
            if (!page_.cuts[layer].pieces_from_paper) continue;
            Polygon outline = cut_.pieces[p].outline;
            add(opening_of(std::move(outline), static_cast<int>(p)),
                {page_.cuts[layer].id, first_piece_spot + composed_.piece_numbers[p], 0}, layer, -1, 0);
        }
    }

    Result<void> add_base() {
        const auto division = decided_.divisions.find(base_spot);
        if (division == decided_.divisions.end()) return {};
        const Transform back = inverse(composed_.whole.to_page);
        out_.base_cells = zesty::cells(division->second, base_of(page_.page));
        std::vector<int> added;
        int number = 0;
        for (const Box& leaf : page_.page.leaves()) {
            const Box b = page_.page.base_of(leaf);
            if (b.empty()) continue;
            const auto parts = divide({ring_of(b), {}}, out_.base_cells);
            if (!parts) return tl::make_unexpected(parts.error());
            for (const DividedPart& part : *parts) {
                added.push_back(static_cast<int>(cut_.openings.size()));
                add(opening_of(transformed(part.outline, back), -1), {base_spot.cut, 0, ++number}, -1, -1,
                    part.cell);
            }
        }
        for (Region& c : out_.base_cells) c = transformed(c, back);
        find_seams(added);
        return {};
    }

    /// A part that comes after the whole openings.
    struct Later {
        Opening opening;
        Spot name;
        int cut;
        int whole;
        std::size_t cell;
    };

    const Composition& composed_;
    const SetOutDecisions& page_;
    const SectionDecisions& decided_;
    CutFile cut_;
    Spots out_;
    std::vector<Later> later_;
};

bool nothing_to_spread(const Composition& composed, const SetOutDecisions& page,
                       const SectionDecisions& decided) {
    const bool pieces = std::any_of(page.cuts.begin(), page.cuts.end(),
                                    [](const PlacedCut& c) { return c.pieces_from_paper; });
    const bool base = decided.divisions.contains(base_spot);
    return !pieces && !base && std::none_of(composed.spots.begin(), composed.spots.end(), [&](Spot s) {
        return decided.divisions.contains(s);
    });
}

} // namespace

Result<Spots> spots_of(const Composition& composed, const SetOutDecisions& page,
                       const SectionDecisions& decided) {
    if (!nothing_to_spread(composed, page, decided)) return Spreader(composed, page, decided).run();
    return undivided(composed.cut, composed.spots, composed.cut_of_opening);
}

Spots undivided(std::shared_ptr<const CutFile> cut, std::vector<Spot> names,
                std::vector<int> cut_of_opening) {
    Spots out;
    const std::size_t n = names.size();
    out.cut = std::move(cut);
    out.names = std::move(names);
    out.cut_of_opening = std::move(cut_of_opening);
    out.whole.resize(n);
    std::iota(out.whole.begin(), out.whole.end(), 0);
    out.cells.resize(n);
    out.cell.resize(n, 0);
    return out;
}

} // namespace zesty
