#include "cli/commands.h"

#include <CLI/CLI.hpp>
#include <iostream>

#ifndef ZESTY_VERSION
#define ZESTY_VERSION "unknown"
#endif

namespace {

using namespace zesty::cli;

void add_inspect(CLI::App& app, Inspect& a) {
    auto* c = app.add_subcommand("inspect", "Measure a cut file: pieces, openings, bars, cut length");
    c->add_option("CUT", a.cut, "SVG, SVGZ, DXF, PNG or JPEG, or a ZIP with one of them")->required();
    c->add_option("--width", a.width, "Scale so that the material is this wide, such as 11.5in or 292.1mm");
    c->add_option("--square", a.square, "Side of the square that lies beside the cut in a scan or photo");
    c->add_flag("--json", a.json, "Print zesty-inspect/1");
}

void add_new(CLI::App& app, New& a) {
    auto* c = app.add_subcommand("new", "Set a cut out on a page and save the project");
    c->add_option("CUT", a.cut, "SVG, SVGZ, DXF, PNG or JPEG, or a ZIP with one of them")->required();
    c->add_option("--page", a.page, "Page size, such as 12x12in or 210x297mm")->capture_default_str();
    auto* margin =
        c->add_option("--margin", a.margin, "Border left around the cut (1/2 in unless a size is given)");
    auto* width = c->add_option("--width", a.width, "Width of the cut instead of a border");
    auto* height = c->add_option("--height", a.height, "Height of the cut instead of a border");
    width->excludes(margin)->excludes(height);
    height->excludes(margin);
    c->add_option("--reveal", a.reveal, "How much of a frame paper shows round the base");
    c->add_option("--lip", a.lip, "Lip wanted behind the bars (1/8 in)");
    c->add_option("--turn", a.turn_deg, "Turn of the cut in degrees, clockwise");
    c->add_flag("--mirror", a.mirrored, "Mirror the cut left to right");
    c->add_option("--square", a.square, "Side of the square that lies beside the cut in a scan or photo");
    c->add_option("--stash", a.stash, "zesty-stash/1 file with the paper at hand");
    c->add_option("--out", a.out, "Project file to write (.zesty)")->required();
}

void add_page_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--page", a.page, "Size of one page, such as 12x12in")->group("Page");
    c.add_flag("--spread", a.spread, "Two pages side by side")->group("Page");
    c.add_flag("--single", a.single, "One page")->group("Page");
    c.add_option("--gap", a.gap, "Between the pages of a spread")->group("Page");
    c.add_option("--reveal", a.reveal, "How much of the frame shows: one length, or left,top,right,bottom")
        ->group("Page");
    c.add_flag("--strips", a.strips, "A frame of strips")->group("Page");
    c.add_flag("--whole-frame", a.whole_frame, "A frame cut from one sheet")->group("Page");
    c.add_option("--glue-lip", a.glue_lip, "Of the frame behind the base")->group("Page");
    c.add_option("--frame-paper", a.frame_paper, "Id of the frame's paper, or none")->group("Page");
}

