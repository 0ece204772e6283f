// Journaling from the command line.

#include "cli/command.h"
#include "cli/dress_args.h"
#include "cli/typed.h"
#include "core/dress/writing.h"
#include "core/setout/placed_cut.h"
#include "core/stash/colour_words.h"

#include <cmath>

namespace zesty::cli {

namespace {

Result<Writing*> asked_writing(const DressArgs& args, Project& project) {
    auto& all = project.dress.writings;
    const auto count = static_cast<int>(all.size());
    if (count == 0)
        return fail(ErrorKind::NothingToDo, "there is no journaling on the page; --write adds some");
    if (args.writing > count)
        return only_so_many("--journaling", all.size(), "piece of journaling", "pieces of journaling");
    return &all[static_cast<std::size_t>(args.writing > 0 ? args.writing - 1 : count - 1)];
}

bool changes_one(const DressArgs& a) {
    return !a.text.empty() || !a.shape.empty() || !a.at.empty() || !a.size.empty() || !a.radius.empty() ||
           !a.line_height.empty() || !a.pen.empty() || a.turn_deg || a.from_deg || a.sweep_deg || a.remove ||
           !a.goes_with.empty() || a.writing > 0;
}

Result<void> place(const DressArgs& a, Writing& w) {
    if (!a.shape.empty()) {
        const auto shape = typed_word<WritingShape>("--on", a.shape);
        if (!shape) return tl::make_unexpected(shape.error());
        w.shape = *shape;
    }
    if (!a.at.empty()) {
        const auto at = typed_point("--at", a.at, "give x,y from the top left of the page", 10000);
        if (!at) return tl::make_unexpected(at.error());
        w.centre = *at;
    }
    if (!a.size.empty()) {
        const auto size = typed_size("--size", a.size, writing_side_limits.least, writing_side_limits.most);
        if (!size) return tl::make_unexpected(size.error());
        w.width = size->x;
        w.height = size->y;
    }
    if (const auto r = take_length("--radius", a.radius, writing_radius_limits, w.radius); !r) return r;
    if (a.turn_deg) w.turn_deg = std::remainder(*a.turn_deg, 360.0);
    if (a.from_deg) w.from_deg = std::remainder(*a.from_deg, 360.0);
    if (a.sweep_deg) w.sweep_deg = *a.sweep_deg;
    return {};
}

} // namespace

Result<void> edit_writings(const DressArgs& a, Project& project) {
    for (const std::string& text : a.write) {
        if (project.dress.writings.size() >= most_writings || text.size() > longest_writing)
            return fail(ErrorKind::TooLarge, "--write: there is too much of it");
        Writing w;
        w.text = text;
        w.centre = project.set_out.page.leaves().front().centre();
        project.dress.writings.push_back(w);
    }
    if (a.add_date) {
        if (project.set_out.date.empty())
            return fail(ErrorKind::NothingToDo,
                        "--add-date: the page has no date; zesty set-out --date says it");
        project.dress.writings.push_back(date_writing(project.set_out));
    }
    if (a.letter_width) project.dress.letter_width = *a.letter_width;
    if (!changes_one(a)) return {};
    const auto asked = asked_writing(a, project);
    if (!asked) return tl::make_unexpected(asked.error());
    Writing& w = **asked;
    if (a.remove) {
        project.dress.writings.erase(project.dress.writings.begin() + (&w - project.dress.writings.data()));
        return {};
    }
    if (a.text.size() > longest_writing) return fail(ErrorKind::TooLarge, "--text: there is too much of it");
    if (!a.text.empty()) w.text = a.text;
    if (const auto r = take_length("--line-height", a.line_height, line_height_limits, w.line_height); !r)
        return r;
    if (!a.pen.empty()) {
        const auto pen = colour_called(a.pen);
        if (!pen) return fail(ErrorKind::BadInput, "--pen: '" + a.pen + "' is not a colour");
        w.pen = *pen;
    }
    if (const auto r = place(a, w); !r) return r;
    if (a.goes_with.empty()) return {};
    if (a.goes_with == "none") {
        w = belonging_to(w, project.set_out, -1);
        return {};
    }
    const auto photo =
        typed_numbers("--goes-with", a.goes_with, static_cast<int>(project.set_out.photos.size()));
    if (!photo) return tl::make_unexpected(photo.error());
    w = belonging_to(w, project.set_out, photo->front());
    return {};
}

void add_writing_options(CLI::App& c, DressArgs& a) {
    c.add_option("--write", a.write, "Adds journaling with these words")->group("Words");
    c.add_option("--journaling", a.writing, "Which one the options are for, from 1; the last without it")
        ->check(CLI::Range(1, 100))
        ->group("Words");
    c.add_option("--text", a.text, "What is written")->group("Words");
    c.add_option("--on", a.shape, "lines, arc or back")->group("Words");
    c.add_option("--at", a.at, "Its middle, or what the arc goes round: x,y")->group("Words");
    c.add_option("--size", a.size, "Room for lines, or how deep the band is: 4x2in")->group("Words");
    add_number(c, "--turn", a.turn_deg, "Turn of the lines in degrees", turn_limits)->group("Words");
    c.add_option("--radius", a.radius, "Radius of the outermost line of an arc")->group("Words");
    add_number(c, "--from", a.from_deg, "Where the arc begins: 0 is to the right, on clockwise", turn_limits)
        ->group("Words");
    add_number(c, "--sweep", a.sweep_deg, "How far round the arc goes; 360 for a ring", sweep_limits)
        ->group("Words");
    c.add_option("--line-height", a.line_height, "From line to line: 7mm")->group("Words");
    c.add_option("--pen", a.pen, "Colour of the pen, in words or as #26242b")->group("Words");
    c.add_option("--goes-with", a.goes_with, "The photo it moves along with, from 1, or none")
        ->group("Words");
    c.add_flag("--add-date", a.add_date, "Writes the date of the page into a corner of it")->group("Words");
    c.add_flag("--remove", a.remove, "Takes it off the page")->group("Words");
    add_number(c, "--letter-width", a.letter_width,
               "How wide a letter of your handwriting is, as a share of the line height (0.42)",
               letter_width_limits)
        ->group("Words");
}

} // namespace zesty::cli
