#include "app/setout/set_out_actions.h"

namespace zesty {

std::vector<ActionRow> set_out_actions() {
    using namespace when;
    return {
        {Act::TurnLeft, "Set out", "Turn the cut left by 15 degrees", "[", with_cut},
        {Act::TurnRight, "Set out", "Turn the cut right by 15 degrees", "]", with_cut},
        {Act::Mirror, "Set out", "Mirror the cut", "M", with_cut},
        {Act::Centre, "Set out", "Put the cut in the middle", "C", with_cut},
        {Act::AddCut, "Set out", "Add another drawing", "Ctrl+Shift+D", always},
        {Act::AddScan, "Set out", "Add a cut scanned beside a square", "Ctrl+Shift+T", always},
        {Act::CopyCut, "Set out", "Copy the cut", "Ctrl+D", with_cut_and_no_proposal},
        {Act::FaceCut, "Set out", "Copy the cut, mirrored", "Ctrl+F", with_cut_and_no_proposal},
        {Act::CopyInOrder, "Set out", "Copy the cut in a circle or row", "Ctrl+Shift+F",
         with_cut_and_no_proposal},
        {Act::AllFit, "Set out", "Does it all fit?", "Ctrl+Shift+L", always},
        {Act::Arrange, "Set out", "Arrange the photos", "Ctrl+Alt+A", always},
        {Act::SketchPicture, "Set out", "Put a sketch under the page", "Ctrl+Shift+K", always},
        {Act::IntoOpenings, "Set out", "Put the photos into openings", "Ctrl+Alt+P",
         with_cut_and_no_proposal},
        {Act::TakeOff, "Set out", "Remove the cut or photo from the page", "Shift+Del",
         with_something_in_hand},
        {Act::NextInHand, "Set out", "Take the next cut or photo in hand", "N", with_something_in_hand},
        {Act::Raise, "Set out", "Bring forward", "PgUp", with_something_in_hand},
        {Act::Lower, "Set out", "Send back", "PgDown", with_something_in_hand},
        {Act::AddPhoto, "Set out", "Add a photo to the page", "Ctrl+P", always},
        {Act::PhotoPicture, "Set out", "Show a picture in the photo", "Ctrl+Shift+P", with_photo_in_hand},
        {Act::FitPhoto, "Set out", "Fit the photo into its opening", "Ctrl+L", with_photo_in_hand},
    };
}

} // namespace zesty
