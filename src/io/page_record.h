#pragma once
// Finishing a page, with the files its record keeps: a picture of the plan, and the page itself.

#include "core/project/finishing.h"
#include "io/stash_store.h"

namespace zesty {

struct FinishedPage {
    Project project; ///< with what was taken, its record in the stash at hand where that is an open one
    RecordFiles files;
    Finishing taken;                  ///< what was taken; nothing where it was put back
    std::vector<std::string> without; ///< sentences: what the page lacks
};
/// An error of kind NothingToDo where there is nothing to take. `plan`: of the project, with its patches on
/// sheets. `day`: 2026-05-17.
/// `file`: the page's, by page_key().
Result<FinishedPage> finished_page(Project project, const Plan& plan, FinishWhat what, const std::string& day,
                                   const std::string& file);

/// Everything that was taken for the page put back, its record kept as one of a page that is not finished.
/// `without`: what could not be put back as it was.
Result<FinishedPage> page_put_back(Project project, const Plan& plan, const std::string& file);

/// A page that was not saved after something was taken for it catches up with its record; others stay as they
/// are.
Result<void> catch_up_with_record(Project& project, const std::string& file, const StashStore& store);

/// The page a record keeps, as it was planned; its photos have no pictures.
Result<Project> remembered_page(const StashStore& store, const PageRecord& record);

/// A photo of the real page as it is kept with a record: upright, no larger than 1600 pixels.
struct KeptPhoto {
    std::string name;
    RecordFiles files;
};
Result<KeptPhoto> photo_to_keep(const QString& path);

/// What an SVG says about rights and licence, one line; empty where it says nothing.
std::string licence_in(const std::string& svg);

} // namespace zesty
