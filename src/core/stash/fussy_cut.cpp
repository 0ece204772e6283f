#include "core/stash/fussy_cut.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/stash/motif_ground.h"
#include "core/stash/new_things.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <unordered_map>

namespace zesty {

namespace {

constexpr double most_of_picture = 0.5;
constexpr double most_of_a_side = 0.8;  ///< of the picture, both ways
constexpr double half_of_a_side = 0.45; ///< the same of what is full of gaps
constexpr double solid_from = 0.5;      ///< share of its box that a motif fills
constexpr double least_motif = 4;       ///< mm2: less is grain
constexpr double least_change = 0.01;   ///< mm2
constexpr double outline_detail = 0.02; ///< mm
constexpr int brush_corners = 24;
constexpr double much_of_picture = 0.2;  ///< that a second colour of the ground covers
constexpr double some_of_picture = 0.08; ///< the same where what was found runs across the paper

/// Which pixels belong to the motif: those that hang together with the first and are not ground.
class Growing {
public:
    Growing(const Pixels& pixels, const std::vector<Rgb>& grounds, double tolerance)
        : pixels_(pixels), tolerance_(tolerance),
          in_(static_cast<std::size_t>(pixels.width) * static_cast<std::size_t>(pixels.height), 0) {
        for (const Rgb c : grounds) grounds_.push_back(to_lab(c));
    }

    bool differs(int x, int y) {
        const Rgb c = pixels_(x, y);
        const int key = (c.r << 16) | (c.g << 8) | c.b;
        const auto [at, fresh] = known_.try_emplace(key, false);
        if (fresh)
            at->second = std::all_of(grounds_.begin(), grounds_.end(), [&](const Lab& ground) {
                return difference(to_lab(c), ground) > tolerance_;
            });
        return at->second;
    }

    void grow_from(int x, int y) {
        std::vector<std::pair<int, int>> edge{{x, y}};
        mark(x, y);
        while (!edge.empty()) {
            const auto [px, py] = edge.back();
            edge.pop_back();
            for (const auto& [dx, dy] :
                 {std::pair{1, 0}, std::pair{-1, 0}, std::pair{0, 1}, std::pair{0, -1}}) {
                const int nx = px + dx;
                const int ny = py + dy;
                if (nx < 0 || ny < 0 || nx >= pixels_.width || ny >= pixels_.height || has(nx, ny)) continue;
                if (!differs(nx, ny)) continue;
                mark(nx, ny);
                edge.emplace_back(nx, ny);
            }
        }
    }

    /// As a share of the picture.
    double covers() const {
        return static_cast<double>(std::count(in_.begin(), in_.end(), 1)) / static_cast<double>(in_.size());
    }

    bool has(int x, int y) const {
        if (x < 0 || y < 0 || x >= pixels_.width || y >= pixels_.height) return false;
        return in_[index(x, y)] != 0;
    }

    /// Whether it runs between other things over most of the picture: a ground, however patterned.
    bool is_a_ground() const {
        int x0 = pixels_.width, y0 = pixels_.height, x1 = -1, y1 = -1;
        double count = 0;
        for (int y = 0; y < pixels_.height; ++y)
            for (int x = 0; x < pixels_.width; ++x)
                if (has(x, y)) {
                    x0 = std::min(x0, x), x1 = std::max(x1, x);
                    y0 = std::min(y0, y), y1 = std::max(y1, y);
                    ++count;
                }
        const double wide = (x1 - x0 + 1.0) / pixels_.width, high = (y1 - y0 + 1.0) / pixels_.height;
        const double fills = count / std::max(1.0, (x1 - x0 + 1.0) * (y1 - y0 + 1.0));
        const double least = std::min(wide, high);
        return least > most_of_a_side || (least > half_of_a_side && fills < solid_from);
    }

    enum class Across { None, OneWay, BothWays };
    /// Whether it runs from an edge of the picture to the opposite one.
    Across runs_across() const {
        bool top = false;
        bool bottom = false;
        bool left = false;
        bool right = false;
        for (int x = 0; x < pixels_.width; ++x) {
            top = top || has(x, 0);
            bottom = bottom || has(x, pixels_.height - 1);
        }
        for (int y = 0; y < pixels_.height; ++y) {
            left = left || has(0, y);
            right = right || has(pixels_.width - 1, y);
        }
        const bool down = top && bottom;
        return down && left && right     ? Across::BothWays
               : down || (left && right) ? Across::OneWay
                                         : Across::None;
    }

