#include "core/project/section_findings.h"

#include "core/sentences.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double glue_shows_below = 3; ///< mm of lip behind vellum

std::string square(double mm2, Units units) {
    const double amount = units == Units::Inches ? mm2 / (mm_per_inch * mm_per_inch) : mm2 / 100;
    const std::string tenths = std::to_string(std::lround(amount * 10));
    const std::string padded = tenths.size() < 2 ? "0" + tenths : tenths;
    return padded.substr(0, padded.size() - 1) + "." + padded.back() +
           (units == Units::Inches ? " sq in" : " sq cm");
}

Finding about(const Plan& plan, const char* code, Severity severity, std::string title, std::string message,
              std::vector<int> openings) {
    const Point where = plan.middle_of(openings.front());
    return {code, severity, std::move(title), std::move(message), where, std::move(openings), {}, {}};
}

void about_shakers(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    for (const Shaker& s : plan.sections.shakers) {
        const std::string number = std::to_string(s.opening + 1);
        if (s.walls_fit) {
            out.push_back(about(
                plan, "shaker", Severity::Note, "Shaker " + number,
                "Acetate " + format_size(s.acetate.width(), s.acetate.height(), project.units) + ", " +
                    format_length(s.wall_length, project.units) + " of foam strip, " +
                    square(s.inner_area, project.units) + " to fill. Keep the filling from small children.",
                {s.opening}));
            continue;
        }
        Finding f =
            about(plan, "shaker-walls", Severity::Problem, "No room for foam around " + number,
                  "The walls want " + format_length(s.foam_width, project.units) +
                      " on the bars; the narrowest has room for " + format_mm(std::max(s.room, 0.0)) + ".",
                  {s.opening});
        f.fix =
            SetTreatment{plan.sections.all[plan.sections.of_opening[s.opening]].id, Treatment::Translucent};
        f.fix_label = "Flat acetate instead";
        out.push_back(std::move(f));
    }
}

void about_translucent(const Plan& plan, std::vector<Finding>& out) {
    std::vector<int> narrow;
    for (const Patch& p : plan.sections.patches)
        if (plan.sections.all[p.section].treatment == Treatment::Translucent && p.lip < glue_shows_below)
            narrow.push_back(p.opening);
    if (narrow.empty()) return;
    out.push_back(about(plan, "glue-shows", Severity::Advice, "Glue may show behind " + numbers(narrow),
                        "Lips under " + format_mm(glue_shows_below) +
                            " leave little room for glue behind something one can see through; use tiny dots "
                            "on the bars, and let it dry before trimming.",
                        narrow));
}

void about_photos(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    for (const SectionPhoto& p : plan.sections.photo_sizes)
        out.push_back(about(plan, "print", Severity::Note,
                            std::string(p.usual ? "Order a print of " : "Trim a print to ") +
                                format_size(p.size.width, p.size.height, project.units) + " for " +
                                std::to_string(p.opening + 1),
                            p.usual ? (std::abs(p.turn_deg) < 0.5
                                           ? "It covers the opening with its lip, upright."
                                           : "It covers the opening with its lip when turned by " +
                                                 std::to_string(std::lround(p.turn_deg)) + " degrees.")
                                    : "No usual print is large enough to cover the opening and its lip.",
                            {p.opening}));
}

void about_writing(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    for (const WritingRoom& w : plan.sections.writing)
        out.push_back(about(plan, "words", w.lines > 0 ? Severity::Note : Severity::Advice,
                            w.lines > 0 ? "Room for " + std::to_string(w.lines) +
                                              (w.lines == 1 ? " line" : " lines") + " in " +
                                              std::to_string(w.opening + 1)
                                        : "No room for words in " + std::to_string(w.opening + 1),
                            w.lines > 0 ? "Lines " + format_mm(line_height) + " apart come to " +
                                              format_length(w.length, project.units) + " of writing."
                                        : "Not one line of " + format_mm(line_height) + " fits.",
                            {w.opening}));
}

void about_methods(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    std::vector<int> not_enlarged;
    std::vector<int> not_punched;
    for (const Patch& p : plan.sections.patches) {
        if (!p.fell_back) continue;
        (p.method == BackingMethod::EnlargedCopy ? not_enlarged : not_punched).push_back(p.opening);
    }
    if (plan.sections.enlargement > 0) {
        const long percent = std::lround(plan.sections.enlargement * 1000);
        const std::string factor = std::to_string(percent / 10) + "." + std::to_string(percent % 10) + " %";
        const int first = static_cast<int>(plan.sections.patches.front().opening);
        out.push_back(about(plan, "enlarged", not_enlarged.empty() ? Severity::Note : Severity::Advice,
                            "Cut the copy at " + factor,
                            not_enlarged.empty() ? "Every drop-out then backs its opening."
                                                 : "It does not work for " + numbers(not_enlarged) +
                                                       ", which get machine patches.",
                            not_enlarged.empty() ? std::vector<int>{first} : not_enlarged));
    } else if (!not_enlarged.empty()) {
        out.push_back(about(plan, "enlarged", Severity::Advice, "An enlarged copy does not work here",
                            "No enlargement covers an opening with a lip and stays behind its bars; all get "
                            "machine patches.",
                            not_enlarged));
    }
    if (!not_punched.empty())
        out.push_back(about(plan, "no-punch", Severity::Note, "No punch for " + numbers(not_punched),
                            project.sections.backing.punch_on_top
                                ? "None at hand is small enough to lie on them; they get machine patches."
                                : "None at hand covers them and stays behind the bars; they get machine "
                                  "patches.",
                            not_punched));
    if (!plan.sections.without_patch.empty())
        out.push_back(about(plan, "too-narrow", Severity::Note,
                            "No inlay in " + numbers(plan.sections.without_patch),
                            "It would be under " + format_mm(least_inlay) + " wide and is left out.",
                            plan.sections.without_patch));
}

void about_hidden(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    const HiddenWork& h = plan.sections.hidden;
    if (h.openings.empty()) return;
    out.push_back(about(plan, "hidden", Severity::Note,
                        std::to_string(h.openings.size()) +
                            (h.openings.size() == 1 ? " opening is covered" : " openings are covered"),
                        "Nobody sees " + numbers(h.openings) + ": leaving them unbacked saves about " +
                            square(h.paper_area, project.units) + " of paper and " +
                            std::to_string(std::max(1L, std::lround(h.minutes))) + " min.",
                        h.openings));
}

} // namespace

void add_section_findings(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    about_shakers(project, plan, out);
    about_translucent(plan, out);
    about_methods(project, plan, out);
    about_photos(project, plan, out);
    about_writing(project, plan, out);
    about_hidden(project, plan, out);
}

} // namespace zesty
