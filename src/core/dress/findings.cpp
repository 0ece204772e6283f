#include "core/dress/balance.h"
#include "core/dress/dress.h"
#include "core/dress/fixes.h"
#include "core/dress/stitching.h"
#include "core/dress/writing_place.h"
#include "core/geometry/lengths.h"
#include "core/sentences.h"

#include <cmath>

namespace zesty {

namespace {

std::string writing_name(std::size_t i, std::size_t all) {
    return all == 1 ? "the journaling" : "journaling " + std::to_string(i + 1);
}

Finding left_over(const WritingFacts& facts, const Writing& w, std::size_t i, const std::string& name,
                  Units units) {
    Finding out{.code = Code::WordsLeftOver,
                .title = with_capital(name) + " is " +
                         count_of(static_cast<std::size_t>(facts.left_over), "word", "words") + " too long",
                .where = w.centre};
    const std::string now = "Lines of " + format_length(w.line_height, units) + " hold about " +
                            std::to_string(facts.holds) + " words";
    if (facts.widest_fitting > 0) {
        out.message = now + "; lines of " + format_length(facts.widest_fitting, units) + " hold all.";
        out.fixes.push_back({"Lines of " + format_length(facts.widest_fitting, units),
                             SetLineHeight{static_cast<int>(i), facts.widest_fitting}});
    } else {
        out.message = now + "; give it more room, or write the rest on the back of the page.";
    }
    return out;
}

Finding entered(const WritingFacts& facts, const Writing& w, std::size_t i, const std::string& name) {
    Finding out{.code = Code::WritingEntered,
                .title = with_capital(in_a_row(facts.entered)) + " and " + name + " lie on each other",
                .message = "By more than 1 mm; ",
                .where = w.centre};
    if (facts.way_out) {
        out.message += "there is a free place nearby.";
        out.fixes.push_back({"Move " + name + " there", MoveWriting{static_cast<int>(i), *facts.way_out}});
    } else {
        out.message += "no place nearby is free for it: make it smaller, or move what lies there.";
    }
    return out;
}

Finding faint(const WritingFacts& facts, const Writing& w, std::size_t i, const std::string& name) {
    Finding out{.code = Code::FaintWriting,
                .title = with_capital(name) + " is hard to read",
                .message = "Pen and ground differ by " + std::to_string(std::lround(facts.pen.contrast)) +
                           " of 100 steps of lightness; from " +
                           std::to_string(std::lround(pen_is_read_from)) + " on a pen is easy to read.",
                .where = w.centre,
                .swatch = w.pen};
    if (facts.pen.better_contrast >= pen_is_read_from)
        out.fixes.push_back({to_lab(facts.pen.better).l > 50 ? "A white pen" : "A dark pen",
                             SetPen{static_cast<int>(i), facts.pen.better}});
    else
        out.message += " No pen is read on all that lies below it: a calmer place or a plain label helps.";
    return out;
}

} // namespace

std::vector<Finding> writing_findings(const DressFacts& facts, Units units) {
    std::vector<Finding> out;
    for (std::size_t i = 0; i < facts.writings.size(); ++i) {
        const WritingFacts& f = facts.writings[i];
        const Writing& w = facts.placed[i];
        const std::string name = writing_name(i, facts.writings.size());
        if (f.left_over > 0) out.push_back(left_over(f, w, i, name, units));
        if (!f.entered.empty()) out.push_back(entered(f, w, i, name));
        if (f.pen.contrast < pen_is_read_from) out.push_back(faint(f, w, i, name));
    }
    return out;
}

std::vector<Finding> coverage_findings(const DressNow& now, const CoverageFacts& facts) {
    std::vector<Finding> out;
    for (const CoveredOpening& c : facts.openings) {
        if (!c.sliver) continue;
        out.push_back({.code = Code::Sliver,
                       .title = "A sliver of " + format_length(c.width, now.units) + " is left of opening " +
                                std::to_string(c.opening + 1),
                       .message = percent(c.hidden) +
                                  " of it is hidden, and what is left looks like a mistake; "
                                  "show more of it or nothing. \"Cure by small moves\" looks for what helps.",
                       .where = c.at,
                       .openings = {c.opening}});
    }
    return out;
}

std::vector<Finding> dress_findings(const DressNow& now, const DressFacts& facts) {
    std::vector<Finding> out = writing_findings(facts, now.units);
    for (auto& more : {title_findings(now, facts), embellishment_findings(now, facts),
                       mat_findings(now, facts), coverage_findings(now, facts.coverage),
                       balance_findings(now, facts.balance), stitching_findings(now, facts),
                       hold_findings(now, facts), wet_findings(now, facts), late_frame_findings(now, facts)})
        out.insert(out.end(), more.begin(), more.end());
    return out;
}

} // namespace zesty
