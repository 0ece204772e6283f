#include "app/build/build_actions.h"

namespace zesty {

std::vector<ActionRow> build_actions() {
    using namespace when;
    return {
        {Act::StepDone, "Build", "Tick off the step on show and go on (Space)", "Ctrl+Alt+Return", always},
        {Act::StepUndone, "Build", "Take the tick off the step on show", "Ctrl+Alt+Backspace", always},
        {Act::StepStart, "Build", "Start the step on show, pause it or go on", "Ctrl+Space", always},
        {Act::StepLater, "Build", "Leave the step on show for later and show the next", "Ctrl+Right", always},
        {Act::StepLarge, "Build", "Show the step alone and large", "F11", always},
        {Act::AddOwnStep, "Build", "Add a step of your own", "Ctrl+Alt+O", always},
        {Act::AddSitting, "Build", "Add a sitting", "Ctrl+Alt+S", always},
        {Act::CutJob, "Build", "Cut what is on show by machine, pause it or go on", "Ctrl+Alt+C", always},
        {Act::CancelCut, "Build", "Cancel cutting", "Ctrl+Alt+X", always},
        {Act::CutAnew, "Build", "Cut what is on show on new paper, test piece first", "Ctrl+Alt+N", always},
    };
}

} // namespace zesty
