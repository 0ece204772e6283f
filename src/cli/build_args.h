#pragma once

#include "core/build/progress.h"
#include "core/project/project.h"
#include "core/result.h"

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// Everything that is decided and asked at Build. Texts are as typed; empty ones change nothing.
struct BuildArgs {
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project, out;
    int hands = 0; ///< 0: as decided
    // Cutting
    std::string overcut, corners, blade_offset, material;
    std::optional<double> sharp;
    bool face_down = false, face_up = false, test_piece = false, no_test_piece = false;
    // Habits
    std::string trim, first, frame, mats;
    // Own steps, reminders, sittings
    std::string add_step, after, before;
    std::optional<double> minutes, dries;
    int remove_step = 0; ///< id; 0 for none
    std::string remind, forget;
    std::vector<std::string> sittings;
    bool no_sittings = false;
    // What has been done
    std::string start, pause, done, not_done, at;
    bool take_pace = false;
    // Questions
    std::optional<double> next;
    bool suggested = false;
    bool lists = false, packing = false, one_more = false, what_if = false, cutting = false;
    bool json = false;
    // The machine
    std::string machine = "zesty-cutter", job, picture;
    bool anew = false;
};

/// What is decided; `steps` are those of the page before, for keys and the pace.
Result<void> edit_build(const BuildArgs& args, const std::vector<BuildStep>& steps, std::int64_t now,
                        Project& project);
/// Seconds since 1970 of --at, or of the clock.
Result<std::int64_t> typed_moment(const std::string& at);

} // namespace zesty::cli