void add_cut_options(CLI::App& c, SetOutArgs& a) {
    c.add_option("--cut", a.cut, "Which cut the options are for, from 1; the uppermost without it")
        ->check(CLI::Range(1, 100'000))
        ->group("Cuts");
    c.add_option("--add", a.add, "Puts another drawing on the page")->group("Cuts");
    c.add_option("--square", a.square, "Side of the square beside a scanned cut")->group("Cuts");
    c.add_flag("--copy", a.copy, "A copy beside the cut")->group("Cuts");
    c.add_flag("--facing", a.facing, "A copy that faces it")->group("Cuts");
    c.add_flag("--remove", a.remove, "Takes the cut off the page")->group("Cuts");
    c.add_flag("--split", a.split, "One cut for each colour, or group, of the drawing")->group("Cuts");
    c.add_option("--layers", a.layers, "Only these layers, such as 'colour #aa3300', or all")->group("Cuts");
    c.add_option("--shadow", a.shadow, "A shadow below it, this much larger all round")->group("Cuts");
    c.add_option("--leave-out", a.leave_out, "Pieces that are not used, such as 2,5-7")->group("Cuts");
    c.add_option("--only", a.only, "The only pieces that are used")->group("Cuts");
    c.add_flag("--all-pieces", a.all_pieces, "Uses every piece again")->group("Cuts");
    c.add_flag("--pieces-from-paper", a.pieces_from_paper, "Its pieces are cut from papers of their own")
        ->group("Cuts");
    c.add_option("--margin", a.margin, "Border left to the page")->group("Cuts");
    c.add_option("--frame-gap", a.frame_gap, "Border left to the base inside the frame")->group("Cuts");
    c.add_option("--width", a.width, "Width of the cut")->group("Cuts");
    c.add_option("--height", a.height, "Height of the cut")->group("Cuts");
    c.add_option("--turn", a.turn_deg, "Turn in degrees, clockwise")->group("Cuts");
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
    c.add_option("--grid-gap", a.grid_gap, "Between the photos of the grid")->group("Photos");
    c.add_option("--leave-free", a.leave_free, "Cells of the grid left for paper")
        ->check(CLI::Range(0, 10'000))
        ->group("Photos");
    c.add_option("--which-photo", a.photo, "Which photo the options are for, from 1; the last without it")
        ->check(CLI::Range(1, 100'000))
        ->group("Photos");
    c.add_option("--photo-at", a.photo_at, "Its middle: x,y from the top left")->group("Photos");
    c.add_option("--photo-turn", a.photo_turn, "Its tilt in degrees")->group("Photos");
    c.add_option("--protect", a.protected_parts, "A face: x,y,width,height from the photo's top left")
        ->group("Photos");
    c.add_flag("--remove-photo", a.remove_photo, "Takes the photo off the page")->group("Photos");
}

void add_set_out(CLI::App& app, SetOutArgs& a) {
    auto* c =
        app.add_subcommand("set-out", "Change page, frame, cuts, photos and size, and see what comes of it");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Write here instead of the project");
    add_page_options(*c, a);
    add_cut_options(*c, a);
    add_photo_options(*c, a);
    c->add_option("--size-for", a.size_for, "bar=2mm, bar=foam, length=60mm:2.5in or photo=7:4x6[:overlap]")
        ->group("Size");
    c->add_option("--fit-photo", a.fit_photo, "The largest print in an opening: 7:4x6[:tuck]")->group("Size");
    c->add_option("--cutting-mat", a.mat, "The cutting mat; says how many of the cut fit on it")
        ->group("Size");
    c->add_option("--cutting-mat-picture", a.cutting_mat_picture,
                  "Draws the first size, as many as fit, into this PNG")
        ->group("Size");
    c->add_option("--sizes", a.sizes, "Sizes to try on the mat, longer side")->group("Size");
    c->add_flag("--ladder", a.ladder, "What other sizes would do")->group("Size");
    c->add_flag("--json", a.json, "Print zesty-set-out/1");
}

void add_sections(CLI::App& app, SectionsArgs& a) {
    auto* c = app.add_subcommand("sections",
                                 "Group, divide and treat openings, and compare the ways of backing them");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Write here instead of the project");
    c->add_option("--by", a.by, "Group by twins, sizes, bands, rings, rows or cuts")->group("Grouping");
    c->add_option("--count", a.count, "Of sizes, bands or rings")
        ->check(CLI::Range(1, 100))
        ->group("Grouping");
    c->add_option("--centre", a.centre, "Of rings: x,y on the page")->group("Grouping");
    c->add_option("--group-in", a.lasso_box, "Groups what lies in x,y,x,y")->group("Grouping");
    c->add_option("--group", a.group, "Makes openings one section: 1,4-6")->group("Grouping");
    c->add_option("--ungroup", a.ungroup, "Takes sections apart")->group("Grouping");
    c->add_option("--name", a.name, "3:roofs")->group("Grouping");
    c->add_option("--order", a.order, "When it is glued: 3:1")->group("Grouping");
    c->add_option("--divide", a.divide, "7:bands:4, 7:line:30, 7:grid:3x2, 7:rings:3, base:rays:8")
        ->group("Dividing");
    c->add_option("--undivide", a.undivide, "Makes it whole again")->group("Dividing");
    c->add_option("--treat", a.treat,
                  "4,5:shaker; paper, open, inlay, translucent, shaker, photo, words, cut-from")
        ->group("Backing");
    c->add_option("--method", a.method,
                  "machine, trace, glue, enlarged, inlay, punches, one-sheet, cut-from; 4:punches for one "
                  "section, 4:page to undo that")
        ->group("Backing");
    c->add_option("--lip", a.lip, "1/8in, or 4:1/16in for one section")->group("Backing");
    c->add_option("--lips", a.lips, "meet or overlap on shared bars")->group("Backing");
    c->add_option(
         "--bars", a.bars,
         "What patches do on single bars: 3,7:overlap between these openings, 3:meet for all bars of one, "
         "3,7:page to undo that")
        ->group("Backing");
    c->add_option("--foam", a.foam, "Width of foam strip for shakers")->group("Backing");
    c->add_option("--clearance", a.clearance, "Of inlays")->group("Backing");
    c->add_option("--punches", a.punches, "Diameters at hand: 1,1.5,2in")->group("Backing");
    c->add_flag("--punch-on-top", a.punch_on_top, "Punched circles on the openings")->group("Backing");
    c->add_flag("--punch-behind", a.punch_behind, "Punched circles behind the openings")->group("Backing");
    c->add_flag("--compare", a.compare, "Paper, time and lips of every method");
    c->add_flag("--advise", a.advise, "Which method suits which section, and why");
    c->add_flag("--json", a.json, "Print zesty-sections/1");
}

void add_papers(CLI::App& app, PapersArgs& a) {
    auto* c = app.add_subcommand("papers", "Say which paper goes where, compare proposals and ask why");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Write here instead of the project");
    const auto one = [&](const char* option, auto& to, const char* says, const char* group) {
        c->add_option(option, to, says)->group(group);
    };
    one("--give", a.give, "4,5:hedge-stripe, or 4:hedge-stripe:B for its other side", "Sections");
    one("--take-away", a.take, "Takes the papers away: 4,5", "Sections");
    one("--lock", a.keep, "Proposals leave these papers alone: 4,5", "Sections");
    one("--unlock", a.loose, "Proposals may change these again", "Sections");
    one("--never", a.never, "Papers a section must not get: 4:barley,brick-dust", "Sections");
    one("--allow", a.allow, "And may again", "Sections");
    one("--same-as", a.same_as, "7:4 gives 7 whatever paper 4 gets", "Sections");
    one("--facing", a.facing, "7:4 the same, with its stripes slanting the other way", "Sections");
    one("--own", a.own, "A paper of their own again: 7", "Sections");
    one("--apart", a.apart, "Papers that must not lie side by side: barley,brick-dust", "Papers");
    one("--together", a.together, "And may again", "Papers");
    one("--role", a.role, "hedge-stripe:tie; use-up, spare, tie or none", "Papers");
    one("--base-paper", a.base_paper, "Paper of the base; none for one that is not in the stash", "Papers");
    one("--cut-paper", a.cut_paper, "2:gull-print makes the second cut of it; 2:none undoes that", "Papers");
    c->add_flag("--gut", a.gut, "Cut the middle out of the frame and use it")->group("Papers");
    c->add_flag("--no-gut", a.no_gut, "Leave the frame whole")->group("Papers");
    c->add_flag("--under-photos", a.under_photos, "Use what of the base lies under photos")->group("Papers");
    c->add_flag("--not-under-photos", a.not_under_photos, "Leave that in place")->group("Papers");
    one("--slants", a.slants, "parallel:35, facing:35 or free: how stripes slant on the page", "Prints");
    one("--slant", a.slant, "4:35 for one section, in degrees clockwise from level", "Prints");
    one("--tone", a.tone, "4:0.3: how far from the light end an ombre is cut", "Prints");
    one("--motif", a.motif, "4:40x60mm brings that point of the print to the middle of the opening",
        "Prints");
    one("--run-on", a.run_on, "The print runs on from patch to patch: 4,7", "Prints");
    one("--reset-pattern", a.reset_pattern, "No wishes about the print any more: 4", "Prints");
    c->add_option("--drift", a.drift, "0 scatters papers over the page, 1 lets light drift into dark")
        ->check(CLI::Range(0.0, 1.0))
        ->group("Colours");
    one("--light", a.light, "Where the light end is: top, bottom, left or right", "Colours");
    one("--map", a.map, "What drift follows: gradient, zones or background", "Colours");
    one("--zones", a.zones, "Colours from the light end on: #f0e0b0,#3050a0", "Colours");
    one("--weight", a.weight, "differ, spread, print, behind, photo or thrift: spread:1.5, from 0 to 2",
        "Colours");
    one("--pin", a.pin, "4 where it lies now, or 4:sheet:rotation:x,y", "Sheets");
    one("--unpin", a.unpin, "4,5 or all", "Sheets");
    one("--reserve", a.reserve_for, "OTHER.zesty, whose pieces are to fit on what is left; or PAPERS.stash",
        "Sheets");
    one("--stop-reserving", a.stop_reserving, "The name of a page, or all", "Sheets");
    one("--reserve-size", a.reserve_size, "barley:6x8in keeps such a rectangle, barley:none does not",
        "Sheets");
    c->add_option("--proposals", a.proposals, "Works out so many clearly different ones")
        ->check(CLI::Range(1, 5));
    c->add_option("--take-proposal", a.take_proposal, "Takes that one of them")->check(CLI::Range(1, 5));
    c->add_option("--proposal-pictures", a.proposal_pictures, "Folder for a picture of each");
    c->add_option("--why", a.why, "Why the section has its paper, and what else: 4");
    c->add_option("--seed", a.seed, "Another seed gives other proposals");
    c->add_option("--seconds", a.seconds, "Longest time to think")
        ->capture_default_str()
        ->check(CLI::Range(0.0, 3600.0));
    c->add_flag("--json", a.json, "Print zesty-papers/1");
}

void add_plan(CLI::App& app, PlanArgs& a) {
    auto* c =
        app.add_subcommand("plan", "Choose papers where none are chosen and lay every patch on a sheet");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--seed", a.seed, "Another seed gives another proposal");
    c->add_option("--seconds", a.seconds, "Longest time to think")
        ->capture_default_str()
        ->check(CLI::Range(0.0, 3600.0));
    c->add_option("--drift", a.drift, "0 scatters papers over the page, 1 lets light drift into dark")
        ->check(CLI::Range(0.0, 1.0));
    c->add_option("--light", a.light, "Where the light end is: top, bottom, left or right");
    c->add_flag("--json", a.json, "Print zesty-plan/1");
}

void add_stash(CLI::App& app, StashArgs& a) {
    auto* c = app.add_subcommand("stash", "Keep papers in a database: fill it, search it, write it out");
    c->add_option("STASH", a.stash, "The database; made when papers are put into it")->required();
    c->add_option("--import", a.import, "Takes in a stash: JSON, CSV or another database")->group("Changing");
    c->add_option("--add", a.add, "Adds a paper, replaces the one with this id, or adds sheets to it")
        ->group("Changing");
    c->add_option("--remove", a.remove, "Takes the paper with this id out")->group("Changing");
    c->add_option("--reserve", a.reserve, "P.zesty: other pages are told what it takes")->group("Pages");
    c->add_option("--release", a.release, "P.zesty: it takes nothing any more")->group("Pages");
    c->add_option("--name", a.name, "Of the paper added")->group("A paper");
    c->add_option("--colour", a.colour, "#rrggbb")->group("A paper");
    c->add_option("--picture", a.picture,
                  "PNG or JPEG of a whole sheet; kind, direction and repeat come from it")
        ->group("A paper");
    c->add_option("--pattern", a.pattern, "solid, small, large, stripe, ombre or picture")->group("A paper");
    c->add_option("--direction", a.direction, "free, half or fixed")->group("A paper");
    c->add_option("--sheet", a.sheets, "12x12in or 6x6in*4")->group("A paper");
    c->add_option("--offcut", a.offcut, "A scrap, measured from a picture of it beside a square")
        ->group("A paper");
    c->add_option("--square", a.square, "Side of that square; 1 in otherwise")->group("A paper");
    c->add_flag("--crop", a.crop, "Its pictures show the sheet on a plain ground: crop them to it")
        ->group("A paper");
    c->add_option("--back-colour", a.back_colour, "Of side B")->group("A paper");
    c->add_option("--back-picture", a.back_picture, "Of side B, alone and edge to edge")->group("A paper");
    c->add_option("--back-pattern", a.back_pattern, "Of side B")->group("A paper");
    c->add_option("--back-direction", a.back_direction, "Of side B")->group("A paper");
    c->add_option("--repeat", a.repeat, "After which the print begins anew")->group("A paper");
    c->add_option("--strip", a.strip, "Width of the branding strip along the lower edge")->group("A paper");
    c->add_option("--kept-in", a.kept_in, "Where it is")->group("A paper");
    c->add_option("--notes", a.notes, "Anything else")->group("A paper");
    c->add_option("--find", a.find, "Words in name, notes, place or id")->group("Looking");
    c->add_option("--like", a.like, "Papers near the colour #rrggbb, nearest first")->group("Looking");
    c->add_option("--kind", a.kind, "solid, small, large, stripe, ombre or picture")->group("Looking");
    c->add_option("--room", a.room, "Papers with a sheet of at least this size")->group("Looking");
    c->add_flag("--in-stock", a.in_stock, "Papers of which something is left")->group("Looking");
    c->add_option("--export", a.export_to, "Writes everything as JSON or CSV with its pictures beside it");
    c->add_flag("--json", a.json, "Print zesty-stash/1");
}

void add_nest(CLI::App& app, Nest& a) {
    auto* c = app.add_subcommand("nest", "Lay irregular pieces on irregular sheets");
    c->add_option("JOB", a.job, "zesty-nest/1 file")->required();
    c->add_option("--seed", a.seed, "Seed of the search")->capture_default_str();
    c->add_option("--seconds", a.seconds, "Longest time to think")
        ->capture_default_str()
        ->check(CLI::Range(0.0, 3600.0));
    c->add_flag("--json", a.json, "Print zesty-nest-result/1");
}

void add_export(CLI::App& app, Export& a) {
    auto* c = app.add_subcommand("export",
                                 "Write the guide, a cutting file for every sheet and a picture of the page");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Folder to write to")->required();
    c->add_option("--paper", a.paper, "Paper of the printer")
        ->capture_default_str()
        ->check(CLI::IsMember({"a4", "letter"}));
}

} // namespace

int main(int argc, char** argv) {
    CLI::App app{"Plans a page built around a cut file."};
    app.set_version_flag("--version", std::string("zesty ") + ZESTY_VERSION);
    app.require_subcommand(1);
    Inspect inspect;
    New fresh;
    SetOutArgs set_out;
    SectionsArgs sections;
    PapersArgs papers;
    PlanArgs plan;
    Nest nest;
    StashArgs stash;
    Export exported;
    add_inspect(app, inspect);
    add_new(app, fresh);
    add_set_out(app, set_out);
    add_sections(app, sections);
    add_papers(app, papers);
    add_plan(app, plan);
    add_nest(app, nest);
    add_stash(app, stash);
    add_export(app, exported);
    try {
        app.parse(argc, argv);
    } catch (const CLI::Success& e) {
        return app.exit(e);
    } catch (const CLI::ParseError& e) {
        return complain(std::string(e.what()) + " (zesty --help lists what there is)");
    }
    const std::string command = app.get_subcommands().front()->get_name();
    if (command == "inspect") return run(inspect);
    if (command == "new") return run(fresh);
    if (command == "set-out") return run(set_out);
    if (command == "stash") return run(stash);
    if (command == "sections") return run(sections);
    if (command == "papers") return run(papers);
    if (command == "plan") return run(plan);
    if (command == "nest") return run(nest);
    return run(exported);
}
