#include "core/project/dress_pieces.h"

#include "core/dress/fixes.h"
#include "core/dress/late_framing.h"
#include "core/dress/layers.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/long_pieces.h"
#include "core/project/stash_at_hand.h"
#include "core/project/taken.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "core/sheets/nest.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

constexpr double worth_keeping_whole = 400; ///< mm2 of what is left beside or inside a piece
constexpr std::size_t most_others = 2;
constexpr int dress_attempts = 6;

Transform turned_for(Side side) {
    return side == Side::B ? Transform::mirrored_x() : Transform{};
}

Side side_of(const Project& project, const DressPiece& piece) {
    if (piece.of_frame) return Side::A;
    if (piece.layer >= 0) return project.dress.layers[static_cast<std::size_t>(piece.layer)].side;
    return project.set_out.photos[static_cast<std::size_t>(piece.photo)]
        .mats[static_cast<std::size_t>(piece.mat)]
        .side;
}

NestPiece nest_piece(const Polygon& blank, Direction way, bool any_turn) {
    NestPiece out{{blank.outer, {}}, false, {0}};
    if (way == Direction::Half) out.rotations_deg = {0, 180};
    if (way == Direction::Free) out.rotations_deg = {0, 90, 180, 270};
    out.any_rotation = any_turn && way == Direction::Free;
    return out;
}

/// A nesting of some of a paper's pieces, and what its numbers stand for.
struct DressNest {
    NestJob job;
    std::vector<std::size_t> pieces; ///< into OfPaper::pieces
    std::vector<std::size_t> sheets; ///< into OfPaper::sheets
};

bool may_hold(const Polygon& sheet, const Polygon& piece) {
    const Box s = bounds(sheet);
    const Box p = bounds(piece);
    return area(sheet) >= area(Polygon{piece.outer, {}}) && s.diagonal() >= std::max(p.width(), p.height());
}

/// Pieces that no sheet is large enough for are left out.
DressNest nest_of(const DressCutting::OfPaper& paper, const DressCutting& cutting, bool any_turn) {
    DressNest out;
    for (std::size_t s = 0; s < paper.sheets.size(); ++s) {
        Polygon outline = paper.sheets[s].outline;
        if (!paper.pinned[s].empty()) {
            const auto grown = grow(paper.pinned[s], cutting.gap);
            const auto free = grown ? subtract({outline}, *grown) : grown;
            if (!free || free->empty()) continue;
            outline = largest(*free);
        }
        const bool useful = std::any_of(paper.blanks.begin(), paper.blanks.end(),
                                        [&](const Polygon& blank) { return may_hold(outline, blank); });
        if (!useful) continue;
        out.job.sheets.push_back({outline, static_cast<int>(paper.sheets[s].kind)});
        out.sheets.push_back(s);
    }
    for (std::size_t i = 0; i < paper.blanks.size(); ++i) {
        const auto& sheets = out.job.sheets;
        if (std::none_of(sheets.begin(), sheets.end(),
                         [&](const NestSheet& s) { return may_hold(s.outline, paper.blanks[i]); }))
            continue;
        out.job.pieces.push_back(nest_piece(paper.blanks[i], paper.ways[i], any_turn));
        out.pieces.push_back(i);
    }
    out.job.gap = cutting.gap;
    out.job.seed = cutting.seed;
    out.job.attempts = dress_attempts;
    return out;
}

/// What lies pinned on a sheet.
Region pinned_on(const Project& project, const Plan& plan, const std::string& sheet) {
    Region out;
    for (const auto& [spot, pin] : project.sheets.pins) {
        if (pin.sheet != sheet) continue;
        for (const Patch& p : plan.sections.patches)
            if (plan.sections.spots[static_cast<std::size_t>(p.opening)] == spot) {
                const Side side = plan.papers.side_of_section[static_cast<std::size_t>(p.section)];
                out.push_back(transformed(p.on_sheet(), Transform::moved(pin.shift.x, pin.shift.y) *
                                                            Transform::turned_deg(pin.rotation_deg) *
                                                            turned_for(side)));
            }
    }
    return out;
}

/// Papers with a free sheet that holds a piece, other than its own; those with most to spare first.
std::vector<std::string> others_for(const Project& project, const Plan& plan, const DressPiece& piece) {
    const Stash& stash = stash_at_hand(project);
    std::vector<std::pair<double, std::string>> out;
    for (std::size_t p = 0; p < stash.papers.size(); ++p) {
        if (stash.papers[p].id == piece.paper) continue;
        NestJob job;
        double area_of_all = 0;
        for (const Sheet& s : plan.papers.sheets)
            if (s.paper == static_cast<int>(p) && may_hold(s.outline, piece.outline)) {
                job.sheets.push_back({s.outline});
                area_of_all += s.area;
            }
        if (job.sheets.empty()) continue;
        job.pieces.push_back(nest_piece(piece.outline, stash.papers[p].direction, false));
        job.gap = project.sheets.blade_gap;
        job.attempts = 1;
        if (nest(job).unplaced.empty()) out.emplace_back(area_of_all, stash.papers[p].id);
    }
    std::sort(out.rbegin(), out.rend());
    std::vector<std::string> ids;
    for (std::size_t i = 0; i < out.size() && i < most_others; ++i) ids.push_back(out[i].second);
    return ids;
}

