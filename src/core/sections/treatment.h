#pragma once
// What goes behind an opening, and how the paper for it is made.

#include <optional>
#include <string>
#include <vector>

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
inline constexpr int treatments = 8;

/// The ways of making what is glued behind an opening. Practitioners differ, and all of them are right.
enum class School {
    MachinePatches,
    TraceAndTrim,
    GlueAndTrim,
    EnlargedCopy,
    Inlay,
    Punches,
    OneSheet,
    CutFrom
};
inline constexpr int schools = 8;

/// What patches do on a bar that they share.
enum class LipMode {
    Meet,   ///< in the middle of it
    Overlap ///< one glued over the other, never more than two
};

/// Whether the section takes paper from the stash.
bool takes_paper(Treatment treatment);

/// One word each, for files and the command line: "paper", "cut-from", "machine", "trace", ...
const char* key_of(Treatment treatment);
const char* key_of(School school);
const char* key_of(LipMode lips);
std::optional<Treatment> treatment_named(const std::string& key);
std::optional<School> school_named(const std::string& key);
std::optional<LipMode> lips_named(const std::string& key);

/// In few words, for people: "machine patches", "trace and trim".
const char* name_of(Treatment treatment);
const char* name_of(School school);

} // namespace zesty
