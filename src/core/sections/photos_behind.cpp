#include "core/sections/photos_behind.h"

#include "core/geometry/measure.h"
#include "core/sections/fixes.h"
#include "core/sentences.h"
#include "core/setout/fixes.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace zesty {

namespace {

constexpr int ways = 24;                     ///< directions in which a photo is moved
constexpr double farthest = 2 * mm_per_inch; ///< that it is moved
constexpr double move_step = mm_per_inch / 16;
constexpr double margin = 0.01;  ///< of the share: a move does more than just enough
constexpr double hides = 1;      ///< mm2 of a protected part, or of what must be seen
constexpr std::size_t moves = 3; ///< findings for which a move is looked for: the rest follow from those

bool is_behind(const SetOutDecisions& page, const Photo& photo, int cut) {
    return cut >= 0 && !photo.on_top && page.cuts[static_cast<std::size_t>(cut)].above_photos;
}

double share_inside(const Polygon& opening, const Ring& photo) {
    const double whole = area(opening);
    return whole > 0 ? std::clamp(area_inside_convex(opening, photo) / whole, 0.0, 1.0) : 0;
}

bool in_part(double share) {
    return share > hardly_shows_to && share < shows_photo_from;
}

/// One photo against the openings it may come to lie behind.
class Moving {
public:
    Moving(const SetOutDecisions& page, const SectionFacts& facts, const SetOut& set_out, int photo,
           int opening)
        : photo_(page.photos[static_cast<std::size_t>(photo)]), outline_(outline_of(photo_).outer) {
        const Box reach = bounds(outline_).grown(farthest);
        for (std::size_t o = 0; o < facts.cut->openings.size(); ++o) {
            if (!is_behind(page, photo_, facts.cut_of_opening[o])) continue;
            Polygon on_page = transformed(facts.cut->openings[o].outline, set_out.to_page);
            if (!bounds(on_page).meets(reach)) continue;
            if (static_cast<int>(o) == opening) own_ = openings_.size();
            openings_.push_back(std::move(on_page));
        }
        before_ = in_part_at({0, 0});
        page_ = page.page.whole();
    }

    std::optional<Point> best() const {
        for (double far = move_step; far <= farthest; far += move_step)
            for (int k = 0; k < ways; ++k) {
                const double t = 2 * M_PI * k / ways;
                const Point by{far * std::cos(t), far * std::sin(t)};
                if (settles(by)) return photo_.centre + by;
            }
        return {};
    }

private:
    double share_at(std::size_t opening, Point by) const {
        return share_inside(openings_[opening], transformed(outline_, Transform::moved(by.x, by.y)));
    }
    int in_part_at(Point by) const {
        const Ring there = transformed(outline_, Transform::moved(by.x, by.y));
        return static_cast<int>(std::count_if(openings_.begin(), openings_.end(), [&](const Polygon& o) {
            return in_part(share_inside(o, there));
        }));
    }
    bool settles(Point by) const {
        const double share = share_at(own_, by);
        if (share > hardly_shows_to - margin && share < shows_photo_from + margin) return false;
        if (!page_.holds(bounds(transformed(outline_, Transform::moved(by.x, by.y))))) return false;
        return in_part_at(by) < before_;
    }