/// Keeps the largest rest in the sheet's place and offers other rests, and the middles that are taken out, as
/// scraps of their own.
void cut_out(const Project& project, int sheet, const Region& taken, Plan& plan) {
    Sheet& from = plan.papers.sheets[static_cast<std::size_t>(sheet)];
    Region solid;
    Region middles;
    for (const Polygon& p : taken) {
        solid.push_back({p.outer, {}});
        for (const Ring& hole : p.holes) middles.push_back({hole, {}});
    }
    const auto grown = grow(solid, project.sheets.blade_gap, Corner::Sharp);
    const auto rest = grown ? subtract({from.outline}, *grown) : grown;
    Region kept = rest ? *rest : Region{};
    std::erase_if(kept, [](const Polygon& p) { return area(p) < worth_keeping_whole; });
    std::sort(kept.begin(), kept.end(), [](const Polygon& a, const Polygon& b) { return area(a) > area(b); });
    const Sheet whole = from;
    from.kind = SheetKind::Offcut;
    from.outline = kept.empty() ? Polygon{} : kept.front();
    from.area = area(from.outline);
    int number = 1;
    const auto offer = [&](const Polygon& p, SheetKind kind, const char* name) {
        plan.papers.sheets.push_back(
            {whole.id + name + std::to_string(++number), whole.paper, p, area(p), kind});
    };
    for (std::size_t i = 1; i < kept.size(); ++i) offer(kept[i], SheetKind::Offcut, "/rest");
    if (const auto inside = grow(middles, -project.sheets.blade_gap / 2))
        for (const Polygon& p : *inside)
            if (area(p) > worth_keeping_whole) offer(p, SheetKind::UnderPhoto, "/mat");
}

} // namespace

bool operator==(const DressCutting& a, const DressCutting& b) {
    const auto same_sheets = [](const std::vector<Sheet>& x, const std::vector<Sheet>& y) {
        return std::equal(x.begin(), x.end(), y.begin(), y.end(), [](const Sheet& s, const Sheet& t) {
            return s.id == t.id && s.kind == t.kind && s.outline == t.outline;
        });
    };
    return a.gap == b.gap && a.seed == b.seed &&
           std::equal(a.papers.begin(), a.papers.end(), b.papers.begin(), b.papers.end(),
                      [&](const auto& x, const auto& y) {
                          return x.paper == y.paper && same_sheets(x.sheets, y.sheets) &&
                                 x.numbers == y.numbers && x.pinned == y.pinned && x.pieces == y.pieces &&
                                 x.blanks == y.blanks && x.ways == y.ways;
                      });
}

std::vector<DressPiece> dress_pieces_of(const Project& project) {
    std::vector<DressPiece> out;
    for (std::size_t i = 0; i < project.set_out.photos.size(); ++i) {
        const Photo& photo = project.set_out.photos[i];
        for (std::size_t m = 0; m < photo.mats.size(); ++m) {
            DressPiece piece;
            piece.photo = static_cast<int>(i);
            piece.mat = static_cast<int>(m);
            piece.what = name_of_mat(photo, i, m);
            piece.paper = photo.mats[m].paper;
            piece.outline = blank_of_mat(photo, m, project.set_out.page.glue_lip);
            out.push_back(std::move(piece));
        }
    }
    for (std::size_t i = 0; i < project.dress.layers.size(); ++i) {
        DressPiece piece;
        piece.layer = static_cast<int>(i);
        piece.what = name_of(project.dress.layers[i], i);
        piece.paper = project.dress.layers[i].paper;
        piece.outline = blank_of(project.dress.layers[i], project.set_out.page);
        out.push_back(std::move(piece));
    }
    for (FrameBlank& blank : frame_blanks(project.set_out.page, project.dress.frame)) {
        DressPiece piece;
        piece.of_frame = true;
        piece.what = std::move(blank.name);
        piece.paper = std::move(blank.paper);
        piece.outline = std::move(blank.outline);
        out.push_back(std::move(piece));
    }
    return out;
}

