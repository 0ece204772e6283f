#include "core/match/photo_findings.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photos.h"
#include "core/stash/colour_words.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace zesty {

namespace {

constexpr double large_share = 0.12; ///< of a photo
constexpr double main_share = 0.3;   ///< of a paper: a colour it is known by
constexpr double seen_share = 0.05;  ///< of a photo: a colour that can be fought
constexpr double edge_share = 0.4;   ///< of the rim that vanishes
constexpr double accent_chroma = 20;
constexpr double photo_colour_from = 14; ///< chroma from which a colour is one
constexpr double fights_from = 40;       ///< chroma of both
constexpr double least_opposite = 150;   ///< degrees of hue
constexpr double goes_with_within = 20;  ///< delta E 2000
constexpr double beside_from = 0.01;     ///< of MatchSection::beside_photo: within 2 in

bool opposite(const Lab& a, const Lab& b) {
    const double between = std::abs(std::remainder(std::atan2(a.b, a.a) - std::atan2(b.b, b.a), 2 * M_PI));
    return between * 180 / M_PI >= least_opposite;
}

/// Where to look: at an opening it is in, or at the photo.
std::optional<Point> place_of(const PapersNow& now, const Coloured& thing, const Photo& photo) {
    return thing.openings.empty() ? photo.centre
                                  : middle_of(now.sections, now.set_out, thing.openings.front());
}

std::string at_openings(const Coloured& thing) {
    return thing.openings.empty() ? std::string() : " at " + numbers(thing.openings);
}

/// Its photo mats from the photo outwards, as far as they set it off all round. Of paper that is not from the
/// stash no colour is known.
std::vector<Coloured> mats_of(const PapersNow& now, const Photo& photo) {
    std::vector<Coloured> out;
    for (const PhotoMat& mat : photo.mats) {
        if (mat.see_through || mat.span != MatSpan::Whole) continue;
        const int at = now.stash.find(mat.paper);
        if (at < 0)
            out.push_back({"the photo mat", {}, {}, true});
        else
            out.push_back({"the photo mat of " + now.stash.papers[at].name,
                           palette_or_colour(now.stash.papers[at].face(mat.side)),
                           {},
                           true});
    }
    return out;
}

std::vector<Coloured> with_mats(std::vector<Coloured> things, const PapersNow& now) {
    for (const Photo& photo : now.photos)
        for (Coloured& mat : mats_of(now, photo)) things.push_back(std::move(mat));
    return things;
}

class LookingAtPhotos {
public:
    LookingAtPhotos(const PapersNow& now, const MatchJob& job)
        : now_(now), things_(coloured_things(now, job)), all_(with_mats(things_, now)) {}

    std::vector<Finding> run() {
        for (std::size_t i = 0; i < now_.photos.size() && i < now_.photo_colours.size(); ++i) {
            mats_ = mats_of(now_, now_.photos[i]);
            mat_is_lost(i);
            if (now_.photo_colours[i].palette.empty()) continue;
            blends_in(i);
            edge_vanishes(i);
            fights(i);
        }
        nothing_goes();
        return std::move(out_);
    }

private:
    void blends_in(std::size_t i) {
        for (const PaletteColour& c : now_.photo_colours[i].palette) {
            if (c.share < large_share) continue;
            for (const Coloured& thing : round_the_photo()) {
                if (!thing.beside || !has_near(thing, c.colour, blends_in_within)) continue;
                if (!said_.insert("blends" + thing.name).second) continue;
                out_.push_back(
                    {.code = Code::PhotoBlendsIn,
                     .title = with_capital(thing.name + " blends into the photo's " + colour_words(c.colour)),
                     .message = mats_.empty() ? "They lie within 2 in of each other" + at_openings(thing) +
                                                    "; a photo mat between them or another paper keeps "
                                                    "them apart."
                                              : "It lies right round the photo; another paper sets the photo "
                                                "off.",
                     .where = place_of(now_, thing, now_.photos[i]),
                     .openings = thing.openings,
                     .swatch = c.colour});
            }
        }
    }

    /// Only what lies under the photo: its photo mat, or base, frame and cuts.
    void edge_vanishes(std::size_t i) {
        for (const Coloured& thing : round_the_photo()) {
            if (!thing.openings.empty() || (thing.frame && lies_on_the_base(i))) continue;
            double share = 0;
            std::optional<Rgb> colour;
            for (const PaletteColour& c : now_.photo_colours[i].edge) {
                if (!has_near(thing, c.colour, blends_in_within)) continue;
                if (!colour) colour = c.colour;
                share += c.share;
            }
            if (share < edge_share || !said_.insert("edge" + thing.name).second) continue;
            out_.push_back({.code = Code::PhotoEdge,
                            .title = "The photo's edge vanishes on " + thing.name,
                            .message = percent(share) + " of its rim is " + colour_words(*colour) + " as " +
                                       thing.name + " is: a photo mat of another colour " +
                                       (mats_.empty() ? "frames it." : "on it frames the photo."),
                            .where = now_.photos[i].centre,
                            .swatch = colour});
        }
    }

