#include "core/sections/findings.h"

#include "core/sections/backing.h"
#include "core/sections/fixes.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>
#include <numbers>

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

Finding about(const SectionsNow& now, Code code, std::string title, std::string message,
              std::vector<int> openings) {
    return {.code = code,
            .title = std::move(title),
            .message = std::move(message),
            .where = middle_of(now.facts, now.set_out, openings.front()),
            .openings = std::move(openings)};
}

void about_shakers(const SectionsNow& now, std::vector<Finding>& out) {
    for (const Shaker& s : now.facts.shakers) {
        const std::string number = std::to_string(s.opening + 1);
        if (s.walls_fit) {
            out.push_back(about(now, Code::Shaker, "Shaker " + number,
                                "Acetate " + format_size(s.acetate.width(), s.acetate.height(), now.units) +
                                    ", " + format_length(s.wall_length, now.units) + " of foam strip, " +
                                    square(s.inner_area, now.units) +
                                    " to fill. Keep the filling from small children.",
                                {s.opening}));
            continue;
        }
        Finding f =
            about(now, Code::ShakerWalls, "No room for foam around " + number,
                  "The walls need " + format_length(s.foam_width, now.units) +
                      " on the bars; the narrowest has room for " + format_mm(std::max(s.room, 0.0)) + ".",
                  {s.opening});
        f.fixes = {{"Flat acetate instead",
                    SetTreatment{now.facts.all[now.facts.of_opening[s.opening]].id, Treatment::Translucent}}};
        out.push_back(std::move(f));
    }
}

void about_translucent(const SectionsNow& now, std::vector<Finding>& out) {
    std::vector<int> narrow;
    for (const Patch& p : now.facts.patches)
        if (now.facts.all[p.section].treatment == Treatment::Translucent && p.lip < glue_shows_below)
            narrow.push_back(p.opening);
    if (narrow.empty()) return;
    out.push_back(about(now, Code::GlueShows, "Glue may show behind " + numbers(narrow),
                        "Lips under " + format_mm(glue_shows_below) +
                            " leave little room for glue behind something one can see through; use tiny dots "
                            "on the bars, and let it dry before trimming.",
                        narrow));
}

void about_photos(const SectionsNow& now, std::vector<Finding>& out) {
    for (const SectionPhoto& p : now.facts.photo_sizes)
        out.push_back(about(
            now, Code::PhotoToOrder,
            std::string(p.usual ? "Order a photo of " : "Trim a photo to ") +
                format_size(p.size.width, p.size.height, now.units) + " for " + std::to_string(p.opening + 1),
            p.usual ? (std::abs(p.turn_deg) < 0.5 ? "It covers the opening with its lip, upright."
                                                  : "It covers the opening with its lip when turned by " +
                                                        std::to_string(std::lround(p.turn_deg)) + " degrees.")
                    : "No usual photo size is large enough to cover the opening and its lip.",
            {p.opening}));
}

void about_writing(const SectionsNow& now, std::vector<Finding>& out) {
    for (const WritingRoom& w : now.facts.writing)
        out.push_back(
            about(now, w.lines > 0 ? Code::Journaling : Code::NoJournaling,
                  w.lines > 0 ? "Room for " + std::to_string(w.lines) + (w.lines == 1 ? " line" : " lines") +
                                    " in " + std::to_string(w.opening + 1)
                              : "No room for words in " + std::to_string(w.opening + 1),
                  w.lines > 0 ? "Lines " + format_length(line_height, now.units) + " apart come to " +
                                    format_length(w.length, now.units) + " of writing."
                              : "Not one line of " + format_length(line_height, now.units) + " fits.",
                  {w.opening}));
}

/// Circles say which punch they want; what is no circle no punch can cover as well as it looks.
std::string why_no_punch(const SectionsNow& now, const std::vector<int>& openings) {
    constexpr std::size_t most_named = 3;
    std::string circles;
    std::size_t round = 0;
    for (const int o : openings) {
        const Opening& opening = now.facts.cut->openings[o];
        const double radius = std::sqrt(opening.area / std::numbers::pi);
        if (radius > 1.02 * opening.label.radius || ++round > most_named) continue;
        const double across = 2 * radius * now.set_out.scale;
        const bool on_top = now.facts.all[now.facts.of_opening[o]].punch_on_top;
        const double least = on_top ? 0 : across + 2 * least_lip;
        const double most =
            on_top ? across - 1 : across + now.facts.cut->narrowest_bar(o) * now.set_out.scale;
        const std::string number = std::to_string(o + 1);
        circles += (circles.empty() ? "" : " ") + number + " is a circle of " +
                   format_length(across, now.units) + ", which needs a punch " +
                   (on_top         ? "up to " + format_length(most, now.units)
                    : most < least ? "that its bars have no room for"
                                   : "from " + format_length(least, now.units) + " to " +
                                         format_length(most, now.units)) +
                   ".";
    }
    return (circles.empty() ? "None at hand covers them and stays behind the bars, or lies within them" +
                                  std::string("; ")
                            : circles + " Until there is one ") +
           "they get machine patches.";
}

/// "103.2 %".
std::string enlarged_to(double factor) {
    const long per_mille = std::lround(factor * 1000);
    return std::to_string(per_mille / 10) + "." + std::to_string(per_mille % 10) + " %";
}

