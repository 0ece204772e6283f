#pragma once
// One result of a check. They come from every stage and look the same everywhere.

#include "core/geometry/shapes.h"
#include "core/names.h"
#include "core/stash/colour.h"

#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace zesty {

struct Project;
struct SetOutDecisions;
struct SectionDecisions;
struct MatchDecisions;
struct SheetDecisions;

enum class Severity { Problem, Advice, Note };
template <> inline constexpr std::array words_of<Severity>{"problem", "advice", "note"};

/// What a finding is about; how serious that is and whether the guide says it goes with it.
enum class Code {
    // Set out
    ThinBar,
    DelicateBars,
    OverEdge,
    OverFrame,
    NoRoomForCut,
    NoBase,
    OneSided,
    NoFrameLip,
    NarrowFrameLip,
    PhotoOverEdge,
    CoveredPart,
    FreeCell,
    FramePaper,
    BasePaper,
    CutPaper,
    // Sections
    Drawing,
    NarrowLip,
    NoHold,
    Shaker,
    ShakerWalls,
    GlueShows,
    PhotoToOrder,
    Journaling,
    NoJournaling,
    Enlarged,
    EnlargedInPart,
    NotEnlarged,
    NoPunch,
    TooNarrow,
    Hidden,
    // Papers
    LostPaper,
    NoStash,
    NoPaper,
    Alike,
    Tie,
    Lonely,
    PhotoMissing,
    PhotoBlendsIn,
    // Sheets
    Short,
    NoReservedRoom,
};
template <>
inline constexpr std::array words_of<Code>{"thin-bar",
                                           "delicate-bars",
                                           "over-edge",
                                           "over-frame",
                                           "no-room-for-cut",
                                           "no-base",
                                           "one-sided",
                                           "no-frame-lip",
                                           "narrow-frame-lip",
                                           "photo-over-edge",
                                           "covered-part",
                                           "free-cell",
                                           "frame-paper",
                                           "base-paper",
                                           "cut-paper",
                                           "drawing",
                                           "narrow-lip",
                                           "no-hold",
                                           "shaker",
                                           "shaker-walls",
                                           "glue-shows",
                                           "photo-to-order",
                                           "journaling",
                                           "no-journaling",
                                           "enlarged",
                                           "enlarged-in-part",
                                           "not-enlarged",
                                           "no-punch",
                                           "too-narrow",
                                           "hidden",
                                           "lost-paper",
                                           "no-stash",
                                           "no-paper",
                                           "alike",
                                           "tie",
                                           "lonely",
                                           "photo-missing",
                                           "photo-blends-in",
                                           "short",
                                           "no-reserved-room"};

Severity severity_of(Code code);
/// Whether the printed guide says it: what has to be measured, ordered or cut besides the patches.
bool goes_into_guide(Code code);

/// A decision that would settle a finding, and what the button says that makes it. A change is a value with
/// == and a call operator that takes the decisions of the stage it concerns, or the whole project:
///
///     struct SetGlueLip { double lip; void operator()(SetOutDecisions& page) const; bool operator==(...) =
///     default; };
class Fix {
public:
    template <class Change>
    Fix(std::string label, Change change)
        : label_(std::move(label)), change_(std::make_shared<const Holding<Change>>(std::move(change))) {}

    const std::string& label() const { return label_; }
    /// Makes the decision; one that no longer fits the project changes nothing.
    void apply(Project& project) const { change_->apply(project); }
    /// The change, where it is one of that kind; null otherwise.
    template <class Change> const Change* as() const {
        const auto* holding = dynamic_cast<const Holding<Change>*>(change_.get());
        return holding ? &holding->change : nullptr;
    }
    friend bool operator==(const Fix& a, const Fix& b) {
        return a.label_ == b.label_ && (a.change_ == b.change_ || a.change_->same_as(*b.change_));
    }

private:
    struct AnyChange {
        virtual ~AnyChange() = default;
        virtual void apply(Project& project) const = 0;
        virtual bool same_as(const AnyChange& other) const = 0;
    };
    template <class Change> struct Holding final : AnyChange {
        explicit Holding(Change c) : change(std::move(c)) {}
        void apply(Project& project) const override;
        bool same_as(const AnyChange& other) const override {
            const auto* same = dynamic_cast<const Holding*>(&other);
            return same && same->change == change;
        }
        Change change;
    };

    std::string label_;
    std::shared_ptr<const AnyChange> change_;
};

struct Finding {
    Code code = Code::Drawing;
    std::string title;               ///< a few words
    std::string message = {};        ///< one sentence with numbers
    std::optional<Point> where = {}; ///< on the page
    std::vector<int> openings = {};  ///< what it is about
    int about = -1;              ///< which pair of neighbours, or which short patch, by its index in the plan
    std::vector<Fix> fixes = {}; ///< the cheapest first
    std::optional<Rgb> swatch = {}; ///< the colour it speaks of

    Severity severity() const { return severity_of(code); }
    bool operator==(const Finding&) const = default;
};

/// The decisions of each stage in a project, for changes that concern one stage.
SetOutDecisions& set_out_in(Project& project);
SectionDecisions& sections_in(Project& project);
MatchDecisions& match_in(Project& project);
SheetDecisions& sheets_in(Project& project);

template <class Change> void Fix::Holding<Change>::apply(Project& project) const {
    if constexpr (std::is_invocable_v<const Change&, SetOutDecisions&>)
        change(set_out_in(project));
    else if constexpr (std::is_invocable_v<const Change&, SectionDecisions&>)
        change(sections_in(project));
    else if constexpr (std::is_invocable_v<const Change&, MatchDecisions&>)
        change(match_in(project));
    else if constexpr (std::is_invocable_v<const Change&, SheetDecisions&>)
        change(sheets_in(project));
    else
        change(project);
}

} // namespace zesty
