#include "app/dress/dress_actions.h"

namespace zesty {

std::vector<ActionRow> dress_actions() {
    using namespace when;
    return {
        {Act::AddWriting, "Dress", "Add journaling", "Ctrl+J", always},
        {Act::NextLook, "Dress", "See the page in colour, in grey, or squinting", "E", always},
    };
}

} // namespace zesty
