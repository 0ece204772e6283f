#pragma once
// Everything a key can do, in one table: the tooltips, the sheet of keys and the buttons all read from it.

#include <QAction>
#include <QObject>
#include <vector>

class QWidget;

namespace zesty {

/// Property of a view that takes Return itself, whatever else it is the key of.
inline constexpr char return_of_its_own[] = "return-of-its-own";

enum class Act {
    Open,
    BringIn,
    PasteList,
    WriteOut,
    BackUp,
    Restore,
    AddPapers,
    Save,
    SaveAs,
    Undo,
    Redo,
    Keys,
    Units,
    ToSetOut,
    ToSections,
    ToPapers,
    ToSheets,
    ToDress,
    ToBuild,
    ToKeep,
    NextWaypoint,
    Fit,
    TrueSize,
    ZoomIn,
    ZoomOut,
    FoldDrawer,
    Letters,
    TurnLeft,
    TurnRight,
    Mirror,
    Centre,
    AddCut,
    AddScan,
    CopyCut,
    FaceCut,
    CopyInOrder,
    AllFit,
    Arrange,
    SketchPicture,
    IntoOpenings,
    TakeOff,
    NextInHand,
    Raise,
    Lower,
    AddPhoto,
    FitPhoto,
    PhotoPicture,
    SelectAll,
    SelectTwins,
    Group,
    Ungroup,
    Paper,
    LeaveOpen,
    SelectRow,
    Divide,
    Undivide,
    Give,
    TakeAway,
    Propose,
    TakeProposal,
    TakeForSelection,
    NextProposal,
    SideBySide,
    TurnPaper,
    FindPaper,
    Clear,
    Pin,
    Unpin,
    Reserve,
    Export,
    AddWriting,
    NextLook,
    AddMat,
    AddLayer,
    Cure,
    AddTitle,
    PutEmbellishment,
    WhatFits,
    WhereItFits,
    AddStitching,
    AddWet,
    TakeDropOuts,
    HoldNext,
    FreePartWanted,
    PutAside,
    BringBack,
    CompareVariants,
    StepDone,
    StepUndone,
    StepStart,
    StepLater,
    StepLarge,
    AddOwnStep,
    AddSitting,
    CutJob,
    CancelCut,
    CutAnew,
    FinishPage,
    TakeWhatIsCut,
    PutBackPage,
    RealPhoto,
    FindPage,
    OtherPapers,
    OtherCut,
    WriteRecord,
    WriteShelf,
};

/// What is the case in the window, as far as actions depend on it.
struct Moment {
    bool cut = false;      ///< there is a cut on the page
    bool photo = false;    ///< a photo is in hand
    bool proposal = false; ///< one is on show
    bool paper = false;    ///< one is picked in the drawer
    bool papers = false;   ///< there are some
    std::size_t selected = 0;
    bool undo = false;
    bool redo = false;
};

/// When an action can do something.
namespace when {
using Rule = bool (*)(const Moment&);
inline constexpr Rule always = [](const Moment&) { return true; };
inline constexpr Rule with_undo = [](const Moment& m) { return m.undo; };
inline constexpr Rule with_redo = [](const Moment& m) { return m.redo; };
inline constexpr Rule with_cut = [](const Moment& m) { return m.cut; };
inline constexpr Rule with_cut_and_no_proposal = [](const Moment& m) { return m.cut && !m.proposal; };
inline constexpr Rule with_something_in_hand = [](const Moment& m) {
    return (m.cut || m.photo) && !m.proposal;
};
inline constexpr Rule with_photo_in_hand = [](const Moment& m) { return m.photo && !m.proposal; };
inline constexpr Rule with_selection = [](const Moment& m) { return m.cut && m.selected > 0 && !m.proposal; };
inline constexpr Rule with_several = [](const Moment& m) { return m.cut && m.selected > 1 && !m.proposal; };
inline constexpr Rule with_selection_and_paper = [](const Moment& m) { return with_selection(m) && m.paper; };
inline constexpr Rule with_stash = [](const Moment& m) { return m.cut && m.papers; };
inline constexpr Rule with_proposal = [](const Moment& m) { return m.proposal; };
inline constexpr Rule with_proposal_and_selection = [](const Moment& m) {
    return m.proposal && m.cut && m.selected > 0;
};
inline constexpr Rule with_picked_paper = [](const Moment& m) { return m.paper; };
} // namespace when

struct ActionRow {
    Act act;
    const char* chapter; ///< heading on the sheet of keys
    const char* text;    ///< what it does, in few words
    const char* key;     ///< QKeySequence::PortableText
    when::Rule when;     ///< when it can do something
};

/// The bench's own and those of every waypoint.
const std::vector<ActionRow>& action_table();

/// The QActions of one window.
class Actions : public QObject {
    Q_OBJECT
public:
    explicit Actions(QWidget* window);
    QAction* operator[](Act act) const { return actions_[static_cast<std::size_t>(act)]; }

    void enable(const Moment& now);

private:
    std::vector<QAction*> actions_;
};

} // namespace zesty
