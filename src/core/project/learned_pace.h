#pragma once
// A household's own pace, learned from what its steps have taken.

#include "core/build/step.h"
#include "core/keep/look_back.h"
#include "core/project/project.h"

namespace zesty {

/// The page's minutes become those that its log shows; kinds of steps nobody has timed stay as they are.
void take_over_pace(Project& project, const std::vector<BuildStep>& steps);

/// "Wet work takes 8 min, planned 6." for each kind that the log knows.
std::vector<std::string> pace_in_words(const Project& project, const std::vector<BuildStep>& steps);

/// The page's minutes become those of the household's pages so far, by the program's own numbers.
void take_over_own_pace(Project& project, const std::vector<OwnPace>& pace);
/// "Backing takes 18 % longer than usual."
std::string own_pace_in_words(const OwnPace& pace);

} // namespace zesty
