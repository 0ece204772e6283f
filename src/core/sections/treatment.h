#pragma once
// What goes behind an opening, and how the paper for it is made.

#include "core/names.h"

namespace zesty {

enum class Treatment {
    Paper,
    Open,        ///< the base shows
    Inlay,       ///< paper set into the opening, with a hair of clearance
    Translucent, ///< vellum or acetate: what is behind it shows through
    Shaker,      ///< closed with acetate, walled with foam, filled
    Photo,       ///< a print behind the opening
    Words,       ///< plain paper for a title or writing
    CutFrom,     ///< the part itself is cut from its paper, without a lip
};
template <>
inline constexpr std::array words_of<Treatment>{"paper",  "open",  "inlay", "translucent",
                                                "shaker", "photo", "words", "cut-from"};

/// The ways of making what is glued behind an opening. Practitioners differ, and all of them are right.
enum class BackingMethod {
    MachinePatches,
    TraceAndTrim,
    GlueAndTrim,
    EnlargedCopy,
    Inlay,
    Punches,
    OneSheet,
    CutFrom
};
template <>
inline constexpr std::array words_of<BackingMethod>{"machine", "trace",   "glue",      "enlarged",
                                                    "inlay",   "punches", "one-sheet", "cut-from"};

/// What patches do on a bar that they share.
enum class LipMode {
    Meet,   ///< in the middle of it
    Overlap ///< one glued over the other, never more than two
};
template <> inline constexpr std::array words_of<LipMode>{"meet", "overlap"};

/// Whether the section takes paper from the stash.
bool takes_paper(Treatment treatment);

/// In few words, for people: "machine patches", "trace and trim".
const char* name_of(Treatment treatment);
const char* name_of(BackingMethod method);

} // namespace zesty
