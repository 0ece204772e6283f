#pragma once

#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// Changes what Set out decides, then says what comes of it. Texts are as typed; empty ones change nothing.
struct SetOutArgs {
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project;
    std::string out; ///< empty: the project itself
    // Page
    std::string page, second, window, gap, reveal, glue_lip, frame_paper, side_paper, base_paper, date;
    bool spread = false, single = false, strips = false, whole_frame = false;
    // Cuts
    int cut = 0; ///< which one, from 1; 0 for the uppermost
    std::string add, drawing, square, leave_out, only, layers, shadow, margin, frame_gap, width, height, at;
    std::optional<double> turn_deg;
    bool copy = false, facing = false, remove = false, mirror = false, all_pieces = false, split = false;
    bool swap_paper = false;
    std::string ring, ring_at, row, stagger, part_off, part_off_layers;
    std::optional<double> first_deg;
    bool level = false, down = false, alternate = false;
    bool pieces_from_paper = false, pieces_plain = false, above_photos = false, below_photos = false,
         raise = false, lower = false;
    // Photos
    std::vector<std::string> photos;
    std::string photo_picture;
    int photo = 0; ///< which one the options are for, from 1; 0 for the last
    std::string photo_at, photo_size, photo_name, units, grid, grid_gap, protected_parts;
    std::optional<double> photo_turn;
    int leave_free = 0;
    bool photo_round = false, photo_behind = false, photo_on_top = false, remove_photo = false;
    // Size
    std::optional<double> most_tilt;
    std::string put_photo, photos_into;
    std::vector<std::string> rooms;
    std::string sketch, sketch_at, sketch_width;
    std::optional<double> sketch_turn, sketch_strength;
    std::vector<std::string> sketch_boxes;
    bool no_sketch_boxes = false, take_over_sketch = false;
    bool no_rooms = false, all_fit = false;
    std::optional<double> may_cover;
    std::string arrange, room_at, hide_part;
    int photo_way = 0;
    bool cuts_move = false, punched = false, arrangements = false, photo_ways = false;
    std::string size_for, fit_photo, mat, cutting_mat_picture, sizes;
    bool ladder = false;
    bool cutting_mats = false;
    bool json = false;
};

} // namespace zesty::cli