    /// The outermost photo mat on base, frame or cut of its own colour. Papers beside it may be like it: so
    /// it picks them up.
    void mat_is_lost(std::size_t i) {
        if (mats_.empty() || mats_.back().palette.empty()) return;
        const Coloured& mat = mats_.back();
        const PaletteColour& main = *std::max_element(
            mat.palette.begin(), mat.palette.end(),
            [](const PaletteColour& a, const PaletteColour& b) { return a.share < b.share; });
        for (const Coloured& thing : things_) {
            if (!thing.openings.empty() || (thing.frame && lies_on_the_base(i))) continue;
            const bool alike =
                std::all_of(mat.palette.begin(), mat.palette.end(), [&](const PaletteColour& c) {
                    return c.share < 0.15 || has_near(thing, c.colour, blends_in_within);
                });
            if (!alike || !said_.insert("mat" + mat.name + thing.name).second) continue;
            out_.push_back({.code = Code::PhotoEdge,
                            .title = with_capital(mat.name + " is hardly told from " + thing.name),
                            .message = "Both are " + colour_words(main.colour) +
                                       ": another paper for one of them, or one more photo mat, sets the "
                                       "photo off.",
                            .where = now_.photos[i].centre,
                            .swatch = main.colour});
        }
    }

    void fights(std::size_t i) {
        std::vector<Coloured> beside = things_;
        beside.insert(beside.end(), mats_.begin(), mats_.end());
        for (const Coloured& thing : beside) {
            if (!thing.beside) continue;
            for (const PaletteColour& own : thing.palette) {
                const Lab a = to_lab(own.colour);
                if (own.share < main_share || chroma_of(a) < fights_from) continue;
                for (const PaletteColour& c : now_.photo_colours[i].palette) {
                    const Lab b = to_lab(c.colour);
                    if (c.share < seen_share || chroma_of(b) < fights_from || !opposite(a, b)) continue;
                    if (!said_.insert("fights" + thing.name).second) continue;
                    out_.push_back(
                        {.code = Code::PhotoFights,
                         .title = with_capital(thing.name + " fights the photo's " + colour_words(c.colour)),
                         .message = "Its " + colour_words(own.colour) + at_openings(thing) +
                                    " is as strong and the opposite colour; a quieter paper lets the "
                                    "photo stand out.",
                         .where = place_of(now_, thing, now_.photos[i]),
                         .openings = thing.openings,
                         .swatch = own.colour});
                }
            }
        }
    }

    /// Once for all photos: nothing on the page comes near any colour of theirs that is one.
    void nothing_goes() {
        const PaletteColour* missing = nullptr;
        std::size_t photo = 0;
        for (std::size_t i = 0; i < now_.photo_colours.size(); ++i)
            for (const PaletteColour& c : now_.photo_colours[i].palette) {
                if (chroma_of(to_lab(c.colour)) < photo_colour_from) continue;
                const bool there = std::any_of(all_.begin(), all_.end(), [&](const Coloured& thing) {
                    return has_near(thing, c.colour,
                                    c.share < large_share ? picks_up_within : goes_with_within);
                });
                if (there) return;
                if (!missing || c.share > missing->share) {
                    missing = &c;
                    photo = i;
                }
            }
        if (!missing || now_.papers.of_section.empty()) return;
        const std::string nearest = nearest_unused(*missing);
        out_.push_back(
            {.code = Code::PhotoMissing,
             .title = "Nothing on the page goes with the photo",
             .message =
                 "No paper on the page is near its " + colour_words(missing->colour) + "; " +
                 (nearest.empty() ? std::string("no other paper of the stash is near it either: print the "
                                                "photo in black and white, or paint a paper.")
                                  : "nearest in the stash: " + nearest + "."),
             .where = now_.photos[photo].centre,
             .swatch = missing->colour});
    }

