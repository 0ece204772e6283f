#include "core/setout/frame.h"

#include "core/geometry/measure.h"
#include "core/setout/fixes.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double least_glue_lip = mm_per_inch / 4;
constexpr double least_window = 20; ///< smaller is not worth cutting out

std::string size_in_words(const Box& b, Units units) {
    const std::string w = format_for_trimmer(b.width(), units);
    const std::string h = format_for_trimmer(b.height(), units);
    // The unit once: "11 x 11 1/2 in".
    return w.substr(0, w.rfind(' ')) + " x " + h;
}

/// "1/2 in off each side", or side by side where they differ.
std::string trimming(const Sides& s, Units units) {
    const auto off = [&](double mm, const char* side) {
        return format_for_trimmer(mm, units) + " off the " + side;
    };
    if (s.is_even())
        return format_for_trimmer(s.left, units) + " off each side, " +
               format_for_trimmer(2 * s.left, units) + " in all each way";
    std::vector<std::string> parts;
    if (s.left == s.right && s.left > 0) {
        parts.push_back(format_for_trimmer(s.left, units) + " off left and right");
    } else {
        if (s.left > 0) parts.push_back(off(s.left, "left"));
        if (s.right > 0) parts.push_back(off(s.right, "right"));
    }
    if (s.top == s.bottom && s.top > 0) {
        parts.push_back(format_for_trimmer(s.top, units) + " off top and bottom");
    } else {
        if (s.top > 0) parts.push_back(off(s.top, "top"));
        if (s.bottom > 0) parts.push_back(off(s.bottom, "bottom"));
    }
    std::string out;
    for (std::size_t i = 0; i < parts.size(); ++i)
        out += (i == 0 ? "" : i + 1 == parts.size() ? " and " : ", ") + parts[i];
    return out;
}

/// Top and bottom strips run the whole width, those at the sides fit between them.
std::vector<FrameStrip> strips_of(const Page& page) {
    const Sides& r = page.reveal;
    const double between = page.height - r.top - r.bottom;
    std::vector<FrameStrip> out;
    const auto add = [&](double reveal, double length) {
        if (reveal <= 0) return;
        const FrameStrip strip{reveal + page.glue_lip, length, 1};
        for (FrameStrip& s : out)
            if (s.width == strip.width && s.length == strip.length) {
                ++s.count;
                return;
            }
        out.push_back(strip);
    };
    add(r.top, page.width);
    add(r.bottom, page.width);
    add(r.left, between);
    add(r.right, between);
    return out;
}

void check(const Page& page, const Box& base, Units units, std::vector<Finding>& out) {
    const Sides& r = page.reveal;
    const auto say = [&](Code code, std::string title, std::string message, Fix fix) {
        out.push_back({.code = code,
                       .title = std::move(title),
                       .message = std::move(message),
                       .where = base.centre(),
                       .fixes = {std::move(fix)}});
    };
    const auto in_words = [&](double mm) { return format_for_trimmer(mm, units); };
    if (base.width() < 10 || base.height() < 10) {
        say(Code::NoBase, "The frame leaves no base",
            "Reveals of " + in_words(r.left + r.right) + " across and " + in_words(r.top + r.bottom) +
                " down leave nothing of the page.",
            {"Reveal of " + in_words(mm_per_inch / 4), SetReveal{Sides::even(mm_per_inch / 4)}});
        return;
    }
    const auto one_sided = [](double a, double b) { return (a > 0) != (b > 0); };
    if (page.frame == FrameKind::Whole && (one_sided(r.left, r.right) || one_sided(r.top, r.bottom)))
        say(Code::OneSided, "Trimmed on one side only",
            "The frame shows on one side and not on the other; for an even frame take half of it off each "
            "side.",
            {"Even frame of " + in_words(r.most() / 2), SetReveal{Sides::even(r.most() / 2)}});
    const Fix usual_lip("Glue lip of " + in_words(mm_per_inch / 2), SetGlueLip{mm_per_inch / 2});
    if (page.glue_lip <= 0)
        say(Code::NoFrameLip, "The window is as large as the base",
            "Without a glue lip the base falls through the window of the frame paper.", usual_lip);
    else if (page.glue_lip < least_glue_lip)
        say(Code::NarrowFrameLip, "Little to glue the base to",
            "A glue lip of " + in_words(page.glue_lip) + " holds badly; " + in_words(mm_per_inch / 2) +
                " is usual.",
            usual_lip);
}