    /// Along the outer edges of its pixels, their corners as whole numbers; the pixel is one of the topmost.
    Ring outline_from(int x, int y) const {
        Ring out;
        Point at{static_cast<double>(x), static_cast<double>(y)};
        const Point first = at;
        int way = 0; // right, down, left, up: the motif lies to the right of the way
        do {
            out.push_back(at);
            constexpr std::array<std::pair<int, int>, 4> step{{{1, 0}, {0, 1}, {-1, 0}, {0, -1}}};
            // The pixels before the corner on the left and on the right of the way.
            for (const int turn : {3, 0, 1, 2}) {
                const int next = (way + turn) % 4;
                const auto [dx, dy] = step[static_cast<std::size_t>(next)];
                if (inside_right(at, next) && !inside_left(at, next)) {
                    way = next;
                    at = {at.x + dx, at.y + dy};
                    break;
                }
            }
        } while (!(at == first) && out.size() < 4 * in_.size());
        return out;
    }

private:
    std::size_t index(int x, int y) const {
        return static_cast<std::size_t>(y) * static_cast<std::size_t>(pixels_.width) +
               static_cast<std::size_t>(x);
    }
    void mark(int x, int y) { in_[index(x, y)] = 1; }
    /// The pixel that lies right of the next piece of the way from a corner.
    bool inside_right(Point at, int way) const {
        const int x = static_cast<int>(at.x);
        const int y = static_cast<int>(at.y);
        return way == 0 ? has(x, y) : way == 1 ? has(x - 1, y) : way == 2 ? has(x - 1, y - 1) : has(x, y - 1);
    }
    bool inside_left(Point at, int way) const {
        const int x = static_cast<int>(at.x);
        const int y = static_cast<int>(at.y);
        return way == 0 ? has(x, y - 1) : way == 1 ? has(x, y) : way == 2 ? has(x - 1, y) : has(x - 1, y - 1);
    }