    /// Papers that are not on the page yet, those within reach of the colour first.
    std::string nearest_unused(const PaletteColour& colour) const {
        constexpr double within_reach = 30; // delta E 2000
        std::vector<std::pair<double, std::string>> found;
        for (std::size_t p = 0; p < now_.stash.papers.size(); ++p) {
            const Paper& paper = now_.stash.papers[p];
            if (std::count(now_.papers.of_section.begin(), now_.papers.of_section.end(), static_cast<int>(p)))
                continue;
            double best = within_reach;
            for (const Side side : {Side::A, Side::B})
                for (const PaletteColour& c : palette_or_colour(paper.face(side)))
                    best = std::min(best, difference(to_lab(c.colour), to_lab(colour.colour)));
            if (best < within_reach) found.emplace_back(best, paper.name);
        }
        std::sort(found.begin(), found.end());
        std::vector<std::string> names;
        for (std::size_t i = 0; i < std::min<std::size_t>(3, found.size()); ++i)
            names.push_back(found[i].second);
        return in_a_row(names);
    }

    /// What its edge is seen against.
    std::vector<Coloured> round_the_photo() const {
        return mats_.empty() ? things_ : std::vector<Coloured>{mats_.front()};
    }
    bool lies_on_the_base(std::size_t i) const {
        return now_.set_out.base.holds(bounds(outline_of(now_.photos[i]).outer));
    }
    static bool has_near(const Coloured& thing, Rgb colour, double within) {
        return std::any_of(thing.palette.begin(), thing.palette.end(), [&](const PaletteColour& c) {
            return c.share >= 0.15 && difference(to_lab(c.colour), to_lab(colour)) < within;
        });
    }
    const PapersNow& now_;
    std::vector<Coloured> things_;
    std::vector<Coloured> all_;  ///< with the photo mats
    std::vector<Coloured> mats_; ///< of the photo that is looked at
    std::set<std::string> said_; ///< by cause and thing
    std::vector<Finding> out_;
};

} // namespace

std::vector<Coloured> coloured_things(const PapersNow& now, const MatchJob& job) {
    std::vector<Coloured> out;
    std::map<std::pair<int, Side>, Coloured> by_face;
    for (std::size_t s = 0; s < now.sections.all.size(); ++s) {
        const int paper = now.papers.of_section[s];
        if (paper < 0) continue;
        const Side side = now.papers.side_of_section[s];
        Coloured& thing = by_face[{paper, side}];
        thing.name = now.stash.papers[paper].name;
        thing.palette = palette_or_colour(now.stash.papers[paper].face(side));
        if (job.sections[s].beside_photo <= beside_from) continue;
        thing.beside = true;
        thing.openings.push_back(now.sections.all[s].openings.front());
    }
    for (auto& [face, thing] : by_face) {
        if (thing.openings.empty())
            for (std::size_t s = 0; s < now.sections.all.size(); ++s)
                if (now.papers.of_section[s] == face.first)
                    thing.openings.push_back(now.sections.all[s].openings.front());
        out.push_back(std::move(thing));
    }
    const auto add = [&](const char* name, const std::string& paper, const std::optional<Rgb>& colour) {
        const int at = now.stash.find(paper);
        if (at >= 0)
            out.push_back({std::string(name) + " of " + now.stash.papers[at].name,
                           palette_or_colour(now.stash.papers[at].face(Side::A)),
                           {},
                           true});
        else if (colour)
            out.push_back({name, {{*colour, 1.0}}, {}, true});
    };
    add("the base", now.page.base_paper, {});
    if (now.page.framed()) {
        const std::size_t before = out.size();
        add("the frame", now.page.frame_paper, {});
        if (out.size() > before) out.back().frame = true;
    }
    for (const PlacedCut& cut : now.cuts) add("the cut", cut.paper, cut.colour);
    return out;
}

std::vector<Finding> photo_colour_findings(const PapersNow& now, const MatchJob& job) {
    return LookingAtPhotos(now, job).run();
}

std::vector<std::string> picked_up(const PapersNow& now, const MatchJob& job) {
    const std::vector<Coloured> things = with_mats(coloured_things(now, job), now);
    std::vector<std::pair<double, std::string>> found;
    for (const PhotoColours& photo : now.photo_colours)
        for (const PaletteColour& c : photo.palette) {
            const Lab lab = to_lab(c.colour);
            if (chroma_of(lab) < accent_chroma) continue;
            const bool picked = std::any_of(things.begin(), things.end(), [&](const Coloured& thing) {
                return std::any_of(thing.palette.begin(), thing.palette.end(), [&](const PaletteColour& own) {
                    return own.share >= 0.15 && difference(to_lab(own.colour), lab) < picks_up_within;
                });
            });
            if (picked) found.emplace_back(-chroma_of(lab), colour_words(c.colour));
        }
    std::sort(found.begin(), found.end());
    std::vector<std::string> out;
    for (const auto& [strength, words] : found)
        if (std::find(out.begin(), out.end(), words) == out.end()) out.push_back(words);
    return out;
}

} // namespace zesty
