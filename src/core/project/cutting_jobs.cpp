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
            for (const auto& pieces : one.layout.mats) cut_mat(one, pieces);
            if (!one.layout.too_large.empty())
                out_.too_large.push_back(sentence(
                    count_of(one.layout.too_large.size(), "piece", "pieces") + " from " + one.cardstock +
                    (one.layout.too_large.size() == 1 ? " is" : " are") + " larger than the cutting mat"));
        }
    }

    void sheets() {
        std::map<std::string, int> numbers; // of the sheets that anything is cut from
        for (std::size_t s = 0; s < plan_.papers.sheets.size(); ++s)
            numbers[plan_.papers.sheets[s].id] = static_cast<int>(s);
        std::map<int, std::vector<const DressPiece*>> pieces;
        for (const DressPiece& p : plan_.dress.pieces)
            if (p.placed && cut_by_machine(p, project_.build.habits) && numbers.contains(p.sheet))
                pieces[numbers[p.sheet]].push_back(&p);
        for (const UsedSheet& used : plan_.sheets.used) {
            sheet(used.sheet, &used, pieces[used.sheet]);
            pieces.erase(used.sheet);
        }
        for (const auto& [number, of_it] : pieces) sheet(number, nullptr, of_it);
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

    void sheet(int number, const UsedSheet* used, const std::vector<const DressPiece*>& pieces) {
        const Sheet& sheet = plan_.papers.sheets[static_cast<std::size_t>(number)];
        std::vector<Ring> contours;
        std::vector<CuttingFile::Label> labels;
        if (used)
            for (const int p : used->patches) {
                const Patch& patch = plan_.sections.patches[static_cast<std::size_t>(p)];
                if (!cut_by_machine(patch) || patch.rides_on >= 0) continue;
                const Polygon on_sheet = transformed(
                    patch.on_sheet(), plan_.sheets.placed[static_cast<std::size_t>(p)].to_sheet());
                add_contours(on_sheet, contours);
                labels.push_back(
                    {std::to_string(patch.opening + 1), bounds(on_sheet).centre(), largest_label});
            }
        for (const DressPiece* piece : pieces) {
            add_contours(piece->on_sheet, contours);
            labels.push_back({piece->what, bounds(piece->on_sheet).centre(), largest_label / 2});
        }
        if (contours.empty()) return;
        const Paper& paper = project_.stash->papers[static_cast<std::size_t>(sheet.paper)];
        in_parts(number, without_doubles(std::move(contours)), labels, material_of(paper));
    }

    void in_parts(int number, const std::vector<Ring>& contours,
                  const std::vector<CuttingFile::Label>& labels, const std::string& material) {
        const Sheet& sheet = plan_.papers.sheets[static_cast<std::size_t>(number)];
        const std::string name = sheet_in_words(project_, plan_, number);
        const Box box = bounds(sheet.outline);
        const SheetParts parts = parts_of(box, contours, mat_.width, mat_.height);
        if (!parts.too_large.empty())
            out_.too_large.push_back(sentence("something cut from " + name +
                                              " is larger than the cutting "
                                              "mat: cut it by hand"));
        for (std::size_t k = 0; k < parts.parts.size(); ++k) {
            const SheetParts::Part& part = parts.parts[k];
            const Transform to_mat = Transform::moved(-part.corner.x, -part.corner.y);
            CuttingJob job = begin("sheet-" + file_name(sheet.id), name, material);
            job.part = static_cast<int>(k) + 1;
            job.parts = static_cast<int>(parts.parts.size());
            if (job.parts > 1) job.key += "-part-" + std::to_string(job.part);
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
            close(std::move(job));
        }
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

bool cut_by_machine(const Patch& patch) {
    if (patch.fell_back) return true;
    switch (patch.method) {
    case BackingMethod::TraceAndTrim:
    case BackingMethod::GlueAndTrim:
    case BackingMethod::Punches:
        return false;
    case BackingMethod::MachinePatches:
    case BackingMethod::EnlargedCopy:
    case BackingMethod::Inlay:
    case BackingMethod::OneSheet:
    case BackingMethod::CutFrom:
        break;
    }
    return true;
}

bool cut_by_machine(const DressPiece& piece, const Habits& habits) {
    return habits.mats == CutMats::Machine && !piece.of_frame;
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

void add_contours(const Polygon& outline, std::vector<Ring>& contours) {
    contours.insert(contours.end(), outline.holes.begin(), outline.holes.end());
    contours.push_back(outline.outer);
}

void finish_job(CuttingJob& job, bool good_side_up) {
    job.good_side_up = good_side_up;
    if (!good_side_up) {
        const Transform over = Transform::moved(job.file.width, 0) * Transform::mirrored_x();
        for (Ring& r : job.file.contours) r = transformed(r, over);
        for (CuttingFile::Label& l : job.file.labels) l.at = over(l.at);
        for (Point& p : job.file.registration) p = over(p);
        for (Ring& r : job.file.sheet) r = transformed(r, over);
    }
    job.file.contours = in_order(job.file.contours, tool_path(job.file.contours));
}

} // namespace zesty
