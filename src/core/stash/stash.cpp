#include "core/stash/stash.h"

#include "core/geometry/measure.h"
#include "core/stash/fussy_cut.h"
#include "core/stash/stock.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace zesty {

namespace {

SheetKind kind_of(const SheetStock& stock) {
    if (!stock.clean) return SheetKind::Stained;
    if (stock.irregular) return SheetKind::Offcut;
    const Box b = bounds(stock.outline);
    const double longer = std::max(b.width(), b.height());
    const double shorter = std::min(b.width(), b.height());
    if (longer > 215) return SheetKind::Full;
    return shorter >= 140 ? SheetKind::Pad : SheetKind::Card;
}

} // namespace

bool allows(Direction direction, double turn_deg) {
    if (direction == Direction::Free) return true;
    const double step = direction == Direction::Half ? 180 : 360;
    return std::abs(std::remainder(turn_deg, step)) < 0.005;
}

int Stash::find(const std::string& id) const {
    for (std::size_t i = 0; i < papers.size(); ++i)
        if (papers[i].id == id) return static_cast<int>(i);
    return -1;
}

Stash with_paper(const Stash& stash, Paper paper, const Pictures& pictures) {
    Stash out = stash;
    for (const auto& [name, bytes] : pictures) out.pictures[name] = bytes;
    if (const int at = out.find(paper.id); at >= 0)
        out.papers[at] = std::move(paper);
    else
        out.papers.push_back(std::move(paper));
    return out;
}

const Embellishment* Stash::embellishment(const std::string& id) const {
    const auto at = std::find_if(embellishments.begin(), embellishments.end(),
                                 [&](const Embellishment& e) { return e.id == id; });
    return at == embellishments.end() ? nullptr : &*at;
}

const LetterSet* Stash::letter_set(const std::string& id) const {
    const auto at =
        std::find_if(letters.begin(), letters.end(), [&](const LetterSet& s) { return s.id == id; });
    return at == letters.end() ? nullptr : &*at;
}

const PageRecord* Stash::record(const std::string& id) const {
    const auto at =
        std::find_if(records.begin(), records.end(), [&](const PageRecord& r) { return r.id == id; });
    return at == records.end() ? nullptr : &*at;
}

std::string whole_sheet_of(const std::string& sheet) {
    return sheet.substr(0, sheet.find('/', sheet.rfind('#')));
}

std::string paper_of_sheet(const std::string& sheet) {
    return sheet.substr(0, sheet.rfind('#'));
}

void drop_unseen_pictures(Stash& stash) {
    std::set<std::string> seen;
    for (const Paper& p : stash.papers) {
        seen.insert(p.picture);
        if (p.back) seen.insert(p.back->picture);
    }
    for (const Embellishment& e : stash.embellishments) seen.insert(e.picture);
    std::erase_if(stash.pictures, [&](const auto& picture) { return !seen.contains(picture.first); });
}

Stash without_paper(const Stash& stash, const std::string& id) {
    Stash out = stash;
    std::erase_if(out.papers, [&](const Paper& p) { return p.id == id; });
    drop_unseen_pictures(out);
    return out;
}

std::string free_id(const Stash& stash, const std::string& id) {
    return free_id_among(stash.papers, id);
}

Rgb main_colour(const PaperFace& face) {
    const auto most =
        std::max_element(face.palette.begin(), face.palette.end(),
                         [](const PaletteColour& a, const PaletteColour& b) { return a.share < b.share; });
    return most == face.palette.end() ? face.colour : most->colour;
}

std::vector<PaletteColour> palette_or_colour(const PaperFace& face) {
    return face.palette.empty() ? std::vector<PaletteColour>{{face.colour, 1.0}} : face.palette;
}

PaperFace Paper::face(Side side) const {
    if (side == Side::B && back) return *back;
    return {colour, picture, pattern, direction, repeat, angle_deg, palette, coarse, variation};
}

void Paper::set_front(const PaperFace& face) {
    colour = face.colour;
    picture = face.picture;
    pattern = face.pattern;
    direction = face.direction;
    repeat = face.repeat;
    angle_deg = face.angle_deg;
    palette = face.palette;
    coarse = face.coarse;
    variation = face.variation;
}

std::vector<Sheet> sheets_of(const Stash& stash) {
    std::vector<Sheet> out;
    for (std::size_t p = 0; p < stash.papers.size(); ++p) {
        int number = 0;
        for (const SheetStock& s : stash.papers[p].sheets) {
            Polygon usable = without_strip(s, stash.papers[p].strip);
            if (!stash.papers[p].fussy_cuts.empty() && s.count > 0)
                if (const Region clear = clear_of_motifs(stash.papers[p], usable); !clear.empty())
                    usable = largest(clear);
            for (int k = 0; k < s.count; ++k)
                out.push_back({stash.papers[p].id + "#" + std::to_string(++number), static_cast<int>(p),
                               usable, area(usable), kind_of(s)});
        }
    }
    return out;
}

const char* name_of(SheetKind kind) {
    switch (kind) {
    case SheetKind::DropOut:
        return "drop-out";
    case SheetKind::UnderPhoto:
        return "piece from under a photo";
    case SheetKind::Gutted:
        return "gutted middle";
    case SheetKind::Offcut:
        return "scrap";
    case SheetKind::Card:
        return "card";
    case SheetKind::Pad:
        return "pad sheet";
    case SheetKind::Stained:
        return "stained scrap";
    case SheetKind::Full:
        break;
    }
    return "sheet";
}

Box picture_box(const Paper& paper) {
    Box box;
    box.add(Point{0, 0});
    for (const SheetStock& s : paper.sheets) {
        const Box b = bounds(s.outline);
        box.add(Point{b.x1, b.y1});
    }
    return box;
}

} // namespace zesty
