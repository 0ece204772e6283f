#include "core/project/cutting_jobs.h"

#include "core/build/tool_path.h"
#include "core/geometry/measure.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"
#include "core/sheets/nest.h"

#include <algorithm>
#include <cctype>
#include <map>

namespace zesty {

namespace {

constexpr double largest_label = 5; ///< mm high
constexpr double least_label = 1.5;
constexpr double heavy_from = 240;     ///< g/m2
constexpr double cardstock_from = 150; ///< g/m2

/// A name that files may have.
std::string file_name(std::string id) {
    for (char& c : id) {
        const auto byte = static_cast<unsigned char>(c);
        if (c == '#')
            c = '-';
        else if (byte < 0x80 && !std::isalnum(byte) && c != '-')
            c = '_';
    }
    return id;
}

class Jobs {
public:
    Jobs(const Project& project, const Plan& plan)
        : project_(project), plan_(plan), mat_(project.set_out.cutting_mat),
          good_side_up_(!project.build.cutting.face_down) {}

    void cuts(const std::vector<CutsOnCuttingMats>& mats) {
        for (const CutsOnCuttingMats& one : mats) {
            if (!one.of_stock)
                for (const auto& pieces : one.layout.mats) cut_mat(one, pieces);
            if (!one.layout.too_large.empty())
                out_.too_large.push_back(sentence(
                    count_of(one.layout.too_large.size(), "piece", "pieces") + " from " + one.cardstock +
                    (one.layout.too_large.size() == 1 ? " is" : " are") + " larger than the cutting mat"));
        }
    }

    /// Those that a cut is cut from first.
    void sheets() {
        const std::vector<LoadedSheet> all = loaded_sheets(project_, plan_);
        for (const bool cuts : {true, false})
            for (const LoadedSheet& sheet : all)
                if (sheet.cuts.empty() != cuts) load(sheet);
    }

    void acetate() {
        if (plan_.sections.shakers.empty()) return;
        NestJob job;
        job.gap = mat_.gap;
        job.sheets.push_back({{ring_of(Box{0, 0, mat_.width, mat_.height}), {}}, 0});
        for (const Shaker& s : plan_.sections.shakers)
            job.pieces.push_back(
                {.outline = {ring_of(Box{0, 0, s.acetate.width(), s.acetate.height()}), {}}});
        const NestResult laid = nest(job, {});
        CuttingJob out = begin("acetate", "acetate", "acetate");
        for (const NestPlacement& p : laid.placements) {
            const Ring ring =
                transformed(job.pieces[static_cast<std::size_t>(p.piece)].outline.outer, p.transform());
            out.file.contours.push_back(ring);
            out.file.labels.push_back(
                {std::to_string(plan_.sections.shakers[static_cast<std::size_t>(p.piece)].opening + 1),
                 bounds(ring).centre(), largest_label});
        }
        if (!laid.unplaced.empty())
            out_.too_large.push_back(sentence(
                count_of(laid.unplaced.size(), "window of acetate finds", "windows of acetate find") +
                " no room on the cutting mat"));
        close(std::move(out));
    }

    CuttingJobs done() { return std::move(out_); }

private:
    CuttingJob begin(const std::string& key, const std::string& from, const std::string& material) const {
        CuttingJob out;
        out.key = key;
        out.from = from;
        out.material = material;
        out.file.title = project_.title + ", " + from;
        out.file.width = mat_.width;
        out.file.height = mat_.height;
        return out;
    }
    void close(CuttingJob job) {
        if (job.file.contours.empty()) return;
        finish_job(job, good_side_up_);
        out_.jobs.push_back(std::move(job));
    }

