#include "core/project/all_fit.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "core/setout/set_out.h"
#include "core/setout/usual_pages.h"
#include "core/sheets/nest.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double leeway = 0.5;       ///< by which photos and rooms may be smaller: they may touch
constexpr double fine = 0.5;         ///< cells, so that what just fits is found
constexpr double largest_growth = 4; ///< no larger cut is looked for
constexpr double simple_enough = 0.5;
constexpr int fit_halvings = 8;
constexpr int orders_tried = 8;

/// A cut as one thing: its outer outlines, in place.
NestPiece cut_piece(const Plan& plan, int cut, double factor) {
    NestPiece out;
    out.any_rotation = false;
    out.rotations_deg = {0};
    std::vector<Polygon> outer;
    for (const Piece& p : plan.sections.cut->pieces)
        if (p.layer == cut && p.in_opening < 0)
            outer.push_back(simplified(
                {transformed(p.outline.outer, Transform::scaled(factor) * plan.set_out.whole.to_page), {}},
                simple_enough));
    // The largest piece comes first.
    out.outline = outer.front();
    out.together.assign(outer.begin() + 1, outer.end());
    return out;
}

NestPiece box_piece(double width, double height, bool turns) {
    NestPiece out;
    out.outline = {ring_of(Box{0, 0, std::max(width - leeway, fine), std::max(height - leeway, fine)}), {}};
    out.any_rotation = false;
    out.rotations_deg = turns ? std::vector<double>{0, 90} : std::vector<double>{0};
    return out;
}

class Question {
public:
    Question(const Project& project, const Plan& plan, const StopToken& stop)
        : project_(project), plan_(plan), stop_(stop) {
        for (Photo photo : project.set_out.photos) {
            photo.turn_deg = 0;
            const double mats = 2 * reach_of_mats(photo);
            NestPiece piece =
                box_piece(photo.width + mats, (photo.round ? photo.width : photo.height) + mats, false);
            if (photo.round) piece.outline = matted_outline(photo);
            things_.push_back(std::move(piece));
        }
        for (const RoomWanted& room : project.set_out.rooms)
            things_.push_back(box_piece(room.width, room.height, room.what != RoomFor::Title));
    }

    bool fits(const std::vector<Box>& bases, double factor) const {
        NestJob job;
        job.gap = 0;
        job.cell = fine;
        job.attempts = orders_tried;
        job.pieces = things_;
        for (std::size_t c = 0; plan_.sections.cut && c < project_.set_out.cuts.size(); ++c)
            // Shadows lie below the cut they are of.
            if (project_.set_out.cuts[c].grown == 0)
                job.pieces.push_back(cut_piece(plan_, static_cast<int>(c), factor));
        double wanted = 0, room = 0;
        for (const NestPiece& p : job.pieces) wanted += area(p.outline);
        for (const Box& base : bases) {
            if (base.empty()) return false;
            room += base.area();
            job.sheets.push_back({{ring_of(base), {}}, 0});
        }
        return wanted <= room && nest(job, stop_).unplaced.empty();
    }

    bool nothing() const { return things_.empty() && project_.set_out.cuts.empty(); }
    bool has_cut() const { return plan_.sections.cut && !project_.set_out.cuts.empty(); }
    double longer_side() const {
        double most = 0;
        for (const SetOut& s : plan_.set_out.each) most = std::max({most, s.size.x, s.size.y});
        return most;
    }
    /// Of the cuts' outer outlines.
    double cut_area() const {
        double sum = 0;
        const double scale = plan_.set_out.whole.scale;
        for (const Piece& p : plan_.sections.cut->pieces)
            if (p.in_opening < 0 && project_.set_out.cuts[p.layer].grown == 0)
                sum += std::abs(signed_area(p.outline.outer)) * scale * scale;
        return sum;
    }

private:
    const Project& project_;
    const Plan& plan_;
    const StopToken& stop_;
    std::vector<NestPiece> things_;
};

/// The smallest page, then spread, of the usual ones.
std::string page_for(const Question& question, Page page) {
    std::vector<UsualPage> all(usual_pages.begin(), usual_pages.end());
    std::sort(all.begin(), all.end(),
              [](const UsualPage& a, const UsualPage& b) { return a.width * a.height < b.width * b.height; });
    page.second_width = page.second_height = 0;
    for (const bool spread : {false, true})
        for (const UsualPage& usual : all) {
            page.spread = spread;
            page.width = usual.width;
            page.height = usual.height;
            if (question.fits(bases_of(page), 1))
                return std::string(spread ? "a spread of " : "a page of ") + usual.name;
        }
    return {};
}

} // namespace

std::string things_in_words(const Project& project, double cut) {
    std::vector<std::string> parts;
    for (const PhotoCount& c : photos_to_order(project.set_out.photos))
        parts.push_back(count_of(static_cast<std::size_t>(c.count), "photo of ", "photos of ") +
                        (c.round ? format_length(c.width, project.units) + " round"
                                 : format_size(c.width, c.height, project.units)));
    for (const RoomWanted& room : project.set_out.rooms)
        parts.push_back(std::string(key_of(room.what)) + " of " +
                        format_size(room.width, room.height, project.units));
    if (cut > 0) parts.push_back("the cut of " + format_length(cut, project.units));
    std::string out;
    for (std::size_t i = 0; i < parts.size(); ++i)
        out += (i == 0 ? "" : i + 1 == parts.size() ? " and " : ", ") + parts[i];
    if (!out.empty() && out[0] >= 'a' && out[0] <= 'z') out[0] = static_cast<char>(out[0] - 'a' + 'A');
    return out;
}

Result<AllFit> all_fit(const Project& project, const Plan& plan, const StopToken& stop) {
    const Question question(project, plan, stop);
    if (question.nothing())
        return fail(ErrorKind::NothingToDo, "there are no photos, no rooms and no cut to find room for");
    const std::vector<Box> bases = bases_of(project.set_out.page);
    AllFit out;
    out.fits = question.fits(bases, 1);
    const std::string words = things_in_words(project, question.has_cut() ? question.longer_side() : 0);
    if (question.has_cut()) {
        double good = out.fits ? 1 : 0;
        double bad = out.fits ? largest_growth : 1;
        for (int i = 0; i < fit_halvings && !stopped(stop); ++i) {
            const double factor = (good + bad) / 2;
            (question.fits(bases, factor) ? good : bad) = factor;
        }
        // Said in 1/16 in, and still true.
        constexpr double sixteenth = mm_per_inch / 16;
        out.largest = std::floor(good * question.longer_side() / sixteenth + 1e-6) * sixteenth;
        if (!out.fits) out.too_much = question.cut_area() * (1 - good * good);
    }
    const std::string largest = format_length(out.largest, project.units);
    if (out.fits) {
        out.in_words = words + " fit on the page." +
                       (question.has_cut() ? " The cut could be up to " + largest + "." : "");
        return out;
    }
    out.page = page_for(question, project.set_out.page);
    out.in_words = words + " do not fit on the page without covering each other";
    if (out.largest > 0)
        out.in_words +=
            ": " + format_area(out.too_much, project.units) + " short; a cut of " + largest + " would";
    out.in_words += ".";
    if (!out.page.empty()) out.in_words += " At these sizes " + out.page + " holds them.";
    return out;
}

} // namespace zesty
