#include "core/cutfile/parts.h"

#include "core/cutfile/material.h"
#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

/// Old index to new, -1 for what goes.
std::vector<int> renumbered(const std::vector<char>& stays) {
    std::vector<int> out(stays.size(), -1);
    int next = 0;
    for (std::size_t i = 0; i < stays.size(); ++i)
        if (stays[i]) out[i] = next++;
    return out;
}

void measure_again(CutFile& cut) {
    cut.box = {};
    cut.cut_length = 0;
    for (const Piece& p : cut.pieces) {
        cut.box.add(p.box);
        cut.cut_length += perimeter(p.outline);
    }
}

} // namespace

CutPart without_pieces(const CutFile& cut, const std::vector<int>& left_out) {
    std::vector<char> piece_stays(cut.pieces.size(), 1);
    for (int p : left_out)
        if (p >= 0 && p < static_cast<int>(cut.pieces.size())) piece_stays[p] = 0;
    std::vector<char> opening_stays(cut.openings.size(), 1);
    for (std::size_t o = 0; o < cut.openings.size(); ++o)
        opening_stays[o] = piece_stays[cut.openings[o].piece];
    const std::vector<int> piece = renumbered(piece_stays);
    const std::vector<int> opening = renumbered(opening_stays);
    CutPart out;
    for (std::size_t p = 0; p < cut.pieces.size(); ++p) {
        if (!piece_stays[p]) continue;
        out.pieces.push_back(static_cast<int>(p));
        Piece kept = cut.pieces[p];
        kept.in_opening = kept.in_opening < 0 ? -1 : opening[kept.in_opening];
        for (int& o : kept.openings) o = opening[o];
        out.cut.pieces.push_back(std::move(kept));
    }
    for (std::size_t o = 0; o < cut.openings.size(); ++o) {
        if (!opening_stays[o]) continue;
        out.openings.push_back(static_cast<int>(o));
        Opening kept = cut.openings[o];
        kept.piece = piece[kept.piece];
        std::vector<int> inserts;
        for (int i : kept.inserts)
            if (piece[i] >= 0) inserts.push_back(piece[i]);
        if (inserts.size() != kept.inserts.size()) {
            // What lay in it is gone: the opening is whole again.
            std::vector<Ring> holes;
            for (int i : kept.inserts)
                if (piece[i] >= 0) holes.push_back(cut.pieces[out.pieces[piece[i]]].outline.outer);
            kept.outline.holes = std::move(holes);
            kept.area = area(kept.outline);
            const double size = kept.box.diagonal();
            if (const auto circle = largest_circle(kept.outline, size * 1e-3)) kept.label = *circle;
        }
        kept.inserts = std::move(inserts);
        out.cut.openings.push_back(std::move(kept));
    }
    for (Bar b : cut.bars) {
        if (opening[b.a] < 0 || (b.b != Bar::edge && opening[b.b] < 0)) continue;
        b.a = opening[b.a];
        if (b.b != Bar::edge) b.b = opening[b.b];
        out.cut.bars.push_back(b);
    }
    for (const auto& group : cut.twins) {
        std::vector<int> kept;
        for (int o : group)
            if (opening[o] >= 0) kept.push_back(opening[o]);
        if (kept.size() > 1) out.cut.twins.push_back(std::move(kept));
    }
    out.cut.warnings = cut.warnings;
    measure_again(out.cut);
    return out;
}

Result<CutPart> grown(const CutFile& cut, double by) {
    Region material;
    for (const Piece& p : cut.pieces) material.push_back(p.outline);
    auto region = grow(material, by);
    if (!region) return tl::make_unexpected(region.error());
    CutPart out;
    for (Polygon& p : *region) p = simplified(p, hairline(cut.box) / 2);
    out.cut = understand(*region);
    for (std::size_t o = 0; o < out.cut.openings.size(); ++o) out.openings.push_back(static_cast<int>(o));
    for (std::size_t p = 0; p < out.cut.pieces.size(); ++p) out.pieces.push_back(static_cast<int>(p));
    return out;
}

CutFile transformed(const CutFile& cut, const Transform& t) {
    const double scale = t.scale();
    CutFile out = cut;
    for (Piece& p : out.pieces) {
        p.outline = transformed(p.outline, t);
        p.area *= scale * scale;
        p.box = bounds(p.outline);
    }
    for (Opening& o : out.openings) {
        o.outline = transformed(o.outline, t);
        o.area *= scale * scale;
        o.box = bounds(o.outline);
        o.label = {t(o.label.centre), o.label.radius * scale};
    }
    for (Bar& b : out.bars) {
        b.width *= scale;
        b.from = t(b.from);
        b.to = t(b.to);
    }
    out.box = {};
    for (const Piece& p : out.pieces) out.box.add(p.box);
    out.cut_length *= scale;
    return out;
}

void append(CutFile& all, const CutFile& more, int layer) {
    const int pieces = static_cast<int>(all.pieces.size());
    const int openings = static_cast<int>(all.openings.size());
    for (Piece p : more.pieces) {
        if (p.in_opening >= 0) p.in_opening += openings;
        for (int& o : p.openings) o += openings;
        p.layer = layer;
        all.pieces.push_back(std::move(p));
    }
    for (Opening o : more.openings) {
        o.piece += pieces;
        for (int& i : o.inserts) i += pieces;
        all.openings.push_back(std::move(o));
    }
    for (Bar b : more.bars) {
        b.a += openings;
        if (b.b != Bar::edge) b.b += openings;
        all.bars.push_back(b);
    }
    std::stable_sort(all.bars.begin(), all.bars.end(),
                     [](const Bar& a, const Bar& b) { return a.width < b.width; });
    for (std::vector<int> group : more.twins) {
        for (int& o : group) o += openings;
        all.twins.push_back(std::move(group));
    }
    all.warnings.insert(all.warnings.end(), more.warnings.begin(), more.warnings.end());
    all.box.add(more.box);
    all.cut_length += more.cut_length;
}

} // namespace zesty
