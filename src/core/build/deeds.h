#pragma once
// What a step does with the things on the table, and the order that follows from it.
//
// Anything goes through the deeds of `Deed` in their order: it is made, pieces are cut out of it, it gets
// wet, is backed, looked at, fixed, laid on. Where two steps do something to the same thing, the one whose
// deed comes earlier in its life is done first. Deeds of the same kind leave the order open, but for making:
// whoever needs a thing waits for all that make it. Nothing else puts steps in order, but habits, which
// choose between two deeds, and what a person asks for.
//
// A thing is known by one name everywhere: a sheet and a patch by their ids in the plan ("gull-print#1",
// "p5"), anything else by its kind and name ("cut:0", "photo:Mia", "layer:The street", "base:1").

#include "core/names.h"

#include <string>
#include <vector>

namespace zesty {

struct BuildStep;

enum class Deed {
    Makes,       ///< it is there afterwards
    Divides,     ///< it is cut apart, and what is left of it goes by its name
    Loads,       ///< the machine cuts pieces out of it, and needs it as it is in the plan
    CutsFrom,    ///< pieces come out of it by hand
    TrimsFirst,  ///< trimmed while it is dry, by those who do that before anything wet
    Wets,        ///< paint, ink or primer on it
    Trims,       ///< trimmed to its size
    Sews,        ///< pierced and sewn
    FramesFirst, ///< mounted on a frame before anything is on it
    Lifts,       ///< taken off the cutting mat
    Stencils,    ///< used as a stencil
    LooksFirst,  ///< laid out before it is backed
    Mats,        ///< it is fixed on its mats
    Backs,       ///< something is fixed on its back
    LooksAt,     ///< laid out dry, and looked at
    Foams,       ///< foam is put on its back
    Fixes,       ///< it is fixed on what it lies on
    LaysOn,      ///< something is fixed on its front
    Fills,       ///< something is put into it
    Closes,      ///< nothing can be put into it any more
    FramesLast   ///< framed, or trimmed, with everything on it
};
template <>
inline constexpr std::array words_of<Deed>{
    "makes",    "divides",      "loads", "cuts-from", "trims-first", "wets",   "trims",
    "sews",     "frames-first", "lifts", "stencils",  "looks-first", "mats",   "backs",
    "looks-at", "foams",        "fixes", "lays-on",   "fills",       "closes", "frames-last"};

struct StepDeed {
    Deed deed = Deed::Makes;
    std::string thing;
    bool operator==(const StepDeed&) const = default;
};

/// Which things a step needs and handles; each once, in the order of its deeds.
std::vector<std::string> taken_by(const BuildStep& step);
/// Which are there after it and were not, or not by themselves, before.
std::vector<std::string> made_by(const BuildStep& step);
/// What it fixes something on, or puts it into.
std::vector<std::string> laid_on_by(const BuildStep& step);
/// Which are wet until the step has dried.
std::vector<std::string> wetted_by(const BuildStep& step);

/// Adds to every step what it waits for by what the steps do, and puts them in an order in which nothing
/// comes before what it waits for, as near to the given one as may be. What `after` says already counts, too.
/// Acts that want each other to come first are a fault of whoever made them: what comes first in the list is
/// done first then.
void put_in_order(std::vector<BuildStep>& steps);

/// As put_in_order() has it, without looking at what steps do; empty where steps wait for each other in a
/// circle.
std::vector<std::size_t> possible_order(const std::vector<BuildStep>& steps);
/// The steps in that order, and what they wait for counted anew.
std::vector<BuildStep> reordered(std::vector<BuildStep> steps, const std::vector<std::size_t>& order);

} // namespace zesty