/// "4 and 9, whose bars are too narrow for a lip; 5, which is too long for its width".
std::string why_not_enlarged(const SectionsNow& now) {
    static constexpr std::pair<NotEnlarged, const char*> reasons[] = {
        {NotEnlarged::NarrowBars, "bars too narrow for a lip on some side"},
        {NotEnlarged::TooLong, "too long for the width of the bars: their lip would be uneven"},
        {NotEnlarged::NoCopy, "a copy would be needed for them alone"},
        {NotEnlarged::OffThePage, "they hang off the page"},
        {NotEnlarged::Part, "they are parts of an opening"}};
    std::string out;
    for (const auto& [reason, why] : reasons) {
        std::vector<int> these;
        for (const Patch& p : now.facts.patches)
            if (p.not_enlarged == reason) these.push_back(p.opening);
        if (!these.empty()) out += (out.empty() ? "" : "; ") + numbers(these) + " (" + why + ")";
    }
    return out;
}

void about_enlarged(const SectionsNow& now, const std::vector<int>& not_enlarged, std::vector<Finding>& out) {
    const auto& copies = now.facts.enlargements;
    if (copies.empty() && not_enlarged.empty()) return;
    const std::string rest = not_enlarged.empty() ? std::string()
                                                  : "It does not work for " + why_not_enlarged(now) +
                                                        "; these get machine patches.";
    if (copies.empty()) {
        out.push_back(
            about(now, Code::NotEnlarged, "An enlarged copy does not work here", rest, not_enlarged));
        return;
    }
    std::string sizes;
    std::string message;
    for (std::size_t i = 0; i < copies.size(); ++i) {
        sizes += (i == 0 ? "" : i + 1 == copies.size() ? " and " : ", ") + enlarged_to(copies[i]);
        std::vector<int> these;
        for (const Patch& p : now.facts.patches)
            if (p.enlarged == copies[i]) these.push_back(p.opening);
        if (copies.size() > 1 && !these.empty())
            message +=
                (message.empty() ? "" : " ") + enlarged_to(copies[i]) + " backs " + numbers(these) + ".";
    }
    if (not_enlarged.empty() && message.empty()) message = "Every drop-out then backs its opening.";
    if (!rest.empty()) message += (message.empty() ? "" : " ") + rest;
    const int first = static_cast<int>(now.facts.patches.front().opening);
    out.push_back(about(now, not_enlarged.empty() ? Code::Enlarged : Code::EnlargedInPart,
                        (copies.size() > 1 ? "Cut copies at " : "Cut the copy at ") + sizes, message,
                        not_enlarged.empty() ? std::vector<int>{first} : not_enlarged));
}

void about_methods(const SectionsNow& now, std::vector<Finding>& out) {
    std::vector<int> not_enlarged;
    std::vector<int> not_punched;
    for (const Patch& p : now.facts.patches) {
        if (!p.fell_back) continue;
        (p.method == BackingMethod::EnlargedCopy ? not_enlarged : not_punched).push_back(p.opening);
    }
    about_enlarged(now, not_enlarged, out);
    if (!not_punched.empty())
        out.push_back(about(now, Code::NoPunch, "No punch for " + numbers(not_punched),
                            why_no_punch(now, not_punched), not_punched));
    if (!now.facts.without_patch.empty())
        out.push_back(about(now, Code::TooNarrow, "No inlay in " + numbers(now.facts.without_patch),
                            "It would be under " + format_mm(least_inlay) + " wide and is left out.",
                            now.facts.without_patch));
}

void about_hidden(const SectionsNow& now, std::vector<Finding>& out) {
    const HiddenWork& h = now.facts.hidden;
    if (h.openings.empty()) return;
    out.push_back(about(now, Code::Hidden,
                        std::to_string(h.openings.size()) +
                            (h.openings.size() == 1 ? " opening is covered" : " openings are covered"),
                        "Nobody sees " + numbers(h.openings) + ": leaving them unbacked saves about " +
                            square(h.paper_area, now.units) + " of paper and " +
                            std::to_string(std::max(1L, std::lround(h.minutes))) + " min.",
                        h.openings));
}

void about_the_drawing(const SectionsNow& now, std::vector<Finding>& out) {
    for (const std::string& w : now.facts.cut->warnings)
        out.push_back({.code = Code::Drawing, .title = "About the drawing", .message = w});
}

void about_lips(const SectionsNow& now, std::vector<Finding>& out) {
    std::vector<int> narrow;
    const Patch* worst = nullptr;
    for (const Patch& p : now.facts.patches) {
        const bool lipless = p.method == BackingMethod::Inlay || p.method == BackingMethod::CutFrom ||
                             p.border > 0 || now.facts.cut_of_opening[p.opening] < 0;
        if (p.lip >= p.lip_wanted - 0.1 || lipless) continue;
        narrow.push_back(p.opening);
        if (!worst || p.lip < worst->lip) worst = &p;
    }
    if (!worst) return;
    const bool holds = worst->lip >= least_lip;
    out.push_back(
        {.code = holds ? Code::NarrowLip : Code::NoHold,
         .title = "Smallest lip " + format_mm(worst->lip) + ", opening " + std::to_string(worst->opening + 1),
         .message = count_of(narrow.size(), "patch gets", "patches get") + " less than the " +
                    format_length(now.decided.lip, now.units) + " wanted, because the bars are no wider" +
                    (holds ? "." : "; glue there with a fine tip or an adhesive sheet."),
         .where = middle_of(now.facts, now.set_out, worst->opening),
         .openings = narrow});
}

} // namespace

std::vector<Finding> section_findings(const SectionsNow& now) {
    std::vector<Finding> out;
    about_lips(now, out);
    about_shakers(now, out);
    about_translucent(now, out);
    about_methods(now, out);
    about_photos(now, out);
    about_writing(now, out);
    about_hidden(now, out);
    about_the_drawing(now, out);
    return out;
}

} // namespace zesty
