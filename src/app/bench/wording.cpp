#include "app/bench/wording.h"

#include "core/geometry/lengths.h"
#include "core/sections/hidden.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/side_names.h"

#include <QStringList>
#include <algorithm>

namespace zesty {

QString words(const std::string& text) {
    return QString::fromStdString(text);
}

QString layer_in_words(const std::string& key) {
    const auto space = key.find(' ');
    const std::string what = space == std::string::npos ? key : key.substr(space + 1);
    const auto colour = key.starts_with("colour ") ? parse_colour(what) : std::nullopt;
    return words(colour ? colour_words(*colour) : what);
}

QString counted(std::size_t n, const char* one, const char* many) {
    return words(count_of(n, one, many));
}

QString set_out_answer(const Project& project, const Plan& plan) {
    if (!plan.sections.cut) return "no drawing yet";
    const SetOut& s = plan.set_out.whole;
    QString out = project.set_out.cuts.size() > 1
                      ? counted(project.set_out.cuts.size(), "cut", "cuts")
                      : words(format_length(std::max(s.size.x, s.size.y), project.units));
    if (std::isfinite(s.thinnest_bar))
        out += ", thinnest bar " + words(format_length(s.thinnest_bar, project.units));
    return out;
}

QString sections_answer(const Plan& plan) {
    if (!plan.sections.cut) return "nothing to divide";
    const auto open = std::count_if(plan.sections.all.begin(), plan.sections.all.end(),
                                    [](const Section& s) { return s.treatment == Treatment::Open; });
    QString out = counted(plan.sections.all.size(), "section", "sections");
    if (open > 0) out += QString(", %1 left open").arg(open);
    return out;
}

namespace {

std::size_t without_paper(const Plan& plan) {
    std::size_t n = 0;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s)
        n += takes_paper(plan.sections.all[s].treatment) && plan.papers.of_section[s] < 0;
    return n;
}

std::size_t short_of_paper(const Plan& plan) {
    return std::count_if(plan.sheets.short_patches.begin(), plan.sheets.short_patches.end(),
                         [&](const ShortPatch& s) { return plan.papers.of_section[s.section] >= 0; });
}

} // namespace

bool papers_in_trouble(const Plan& plan) {
    return plan.sheets.done && short_of_paper(plan) > 0;
}

QString papers_answer(const Plan& plan) {
    if (!plan.sections.cut) return "nothing to back yet";
    if (plan.papers.uses.empty()) return "no stash yet";
    if (papers_in_trouble(plan)) return counted(short_of_paper(plan), "patch short", "patches short");
    if (const std::size_t bare = without_paper(plan)) return QString("%1 without paper").arg(bare);
    if (!plan.papers.alike.empty()) return counted(plan.papers.alike.size(), "pair alike", "pairs alike");
    return plan.sheets.done ? "every patch fits" : "checking";
}

QString price(const Plan& plan) {
    const auto scraps =
        std::count_if(plan.sheets.used.begin(), plan.sheets.used.end(), [&](const UsedSheet& u) {
            return plan.papers.sheets[u.sheet].kind <= SheetKind::Offcut;
        });
    QString out = counted(plan.sheets.used.size(), "sheet", "sheets");
    if (scraps > 0) out += QString(", %1 of them %2").arg(scraps).arg(scraps == 1 ? "a scrap" : "scraps");
    return out;
}

QString sheets_answer(const Plan& plan) {
    if (!plan.sections.cut) return "nothing to cut yet";
    if (!plan.sheets.done) return "laying out";
    return plan.sheets.used.empty() ? "nothing to cut yet" : price(plan);
}

QString about_patches(const Project& project, const Plan& plan) {
    const auto worst = std::min_element(plan.sections.patches.begin(), plan.sections.patches.end(),
                                        [](const Patch& a, const Patch& b) { return a.lip < b.lip; });
    return QString("%1 take %2 of paper and about %3 min. The smallest lip is %4, at opening %5.")
        .arg(counted(plan.sections.patches.size(), "patch", "patches"),
             words(format_area(plan.patch_area(), project.units)))
        .arg(std::max(1L, std::lround(plan.sections.backing_minutes)))
        .arg(words(format_length(worst->lip, project.units)))
        .arg(worst->opening + 1);
}

QString about_opening(const Project& project, const Plan& plan, int opening) {
    if (!plan.sections.cut || opening < 0 || opening >= static_cast<int>(plan.sections.cut->openings.size()))
        return {};
    const Opening& o = plan.sections.cut->openings[opening];
    const double s = plan.set_out.whole.scale;
    QString out = QString("Opening %1: %2")
                      .arg(opening + 1)
                      .arg(words(format_size(o.box.width() * s, o.box.height() * s, project.units)));
    const double bar = plan.sections.cut->narrowest_bar(opening) * s;
    if (std::isfinite(bar)) out += ", narrowest bar " + words(format_length(bar, project.units));
    const int patch = plan.patch_of(opening);
    const Section& section = plan.sections.all[plan.sections.of_opening[opening]];
    if (patch < 0) {
        if (plan.sections.covered[opening] >= hidden_share) return out + ", covered for good";
        return out + ", " + name_of(section.treatment);
    }
    if (section.treatment != Treatment::Paper) out += QString(", ") + name_of(section.treatment);
    out += ", lip " + words(format_length(plan.sections.patches[patch].lip, project.units));
    const int at = plan.sections.of_opening[opening];
    const int paper = plan.papers.of_section[at];
    out += paper < 0 ? QString(", no paper yet")
                     : ", " + words(brief_name_and_side(project.stash->papers[paper],
                                                        plan.papers.side_of_section[at]));
    if (paper >= 0 && plan.sheets.done) {
        const int sheet = plan.sheets.placed[patch].sheet;
        out += sheet < 0 ? QString(", does not fit") : " from " + words(plan.papers.sheets[sheet].id);
    }
    return out;
}

QString about_base(const Project& project, const Plan& plan) {
    if (!project.set_out.page.framed()) return "No frame: the base is the whole page.";
    QStringList sentences;
    for (const std::string& s : plan.set_out.frame.to_cut) sentences << words(s);
    return sentences.join(" ");
}

} // namespace zesty
