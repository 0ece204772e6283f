#include "cli/set_out_answers.h"

#include "cli/painting.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/project/cutting_mat_plan.h"
#include "core/sentences.h"
#include "core/setout/photo_fit.h"
#include "core/setout/sizing.h"
#include "core/sheets/cutting_mats.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/read_file.h"

#include <QBuffer>
#include <algorithm>

namespace zesty::cli {

using nlohmann::json;

namespace {

constexpr int mat_pixels = 1800; ///< along the longer side of a picture

void print_cuts(const Project& p, const Plan& plan, std::ostream& out) {
    for (std::size_t i = 0; i < p.set_out.cuts.size(); ++i) {
        const SetOut& s = plan.set_out.each[i];
        out << "cut " << i + 1 << ": " << p.set_out.drawings[p.set_out.cuts[i].drawing]->name << ", "
            << format_size(s.size.x, s.size.y, p.units);
        if (std::isfinite(s.thinnest_bar)) out << ", thinnest bar " << format_length(s.thinnest_bar, p.units);
        if (s.smallest >= 0)
            out << ", smallest opening " << format_length(s.smallest_opening, p.units) << " across, number "
                << s.smallest + 1;
        out << "\n";
    }
}

/// A picture of the mat with as many of the cut as were counted.
Result<void> draw_cutting_mat(const CutFile& cut, const CuttingMatCount& count, const CuttingMat& size,
                              const std::string& path) {
    if (count.layout.mats.empty())
        return fail(ErrorKind::NothingToDo,
                    "--cutting-mat-picture: not even one of the cut fits on the cutting mat");
    const Painting painting;
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    if (!cutting_mat_picture(cut, insert_labels(cut), count.layout.mats.front(), size, mat_pixels)
             .save(&buffer, "PNG"))
        return fail(ErrorKind::Unwritable, path + ": the picture cannot be made");
    return write_file(QString::fromStdString(path), png);
}

} // namespace

Result<PhotoForOpening> typed_photo_size(const std::string& option, const std::vector<std::string>& parts,
                                         const Plan& plan, double least_side) {
    const auto opening =
        typed_numbers(option, parts[0], static_cast<int>(plan.sections.cut->openings.size()));
    const auto size = typed_size(option, parts[1], least_side, 1000);
    const auto tuck = typed_length(option, parts.size() > 2 ? parts[2] : "", 0, 50);
    if (!opening) return tl::make_unexpected(opening.error());
    if (!size) return tl::make_unexpected(size.error());
    if (!tuck) return tl::make_unexpected(tuck.error());
    const int o = opening->front();
    return PhotoForOpening{o, transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page),
                           *size, *tuck};
}

void print_page(const Project& p, const Plan& plan, std::ostream& out) {
    out << "page " << page_in_words(p.set_out.page, p.units) << "\n";
    for (const std::string& s : plan.set_out.frame.to_cut) out << s << "\n";
    print_cuts(p, plan, out);
    for (std::size_t i = 0; i < p.set_out.photos.size(); ++i)
        out << "photo " << i + 1 << ": "
            << (p.set_out.photos[i].name.empty() ? "" : p.set_out.photos[i].name + ", ")
            << size_in_words(p.set_out.photos[i], p.units)
            << (p.set_out.photos[i].on_top ? ", on top" : ", behind the cuts") << "\n";
    for (const PhotoCount& c : plan.set_out.photo_sizes)
        out << "order " << c.count << " x "
            << (c.round ? format_length(c.width, p.units) + " round"
                        : format_size(c.width, c.height, p.units))
            << "\n";
    for (const Finding& f : plan.findings)
        out << key_of(f.code) << ": " << f.title << ". " << f.message << "\n";
}

Result<json> fitted_photo(const SetOutArgs& a, const Project& p, const Plan& plan, std::ostream& out) {
    const auto parts = split(a.fit_photo, ':');
    if (!plan.sections.cut || parts.size() < 2)
        return fail(ErrorKind::BadInput, "--fit-photo: '" + a.fit_photo + "' is not like 7:4x6");
    const auto print = typed_photo_size("--fit-photo", parts, plan, 1);
    if (!print) return tl::make_unexpected(print.error());
    const Point size = print->size;
    const double tuck = print->tuck.value_or(0);
    const double tilt = a.most_tilt.value_or(usual_tilt_deg);
    const auto fit = largest_tucked(print->outline, size.x, size.y, tuck, tilt);
    const auto free = largest_tucked(print->outline, size.x, size.y, tuck);
    const auto cover = smallest_covering(print->outline, size.x, size.y, tuck, tilt);
    if (!fit || !cover || !free)
        return fail(ErrorKind::NothingToDo, "--fit-photo: no photo of that shape fits");
    const auto one = [&](const PhotoFit& f) {
        return json{{"width_mm", f.factor * size.x},
                    {"height_mm", f.factor * size.y},
                    {"centre", {f.centre.x, f.centre.y}},
                    {"turn_deg", f.turn_deg}};
    };
    out << "largest photo inside opening " << print->opening + 1 << ": "
        << format_size(fit->factor * size.x, fit->factor * size.y, p.units) << ", turned "
        << std::lround(fit->turn_deg) << " degrees\n"
        << "at any tilt: " << format_size(free->factor * size.x, free->factor * size.y, p.units)
        << ", turned " << std::lround(free->turn_deg) << " degrees\n"
        << "smallest photo that covers it: "
        << format_size(cover->factor * size.x, cover->factor * size.y, p.units) << ", turned "
        << std::lround(cover->turn_deg) << " degrees\n";
    return json{
        {"largest_inside", one(*fit)}, {"at_any_tilt", one(*free)}, {"smallest_covering", one(*cover)}};
}