    const Pixels& pixels_;
    std::vector<Lab> grounds_;
    double tolerance_;
    std::vector<char> in_;
    std::unordered_map<int, bool> known_;
};

/// The motif and what is kept free round it, where the sheet shows all of that.
std::optional<Region> with_margin(const Polygon& sheet, const Polygon& motif) {
    const auto grown = grow({motif}, fussy_cut_margin);
    if (!grown) return {};
    const auto outside = subtract(*grown, {sheet});
    if (!outside || area(*outside) >= 1e-3) return {};
    return *grown;
}

/// Discs along the way, and what lies between each and the next.
Region passed_over(const Ring& stroke, double brush) {
    Region out;
    for (std::size_t i = 0; i < stroke.size(); ++i) {
        out.push_back({circle(stroke[i], brush, brush_corners), {}});
        if (i + 1 >= stroke.size() || distance(stroke[i], stroke[i + 1]) < 1e-6) continue;
        const Point along = stroke[i + 1] - stroke[i];
        const Point side = Point{-along.y, along.x} * (brush / length(along));
        out.push_back({{stroke[i] + side, stroke[i + 1] + side, stroke[i + 1] - side, stroke[i] - side}, {}});
    }
    return out;
}

SheetStock with_hole(const SheetStock& sheet, const Polygon& motif) {
    const auto left = subtract({sheet.outline}, {motif});
    return {left && !left->empty() ? largest(*left) : sheet.outline, 1, true};
}

} // namespace

Result<Polygon> motif_at(const Pixels& pixels, Point at, double tolerance) {
    const int x = static_cast<int>(std::floor(at.x / pixels.mm_per_pixel));
    const int y = static_cast<int>(std::floor(at.y / pixels.mm_per_pixel));
    const CoarsePicture coarse(pixels);
    if (coarse.empty() || x < 0 || y < 0 || x >= pixels.width || y >= pixels.height)
        return fail(ErrorKind::NothingToDo, "this is not on the picture");
    const std::size_t clicked = coarse.nearest(pixels(x, y));
    std::optional<Growing> grown;
    // What runs across the paper with one ground may be a motif on several.
    for (const double much : {much_of_picture, some_of_picture}) {
        const auto grounds = coarse.grounds(clicked, much);
        if (grounds.empty()) return fail(ErrorKind::NothingToDo, "this paper has one colour and no motifs");
        grown.emplace(pixels, grounds, tolerance);
        if (!grown->differs(x, y))
            return fail(ErrorKind::NothingToDo, "this is the background of the paper; click on a motif");
        grown->grow_from(x, y);
        if (grown->runs_across() == Growing::Across::None) break;
    }
    const Growing& growing = *grown;
    if (growing.covers() > most_of_picture || growing.runs_across() == Growing::Across::BothWays ||
        growing.is_a_ground() ||
        (growing.runs_across() == Growing::Across::OneWay && coarse.all_over(clicked, some_of_picture)))
        return fail(ErrorKind::NothingToDo,
                    "the area here runs across the whole paper: it is the background, or "
                    "motifs that touch; a higher tolerance may separate them");
    int top = 0;
    int left = 0;
    const auto first_in_rows = [&] {
        for (top = 0; top < pixels.height; ++top)
            for (left = 0; left < pixels.width; ++left)
                if (growing.has(left, top)) return;
    };
    first_in_rows();
    Polygon outline{growing.outline_from(left, top), {}};
    for (Point& p : outline.outer) p = p * pixels.mm_per_pixel;
    outline = simplified(outline, 0.8 * pixels.mm_per_pixel);
    if (area(outline) < least_motif)
        return fail(ErrorKind::NothingToDo, "only the texture of the paper is here; click on a motif");
    return outline;
}

Result<Polygon> corrected(const Polygon& outline, const Ring& stroke, double brush, bool add) {
    assert(!stroke.empty() && brush > 0);
    const auto passed = unite(passed_over(stroke, brush));
    if (!passed) return tl::make_unexpected(passed.error());
    const auto changed = add ? unite({outline, passed->front()}) : subtract({outline}, *passed);
    if (!changed) return tl::make_unexpected(changed.error());
    if (add && changed->size() > 1) return fail(ErrorKind::NothingToDo, "what is added must touch the motif");
    if (changed->empty() || area(largest(*changed)) < least_motif)
        return fail(ErrorKind::NothingToDo, "nothing of the motif would be left");
    const Polygon out = simplified({largest(*changed).outer, {}}, outline_detail);
    if (std::abs(area(out) - area(outline)) < least_change)
        return fail(ErrorKind::NothingToDo, "this leaves the outline as it is");
    return out;
}

bool shows(const Polygon& sheet, const Polygon& motif) {
    return with_margin(sheet, motif).has_value();
}

int motifs_left(const Paper& paper, const FussyCut& motif) {
    int count = 0;
    for (const SheetStock& s : paper.sheets)
        if (s.count > 0 && shows(s.outline, motif.outline)) count += s.count;
    return count;
}

Result<Paper> with_motif_taken(Paper paper, std::size_t motif) {
    FussyCut& cut = paper.fussy_cuts[motif];
    SheetStock* from = nullptr;
    for (SheetStock& s : paper.sheets)
        if (s.count > 0 && (!from || (s.irregular && !from->irregular)) && shows(s.outline, cut.outline))
            from = &s;
    if (!from)
        return fail(ErrorKind::NothingToDo, "no sheet of " + paper.name + " shows this motif whole any more");
    const SheetStock rest = with_hole(*from, cut.outline);
    --from->count;
    if (from->count == 0 && from->irregular)
        *from = rest;
    else
        paper.sheets.push_back(rest);
    ++cut.used;
    return paper;
}

Result<Stash> with_motif_cut_out(Stash stash, std::size_t paper, std::size_t motif,
                                 const std::string& picture) {
    auto cut_into = with_motif_taken(stash.papers[paper], motif);
    if (!cut_into) return tl::make_unexpected(cut_into.error());
    const FussyCut& cut = cut_into->fussy_cuts[motif];
    Embellishment fresh;
    fresh.id = free_id_among(stash.embellishments, "fussy-cut");
    fresh.name = cut.name.empty() ? "Fussy cut of " + cut_into->name : cut.name;
    fresh.kind = EmbellishmentKind::Other;
    fresh.colour = cut_into->colour;
    fresh.outline = about_its_middle(cut.outline);
    fresh.picture = picture;
    fresh.in_stash = true;
    if (!add_or_count(stash.embellishments, std::move(fresh)))
        return fail(ErrorKind::NothingToDo, "there are as many embellishments in the drawer as there may be");
    stash.papers[paper] = std::move(*cut_into);
    return stash;
}

Region clear_of_motifs(const Paper& paper, const Polygon& sheet) {
    Region out{sheet};
    for (const FussyCut& cut : paper.fussy_cuts) {
        const auto grown = with_margin(sheet, cut.outline);
        if (!grown) continue;
        if (const auto left = subtract(out, *grown)) out = *left;
    }
    return out;
}

} // namespace zesty
