#pragma once
// The commands of `zesty`. Each returns the exit code: 0 done, 1 done with problems found, 2 bad input with
// one line on standard error.

#include "core/project/project.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

inline constexpr int done = 0;
inline constexpr int problems = 1;
inline constexpr int bad_input = 2;

struct Inspect {
    std::string cut;
    std::string width;
    std::string square; ///< side of the square beside a scanned cut
    bool json = false;
};
int run(const Inspect& args);

struct New {
    std::string cut;
    std::string page = "12x12in";
    std::string margin;
    std::string width;
    std::string height;
    std::string reveal;
    std::string lip;
    double turn_deg = 0;
    bool mirrored = false;
    std::string square;
    std::string stash;
    std::string out;
};
int run(const New& args);

/// Changes what Set out decides, then says what comes of it. Texts are as typed; empty ones change nothing.
struct SetOutArgs {
    std::string project;
    std::string out; ///< empty: the project itself
    // Page
    std::string page, gap, reveal, glue_lip, frame_paper;
    bool spread = false, single = false, strips = false, whole_frame = false;
    // Cuts
    int cut = 0; ///< which one, from 1; 0 for the uppermost
    std::string add, square, leave_out, only, layers, shadow, margin, frame_gap, width, height, at;
    std::optional<double> turn_deg;
    bool copy = false, facing = false, remove = false, mirror = false, all_pieces = false, split = false;
    bool pieces_from_paper = false, above_photos = false, below_photos = false, raise = false, lower = false;
    // Photos
    std::vector<std::string> photos;
    std::string photo_picture;
    int photo = 0; ///< which one the options are for, from 1; 0 for the last
    std::string photo_at, grid, grid_gap, protected_parts;
    std::optional<double> photo_turn;
    int leave_free = 0;
    bool photo_round = false, photo_behind = false, photo_on_top = false, remove_photo = false;
    // Size
    std::string size_for, fit_photo, mat, cutting_mat_picture, sizes;
    bool ladder = false;
    bool json = false;
};
int run(const SetOutArgs& args);

/// Changes what Sections decides, then lists the sections.
struct SectionsArgs {
    std::string project;
    std::string out;
    std::string by, centre, lasso_box, foam, clearance, punches, lips;
    int count = 3;
    std::vector<std::string> group, ungroup, name, treat, method, lip, divide, undivide, order, bars;
    bool punch_on_top = false, punch_behind = false, compare = false, advise = false;
    bool json = false;
};
int run(const SectionsArgs& args);

/// Changes the database of papers, then lists those that are looked for.
struct StashArgs {
    std::string stash;
    std::string import, export_to, remove, reserve, release;
    std::string add, name, colour, picture, pattern, direction, strip, repeat, kept_in, notes;
    std::string back_colour, back_picture, back_pattern, back_direction;
    std::vector<std::string> sheets;
    std::string offcut, square;
    std::string find, like, kind, room;
    bool in_stock = false, crop = false;
    bool json = false;
};
int run(const StashArgs& args);

/// Changes what Papers decides, then says which paper is where, what else is proposed, and why.
struct PapersArgs {
    std::string project;
    std::string out;
    // Papers of sections
    std::vector<std::string> give, never, allow, same_as, facing;
    std::string take, keep, loose, own;
    // Papers as a whole
    std::vector<std::string> apart, together, role;
    std::string base_paper, cut_paper;
    bool gut = false, no_gut = false, under_photos = false, not_under_photos = false;
    // Prints
    std::vector<std::string> slant, tone, motif;
    std::string slants, run_on, reset_pattern;
    // Colours
    std::optional<double> drift;
    std::string light, map, zones;
    std::vector<std::string> weight;
    // Places on the sheets
    std::vector<std::string> pin;
    std::string unpin;
    // Room on them for later
    std::vector<std::string> reserve_for, reserve_size;
    std::string stop_reserving;
    // Questions
    int proposals = 0;
    int take_proposal = 0;
    std::string proposal_pictures, why;
    double seconds = 20;
    std::optional<unsigned> seed;
    bool json = false;
};
int run(const PapersArgs& args);

struct PlanArgs {
    std::string project;
    std::optional<unsigned> seed;
    double seconds = 10;
    std::optional<double> drift;
    std::string light;
    bool json = false;
};
int run(const PlanArgs& args);

struct Nest {
    std::string job;
    unsigned seed = 1;
    double seconds = 1;
    bool json = false;
};
int run(const Nest& args);

struct Export {
    std::string project;
    std::string out;
    std::string paper = "a4";
};
int run(const Export& args);

/// Writes the project to `out`, or back where it came from when that is empty and it has changed.
Result<void> save_changes(const Project& before, const Project& after, const std::string& path,
                          const std::string& out);

/// Prints the one line and returns 2.
int complain(const std::string& message);

} // namespace zesty::cli
