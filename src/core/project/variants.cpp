#include "core/project/variants.h"

#include "core/geometry/measure.h"
#include "core/project/finished.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

Project with_arrangement(Project project, const KeptPage& page) {
    project.set_out = page.set_out;
    project.sections = page.sections;
    project.match = page.match;
    project.sheets = page.sheets;
    project.dress = page.dress;
    return project;
}

bool same(const Project& project, const KeptPage& page) {
    return project.set_out == page.set_out && project.sections == page.sections &&
           project.match == page.match && project.sheets == page.sheets && project.dress == page.dress;
}

VariantFigures figures_of(std::string name, const Project& project, Plan plan) {
    VariantFigures out;
    out.name = std::move(name);
    for (const Finding& f : plan.findings) {
        if (f.severity() == Severity::Problem) ++out.problems;
        if (f.severity() == Severity::Advice) ++out.advice;
    }
    out.short_patches = static_cast<int>(plan.sheets.short_patches.size());
    std::set<std::string> used;
    for (const UsedSheet& s : plan.sheets.used) {
        const Sheet& sheet = plan.papers.sheets[static_cast<std::size_t>(s.sheet)];
        if (!used.insert(sheet.id).second) continue;
        ++out.sheets;
        if (sheet.kind == SheetKind::Offcut || sheet.kind == SheetKind::DropOut) ++out.scraps;
    }
    for (const DressPiece& piece : plan.dress.pieces) {
        if (!piece.placed) continue;
        out.paper_area += area(piece.outline);
        if (used.insert(piece.sheet).second) ++out.sheets;
    }
    out.paper_area += plan.patch_area();
    out.highest = plan.dress.heights.highest;
    out.missing = missing_of(project, plan);
    out.page = std::make_shared<const OfferedPage>(
        OfferedPage{project, std::make_shared<const Plan>(std::move(plan)), Mood::AsAsked, {}});
    return out;
}

} // namespace

KeptPage page_to_keep(const Project& project) {
    return {project.set_out, project.sections, project.match, project.sheets, project.dress};
}

int shown_variant(const Project& project) {
    for (std::size_t i = 0; i < project.variants.size(); ++i)
        if (same(project, *project.variants[i].page)) return static_cast<int>(i);
    return -1;
}

std::string name_for_variant(const Project& project) {
    for (std::size_t number = 1;; ++number) {
        const std::string name = "Arrangement " + std::to_string(number);
        if (std::none_of(project.variants.begin(), project.variants.end(),
                         [&](const Variant& v) { return v.name == name; }))
            return name;
    }
}

Result<void> keep_variant(Project& project, const std::string& name) {
    auto& all = project.variants;
    if (name.size() > longest_variant_name)
        return fail(ErrorKind::TooLarge, "the name of an arrangement has room for 200 letters");
    const auto known = std::find_if(all.begin(), all.end(), [&](const Variant& v) { return v.name == name; });
    if (known == all.end() && all.size() >= most_variants)
        return fail(ErrorKind::TooLarge, "six arrangements are put aside already; remove one first");
    Shared<KeptPage> page = std::make_shared<const KeptPage>(page_to_keep(project));
    if (known == all.end())
        all.push_back({name, std::move(page)});
    else
        known->page = std::move(page);
    return {};
}

void restore_variant(Project& project, std::size_t variant) {
    if (variant >= project.variants.size()) return;
    const Shared<KeptPage> page = project.variants[variant].page;
    project = with_arrangement(std::move(project), *page);
}

Result<std::vector<VariantFigures>> compare_variants(const Project& project, Planner& planner,
                                                     const StopToken& stop) {
    std::vector<VariantFigures> out;
    const int shown = shown_variant(project);
    const auto add = [&](std::string name, const Project& page) -> Result<void> {
        auto plan = planner.plan(page, stop);
        if (!plan) return tl::make_unexpected(plan.error());
        if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
        out.push_back(figures_of(std::move(name), page, std::move(*plan)));
        return {};
    };
    const std::string here =
        shown < 0 ? std::string() : project.variants[static_cast<std::size_t>(shown)].name;
    if (auto r = add(here, project); !r) return tl::make_unexpected(r.error());
    for (std::size_t i = 0; i < project.variants.size(); ++i) {
        if (static_cast<int>(i) == shown) continue;
        const Project page = with_arrangement(project, *project.variants[i].page);
        if (auto r = add(project.variants[i].name, page); !r) return tl::make_unexpected(r.error());
    }
    return out;
}

} // namespace zesty