/// Cut out of a whole frame sheet; nothing when it would be too small. Sides without a reveal still need the
/// lip, behind the base.
std::optional<Box> window_of(const Page& page) {
    const Sides& r = page.reveal;
    const double lip = std::max(page.glue_lip, 0.0);
    const Box window{r.left + lip, r.top + lip, page.width - r.right - lip, page.height - r.bottom - lip};
    if (window.width() < least_window || window.height() < least_window) return {};
    return window;
}

} // namespace

FramePlan frame_of(const Page& page, Units units) {
    FramePlan out;
    for (const Box& leaf : page.leaves()) out.bases.push_back(page.base_of(leaf));
    if (!page.framed()) return out;
    const Sides& r = page.reveal;
    const Box& base = out.bases.front();
    check(page, base, units, out.findings);
    if (base.width() < 10 || base.height() < 10) return out;
    const std::string each = page.spread ? "each base" : "the base";
    out.to_cut.push_back("Trim " + trimming(r, units) + ": " + each + " is " + size_in_words(base, units) +
                         ".");
    if (page.frame == FrameKind::Strips) {
        out.strips = strips_of(page);
        std::string words = "Cut for the frame";
        for (std::size_t i = 0; i < out.strips.size(); ++i) {
            const FrameStrip& s = out.strips[i];
            words += std::string(i == 0 ? " " : " and ") +
                     std::to_string(page.spread ? 2 * s.count : s.count) +
                     (s.count == 1 && !page.spread ? " strip of " : " strips of ") +
                     size_in_words({0, 0, s.width, s.length}, units);
        }
        out.to_cut.push_back(words + "; " + format_for_trimmer(page.glue_lip, units) +
                             " of the width goes behind the base.");
        return out;
    }
    out.window = window_of(page);
    if (!out.window) return out;
    const Box& window = *out.window;
    std::string where = "Gut the frame paper before gluing: a window of " + size_in_words(window, units);
    if (r.is_even())
        where += ", " + format_for_trimmer(window.x0, units) + " from every edge.";
    else
        where += ", " + format_for_trimmer(window.x0, units) + " from the left and " +
                 format_for_trimmer(window.y0, units) + " from the top.";
    out.to_cut.push_back(where);
    out.to_cut.push_back(std::string("That gives ") + (page.spread ? "two sheets" : "a sheet") + " of " +
                         size_in_words(window, units) + " to back with.");
    return out;
}

bool large_enough(const Page& page, const Polygon& sheet) {
    const Box b = bounds(sheet);
    constexpr double slack = 0.5;
    return b.width() >= page.width - slack && b.height() >= page.height - slack && sheet.holes.empty() &&
           area(sheet) > 0.999 * b.area();
}

std::optional<Polygon> left_of_frame_sheet(const Page& page, const Polygon& sheet) {
    const Box b = bounds(sheet);
    if (page.frame == FrameKind::Whole) {
        const auto window = window_of(page);
        if (!window) return {};
        return Polygon{transformed(ring_of(*window), Transform::moved(b.x0, b.y0)), {}};
    }
    double taken = 0;
    for (const FrameStrip& s : strips_of(page)) taken += s.count * s.width;
    if (taken > b.width() - least_window) return {};
    // Strips are cut off the right edge one beside the other.
    return Polygon{ring_of({b.x0, b.y0, b.x1 - taken, b.y1}), {}};
}

} // namespace zesty