DressCutting dress_cutting(const Project& project, const Plan& plan) {
    DressCutting out{{}, project.sheets.blade_gap, project.seed};
    const Stash& stash = stash_at_hand(project);
    std::map<int, DressCutting::OfPaper> papers;
    const auto taken = taken_dress_pieces(project, plan.dress.pieces);
    for (std::size_t i = 0; i < plan.dress.pieces.size(); ++i) {
        const DressPiece& piece = plan.dress.pieces[i];
        const int paper = piece.paper.empty() ? -1 : stash.find(piece.paper);
        if (paper < 0 || !taken[i].first.empty()) continue;
        DressCutting::OfPaper& of = papers[paper];
        of.paper = paper;
        of.pieces.push_back(static_cast<int>(i));
        const Side side = side_of(project, piece);
        of.blanks.push_back(transformed(piece.outline, turned_for(side)));
        of.ways.push_back(stash.papers[static_cast<std::size_t>(paper)].face(side).direction);
    }
    for (auto& [paper, of] : papers) {
        for (std::size_t s = 0; s < plan.papers.sheets.size(); ++s) {
            const Sheet& sheet = plan.papers.sheets[s];
            if (sheet.paper != paper || sheet.area <= 0) continue;
            of.sheets.push_back(sheet);
            of.numbers.push_back(static_cast<int>(s));
            of.pinned.push_back(pinned_on(project, plan, sheet.id));
        }
        out.papers.push_back(std::move(of));
    }
    return out;
}

std::vector<DressPlace> laid_dress_pieces(const DressCutting& cutting, std::size_t pieces) {
    std::vector<DressPlace> out(pieces);
    for (const DressCutting::OfPaper& all : cutting.papers) {
        const DressCutting::OfPaper paper = without_long_pieces(all, cutting.gap, out);
        // Straight cuts first: a trimmer makes them. Any turn where that does not hold all.
        const DressNest straight = nest_of(paper, cutting, false);
        if (straight.job.pieces.empty()) continue;
        NestResult result = nest(straight.job);
        if (!result.unplaced.empty()) {
            NestResult turned = nest(nest_of(paper, cutting, true).job);
            if (turned.unplaced.size() < result.unplaced.size()) result = std::move(turned);
        }
        for (const NestPlacement& p : result.placements) {
            const std::size_t piece = straight.pieces[static_cast<std::size_t>(p.piece)];
            DressPlace& place = out[static_cast<std::size_t>(paper.pieces[piece])];
            place.sheet = paper.numbers[straight.sheets[static_cast<std::size_t>(p.sheet)]];
            place.on_sheet = transformed(paper.blanks[piece], p.transform());
        }
    }
    return out;
}

void take_dress_pieces(const Project& project, const std::vector<DressPlace>& places, Plan& plan) {
    std::map<int, Region> taken;
    for (std::size_t i = 0; i < places.size(); ++i) {
        DressPiece& piece = plan.dress.pieces[i];
        piece.placed = places[i].sheet >= 0;
        if (!piece.placed) continue;
        piece.sheet = plan.papers.sheets[static_cast<std::size_t>(places[i].sheet)].id;
        piece.on_sheet = places[i].on_sheet;
        taken[places[i].sheet].push_back(piece.on_sheet);
    }
    const auto cut_already = taken_dress_pieces(project, plan.dress.pieces);
    for (std::size_t i = 0; i < cut_already.size(); ++i)
        if (!cut_already[i].first.empty()) {
            plan.dress.pieces[i].placed = true;
            plan.dress.pieces[i].sheet = cut_already[i].first;
            plan.dress.pieces[i].on_sheet = cut_already[i].second;
        }
    for (const auto& [sheet, region] : taken) cut_out(project, sheet, region, plan);
}

void offer_other_papers(const Project& project, Plan& plan) {
    const Stash& stash = stash_at_hand(project);
    for (Finding& f : plan.findings) {
        if (f.code != Code::MatPaper || f.about < 0 || f.about >= static_cast<int>(plan.dress.pieces.size()))
            continue;
        const DressPiece& piece = plan.dress.pieces[static_cast<std::size_t>(f.about)];
        for (const std::string& id : others_for(project, plan, piece)) {
            const std::string label = "Take " + stash.papers[static_cast<std::size_t>(stash.find(id))].name;
            if (piece.of_frame) {
                LateFrame frame = project.dress.frame;
                for (std::string* paper : {&frame.paper, &frame.side_paper})
                    if (*paper == piece.paper) *paper = id;
                f.fixes.emplace_back(label, SetLateFrame{frame});
            } else if (piece.layer >= 0)
                f.fixes.emplace_back(label, SetLayerPaper{piece.layer, id});
            else
                f.fixes.emplace_back(label, SetMatPaper{piece.photo, piece.mat, id});
        }
    }
}

} // namespace zesty
