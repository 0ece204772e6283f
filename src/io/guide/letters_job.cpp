#include "io/guide/letters_job.h"

#include "core/geometry/measure.h"
#include "io/paint/letters.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double letters_apart = 3;
constexpr double flat_within = 0.02; ///< mm between a curve and its straight pieces

/// The letter on its foot at the origin, as areas.
Region region_of(const TitleLetter& letter) {
    // Curves become straight pieces at the size the path has: a large one first.
    constexpr double detail = 1 / flat_within;
    const QTransform larger = QTransform::fromScale(detail, detail);
    const QPainterPath path = letter_path(letter.piece, letter.width, letter.height).simplified();
    Region out;
    std::vector<Ring> rings;
    for (const QPolygonF& polygon : path.toSubpathPolygons(larger)) {
        Ring ring;
        for (const QPointF& p : polygon) ring.push_back({p.x() / detail, p.y() / detail});
        if (ring.size() > 1 && distance(ring.front(), ring.back()) < 1e-9) ring.pop_back();
        if (ring.size() >= 3) rings.push_back(std::move(ring));
    }
    for (Ring& r : rings) out.push_back({std::move(r), {}});
    return out;
}

struct Rows {
    const Project& project;
    std::vector<CuttingJob> jobs = {};
    double x = 0, y = 0, row = 0;

    CuttingJob& job() {
        if (jobs.empty()) next_mat();
        return jobs.back();
    }
    void next_mat() {
        CuttingJob out;
        out.key = "letters-" + std::to_string(jobs.size() + 1);
        out.from = "paper for the title";
        out.material = project.build.cutting.material;
        out.file.title = project.title + ", letters";
        out.file.width = project.set_out.cutting_mat.width;
        out.file.height = project.set_out.cutting_mat.height;
        jobs.push_back(std::move(out));
        x = y = row = 0;
    }
    void put(const Region& letter) {
        const Box box = bounds(letter);
        if (box.empty()) return;
        if (x > 0 && x + box.width() > job().file.width) {
            y += row + letters_apart;
            x = row = 0;
        }
        if (y > 0 && y + box.height() > job().file.height) next_mat();
        const Transform t = Transform::moved(x - box.x0, y - box.y0);
        for (const Polygon& p : letter) job().file.contours.push_back(transformed(p.outer, t));
        x += box.width() + letters_apart;
        row = std::max(row, box.height());
    }
};

bool cut_from_paper(const Project& project, const TitleLetter& letter) {
    const LetterSet* set = project.stash ? project.stash->letter_set(letter.set) : nullptr;
    return set && set->kind == LetterKind::Cut && letter.width > 0 && letter.height > 0;
}

} // namespace

std::vector<CuttingJob> letter_jobs(const Project& project, const Plan& plan) {
    Rows rows{project};
    for (const TitleFacts& title : plan.dress.titles)
        for (const TitleLetter& letter : title.letters)
            if (cut_from_paper(project, letter)) rows.put(region_of(letter));
    for (CuttingJob& job : rows.jobs) finish_job(job, !project.build.cutting.face_down);
    std::erase_if(rows.jobs, [](const CuttingJob& job) { return job.file.contours.empty(); });
    return std::move(rows.jobs);
}

CuttingJobs all_cutting_jobs(const Project& project, const Plan& plan,
                             const std::vector<CutsOnCuttingMats>& mats) {
    CuttingJobs out = cutting_jobs(project, plan, mats);
    for (CuttingJob& job : letter_jobs(project, plan)) out.jobs.push_back(std::move(job));
    return out;
}

} // namespace zesty