    const Photo& photo_;
    Ring outline_;
    std::vector<Polygon> openings_;
    std::size_t own_ = 0;
    int before_ = 0;
    Box page_;
};

std::string photo_name(const SetOutDecisions& page, int photo) {
    const auto place = static_cast<std::size_t>(photo);
    return name_of(page.photos[place], place);
}

void about_shown_in_part(const SetOutDecisions& page, const SectionFacts& facts, const SetOut& set_out,
                         Units units, std::vector<Finding>& out) {
    std::size_t moved = 0;
    for (std::size_t o = 0; o < facts.behind.size(); ++o) {
        const PhotoBehind& behind = facts.behind[o];
        const Section& section = facts.all[static_cast<std::size_t>(facts.of_opening[o])];
        if (behind.photo < 0 || !in_part(behind.share) || section.treatment == Treatment::Photo) continue;
        const int opening = static_cast<int>(o);
        const std::string number = std::to_string(opening + 1);
        const bool backed = patch_of(facts, opening) >= 0;
        Finding f{.code = Code::PhotoInPart,
                  .title = photo_name(page, behind.photo) + (backed ? " lies behind " : " shows in ") +
                           percent(behind.share) + " of " + number,
                  .message = backed ? "Its paper hides that part of the photo; an opening that shows the "
                                      "photo whole, or nothing of it, looks intended."
                                    : "The rest of the opening shows what lies behind the photo: a sliver "
                                      "that looks like a mistake.",
                  .where = middle_of(facts, set_out, opening),
                  .openings = {opening}};
        if (++moved <= moves)
            if (const auto to = smallest_move(page, facts, set_out, behind.photo, opening))
                f.fixes.emplace_back(
                    "Move the photo by " +
                        format_length(
                            distance(*to, page.photos[static_cast<std::size_t>(behind.photo)].centre), units),
                    MovePhoto{behind.photo, *to});
        f.fixes.emplace_back(backed ? "Leave the opening open" : "Back the opening",
                             SetTreatment{section.id, backed ? Treatment::Open : Treatment::Paper});
        out.push_back(std::move(f));
    }
}

void about_hidden_faces(const SetOutDecisions& page, const SectionFacts& facts, const SetOut& set_out,
                        std::vector<Finding>& out) {
    for (std::size_t i = 0; i < page.photos.size(); ++i) {
        const Photo& photo = page.photos[i];
        if (photo.on_top) continue;
        for (const Box& part : photo.protected_parts) {
            const Ring face = outline_of(photo, part).outer;
            for (const Patch& p : facts.patches) {
                if (!is_behind(page, photo, facts.cut_of_opening[p.opening]) ||
                    !bounds(p.outline).meets(bounds(face)))
                    continue;
                const double hidden = area_inside_convex(p.outline, face);
                if (hidden < hides) continue;
                Finding f{.code = Code::PaperOverFace,
                          .title = "The paper of " + std::to_string(p.opening + 1) + " hides a face of " +
                                   name_of(photo, i),
                          .message = percent(std::min(1.0, hidden / part.area())) +
                                     " of a protected area lies behind it.",
                          .where = middle_of(facts, set_out, p.opening),
                          .openings = {p.opening}};
                f.fixes.emplace_back("Leave the opening open",
                                     SetTreatment{facts.all[p.section].id, Treatment::Open});
                out.push_back(std::move(f));
            }
        }
    }
}

/// What is filled, written in or shows a photo of its own is there to be seen.
void about_covered(const SetOutDecisions& page, const SectionFacts& facts, const SetOut& set_out, Units units,
                   std::vector<Finding>& out) {
    static constexpr std::array seen{Treatment::Shaker, Treatment::Words, Treatment::Photo};
    for (std::size_t o = 0; o < facts.of_opening.size(); ++o) {
        const Treatment treatment = facts.all[static_cast<std::size_t>(facts.of_opening[o])].treatment;
        if (std::find(seen.begin(), seen.end(), treatment) == seen.end()) continue;
        const Polygon opening = transformed(facts.cut->openings[o].outline, set_out.to_page);
        for (std::size_t i = 0; i < page.photos.size(); ++i) {
            const Photo& photo = page.photos[i];
            const int cut = facts.cut_of_opening[o];
            if (is_behind(page, photo, cut)) continue;
            const double hidden = area_inside_convex(opening, outline_of(photo).outer);
            if (hidden < hides || hidden < hardly_shows_to * area(opening)) continue;
            out.push_back({.code = Code::PhotoOverSection,
                           .title = name_of(photo, i) + " covers the " + key_of(treatment) + " in " +
                                    std::to_string(o + 1),
                           .message = percent(std::min(1.0, hidden / area(opening))) + " of " +
                                      format_size(bounds(opening).width(), bounds(opening).height(), units) +
                                      " is hidden; move the photo, or treat the opening otherwise.",
                           .where = middle_of(facts, set_out, static_cast<int>(o)),
                           .openings = {static_cast<int>(o)}});
        }
    }
}

} // namespace

Result<std::vector<PhotoBehind>> photos_behind(const SetOutDecisions& page, const Composition& composed,
                                               const Spots& spots) {
    std::vector<PhotoBehind> out(spots.whole.size());
    if (std::none_of(page.photos.begin(), page.photos.end(), [](const Photo& p) { return !p.on_top; }))
        return out;
    std::vector<Ring> outlines;
    for (const Photo& p : page.photos) outlines.push_back(outline_of(p).outer);
    for (std::size_t o = 0; o < out.size(); ++o) {
        if (spots.is_base(static_cast<int>(o)) || is_piece(spots.names[o])) continue;
        const Polygon opening = transformed(spots.cut->openings[o].outline, composed.whole.to_page);
        Region behind;
        double most = 0;
        for (std::size_t i = 0; i < outlines.size(); ++i) {
            if (!is_behind(page, page.photos[i], spots.cut_of_opening[o])) continue;
            const double share = share_inside(opening, outlines[i]);
            if (share <= 0) continue;
            behind.push_back({outlines[i], {}});
            if (share <= most) continue;
            most = share;
            out[o].photo = static_cast<int>(i);
        }
        out[o].share = most;
        if (behind.size() < 2) continue;
        const auto together = unite(behind);
        if (!together) return tl::make_unexpected(together.error());
        const auto rest = subtract({opening}, *together);
        if (!rest) return tl::make_unexpected(rest.error());
        out[o].share = std::clamp(1 - area(*rest) / std::max(area(opening), 1e-9), 0.0, 1.0);
    }
    return out;
}

std::optional<Point> smallest_move(const SetOutDecisions& page, const SectionFacts& facts,
                                   const SetOut& set_out, int photo, int opening) {
    return Moving(page, facts, set_out, photo, opening).best();
}

std::vector<Finding> photo_behind_findings(const SetOutDecisions& page, const SectionFacts& facts,
                                           const SetOut& set_out, Units units) {
    std::vector<Finding> out;
    if (page.photos.empty()) return out;
    about_hidden_faces(page, facts, set_out, out);
    about_covered(page, facts, set_out, units, out);
    about_shown_in_part(page, facts, set_out, units, out);
    return out;
}

std::vector<Polygon> over_photos_behind(const SetOutDecisions& page, const SectionFacts& facts,
                                        const SetOut& set_out) {
    std::vector<Polygon> out;
    const auto above = [&](int cut) {
        return cut >= 0 && page.cuts[static_cast<std::size_t>(cut)].above_photos;
    };
    for (const Piece& piece : facts.cut->pieces)
        if (above(piece.layer)) out.push_back(transformed(piece.outline, set_out.to_page));
    for (std::size_t o = 0; o < facts.cut->openings.size(); ++o) {
        const Section& section = facts.all[static_cast<std::size_t>(facts.of_opening[o])];
        if (above(facts.cut_of_opening[o]) && section.treatment != Treatment::Translucent &&
            patch_of(facts, static_cast<int>(o)) >= 0)
            out.push_back(transformed(facts.cut->openings[o].outline, set_out.to_page));
    }
    return out;
}

} // namespace zesty
