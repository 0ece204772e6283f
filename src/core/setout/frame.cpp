#include "core/setout/frame.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/fixes.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double least_glue_lip = mm_per_inch / 4;
constexpr double least_window = 20; ///< smaller is not worth cutting out

std::string box_in_words(const Box& b, Units units) {
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
    return in_a_row(parts);
}

void add_strip(std::vector<FrameStrip>& all, const FrameStrip& strip) {
    for (FrameStrip& s : all)
        if (s.width == strip.width && s.length == strip.length && s.paper == strip.paper) {
            s.count += strip.count;
            return;
        }
    all.push_back(strip);
}

/// Top and bottom strips run the whole width, those at the sides fit between them.
std::vector<FrameStrip> strips_of(const Page& page, const Box& leaf) {
    const Sides& r = page.reveal;
    const double between = leaf.height() - r.top - r.bottom;
    const std::string& sides = page.side_paper.empty() ? page.frame_paper : page.side_paper;
    std::vector<FrameStrip> out;
    const auto add = [&](double reveal, double length, const std::string& paper) {
        if (reveal > 0 && length > 0) add_strip(out, {reveal + page.glue_lip, length, 1, paper});
    };
    add(r.top, leaf.width(), page.frame_paper);
    add(r.bottom, leaf.width(), page.frame_paper);
    add(r.left, between, sides);
    add(r.right, between, sides);
    return out;
}

/// What holds the base on its frame; a window that was typed is measured against the base.
void check_lip(const Page& page, const Box& base, Units units, std::vector<Finding>& out) {
    const bool typed = page.frame == FrameKind::Whole && page.window_width > 0 && page.window_height > 0;
    const double lip =
        typed ? std::min(base.width() - page.window_width, base.height() - page.window_height) / 2
              : page.glue_lip;
    if (lip >= least_glue_lip - 0.01) return;
    const auto in_words = [&](double mm) { return format_for_trimmer(mm, units); };
    Finding f{.code = lip <= 0 ? Code::NoFrameLip : Code::NarrowFrameLip,
              .title = lip <= 0 ? "The window is as large as the base" : "Little to glue the base to",
              .message = {},
              .where = base.centre(),
              .fixes = {{"Glue lip of " + in_words(mm_per_inch / 2), SetGlueLip{mm_per_inch / 2}}}};
    if (typed)
        f.message = "A window of " + box_in_words({0, 0, page.window_width, page.window_height}, units) +
                    (lip <= 0 ? " lets a base of " + box_in_words(base, units) + " fall through"
                              : " leaves " + in_words(lip) + " on each side of a base of " +
                                    box_in_words(base, units)) +
                    "; " + box_in_words(base.grown(-mm_per_inch / 2), units) + " leaves " +
                    in_words(mm_per_inch / 2) + ".";
    else
        f.message = lip <= 0 ? "Without a glue lip the base falls through the window of the frame paper."
                             : "A glue lip of " + in_words(lip) + " holds badly; " +
                                   in_words(mm_per_inch / 2) + " is usual.";
    out.push_back(std::move(f));
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
    check_lip(page, base, units, out);
}

/// Cut out of a whole frame sheet; nothing when it would be too small. Sides without a reveal still need the
/// lip, behind the base.
std::optional<Box> window_of(const Page& page, const Box& leaf) {
    const Sides& r = page.reveal;
    const double lip = std::max(page.glue_lip, 0.0);
    if (page.window_width > 0 && page.window_height > 0 && !page.unequal()) {
        const Point middle = page.base_of({0, 0, leaf.width(), leaf.height()}).centre();
        const Point half{page.window_width / 2, page.window_height / 2};
        return Box{middle.x - half.x, middle.y - half.y, middle.x + half.x, middle.y + half.y};
    }
    const Box window{r.left + lip, r.top + lip, leaf.width() - r.right - lip, leaf.height() - r.bottom - lip};
    if (window.width() < least_window || window.height() < least_window) return {};
    return window;
}

} // namespace

