#include "core/project/how_much.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace zesty {

namespace {

constexpr double half_covered_from = 0.05;
constexpr double half_covered_to = 0.95;
constexpr double one_size = 0.25; ///< areas within so much of each other are one size
constexpr double page_edge = 0.5; ///< mm

struct Candidate {
    int section = 0;
    double area = 0; ///< of its openings, on the page
    Point at;
    bool cut_by_edge = false;
    bool half_covered = false;
};

std::vector<Candidate> candidates(const Project& project, const Plan& plan) {
    std::vector<Candidate> out;
    const Box page = project.set_out.page.whole();
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const Section& section = plan.sections.all[s];
        const bool may = section.treatment == Treatment::Paper || section.treatment == Treatment::Open;
        if (!may || project.match.choice(section.id).locked || is_piece(section.id)) continue;
        Candidate c;
        c.section = static_cast<int>(s);
        for (const int o : section.openings) {
            const Polygon outline =
                transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page);
            const Box box = bounds(outline);
            c.area += area(outline);
            c.at = plan.middle_of(o);
            c.cut_by_edge = c.cut_by_edge || box.x0 < page.x0 + page_edge || box.y0 < page.y0 + page_edge ||
                            box.x1 > page.x1 - page_edge || box.y1 > page.y1 - page_edge;
            const double covered = plan.sections.covered[static_cast<std::size_t>(o)];
            c.half_covered = c.half_covered || (covered > half_covered_from && covered < half_covered_to);
        }
        out.push_back(c);
    }
    return out;
}

/// The candidates in the order in which they are left open, size by size.
std::vector<std::vector<Candidate>> sizes_of(std::vector<Candidate> all) {
    std::erase_if(all, [](const Candidate& c) { return c.half_covered; });
    std::stable_sort(all.begin(), all.end(), [](const Candidate& a, const Candidate& b) {
        return a.cut_by_edge != b.cut_by_edge ? a.cut_by_edge : a.area < b.area;
    });
    std::vector<std::vector<Candidate>> out;
    for (const Candidate& c : all) {
        const bool alike = !out.empty() && out.back().front().cut_by_edge == c.cut_by_edge &&
                           c.area <= out.back().front().area * (1 + one_size);
        if (!alike) out.emplace_back();
        out.back().push_back(c);
    }
    return out;
}

/// So many of them, each as far as can be from those chosen before.
std::vector<Candidate> spread(std::vector<Candidate> from, std::size_t count,
                              const std::vector<Candidate>& open) {
    std::vector<Candidate> out;
    while (out.size() < count && !from.empty()) {
        const auto nearest = [&](const Candidate& c) {
            double d = 1e9;
            for (const std::vector<Candidate>* list :
                 {&open, static_cast<const std::vector<Candidate>*>(&out)})
                for (const Candidate& other : *list) d = std::min(d, distance(c.at, other.at));
            return d;
        };
        const auto best =
            std::max_element(from.begin(), from.end(),
                             [&](const Candidate& a, const Candidate& b) { return nearest(a) < nearest(b); });
        out.push_back(*best);
        from.erase(best);
    }
    return out;
}

struct BackedSome {
    std::vector<Candidate> open;
    bool parted = false; ///< a size is not treated alike
};

/// `exactly`: sizes are parted rather than more or fewer left open.
BackedSome left_open(const std::vector<std::vector<Candidate>>& sizes, std::size_t wanted, bool exactly) {
    BackedSome out;
    for (const auto& size : sizes) {
        if (out.open.size() >= wanted) break;
        const std::size_t still = wanted - out.open.size();
        // A size more or less is nearer to alike than a part of one.
        const bool whole = size.size() <= still || (!exactly && (size.size() - still) * 3 <= size.size());
        if (!whole && !exactly && still * 3 <= size.size()) break;
        const auto some = whole ? size : spread(size, still, out.open);
        out.parted = out.parted || !whole;
        out.open.insert(out.open.end(), some.begin(), some.end());
    }
    return out;
}

std::string reason_of(HowMuch much, const std::vector<Candidate>& all, const BackedSome& chosen) {
    if (much == HowMuch::All || chosen.open.empty()) return "every opening has paper behind it";
    const auto edge = static_cast<std::size_t>(std::count_if(
        chosen.open.begin(), chosen.open.end(), [](const Candidate& c) { return c.cut_by_edge; }));
    const auto held = static_cast<std::size_t>(
        std::count_if(all.begin(), all.end(), [](const Candidate& c) { return c.half_covered; }));
    std::string out;
    const auto add = [&](const std::string& part) { out += (out.empty() ? "" : "; ") + part; };
    if (edge > 0) add(count_of(edge, "opening at the edge is", "openings at the edge are") + " left open");
    if (chosen.open.size() > edge)
        add("the " + std::to_string(chosen.open.size() - edge) + " smallest " +
            (chosen.parted ? "are left open, spread where a size is parted"
                           : "are left open, one size alike"));
    if (held > 0)
        add(count_of(held, "opening that a photo half covers is", "openings that a photo half covers are") +
            " backed");
    return out;
}

} // namespace

Result<std::vector<BackedSo>> how_much_to_back(const Project& project, const Plan& plan,
                                               const Shapes& shapes) {
    if (!plan.sections.cut) return fail(ErrorKind::NothingToDo, "there is no opening to back yet");
    const std::vector<Candidate> all = candidates(project, plan);
    const auto sizes = sizes_of(all);
    const auto so_many = [&](double share) {
        return all.size() -
               std::min(static_cast<std::size_t>(std::lround(share * static_cast<double>(all.size()))),
                        all.size());
    };
    // A third is another answer than a half wherever it can be.
    const bool as_a_half = left_open(sizes, so_many(1.0 / 3), false).open.size() ==
                           left_open(sizes, so_many(0.5), false).open.size();
    std::vector<BackedSo> out;
    for (const auto& [much, share] :
         {std::pair{HowMuch::Third, 1.0 / 3}, std::pair{HowMuch::Half, 0.5}, std::pair{HowMuch::All, 1.0}}) {
        const BackedSome chosen = left_open(sizes, so_many(share), as_a_half && much == HowMuch::Third);
        std::set<int> open;
        for (const Candidate& c : chosen.open) open.insert(c.section);
        BackedSo one{much, project, all.size() - open.size(), all.size(), 0, 0, reason_of(much, all, chosen)};
        for (const Candidate& c : all) {
            const Spot id = plan.sections.all[c.section].id;
            SectionChoice choice = one.project.sections.choice(id);
            choice.treatment = open.contains(c.section) ? Treatment::Open : Treatment::Paper;
            one.project.sections.choose(id, std::move(choice));
        }
        const auto then = shapes(one.project);
        if (!then) return tl::make_unexpected(then.error());
        one.paper_area = then->patch_area();
        one.minutes = then->sections.backing_minutes;
        out.push_back(std::move(one));
    }
    return out;
}

} // namespace zesty
