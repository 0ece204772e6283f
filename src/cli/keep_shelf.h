#pragma once
// The shelf of finished pages on the command line.

#include "cli/keep_args.h"
#include "core/keep/look_back.h"
#include "io/page_record.h"

namespace zesty::cli {

/// Whether the options want the shelf rather than a page.
bool asks_for_shelf(const KeepArgs& args);
/// Says it, changes a record or writes records out; its exit code.
/// What each sheet the page was cut from became.
int say_sheets(const Project& page);
int run_shelf(const KeepArgs& args);

/// What is typed of a page's notes.
void type_notes(const KeepArgs& args, PageNotes& notes);
bool types_notes(const KeepArgs& args);
/// The photo of the real page that is typed; without a name where none is.
Result<KeptPhoto> typed_photo(const KeepArgs& args);

} // namespace zesty::cli
