#pragma once
// A step of the work. Minutes.

#include "core/build/deeds.h"
#include "core/build/timetable.h"
#include "core/names.h"

#include <string>
#include <utility>
#include <vector>

namespace zesty {

enum class StepKind {
    Gut,
    Trim,
    MachineCut,
    Lift,
    HandCut,
    Back,
    LoosePieces,
    Shaker,
    Wet,
    Stitch,
    LayOut,
    Foam,
    Mount,
    Title,
    Embellish,
    Write,
    Frame,
    Finish,
    Own
};
template <>
inline constexpr std::array words_of<StepKind>{"gut",     "trim",         "machine-cut", "lift",  "hand-cut",
                                               "back",    "loose-pieces", "shaker",      "wet",   "stitch",
                                               "lay-out", "foam",         "mount",       "title", "embellish",
                                               "write",   "frame",        "finish",      "own"};

/// What a step is about, to be shown at its place.
struct StepPart {
    enum class Kind { Opening, Cut, Photo, Layer, Embellishment, Title, Writing, Wet, Base, Sheet };
    Kind kind = Kind::Opening;
    int index = 0; ///< as the decisions or, of openings and sheets, the plan count them
    bool operator==(const StepPart&) const = default;
};

struct BuildStep {
    std::string key = {}; ///< the same as long as what it is about is there
    StepKind kind = StepKind::Own;
    std::string what = {}; ///< a sentence without its full stop: "Cut the patches from hedge-stripe#1"
    TimedStep time = {};
    std::vector<StepDeed> deeds = {}; ///< what it does with the things on the table
    std::string caution = {};         ///< where it can hurt or spoil; empty for none
    std::vector<std::pair<std::string, std::string>> rows = {}; ///< "Glue": "fine tip: the lips are 1.9 mm"
    std::vector<StepPart> parts = {};
    bool face_down = false;              ///< what it is about lies with its good side down
    std::vector<std::string> needs = {}; ///< on the table: "fine-tip glue", "hedge-stripe, sheet 1"
    std::string waiting = {};            ///< what goes on while it dries: "glue sets"; empty for nothing
};

/// "5 min", "1 h 5 min"; at least a minute.
std::string minutes_in_words(double minutes);

/// What time goes by.
std::vector<TimedStep> times_of(const std::vector<BuildStep>& steps);

} // namespace zesty
