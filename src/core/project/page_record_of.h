#pragma once
// What is remembered of a page, from what it has taken of the stash so far.

#include "core/build/step.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// `steps`: of the page as it is.
PageFacts page_facts(const Project& project, const Plan& plan, const std::vector<BuildStep>& steps);

/// The record under the page's uid; `id` must be free, or the record's own.
PageRecord record_of_page(const Project& project, PageFacts facts, const std::string& id);

/// Puts the record into the stash at hand, in the place of the one it had; that one's photo stays.
void put_record(Project& project, PageRecord record);

/// A page that was not saved after something was taken for it, or put back: whether the stash at hand has a
/// later record of it.
/// A page that does not know its record goes by its file.
const PageRecord* later_record(const Project& project, const std::string& file);
/// With what that record's page says has been taken. Notes are the record's.
void catch_up(Project& project, const PageRecord& record, const KeepDecisions& then);

/// What is said of the page goes into its record, and the other way round: the stash is right about it.
void notes_into_record(Project& project);
void notes_from_record(Project& project);

/// What is decided of a page, without what belongs to one made page alone: to be kept with its record. Photos
/// keep their place and lose their picture; papers lose theirs, which the stash has.
Project page_to_remember(Project project);

} // namespace zesty