    void cut_mat(const CutsOnCuttingMats& one, const std::vector<OnCuttingMat>& pieces) {
        const CutFile& cut = *plan_.sections.cut;
        CuttingJob job = begin("mat-" + std::to_string(++mats_), one.cardstock, of_cuts(one));
        std::map<int, const InsertLabel*> label_of;
        for (const InsertLabel& l : plan_.sections.inserts) label_of[l.piece] = &l;
        std::vector<char> there(cut.pieces.size(), 0);
        for (const OnCuttingMat& p : pieces) {
            const auto piece = static_cast<std::size_t>(p.piece);
            there[piece] = 1;
            add_contours(transformed(cut.pieces[piece].outline, p.to_cutting_mat), job.file.contours);
            if (const auto l = label_of.find(p.piece); l != label_of.end())
                job.file.labels.push_back(
                    {l->second->label, p.to_cutting_mat(l->second->in_piece),
                     std::clamp(l->second->room * p.to_cutting_mat.scale(), least_label, largest_label)});
        }
        const double scale = plan_.set_out.whole.scale;
        for (const Bar& bar : cut.bars)
            if (there[static_cast<std::size_t>(cut.openings[static_cast<std::size_t>(bar.a)].piece)]) {
                job.narrowest_bar = bar.width * scale; // they come narrowest first
                break;
            }
        close(std::move(job));
    }

    std::string of_cuts(const CutsOnCuttingMats& one) const {
        const PlacedCut& cut = project_.set_out.cuts[static_cast<std::size_t>(one.cuts.front())];
        if (project_.stash && !cut.paper.empty())
            if (const int p = project_.stash->find(cut.paper); p >= 0)
                return material_of(project_.stash->papers[static_cast<std::size_t>(p)]);
        return project_.build.cutting.material;
    }

    std::vector<CuttingFile::Label> labels_on(const LoadedSheet& sheet) const {
        std::vector<CuttingFile::Label> out;
        for (const std::size_t c : sheet.cuts) {
            const Transform onto = drawing_to_sheet(project_, plan_, c);
            for (const InsertLabel& l : plan_.sections.inserts)
                if (plan_.sections.cut->pieces[static_cast<std::size_t>(l.piece)].layer ==
                    static_cast<int>(c))
                    out.push_back({l.label, onto(l.in_piece),
                                   std::clamp(l.room * onto.scale(), least_label, largest_label)});
        }
        for (const int p : sheet.patches) {
            const Patch& patch = plan_.sections.patches[static_cast<std::size_t>(p)];
            const Transform onto = plan_.sheets.placed[static_cast<std::size_t>(p)].to_sheet();
            out.push_back({std::to_string(patch.opening + 1),
                           bounds(transformed(patch.on_sheet(), onto)).centre(), largest_label});
        }
        for (const DressPiece* piece : sheet.pieces)
            out.push_back({piece->what, bounds(piece->on_sheet).centre(), largest_label / 2});
        return out;
    }

    /// In parts where the sheet is larger than the mat.
    void load(const LoadedSheet& sheet) {
        const std::vector<Ring> contours = contours_on(sheet, project_, plan_);
        const std::vector<CuttingFile::Label> labels = labels_on(sheet);
        const int first = sheet.numbers.front();
        const std::string name = sheet_in_words(project_, plan_, first);
        const Paper& paper = project_.stash->papers[static_cast<std::size_t>(
            plan_.papers.sheets[static_cast<std::size_t>(first)].paper)];
        const SheetParts parts = parts_of(bounds(sheet.outline), contours, mat_.width, mat_.height);
        if (!parts.too_large.empty())
            out_.too_large.push_back(sentence("something cut from " + name +
                                              " is larger than the cutting "
                                              "mat: cut it by hand"));
        const std::string key =
            sheet.cuts.empty() ? "sheet-" + file_name(sheet.id) : "mat-" + std::to_string(++mats_);
        for (std::size_t k = 0; k < parts.parts.size(); ++k) {
            const SheetParts::Part& part = parts.parts[k];
            const Transform to_mat = Transform::moved(-part.corner.x, -part.corner.y);
            CuttingJob job = begin(key, name, material_of(paper));
            job.part = static_cast<int>(k) + 1;
            job.parts = static_cast<int>(parts.parts.size());
            if (job.parts > 1) job.key += "-part-" + std::to_string(job.part);
            job.file.sheet_id = sheet.id;
            job.file.sheet_corner = to_mat({0, 0});
            job.file.sheet = {transformed(sheet.outline.outer, to_mat)};
            for (const Ring& hole : sheet.outline.holes) job.file.sheet.push_back(transformed(hole, to_mat));
            for (const int c : part.contours)
                job.file.contours.push_back(transformed(contours[static_cast<std::size_t>(c)], to_mat));
            for (CuttingFile::Label l : labels) {
                const auto in_part = std::any_of(part.contours.begin(), part.contours.end(), [&](int c) {
                    return contains(contours[static_cast<std::size_t>(c)], l.at);
                });
                if (!in_part) continue;
                l.at = to_mat(l.at);
                job.file.labels.push_back(std::move(l));
            }
            for (const Point p : part.crosses) job.file.registration.push_back(to_mat(p));
            for (const std::size_t c : sheet.cuts)
                if (const double bar = narrowest_bar_of(c); bar > 0)
                    job.narrowest_bar = job.narrowest_bar > 0 ? std::min(job.narrowest_bar, bar) : bar;
            close(std::move(job));
        }
    }

