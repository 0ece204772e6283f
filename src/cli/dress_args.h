#pragma once

#include "core/project/planner.h"
#include "core/result.h"

#include <CLI/CLI.hpp>
#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// Everything that dresses the page. Texts are as typed; empty ones change nothing.
struct DressArgs {
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project, out;
    // Mats
    int photo = 0; ///< whose mats, from 1; 0 for every photo
    int mat = 0;   ///< which of them, from 1; 0 for the outermost
    std::string add_mat, mat_paper, mat_border, mat_span, mat_shift, mat_torn;
    bool see_through = false, opaque = false, gut = false, no_gut = false, remove_mat = false;
    // Layers
    int layer = 0; ///< which one, from 1; 0 for the uppermost
    std::string add_layer, layer_name, layer_paper, layer_at, layer_size, layer_edge, layer_inset,
        layer_place, layer_torn;
    std::optional<double> layer_turn;
    bool raise_layer = false, remove_layer = false;
    bool cure = false;
    std::string stitch, stitch_sides, stitch_inset, stitch_spacing, stitch_clearance, thread;
    // Height, wet work, a late frame, arrangements
    std::vector<std::string> holds, free_parts;
    std::optional<double> foot, wet_turn;
    std::string album_takes, wet, wet_name, wet_shape, wet_at, wet_size, wet_colour, wet_margin, wet_primer;
    int wet_number = 0; ///< which one, from 1; 0 for the last
    int wet_cut = 0;    ///< from 1; 0 for none said
    bool no_free_parts = false, remove_wet = false, compare = false;
    std::string late_frame, late_frame_width, late_frame_paper, late_frame_lip;
    std::string put_aside, bring_back, remove_variant;
    int drop_outs = 0; ///< of which cut, from 1; 0 for none
    int stitching = 0; ///< which one, from 1; 0 for the last
    bool remove_stitching = false;
    // Titles
    int title_number = 0; ///< which one, from 1; 0 for the last
    std::string title, title_letters, title_on, title_at, title_length, title_radius, title_opening,
        title_offset, title_spacing, title_height, title_label;
    int title_cut = 0;
    std::optional<double> title_turn, title_from, title_sweep, title_start;
    bool title_block = false, title_one_line = false, remove_title = false, title_sets = false;
    // Embellishments
    std::vector<std::string> put;
    int embellishment = 0; ///< which one, from 1; 0 for the last
    std::string move_to, fits_at, fits_where;
    std::optional<double> put_turn;
    bool take_off = false;
    // Words
    std::vector<std::string> write;
    int writing = 0; ///< which one the options are for, from 1; 0 for the last
    std::string text, shape, at, size, radius, line_height, pen, picture, seen;
    std::optional<double> turn_deg, from_deg, sweep_deg, letter_width;
    std::string goes_with;
    bool add_date = false, remove = false, json = false;
};

/// What the options say of each; nothing where they say nothing.
Result<void> edit_writings(const DressArgs& args, Project& project);
Result<void> edit_mats(const DressArgs& args, Project& project);
Result<void> edit_layers(const DressArgs& args, Project& project);
Result<void> edit_stitching(const DressArgs& args, Project& project);
Result<void> edit_titles(const DressArgs& args, Project& project);
Result<void> edit_holds(const DressArgs& args, Project& project);
Result<void> edit_wet(const DressArgs& args, Project& project);
Result<void> edit_late_frame(const DressArgs& args, Project& project);
Result<void> edit_variants(const DressArgs& args, Project& project);
Result<void> edit_embellishments(const DressArgs& args, Project& project);

void add_writing_options(CLI::App& command, DressArgs& args);
void add_paper_options(CLI::App& command, DressArgs& args);
void add_stitching_options(CLI::App& command, DressArgs& args);
void add_title_options(CLI::App& command, DressArgs& args);
void add_hold_options(CLI::App& command, DressArgs& args);

/// "3 in of 4 in, 1/2 in high, E: 1 short, ...".
std::string title_in_words(const TitleFacts& title, Units units);
void say_holds(const Project& project, const Plan& plan);
void say_stitching(const Project& project, const Plan& plan);
void say_titles(const Project& project, const Plan& plan);

} // namespace zesty::cli
