#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/set_out_answers.h"
#include "cli/set_out_args.h"
#include "cli/set_out_edit.h"
#include "cli/set_out_rooms.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/setout/photo_fit.h"
#include "core/setout/sizing.h"
#include "io/drawing_import.h"
#include "io/picture.h"
#include "io/project_file.h"

#include <algorithm>
#include <iostream>
#include <nlohmann/json.hpp>
#include <sstream>

namespace zesty::cli {

namespace {

using nlohmann::json;

} // namespace

static int run(const SetOutArgs& args) {
    auto project = read_project(args.project);
    if (!project) return complain(project.error().message);
    const Project before = *project;
    Planner planner;
    const auto edited = edit_set_out(args, *project, planner);
    if (!edited) return complain(edited.error().message);
    const auto plan = planner.plan(*project);
    if (!plan) return complain(args.project + ": " + plan.error().message);
    const int cut = *edited;
    const bool asks_cutting_mat = !args.mat.empty() || !args.cutting_mat_picture.empty();
    if ((args.ladder || asks_cutting_mat) && cut < 0) return complain("the page has no cut yet");
    // Everything is worked out before anything is said.
    json answers{{"format", "zesty-set-out/1"}};
    std::ostringstream said;
    print_page(*project, *plan, said);
    const auto answer = [&](const char* key, const Result<json>& j) {
        if (j) answers[key] = *j;
        return j.has_value();
    };
    if (!args.fit_photo.empty())
        if (const auto j = fitted_photo(args, *project, *plan, said); !answer("photo", j))
            return complain(j.error().message);
    if (asks_cutting_mat)
        if (const auto j = counted_on_cutting_mat(args, *project, planner, cut, said);
            !answer("cutting_mat", j))
            return complain(j.error().message);
    if (args.cutting_mats)
        if (const auto j = laid_on_cutting_mats(*project, *plan, said); !answer("cutting_mats", j))
            return complain(j.error().message);
    if (args.all_fit)
        if (const auto j = all_fit_json(*project, *plan, said); !answer("all_fit", j))
            return complain("--all-fit: " + j.error().message);
    if (args.arrange == "list")
        if (const auto j = arrangements_json(*project, *plan, args.cuts_move, said); !answer("arrange", j))
            return complain("--arrange: " + j.error().message);
    if (args.photo_ways)
        if (const auto j = photo_ways_json(args, *project, *plan, said); !answer("photo_ways", j))
            return complain("--photo-ways: " + j.error().message);
    if (args.ladder)
        if (const auto j = ladder_json(*project, planner, cut, said); !answer("ladder", j))
            return complain(j.error().message);
    if (const auto r = save_changes(before, *project, args.project, args.out, args.edits); !r)
        return complain(r.error().message);
    if (args.json) {
        add_page(*plan, answers);
        std::cout << answers.dump(1) << "\n";
    } else {
        std::cout << said.str();
    }
    return exit_code(*plan);
}

namespace {

void add_page_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--page", a.page, "Size of one page, such as 12x12in")->group("Page");
    c.add_flag("--spread", a.spread, "Two pages side by side")->group("Page");
    c.add_flag("--single", a.single, "One page alone")->group("Page");
    c.add_option("--second", a.second, "Size of the second page of a spread, such as 6x12in, or same")
        ->group("Page");
    c.add_option("--gap", a.gap, "Gap between the pages of a spread")->group("Page");
    c.add_option("--reveal", a.reveal, "How much of the frame shows: one length, or left,top,right,bottom")
        ->group("Page");
    c.add_flag("--strips", a.strips, "A frame of strips")->group("Page");
    c.add_flag("--whole-frame", a.whole_frame, "A frame cut from one sheet")->group("Page");
    c.add_option("--glue-lip", a.glue_lip, "How far the frame goes on behind the base")->group("Page");
    c.add_option("--window", a.window, "Window in a whole frame, such as 10x10in; none to go by the glue lip")
        ->group("Page");
    c.add_option("--frame-paper", a.frame_paper, "Id of the frame's paper, or none")->group("Page");
    c.add_option("--units", a.units, "What lengths are said in: in or cm")->group("Page");
    c.add_option("--date", a.date, "The day the page is about, such as 2026-05-17; none for no date")
        ->group("Page");
    c.add_option("--side-paper", a.side_paper, "Id of another paper for the strips at the sides, or none")
        ->group("Page");
    c.add_option("--base-paper", a.base_paper, "Id of the base's paper, or none")->group("Page");
}

void add_cut_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--cut", a.cut, "Which cut the options are for, from 1; the uppermost without it")
        ->check(CLI::Range(1, 100'000))
        ->group("Cuts");
    c.add_option("--add", a.add, "Puts another drawing on the page")->group("Cuts");
    c.add_option("--drawing", a.drawing, "Which drawing of a ZIP, by its file name")->group("Cuts");
    c.add_option("--square", a.square, "Side of the square beside a scanned cut")->group("Cuts");
    c.add_flag("--copy", a.copy, "A copy beside the cut")->group("Cuts");
    c.add_flag("--facing", a.facing, "A mirrored copy that faces it")->group("Cuts");
    c.add_flag("--remove", a.remove, "Takes the cut off the page")->group("Cuts");
    c.add_option("--ring", a.ring, "Copies round a circle: how many, and its radius, such as 6:3in")
        ->group("Cuts");
    c.add_option("--ring-at", a.ring_at, "Middle of that circle: x,y; the middle of the page without it")
        ->group("Cuts");
    add_number(c, "--first-deg", a.first_deg, "Where the first of them stands, clockwise from the top",
               turn_limits)
        ->group("Cuts");
    c.add_flag("--level", a.level, "They all lie alike, rather than facing out")->group("Cuts");
    c.add_option("--row", a.row, "Copies in a row: how many, and how far apart, such as 5:2in")
        ->group("Cuts");
    c.add_flag("--down", a.down, "The row runs down the page")->group("Cuts");
    c.add_option("--stagger", a.stagger, "By how much every second one is moved across the row")
        ->group("Cuts");
    c.add_flag("--alternate", a.alternate, "Every second one mirrored")->group("Cuts");
    c.add_flag("--swap-paper", a.swap_paper, "What is open becomes paper, and what is paper open")
        ->group("Cuts");
    c.add_flag("--split", a.split, "One cut for each colour, or group, of the drawing")->group("Cuts");
    c.add_option("--layers", a.layers, "Only these layers, such as 'colour #aa3300', or all")->group("Cuts");
    c.add_option("--shadow", a.shadow, "A shadow below it, this much larger all round")->group("Cuts");
    c.add_option("--leave-out", a.leave_out, "Pieces that are not used, such as 2,5-7")->group("Cuts");
    c.add_option("--only", a.only, "The only pieces that are used")->group("Cuts");
    c.add_option("--part-off", a.part_off, "Pieces that become a cut of their own, such as 2,5-7")
        ->group("Cuts");
    c.add_option("--part-off-layers", a.part_off_layers, "Layers that become a cut of their own")
        ->group("Cuts");
    c.add_flag("--all-pieces", a.all_pieces, "Uses every piece again")->group("Cuts");
    c.add_flag("--pieces-from-paper", a.pieces_from_paper, "Its pieces are cut from papers of their own")
        ->group("Cuts");
    c.add_flag("--pieces-plain", a.pieces_plain, "Its pieces are what it is cut from, as usual")
        ->group("Cuts");
    c.add_option("--margin", a.margin, "Border left to the page")->group("Cuts");
    c.add_option("--frame-gap", a.frame_gap, "Border left to the base inside the frame")->group("Cuts");
    c.add_option("--width", a.width, "Width of the cut")->group("Cuts");
    c.add_option("--height", a.height, "Height of the cut")->group("Cuts");
    add_number(c, "--turn", a.turn_deg, "Turn in degrees, clockwise", turn_limits)->group("Cuts");
    c.add_flag("--mirror", a.mirror, "Mirrors it left to right")->group("Cuts");
    c.add_option("--at", a.at, "Its middle: x,y from the top left")->group("Cuts");
    c.add_flag("--raise", a.raise, "Above the next cut")->group("Cuts");
    c.add_flag("--lower", a.lower, "Below the next cut")->group("Cuts");
    c.add_flag("--above-photos", a.above_photos, "Photos slide behind it")->group("Cuts");
    c.add_flag("--below-photos", a.below_photos, "Photos lie on it")->group("Cuts");
}

void add_photo_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--photo", a.photos, "Adds a photo: 4x6, or Mia:4x6")->group("Photos");
    c.add_option("--photo-picture", a.photo_picture, "What it shows: a JPEG or PNG file; none for nothing")
        ->group("Photos");
    c.add_flag("--round", a.photo_round, "Trimmed to a circle")->group("Photos");
    c.add_flag("--behind", a.photo_behind, "Behind the cuts")->group("Photos");
    c.add_flag("--on-top", a.photo_on_top, "Above the cuts")->group("Photos");
    c.add_option("--grid", a.grid, "Puts the photo in a grid of columns x rows")->group("Photos");
    c.add_option("--grid-gap", a.grid_gap, "Gap between the photos of the grid")->group("Photos");
    c.add_option("--leave-free", a.leave_free, "Cells of the grid left for paper")
        ->check(CLI::Range(0, 10'000))
        ->group("Photos");
    c.add_option("--which-photo", a.photo, "Which photo the options are for, from 1; the last without it")
        ->check(CLI::Range(1, 100'000))
        ->group("Photos");
    c.add_option("--photo-size", a.photo_size, "Its size: 3x4in")->group("Photos");
    c.add_option("--photo-name", a.photo_name, "Who or what it shows")->group("Photos");
    c.add_option("--photo-at", a.photo_at, "Its middle: x,y from the top left")->group("Photos");
    add_number(c, "--photo-turn", a.photo_turn, "Its tilt in degrees", turn_limits)->group("Photos");
    c.add_option("--protect", a.protected_parts, "A face: x,y,width,height from the photo's top left")
        ->group("Photos");
    c.add_option(
         "--hide-part", a.hide_part,
         "A part that had better be covered: x,y,width,height from the photo's top left; none for none")
        ->group("Photos");
    c.add_flag("--photo-ways", a.photo_ways,
               "What its size cuts off the picture, and what else the photo could be")
        ->group("Photos");
    c.add_option("--photo-way", a.photo_way, "Takes one of those, by its number")
        ->check(CLI::Range(1, 100))
        ->group("Photos");
    c.add_flag("--remove-photo", a.remove_photo, "Takes the photo off the page")->group("Photos");
}

void add_sketch_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--sketch", a.sketch,
                 "A sketch or photo of a page to trace from: PNG or JPEG; none for none")
        ->group("Sketch");
    c.add_option("--sketch-at", a.sketch_at, "Its upper left corner: x,y")->group("Sketch");
    c.add_option("--sketch-width", a.sketch_width, "How wide it lies; the page's width without it")
        ->group("Sketch");
    add_number(c, "--sketch-turn", a.sketch_turn, "Its turn in degrees", turn_limits)->group("Sketch");
    add_number(c, "--sketch-strength", a.sketch_strength, "From 0, unseen, to 1", strength_limits)
        ->group("Sketch");
    c.add_option("--sketch-box", a.sketch_boxes,
                 "What it has where: photo:x,y,width,height; title, journaling")
        ->group("Sketch");
    c.add_flag("--no-sketch-boxes", a.no_sketch_boxes, "Removes the boxes of the sketch")->group("Sketch");
    c.add_flag("--take-over-sketch", a.take_over_sketch, "Photos and rooms as its boxes say")
        ->group("Sketch");
}

void add_fit_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--fit-photo", a.fit_photo, "The largest photo in an opening: 7:4x6[:tuck]")->group("Size");
    add_number(c, "--most-tilt", a.most_tilt, "With --fit-photo: how far it may be tilted, degrees (5)",
               {0, 90})
        ->group("Size");
    c.add_option("--put-photo", a.put_photo,
                 "With --fit-photo: puts it on the page, \"inside\" or \"behind\" the opening")
        ->group("Size");
}

/// What says nothing alone, and what cannot be said together.
void keep_apart(CLI::App& c) {
    needs(c, {{"--square", "--add"},
              {"--cuts-move", "--arrange"},
              {"--punched", "--photos-into"},
              {"--drawing", "--add"},
              {"--grid", "--photo"},
              {"--grid-gap", "--grid"},
              {"--leave-free", "--grid"},
              {"--round", "--photo"},
              {"--ring-at", "--ring"},
              {"--first-deg", "--ring"},
              {"--level", "--ring"},
              {"--down", "--row"},
              {"--stagger", "--row"},
              {"--sizes", "--cutting-mat"},
              {"--cutting-mat-picture", "--cutting-mat"}});
    either(c, {{"--spread", "--single"},         {"--strips", "--whole-frame"},
               {"--raise", "--lower"},           {"--above-photos", "--below-photos"},
               {"--behind", "--on-top"},         {"--leave-out", "--only"},
               {"--leave-out", "--all-pieces"},  {"--only", "--all-pieces"},
               {"--copy", "--facing"},           {"--part-off", "--part-off-layers"},
               {"--part-off", "--only"},         {"--part-off", "--leave-out"},
               {"--part-off", "--remove"},       {"--ring", "--row"},
               {"--remove", "--ring"},           {"--remove", "--row"},
               {"--margin", "--frame-gap"},      {"--margin", "--width"},
               {"--margin", "--height"},         {"--frame-gap", "--width"},
               {"--frame-gap", "--height"},      {"--width", "--height"},
               {"--remove", "--only"},           {"--remove", "--leave-out"},
               {"--remove", "--margin"},         {"--remove", "--width"},
               {"--remove", "--height"},         {"--remove", "--at"},
               {"--remove", "--turn"},           {"--remove", "--mirror"},
               {"--remove-photo", "--photo-at"}, {"--remove-photo", "--photo-turn"},
               {"--remove-photo", "--protect"}});
}

CLI::App* add_set_out(CLI::App& app, SetOutArgs& a) {
    auto* c =
        app.add_subcommand("set-out", "Change page, frame, cuts, photos and size, and see what comes of it");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    add_stash_option(*c);
    c->add_option("--out", a.out, "Write here instead of the project");
    add_page_options(*c, a);
    add_cut_options(*c, a);
    add_photo_options(*c, a);
    c->add_option("--size-for", a.size_for, "bar=2mm, bar=foam, length=60mm:2.5in or photo=7:4x6[:overlap]")
        ->group("Size");
    add_fit_options(*c, a);
    add_sketch_options(*c, a);
    c->add_option("--photos-into", a.photos_into,
                  "Photos into openings, spread over the page: all, 1,2 or 1,2:7,9,12 for these openings")
        ->group("Size");
    c->add_option("--room", a.rooms, "Room to find for a title, journaling or cluster: title:8x2in")
        ->group("Size");
    c->add_flag("--no-rooms", a.no_rooms, "Removes all rooms")->group("Size");
    c->add_option("--room-at", a.room_at, "Where the middle of a room lies: 1:x,y, or 1:none for no place")
        ->group("Size");
    add_number(*c, "--may-cover", a.may_cover, "How much of the cut photos and rooms may cover, percent",
               {0, 100})
        ->group("Size");
    c->add_option("--arrange", a.arrange,
                  "Arranges photos and rooms: list says three ways, 1, 2 or 3 takes one")
        ->group("Size");
    c->add_flag("--cuts-move", a.cuts_move, "With --arrange: the cuts may move, all together")->group("Size");
    c->add_flag("--punched", a.punched, "With --photos-into: round photos in sizes of punches")
        ->group("Size");
    c->add_flag("--all-fit", a.all_fit, "Whether photos, rooms and cuts fit on the page together")
        ->group("Size");
    c->add_option("--cutting-mat", a.mat, "The cutting mat; says how many of the cut fit on it")
        ->group("Size");
    c->add_option("--cutting-mat-picture", a.cutting_mat_picture,
                  "Draws the first size, as many as fit, into this PNG")
        ->group("Size");
    c->add_flag("--cutting-mats", a.cutting_mats,
                "Everything cut for the page on cutting mats, by cardstock, and what still fits")
        ->group("Size");
    c->add_option("--sizes", a.sizes, "Sizes to try on the cutting mat, longer side")->group("Size");
    c->add_flag("--ladder", a.ladder, "What other sizes would do")->group("Size");
    c->add_flag("--json", a.json, "Print zesty-set-out/1");
    keep_apart(*c);
    return c;
}

const Registered<SetOutArgs> set_out_command(3, add_set_out, run,
                                             {"--cut", "--which-photo", "--photo-ways", "--all-fit",
                                              "--arrange", "--cuts-move", "--cutting-mat",
                                              "--cutting-mat-picture", "--cutting-mats", "--sizes",
                                              "--ladder", "--fit-photo", "--most-tilt"});

} // namespace

} // namespace zesty::cli