    /// 0 for a cut without bars.
    double narrowest_bar_of(std::size_t cut) const {
        const CutFile& file = *plan_.sections.cut;
        for (const Bar& bar : file.bars) {
            const Opening& opening = file.openings[static_cast<std::size_t>(bar.a)];
            if (opening.piece >= 0 &&
                file.pieces[static_cast<std::size_t>(opening.piece)].layer == static_cast<int>(cut))
                return bar.width * plan_.set_out.whole.scale; // they come narrowest first
        }
        return 0;
    }

    const Project& project_;
    const Plan& plan_;
    const CuttingMat& mat_;
    bool good_side_up_;
    int mats_ = 0;
    CuttingJobs out_;
};

} // namespace

CuttingJobs cutting_jobs(const Project& project, const Plan& plan,
                         const std::vector<CutsOnCuttingMats>& mats) {
    Jobs jobs(project, plan);
    jobs.cuts(mats);
    jobs.sheets();
    jobs.acetate();
    return jobs.done();
}

std::string material_of(const Paper& paper) {
    if (paper.finish == Finish::Translucent) return "vellum";
    if (paper.weight >= heavy_from) return "heavy";
    if (paper.weight >= cardstock_from || (paper.weight <= 0 && paper.pattern == Pattern::Solid))
        return "cardstock";
    return "patterned";
}

const Material* too_fine_for(const CuttingJob& job) {
    const Material* of = material(job.material);
    return of && job.narrowest_bar > 0 && job.narrowest_bar < of->finest_bar ? of : nullptr;
}

std::vector<std::string> bars_finer_than(const Plan& plan, double finest) {
    std::vector<std::string> out;
    if (!plan.sections.cut) return out;
    for (const Bar& bar : plan.sections.cut->bars) {
        const double width = bar.width * plan.set_out.whole.scale;
        if (width >= finest) break;
        out.push_back("between " + std::to_string(bar.a + 1) + " and " +
                      (bar.b == Bar::edge ? "the edge" : std::to_string(bar.b + 1)) + ", " +
                      format_mm(width));
    }
    return out;
}

void finish_job(CuttingJob& job, bool good_side_up) {
    job.good_side_up = good_side_up;
    if (!good_side_up) {
        const Transform over = Transform::moved(job.file.width, 0) * Transform::mirrored_x();
        for (Ring& r : job.file.contours) r = transformed(r, over);
        for (CuttingFile::Label& l : job.file.labels) l.at = over(l.at);
        for (Point& p : job.file.registration) p = over(p);
        for (Ring& r : job.file.sheet) r = transformed(r, over);
        job.file.sheet_corner = over(job.file.sheet_corner);
    }
    job.file.contours = in_order(job.file.contours, tool_path(job.file.contours));
}

} // namespace zesty
