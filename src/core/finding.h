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
struct DressDecisions;

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
    UnlikePhoto,
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
    PhotoInPart,
    PaperOverFace,
    PhotoOverSection,
    // Papers
    LostPaper,
    NotInStash,
    NoStash,
    NoPaper,
    Alike,
    OnePaper,
    Tie,
    Lonely,
    PhotoMissing,
    PhotoBlendsIn,
    PhotoEdge,
    PhotoFights,
    HueBudget,
    HueWithBase,
    OneQuarter,
    LikeBase,
    // Sheets
    Short,
    TooLarge,
    LostSheet,
    NoReservedRoom,
    // Dress
    WordsLeftOver,
    WritingEntered,
    FaintWriting,
    MatHidden,
    MatTooNarrow,
    MatsCompete,
    MatLargerThanCut,
    MatPaper,
    GutMat,
    Sliver,
    TitleWithoutPath,
    TitleTooLong,
    TitleOffPage,
    LettersMissing,
    TitleHardToRead,
    EmbellishmentsShort,
    EmbellishmentFaint,
    WhiteRim,
    LoneAccent,
    ManyAlike,
    LevelClusters,
    StitchingBroken,
    TooHigh,
    FoamShows,
    TwoLevels,
    PieceHeldOnce,
    WetHidden,
    WetFaint,
    WetHuesFight,
    WetLastSheet,
    WetBeforeTrim,
    FrameHides,
    FrameHidesFace,
};
/// What is said of a code everywhere.
struct CodeRow {
    Code code;
    const char* word; ///< in documents
    Severity severity;
    /// Whether the printed guide says it: what has to be measured, ordered or cut besides the patches.
    bool in_guide = false;
};
inline constexpr std::array code_rows{
    CodeRow{Code::ThinBar, "thin-bar", Severity::Problem},
    CodeRow{Code::DelicateBars, "delicate-bars", Severity::Advice},
    CodeRow{Code::OverEdge, "over-edge", Severity::Advice},
    CodeRow{Code::OverFrame, "over-frame", Severity::Advice},
    CodeRow{Code::NoRoomForCut, "no-room-for-cut", Severity::Problem},
    CodeRow{Code::NoBase, "no-base", Severity::Problem},
    CodeRow{Code::OneSided, "one-sided", Severity::Advice},
    CodeRow{Code::NoFrameLip, "no-frame-lip", Severity::Problem},
    CodeRow{Code::NarrowFrameLip, "narrow-frame-lip", Severity::Advice},
    CodeRow{Code::PhotoOverEdge, "photo-over-edge", Severity::Advice},
    CodeRow{Code::CoveredPart, "covered-part", Severity::Problem},
    CodeRow{Code::FreeCell, "free-cell", Severity::Note},
    CodeRow{Code::UnlikePhoto, "unlike-photo", Severity::Note},
    CodeRow{Code::FramePaper, "frame-paper", Severity::Problem},
    CodeRow{Code::BasePaper, "base-paper", Severity::Problem},
    CodeRow{Code::CutPaper, "cut-paper", Severity::Note},
    CodeRow{Code::Drawing, "drawing", Severity::Note},
    CodeRow{Code::NarrowLip, "narrow-lip", Severity::Note},
    CodeRow{Code::NoHold, "no-hold", Severity::Advice},
    CodeRow{Code::Shaker, "shaker", Severity::Note, true},
    CodeRow{Code::ShakerWalls, "shaker-walls", Severity::Problem},
    CodeRow{Code::GlueShows, "glue-shows", Severity::Advice},
    CodeRow{Code::PhotoToOrder, "photo-to-order", Severity::Note, true},
    CodeRow{Code::Journaling, "journaling", Severity::Note, true},
    CodeRow{Code::NoJournaling, "no-journaling", Severity::Advice, true},
    CodeRow{Code::Enlarged, "enlarged", Severity::Note, true},
    CodeRow{Code::EnlargedInPart, "enlarged-in-part", Severity::Advice, true},
    CodeRow{Code::NotEnlarged, "not-enlarged", Severity::Advice, true},
    CodeRow{Code::NoPunch, "no-punch", Severity::Note},
    CodeRow{Code::TooNarrow, "too-narrow", Severity::Note},
    CodeRow{Code::Hidden, "hidden", Severity::Note, true},
    CodeRow{Code::PhotoInPart, "photo-in-part", Severity::Advice},
    CodeRow{Code::PaperOverFace, "paper-over-face", Severity::Problem},
    CodeRow{Code::PhotoOverSection, "photo-over-section", Severity::Problem},
    CodeRow{Code::LostPaper, "lost-paper", Severity::Problem},
    CodeRow{Code::NotInStash, "not-in-stash", Severity::Note},
    CodeRow{Code::NoStash, "no-stash", Severity::Note},
    CodeRow{Code::NoPaper, "no-paper", Severity::Note},
    CodeRow{Code::Alike, "alike", Severity::Advice},
    CodeRow{Code::OnePaper, "one-paper", Severity::Note},
    CodeRow{Code::Tie, "tie", Severity::Advice},
    CodeRow{Code::Lonely, "lonely", Severity::Note},
    CodeRow{Code::PhotoMissing, "photo-missing", Severity::Advice},
    CodeRow{Code::PhotoBlendsIn, "photo-blends-in", Severity::Advice},
    CodeRow{Code::PhotoEdge, "photo-edge", Severity::Advice},
    CodeRow{Code::PhotoFights, "photo-fights", Severity::Advice},
    CodeRow{Code::HueBudget, "hue-budget", Severity::Advice},
    CodeRow{Code::HueWithBase, "hue-with-base", Severity::Advice},
    CodeRow{Code::OneQuarter, "one-quarter", Severity::Note},
    CodeRow{Code::LikeBase, "like-base", Severity::Advice},
    CodeRow{Code::Short, "short", Severity::Problem},
    CodeRow{Code::TooLarge, "too-large", Severity::Problem},
    CodeRow{Code::LostSheet, "lost-sheet", Severity::Advice},
    CodeRow{Code::NoReservedRoom, "no-reserved-room", Severity::Advice},
    CodeRow{Code::WordsLeftOver, "words-left-over", Severity::Advice, true},
    CodeRow{Code::WritingEntered, "writing-entered", Severity::Advice},
    CodeRow{Code::FaintWriting, "faint-writing", Severity::Advice},
    CodeRow{Code::MatHidden, "photo-mat-hidden", Severity::Advice},
    CodeRow{Code::MatTooNarrow, "photo-mat-too-narrow", Severity::Advice},
    CodeRow{Code::MatsCompete, "photo-mats-compete", Severity::Advice},
    CodeRow{Code::MatLargerThanCut, "photo-mat-larger-than-cut", Severity::Advice},
    CodeRow{Code::MatPaper, "photo-mat-paper", Severity::Problem},
    CodeRow{Code::GutMat, "gut-photo-mat", Severity::Note},
    CodeRow{Code::Sliver, "sliver", Severity::Advice},
    CodeRow{Code::TitleWithoutPath, "title-without-path", Severity::Problem},
    CodeRow{Code::TitleTooLong, "title-too-long", Severity::Problem},
    CodeRow{Code::TitleOffPage, "title-off-page", Severity::Advice},
    CodeRow{Code::LettersMissing, "letters-missing", Severity::Problem, true},
    CodeRow{Code::TitleHardToRead, "title-hard-to-read", Severity::Advice},
    CodeRow{Code::EmbellishmentsShort, "embellishments-short", Severity::Problem, true},
    CodeRow{Code::EmbellishmentFaint, "embellishment-faint", Severity::Advice},
    CodeRow{Code::WhiteRim, "white-rim", Severity::Advice},
    CodeRow{Code::LoneAccent, "lone-accent", Severity::Note},
    CodeRow{Code::ManyAlike, "many-alike", Severity::Note},
    CodeRow{Code::LevelClusters, "level-clusters", Severity::Note},
    CodeRow{Code::StitchingBroken, "stitching-broken", Severity::Note},
    CodeRow{Code::TooHigh, "too-high", Severity::Problem},
    CodeRow{Code::FoamShows, "foam-shows", Severity::Advice},
    CodeRow{Code::TwoLevels, "two-levels", Severity::Note, true},
    CodeRow{Code::PieceHeldOnce, "piece-held-once", Severity::Advice, true},
    CodeRow{Code::WetHidden, "wet-hidden", Severity::Advice},
    CodeRow{Code::WetFaint, "wet-faint", Severity::Advice},
    CodeRow{Code::WetHuesFight, "wet-hues-fight", Severity::Advice, true},
    CodeRow{Code::WetLastSheet, "wet-last-sheet", Severity::Note, true},
    CodeRow{Code::WetBeforeTrim, "wet-before-trim", Severity::Note},
    CodeRow{Code::FrameHides, "frame-hides", Severity::Advice},
    CodeRow{Code::FrameHidesFace, "frame-hides-face", Severity::Problem},
};
template <>
inline constexpr std::array words_of<Code> = [] {
    std::array<const char*, code_rows.size()> words{};
    for (std::size_t i = 0; i < words.size(); ++i) words[i] = code_rows[i].word;
    return words;
}();
static_assert(
    [] {
        for (std::size_t i = 0; i < code_rows.size(); ++i)
            if (code_rows[i].code != static_cast<Code>(i)) return false;
        return true;
    }(),
    "the rows are in the order of the codes");

