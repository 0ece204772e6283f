#pragma once
// Everything a key can do, in one table: the tooltips, the sheet of keys and the buttons all read from it.

#include <QAction>
#include <QObject>
#include <vector>

class QWidget;

namespace zesty {

enum class Act {
    Open,
    OpenStash,
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
    NextWaypoint,
    Fit,
    TrueSize,
    ZoomIn,
    ZoomOut,
    TurnLeft,
    TurnRight,
    Mirror,
    Centre,
    AddCut,
    AddScan,
    CopyCut,
    FaceCut,
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
};

struct ActionRow {
    Act act;
    const char* chapter; ///< heading on the sheet of keys
    const char* text;    ///< what it does, in few words
    const char* key;     ///< QKeySequence::PortableText
};

const std::vector<ActionRow>& action_table();

/// The QActions of one window.
class Actions : public QObject {
    Q_OBJECT
public:
    explicit Actions(QWidget* window);
    QAction* operator[](Act act) const { return actions_[static_cast<std::size_t>(act)]; }

private:
    std::vector<QAction*> actions_;
};

} // namespace zesty