std::string page_in_words(const Page& page, Units units) {
    const std::string first = format_size(page.width, page.height, units);
    if (!page.spread) return first + " page";
    if (!page.unequal()) return "spread of " + first + " pages";
    return first + " page beside one of " + format_size(page.right_width(), page.right_height(), units);
}

namespace {

void say_bases(const Page& page, Units units, FramePlan& out) {
    const Box& first = out.bases.front();
    const std::string trim = "Trim " + trimming(page.reveal, units) + ": ";
    if (page.unequal())
        out.to_cut.push_back(trim + "the bases are " + box_in_words(first, units) + " and " +
                             box_in_words(out.bases.back(), units) + ".");
    else
        out.to_cut.push_back(trim + (page.spread ? "each base is " : "the base is ") +
                             box_in_words(first, units) + ".");
}

void say_strips(const Page& page, Units units, FramePlan& out) {
    for (const Box& leaf : page.leaves())
        for (const FrameStrip& strip : strips_of(page, leaf)) add_strip(out.strips, strip);
    std::string words = "Cut for the frame";
    for (std::size_t i = 0; i < out.strips.size(); ++i) {
        const FrameStrip& s = out.strips[i];
        words += std::string(i == 0 ? " " : " and ") + std::to_string(s.count) +
                 (s.count == 1 ? " strip of " : " strips of ") +
                 box_in_words({0, 0, s.width, s.length}, units);
    }
    out.to_cut.push_back(words + "; " + format_for_trimmer(page.glue_lip, units) +
                         " of the width goes behind the base.");
}

void say_window(const Page& page, Units units, FramePlan& out) {
    const Sides& r = page.reveal;
    const Box& window = *out.window;
    const auto leaves = page.leaves();
    const auto other = page.unequal() ? window_of(page, leaves.back()) : std::nullopt;
    std::string where = "Gut the frame paper before gluing: a window of " + box_in_words(window, units);
    if (other) where += ", in the second page's of " + box_in_words(*other, units);
    if (r.is_even())
        where += ", " + format_for_trimmer(window.x0, units) + " from every edge.";
    else
        where += ", " + format_for_trimmer(window.x0, units) + " from the left and " +
                 format_for_trimmer(window.y0, units) + " from the top.";
    out.to_cut.push_back(where);
    if (other)
        out.to_cut.push_back("That gives sheets of " + box_in_words(window, units) + " and " +
                             box_in_words(*other, units) + " to back with.");
    else
        out.to_cut.push_back(std::string("That gives ") + (page.spread ? "two sheets" : "a sheet") + " of " +
                             box_in_words(window, units) + " to back with.");
}

} // namespace

FramePlan frame_of(const Page& page, Units units) {
    FramePlan out;
    const auto leaves = page.leaves();
    for (const Box& leaf : leaves) out.bases.push_back(page.base_of(leaf));
    if (!page.framed()) return out;
    const auto smaller = std::min_element(out.bases.begin(), out.bases.end(), [](const Box& a, const Box& b) {
        return std::min(a.width(), a.height()) < std::min(b.width(), b.height());
    });
    check(page, *smaller, units, out.findings);
    if (smaller->width() < 10 || smaller->height() < 10) return out;
    say_bases(page, units, out);
    if (page.frame == FrameKind::Strips) {
        say_strips(page, units, out);
        return out;
    }
    out.window = window_of(page, leaves.front());
    if (out.window) say_window(page, units, out);
    return out;
}

bool large_enough(const Box& leaf, const Polygon& sheet) {
    const Box b = bounds(sheet);
    constexpr double slack = 0.5;
    return b.width() >= leaf.width() - slack && b.height() >= leaf.height() - slack && sheet.holes.empty() &&
           area(sheet) > 0.999 * b.area();
}

std::optional<Polygon> gutted_out_of(const Page& page, const Box& leaf, const Polygon& sheet) {
    const Box b = bounds(sheet);
    const auto window = window_of(page, leaf);
    if (!window) return {};
    return Polygon{transformed(ring_of(*window), Transform::moved(b.x0, b.y0)), {}};
}

} // namespace zesty
