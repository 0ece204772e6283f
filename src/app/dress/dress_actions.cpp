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
        {Act::PutEmbellishment, "Dress", "Add the chosen embellishment to the page", "Ctrl+B", always},
        {Act::WhatFits, "Dress", "What fits the selected opening or the free place", "Ctrl+W", always},
        {Act::WhereItFits, "Dress", "Where the chosen embellishment fits", "Ctrl+Alt+W", always},
        {Act::AddWet, "Dress", "Add wet work", "W", always},
        {Act::TakeDropOuts, "Dress", "Add the drop-outs of the cut in hand to the embellishments",
         "Ctrl+Alt+D", with_cut},
        {Act::HoldNext, "Dress", "Hold the chosen thing flat, on foam or at its tip", "H", always},
        {Act::FreePartWanted, "Dress", "Leave a part free of glue and foam", "Ctrl+H", always},
        {Act::PutAside, "Dress", "Put the arrangement aside", "Ctrl+Shift+A", always},
        {Act::BringBack, "Dress", "Bring the chosen arrangement back", "Ctrl+Shift+E", always},
        {Act::CompareVariants, "Dress", "Compare the arrangements", "Ctrl+Alt+E", always},
        {Act::AddStitching, "Dress", "Add stitching", "Ctrl+Shift+J", always},
        {Act::AddWriting, "Dress", "Add journaling", "Ctrl+J", always},
        {Act::NextLook, "Dress", "See the page in colour, in grey, squinting, by height or by glue", "E",
         always},
    };
}

} // namespace zesty
