#pragma once
// What a person decides at Build: how the machine cuts, in which habits the work is done, with how many hands
// and when, and what has been done of it. Minutes; moments are seconds since 1970.

#include "core/limits.h"
#include "core/names.h"

#include <cstdint>
#include <map>
#include <string>
#include <vector>

namespace zesty {

/// What the blade does where an outline turns sharply.
enum class Corners {
    Plain,  ///< follows the outline
    Swivel, ///< goes on by its offset and turns round the corner on an arc
    Lift    ///< is lifted, and set down anew
};
template <> inline constexpr std::array words_of<Corners>{"plain", "swivel", "lift"};

struct CuttingSettings {
    double overcut = 0.5; ///< mm that a contour goes on beyond its start
    Corners corners = Corners::Plain;
    double blade_offset = 0.25;         ///< mm from the axis of the blade to its tip
    double sharp_deg = 30;              ///< a turn from which a corner is one
    bool face_down = false;             ///< everything is laid on the cutting mat with its good side down
    bool test_piece = true;             ///< a small square is cut first
    std::string material = "cardstock"; ///< of the machine's list, for what nobody said anything else about
    bool operator==(const CuttingSettings&) const = default;
};
inline constexpr Limits overcut_limits{0, 5};
inline constexpr Limits blade_offset_limits{0, 2};
inline constexpr Limits sharp_limits{5, 170};

enum class TrimBase { BeforeWet, AfterWet };
template <> inline constexpr std::array words_of<TrimBase>{"before-wet", "after-wet"};
enum class FirstWork { Backing, Photos };
template <> inline constexpr std::array words_of<FirstWork>{"backing", "photos"};
enum class FrameBase { Last, First };
template <> inline constexpr std::array words_of<FrameBase>{"last", "first"};
enum class CutMats { Machine, Trimmer };
template <> inline constexpr std::array words_of<CutMats>{"machine", "trimmer"};

/// What one household does this way and the next that way; nothing physical.
struct Habits {
    TrimBase trim = TrimBase::AfterWet;
    FirstWork first = FirstWork::Backing;
    FrameBase frame = FrameBase::Last;
    CutMats mats = CutMats::Machine; ///< photo mats and paper layers
    bool operator==(const Habits&) const = default;
};

/// Minutes of a pair of hands.
struct StepMinutes {
    double loading = 2;       ///< a cutting mat or sheet
    double trimming = 4;      ///< a base, or a strip
    double gutting = 6;       ///< a window by knife and ruler
    double lifting = 0.3;     ///< a piece off the cutting mat
    double wetting = 6;       ///< a place of wet work
    double laying_out = 12;   ///< everything, dry
    double mounting = 5;      ///< a cut or a photo
    double letter = 0.5;      ///< of a title
    double embellishment = 1; ///< looked for and put on
    double word = 0.12;       ///< written
    double hole = 0.2;        ///< pierced and sewn
    bool operator==(const StepMinutes&) const = default;
};

/// Minutes of waiting. Usual ones: the maker's instructions win.
struct DryingMinutes {
    double glue = 5; ///< until it holds
    double acetate = 15;
    double primer = 15;
    double paint = 20;
    double ink = 15;
    double splatter = 10;
    double paste = 60;
    double pen = 3;
    bool operator==(const DryingMinutes&) const = default;
};
inline constexpr Limits minutes_limits{0, 1440};

/// A step of somebody's own.
struct OwnStep {
    int id = 1;
    std::string what;   ///< a sentence without its full stop
    std::string after;  ///< key of the step it waits for; empty for none
    std::string before; ///< key of the step that waits for it; empty for none
    double hands = 5;
    double dries = 0;
    bool operator==(const OwnStep&) const = default;
};
inline constexpr std::size_t most_own_steps = 60;
inline constexpr Limits own_step_id_limits{1, 1'000'000};

/// Time at the table.
struct Sitting {
    double minutes = 90;
    double pause = 720; ///< before it, since the end of the one before
    bool away = false;  ///< at another table, without the machine
    bool operator==(const Sitting&) const = default;
};
inline constexpr std::size_t most_sittings = 30;
inline constexpr Limits sitting_limits{5, 1440};
inline constexpr Limits pause_limits{0, 100'000};
inline constexpr Limits pairs_limits{1, 4};
inline constexpr std::size_t most_reminders = 40;

/// What has been done of a step.
struct StepLog {
    std::int64_t started = 0; ///< 0: not yet
    std::int64_t running = 0; ///< since when; 0 while it is not worked on
    std::int64_t done = 0;    ///< 0: not yet
    double worked = 0;        ///< seconds before `running`
    bool operator==(const StepLog&) const = default;
};
inline constexpr Limits moment_limits{0, 1e11};
inline constexpr Limits worked_limits{0, 1e8};

struct BuildDecisions {
    CuttingSettings cutting;
    Habits habits;
    StepMinutes minutes;
    DryingMinutes drying;
    int pairs = 1; ///< of hands
    std::vector<Sitting> sittings;
    std::vector<OwnStep> own_steps;
    std::vector<std::string> reminders; ///< named before finishing: "date on the back"
    std::map<std::string, StepLog> log; ///< by key of the step
    bool operator==(const BuildDecisions&) const = default;
};

} // namespace zesty