constexpr Severity severity_of(Code code) {
    return code_rows[static_cast<std::size_t>(code)].severity;
}
constexpr bool goes_into_guide(Code code) {
    return code_rows[static_cast<std::size_t>(code)].in_guide;
}

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
    int about = -1; ///< which pair of neighbours, short patch, or piece of Dress, by its index in the plan
    std::vector<Fix> fixes = {};    ///< the cheapest first
    std::optional<Rgb> swatch = {}; ///< the colour it speaks of

    Severity severity() const { return severity_of(code); }
    bool operator==(const Finding&) const = default;
};

/// The decisions of each stage in a project, for changes that concern one stage.
SetOutDecisions& set_out_in(Project& project);
SectionDecisions& sections_in(Project& project);
MatchDecisions& match_in(Project& project);
SheetDecisions& sheets_in(Project& project);
DressDecisions& dress_in(Project& project);

template <class Change> void Fix::Holding<Change>::apply(Project& project) const {
    if constexpr (std::is_invocable_v<const Change&, SetOutDecisions&>)
        change(set_out_in(project));
    else if constexpr (std::is_invocable_v<const Change&, SectionDecisions&>)
        change(sections_in(project));
    else if constexpr (std::is_invocable_v<const Change&, MatchDecisions&>)
        change(match_in(project));
    else if constexpr (std::is_invocable_v<const Change&, SheetDecisions&>)
        change(sheets_in(project));
    else if constexpr (std::is_invocable_v<const Change&, DressDecisions&>)
        change(dress_in(project));
    else
        change(project);
}

} // namespace zesty
