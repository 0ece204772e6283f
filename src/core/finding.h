#pragma once
// One result of a check. They come from every stage and look the same everywhere.

#include "core/geometry/shapes.h"
#include "core/sections/treatment.h"
#include "core/setout/page.h"
#include "core/setout/placed_cut.h"
#include "core/stash/stash.h"

#include <optional>
#include <string>
#include <variant>
#include <vector>

namespace zesty {

enum class Severity { Problem, Advice, Note };

/// A decision that would settle a finding; the window offers it as a button.
struct GivePaper {
    Spot section;
    std::string paper;
    Side side = Side::A;
    bool operator==(const GivePaper&) const = default;
};
struct SetLip {
    double lip;
    bool operator==(const SetLip&) const = default;
};
struct SetMargin {
    double margin;
    int cut = 0; ///< its id
    bool operator==(const SetMargin&) const = default;
};
struct SetReveal {
    Sides reveal;
    bool operator==(const SetReveal&) const = default;
};
struct SetGlueLip {
    double lip;
    bool operator==(const SetGlueLip&) const = default;
};
struct SetTreatment {
    Spot section;
    Treatment treatment;
    bool operator==(const SetTreatment&) const = default;
};
struct MovePhoto {
    int photo; ///< into Project::photos
    Point centre;
    bool operator==(const MovePhoto&) const = default;
};
/// A lip of their own for sections.
struct SetSectionLip {
    std::vector<Spot> sections;
    double lip;
    bool operator==(const SetSectionLip&) const = default;
};
struct SetMethod {
    Spot section;
    BackingMethod method;
    bool operator==(const SetMethod&) const = default;
};
/// Every cut this much smaller or larger.
struct ScaleCuts {
    double by;
    bool operator==(const ScaleCuts&) const = default;
};
struct GutFrame {
    bool operator==(const GutFrame&) const = default;
};
struct Unpin {
    Spot opening;
    bool operator==(const Unpin&) const = default;
};
/// The prints of the section need not run on.
struct EndRunOn {
    Spot section;
    bool operator==(const EndRunOn&) const = default;
};
/// No room is kept for what the page wants of the paper.
struct StopReserving {
    std::string page;
    std::string paper;
    bool operator==(const StopReserving&) const = default;
};
using Fix =
    std::variant<std::monostate, GivePaper, SetLip, SetMargin, SetReveal, SetGlueLip, MovePhoto, SetTreatment,
                 SetSectionLip, SetMethod, ScaleCuts, GutFrame, Unpin, EndRunOn, StopReserving>;

struct Finding {
    std::string code; ///< stable, for programs: "short", "alike", "thin-bar", ...
    Severity severity = Severity::Note;
    std::string title;          ///< a few words
    std::string message;        ///< one sentence with numbers
    std::optional<Point> where; ///< on the page
    std::vector<int> openings;  ///< what it is about
    Fix fix;
    std::string fix_label; ///< what the button says; empty without a fix
    /// Further ways out, the cheapest first.
    std::vector<std::pair<Fix, std::string>> more_fixes = {};
    std::optional<Rgb> swatch = std::nullopt; ///< the colour it speaks of
};

} // namespace zesty
