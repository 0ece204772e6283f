// Stitching from the command line.

#include "cli/command.h"
#include "cli/dress_args.h"
#include "cli/typed.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"

#include <algorithm>
#include <iostream>

namespace zesty::cli {

namespace {

Result<void> take_sides(const std::string& text, Stitching& s) {
    s.left = s.top = s.right = s.bottom = text == "all";
    if (text == "all") return {};
    for (const std::string& side : split(text, ',')) {
        const auto edge = typed_word<BaseEdge>("--stitch-sides", side);
        if (!edge) return tl::make_unexpected(edge.error());
        if (*edge == BaseEdge::Left) s.left = true;
        if (*edge == BaseEdge::Top) s.top = true;
        if (*edge == BaseEdge::Right) s.right = true;
        if (*edge == BaseEdge::Bottom) s.bottom = true;
    }
    return {};
}

Result<void> take_stitching(const DressArgs& a, Stitching& s) {
    if (!a.stitch_sides.empty())
        if (const auto r = take_sides(a.stitch_sides, s); !r) return r;
    for (const auto& r :
         {take_length("--stitch-inset", a.stitch_inset, stitch_inset_limits, s.inset),
          take_length("--stitch-spacing", a.stitch_spacing, stitch_spacing_limits, s.spacing),
          take_length("--stitch-clear", a.stitch_clearance, stitch_clearance_limits, s.clearance)})
        if (!r) return r;
    if (a.thread.empty()) return {};
    const auto thread = colour_called(a.thread);
    if (!thread) return fail(ErrorKind::BadInput, "--thread: '" + a.thread + "' is not a colour");
    s.thread = *thread;
    return {};
}

} // namespace

Result<void> edit_stitching(const DressArgs& a, Project& project) {
    auto& all = project.dress.stitchings;
    const bool says = !a.stitch_sides.empty() || !a.stitch_inset.empty() || !a.stitch_spacing.empty() ||
                      !a.stitch_clearance.empty() || !a.thread.empty() || a.remove_stitching;
    if (!a.stitch.empty()) {
        const auto stitch = typed_word<Stitch>("--stitch", a.stitch);
        if (!stitch) return tl::make_unexpected(stitch.error());
        if (all.size() >= most_stitchings)
            return fail(ErrorKind::TooLarge, "--stitch: there is enough of it");
        Stitching fresh;
        fresh.stitch = *stitch;
        all.push_back(fresh);
    }
    if (!says) return {};
    const auto count = static_cast<int>(all.size());
    if (count == 0)
        return fail(ErrorKind::NothingToDo, "there is no stitching on the page; --stitch adds some");
    if (a.stitching > count)
        return only_so_many("--stitching", all.size(), "row of stitching", "rows of stitching");
    const auto at = all.begin() + (a.stitching > 0 ? a.stitching - 1 : count - 1);
    if (a.remove_stitching) {
        all.erase(at);
        return {};
    }
    return take_stitching(a, *at);
}

void say_stitching(const Project& project, const Plan& plan) {
    for (const StitchingFacts& f : plan.dress.stitchings) {
        std::cout << "stitching: " << format_length(f.length, project.units) << " in "
                  << count_of(f.runs.size(), "run", "runs") << ", "
                  << count_of(static_cast<std::size_t>(f.holes), "hole", "holes");
        if (!f.runs.empty()) std::cout << " about " << format_mm(f.runs.front().spacing) << " apart";
        std::cout << ", " << format_length(f.thread, project.units) << " of thread";
        if (!f.kept_clear_of.empty()) std::cout << ", clear of " << in_a_row(f.kept_clear_of);
        std::cout << "\n";
    }
}

void add_stitching_options(CLI::App& c, DressArgs& a) {
    const auto text = [&](const char* name, std::string& to, const char* help) {
        c.add_option(name, to, help)->group("Stitching");
    };
    text("--stitch", a.stitch, "A line of stitches along the edges of the base: running or back");
    c.add_option("--stitching", a.stitching, "Which one the options are for, from 1; the last without it")
        ->check(CLI::Range(1, static_cast<int>(most_stitchings)))
        ->group("Stitching");
    text("--stitch-sides", a.stitch_sides, "left,top,right,bottom, or all");
    text("--stitch-inset", a.stitch_inset, "From the edge of the base: 1/4in");
    text("--stitch-spacing", a.stitch_spacing, "From hole to hole, about: 5mm");
    text("--stitch-clear", a.stitch_clearance, "From everything that is glued or raised: 3mm");
    text("--thread", a.thread, "Colour of the thread, in words or as #b04a3a");
    c.add_flag("--remove-stitching", a.remove_stitching, "Takes it off the page")->group("Stitching");
}

} // namespace zesty::cli
