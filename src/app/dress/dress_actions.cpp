#include "app/dress/dress_actions.h"

namespace zesty {

std::vector<ActionRow> dress_actions() {
    using namespace when;
    return {
        {Act::AddMat, "Dress", "Add a photo mat behind the photo in hand, or behind every photo", "Ctrl+M",
         always},
        {Act::AddLayer, "Dress", "Add a paper layer", "Ctrl+Shift+M", always},
        {Act::Cure, "Dress", "Cure slivers by the smallest moves", "Ctrl+K", with_cut},
        {Act::AddTitle, "Dress", "Add a title", "Ctrl+T", always},
        {Act::PutEmbellishment, "Dress", "Put the chosen embellishment on the page", "Ctrl+B", always},
        {Act::WhatFits, "Dress", "What fits the selected opening or the free place", "Ctrl+W", always},
        {Act::WhereItFits, "Dress", "Where the chosen embellishment fits", "Ctrl+Alt+W", always},
        {Act::AddStitching, "Dress", "Add stitching", "Ctrl+Shift+J", always},
        {Act::AddWriting, "Dress", "Add journaling", "Ctrl+J", always},
        {Act::NextLook, "Dress", "See the page in colour, in grey, or squinting", "E", always},
    };
}

} // namespace zesty