Result<json> counted_on_cutting_mat(const SetOutArgs& a, const Project& p, Planner& planner, int cut,
                                    std::ostream& out) {
    const auto alone = planner.cut_alone(p, cut);
    if (!alone) return tl::make_unexpected(alone.error());
    std::vector<double> sizes;
    if (!a.sizes.empty()) {
        const auto typed = typed_lengths("--sizes", a.sizes, 5, 3000);
        if (!typed) return tl::make_unexpected(typed.error());
        sizes = *typed;
    } else {
        const auto plan = planner.shapes(p);
        if (!plan) return tl::make_unexpected(plan.error());
        sizes.push_back(std::max(plan->set_out.each[cut].size.x, plan->set_out.each[cut].size.y));
    }
    const CuttingMat& mat = p.set_out.cutting_mat;
    json answer = json::array();
    const std::vector<CuttingMatCount> counts = fit_on_cutting_mat(**alone, sizes, mat, 60, {});
    for (const CuttingMatCount& c : counts) {
        answer.push_back({{"size_mm", c.size}, {"count", c.count}, {"or_more", c.or_more}});
        out << c.count << (c.or_more ? " or more of " : " of ") << format_length(c.size, p.units)
            << " fit on the cutting mat\n";
    }
    if (sizes.size() > 1) {
        const bool together = fit_together(**alone, sizes, mat, {});
        answer.push_back({{"together", together}});
        out << (together ? "one of each fits on one mat\n" : "one of each does not fit on one mat\n");
    }
    if (!a.cutting_mat_picture.empty())
        if (const auto r = draw_cutting_mat(**alone, counts.front(), mat, a.cutting_mat_picture); !r)
            return tl::make_unexpected(r.error());
    return answer;
}

Result<json> ladder_json(const Project& p, Planner& planner, int cut, std::ostream& out) {
    const double most = std::max(p.set_out.page.full_width(), p.set_out.page.full_height());
    const auto rungs = planner.ladder(p, cut, most / 6, most, 11);
    if (!rungs) return tl::make_unexpected(rungs.error());
    json answer = json::array();
    out << "size, thinnest bar, smallest opening, too small, patch paper, cutting, backing\n";
    for (const Rung& r : *rungs) {
        answer.push_back({{"size_mm", r.size},
                          {"thinnest_bar_mm", r.thinnest_bar},
                          {"smallest_opening_mm", r.smallest_opening},
                          {"too_small", r.too_small},
                          {"patch_mm2", r.patch_area},
                          {"cutting_min", r.cutting},
                          {"backing_min", r.backing}});
        std::string holds;
        for (const Holding& h : holdings(p.set_out.bars))
            if (r.thinnest_bar >= h.bar) holds = h.name;
        out << format_length(r.size, p.units) << ", " << format_length(r.thinnest_bar, p.units)
            << (holds.empty() ? " (too thin for the blade)" : " (wide enough for " + holds + ")") << ", "
            << format_length(r.smallest_opening, p.units) << ", " << r.too_small << ", "
            << format_area(r.patch_area, p.units) << ", " << std::lround(r.cutting) << " min, "
            << std::lround(r.backing) << " min\n";
    }
    return answer;
}

Result<json> laid_on_cutting_mats(const Project& p, const Plan& plan, std::ostream& out) {
    json answer = json::array();
    for (const CutsOnCuttingMats& one : mats_of(p, plan)) {
        json cuts = json::array();
        for (int c : one.cuts) cuts.push_back(c + 1);
        const std::string extras = extras_in_words(p, extras_on(p, plan, one));
        answer.push_back({{"cardstock", one.cardstock},
                          {"cuts", cuts},
                          {"mats", one.layout.mats.size()},
                          {"too_large", one.layout.too_large.size()},
                          {"also_fits", extras}});
        out << one.cardstock << ": " << one.layout.mats.size()
            << (one.layout.mats.size() == 1 ? " mat" : " mats");
        if (!one.layout.too_large.empty())
            out << ", " << count_of(one.layout.too_large.size(), "piece", "pieces")
                << " larger than the cutting mat";
        out << (extras.empty() ? std::string() : "; also fits: " + extras) << "\n";
    }
    return answer;
}

void add_page(const Plan& plan, json& out) {
    out["to_cut"] = plan.set_out.frame.to_cut;
    out["cuts"] = json::array();
    for (const SetOut& s : plan.set_out.each)
        out["cuts"].push_back(
            {{"size_mm", {s.size.x, s.size.y}},
             {"box", {s.cut_box.x0, s.cut_box.y0, s.cut_box.x1, s.cut_box.y1}},
             {"thinnest_bar_mm", std::isfinite(s.thinnest_bar) ? json(s.thinnest_bar) : json()}});
}

} // namespace zesty::cli
