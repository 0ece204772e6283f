#include "core/finding.h"

namespace zesty {

Severity severity_of(Code code) {
    switch (code) {
    case Code::ThinBar:
    case Code::NoRoomForCut:
    case Code::NoBase:
    case Code::NoFrameLip:
    case Code::CoveredPart:
    case Code::FramePaper:
    case Code::BasePaper:
    case Code::CutPaper:
    case Code::ShakerWalls:
    case Code::LostPaper:
    case Code::Short:
        return Severity::Problem;
    case Code::DelicateBars:
    case Code::OverEdge:
    case Code::OverFrame:
    case Code::OneSided:
    case Code::NarrowFrameLip:
    case Code::PhotoOverEdge:
    case Code::NoHold:
    case Code::GlueShows:
    case Code::NoJournaling:
    case Code::EnlargedInPart:
    case Code::NotEnlarged:
    case Code::Alike:
    case Code::Tie:
    case Code::PhotoMissing:
    case Code::PhotoBlendsIn:
    case Code::NoReservedRoom:
        return Severity::Advice;
    case Code::FreeCell:
    case Code::Drawing:
    case Code::NarrowLip:
    case Code::Shaker:
    case Code::PhotoToOrder:
    case Code::Journaling:
    case Code::Enlarged:
    case Code::NoPunch:
    case Code::TooNarrow:
    case Code::Hidden:
    case Code::NoStash:
    case Code::NoPaper:
    case Code::Lonely:
        break;
    }
    return Severity::Note;
}

bool goes_into_guide(Code code) {
    return code == Code::Shaker || code == Code::PhotoToOrder || code == Code::Journaling ||
           code == Code::NoJournaling || code == Code::Enlarged || code == Code::EnlargedInPart ||
           code == Code::NotEnlarged || code == Code::Hidden;
}

} // namespace zesty
