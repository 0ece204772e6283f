#include "cli/set_out_edit.h"

#include "cli/command.h"
#include "cli/set_out_answers.h"
#include "cli/set_out_args.h"
#include "cli/set_out_copies.h"
#include "cli/set_out_page.h"
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

/// Runs the checks of one command one after the other and keeps the first thing that is wrong.
class SetOutEdit {
public:
    SetOutEdit(const SetOutArgs& args, Project& project, Planner& planner)
        : a_(args), p_(project), planner_(planner) {}

    Result<void> run() {
        if (auto r = edit_page(a_, p_); !r) return r;
        for (auto step : {&SetOutEdit::cut_list, &SetOutEdit::cut_parts, &SetOutEdit::cut_place,
                          &SetOutEdit::copies, &SetOutEdit::photo_list, &SetOutEdit::photo_place,
                          &SetOutEdit::size, &SetOutEdit::put_photo, &SetOutEdit::rooms_and_photos})
            if (auto r = (this->*step)(); !r) return r;
        return {};
    }

    /// Index of the cut that is meant; -1 without cuts.
    int cut() const {
        return (a_.cut > 0 ? a_.cut - 1 : static_cast<int>(p_.set_out.cuts.size()) - 1) +
               (a_.cut > 0 ? shadows_ : 0);
    }

private:
    Result<void> cut_list() {
        if (!a_.add.empty()) {
            const auto square = typed_length("--square", a_.square, 2, 500);
            if (!square) return tl::make_unexpected(square.error());
            auto drawing = read_drawing(a_.add, square->value_or(0), false, a_.drawing);
            if (!drawing) return tl::make_unexpected(drawing.error());
            const auto read = read_cut((*drawing)->drawing);
            if (!read) return fail(read.error().kind, a_.add + ": " + read.error().message);
            add_cut(p_, *drawing);
            if ((*drawing)->drawing.size_real)
                p_.set_out.cuts.back().place = {SizeRule::Width, read->box.width(), 0, false, {}};
        }
        if (a_.cut > static_cast<int>(p_.set_out.cuts.size()))
            return only_so_many("--cut", p_.set_out.cuts.size(), "cut", "cuts");
        if (cut() < 0)
            return wants_cut() ? fail(ErrorKind::NothingToDo, "the page has no cut yet") : Result<void>{};
        const int id = p_.set_out.cuts[cut()].id;
        if (a_.copy || a_.facing) {
            const auto now = planner_.shapes(p_);
            if (!now) return tl::make_unexpected(now.error());
            std::vector<Box> taken;
            for (const SetOut& one : now->set_out.each) taken.push_back(one.cut_box);
            copy_cut(
                p_, id, a_.facing,
                beside_on_page(p_.set_out.page, taken, now->set_out.each[cut()].cut_box, mm_per_inch / 4));
        }
        if (a_.swap_paper) {
            auto other = swapped(*p_.set_out.drawings[p_.set_out.cuts[cut()].drawing]);
            if (!other) return fail(other.error().kind, "--swap-paper: " + other.error().message);
            replace_drawing(p_, id, std::move(*other));
        }
        if (a_.split && !split_layers(p_, id))
            return fail(ErrorKind::NothingToDo, "--split: the drawing has one layer only");
        const auto shadow = typed_length("--shadow", a_.shadow, 0.2, 20);
        if (!shadow) return tl::make_unexpected(shadow.error());
        if (*shadow) {
            add_shadow(p_, id, **shadow);
            ++shadows_; // it lies below, so that the cut is one higher now
        }
        if (a_.remove) remove_cut(p_, id);
        return {};
    }

    bool wants_cut() const {
        return a_.swap_paper || a_.copy || a_.facing || a_.remove || a_.split || !a_.shadow.empty() ||
               !a_.leave_out.empty() || !a_.only.empty() || !a_.layers.empty() || !a_.width.empty() ||
               !a_.height.empty() || !a_.margin.empty() || !a_.frame_gap.empty() || !a_.at.empty() ||
               a_.turn_deg || a_.mirror || !a_.size_for.empty() || wants_copies_in_order(a_) ||
               !a_.part_off.empty() || !a_.part_off_layers.empty();
    }

    Result<void> cut_parts() {
        if (cut() < 0 || a_.remove) return {};
        PlacedCut& c = p_.set_out.cuts[cut()];
        if (!a_.layers.empty())
            c.layers = a_.layers == "all" ? std::vector<std::string>{} : split(a_.layers, ',');
        if (a_.all_pieces) c.left_out.clear();
        if (a_.pieces_from_paper) c.pieces_from_paper = true;
        if (a_.pieces_plain) c.pieces_from_paper = false;
        if (a_.above_photos) c.above_photos = true;
        if (a_.below_photos) c.above_photos = false;
        if (!a_.part_off.empty() || !a_.part_off_layers.empty()) {
            const auto own = part_off_typed(a_, p_, planner_, cut());
            if (!own) return tl::make_unexpected(own.error());
            return {};
        }
        if (a_.leave_out.empty() && a_.only.empty()) return reorder();
        const auto count = planner_.piece_count(p_, cut());
        if (!count) return tl::make_unexpected(count.error());
        const int pieces = *count;
        const bool only = !a_.only.empty();
        const auto typed =
            typed_numbers(only ? "--only" : "--leave-out", only ? a_.only : a_.leave_out, pieces);
        if (!typed) return tl::make_unexpected(typed.error());
        c.left_out.clear();
        for (int i = 0; i < pieces; ++i)
            if ((std::find(typed->begin(), typed->end(), i) != typed->end()) != only) c.left_out.push_back(i);
        return reorder();
    }

    Result<void> reorder() {
        const auto i = static_cast<std::size_t>(cut());
        if (a_.raise && i + 1 < p_.set_out.cuts.size()) std::swap(p_.set_out.cuts[i], p_.set_out.cuts[i + 1]);
        if (a_.lower && i > 0) std::swap(p_.set_out.cuts[i], p_.set_out.cuts[i - 1]);
        return {};
    }

    Result<void> cut_place() {
        if (cut() < 0 || a_.remove) return {};
        CutPlacement& place = p_.set_out.cuts[cut()].place;
        struct Rule {
            const char* option;
            const std::string& text;
            SizeRule rule;
            double least;
        };
        if (a_.turn_deg) place.turn_deg = std::remainder(*a_.turn_deg, 360.0);
        if (a_.mirror) place.mirrored = !place.mirrored;
        for (const Rule& r : {Rule{"--margin", a_.margin, SizeRule::Margin, -3000},
                              Rule{"--frame-gap", a_.frame_gap, SizeRule::Frame, -3000},
                              Rule{"--width", a_.width, SizeRule::Width, 1},
                              Rule{"--height", a_.height, SizeRule::Height, 1}}) {
            const auto length = typed_length(r.option, r.text, r.least, 3000);
            if (!length) return tl::make_unexpected(length.error());
            if (!*length) continue;
            place = sized(place, r.rule, **length);
        }
        if (a_.at.empty()) return {};
        const auto at = typed_point("--at", a_.at, "give x,y from the top left of the page", 10000);
        if (!at) return tl::make_unexpected(at.error());
        const Point middle = place.rule == SizeRule::Frame ? base_of(p_.set_out.page).centre()
                                                           : p_.set_out.page.whole().centre();
        place.shift = *at - middle;
        return {};
    }

    /// Once the cut has the place and size it is to have.
    Result<void> copies() {
        if (!wants_copies_in_order(a_) || cut() < 0) return {};
        return copy_in_order(a_, p_, planner_, cut());
    }

    /// "Mia:4x6", "4x6in".
    Result<Photo> typed_photo(const std::string& option, const std::string& text) const {
        const For typed = typed_for(text);
        const auto size = typed_size(option, typed.what, 1, 3000);
        if (!size) return tl::make_unexpected(size.error());
        Photo photo;
        photo.name = typed.which;
        photo.width = size->x;
        photo.height = size->y;
        photo.round = a_.photo_round;
        photo.on_top = !a_.photo_behind;
        photo.centre = p_.set_out.page.whole().centre();
        return photo;
    }

    Result<void> photo_list() {
        for (const std::string& text : a_.photos) {
            const auto photo = typed_photo("--photo", text);
            if (!photo) return tl::make_unexpected(photo.error());
            if (a_.grid.empty()) {
                p_.set_out.photos.push_back(*photo);
                continue;
            }
            const auto gap = typed_length("--grid-gap", a_.grid_gap, 0, 1000);
            const auto cells = split(a_.grid, 'x');
            const auto columns =
                cells.size() == 2
                    ? typed_numbers("--grid", cells[0], 100)
                    : Result<std::vector<int>>(fail(ErrorKind::BadInput, "--grid: such as 2x3"));
            const auto rows = cells.size() == 2 ? typed_numbers("--grid", cells[1], 100) : columns;
            if (!gap) return tl::make_unexpected(gap.error());
            if (!columns) return tl::make_unexpected(columns.error());
            if (!rows) return tl::make_unexpected(rows.error());
            if (auto r = put_grid(p_.set_out, p_.units, *photo, columns->front() + 1, rows->front() + 1,
                                  gap->value_or(p_.set_out.usual.grid_gap), a_.leave_free);
                !r)
                return fail(r.error().kind, "--grid: " + r.error().message);
        }
        return {};
    }

    Result<void> photo_picture(Photo& photo) {
        if (a_.photo_picture.empty()) return {};
        if (a_.photo_picture == "none") {
            photo.picture = {};
            return {};
        }
        auto picture = brought_from(QString::fromStdString(a_.photo_picture));
        if (!picture) return tl::make_unexpected(picture.error());
        photo.picture = std::move(*picture);
        if (p_.set_out.date.empty()) p_.set_out.date = photo.picture->taken;
        return {};
    }

    bool changes_photo() const {
        return !a_.photo_size.empty() || !a_.photo_name.empty() || !a_.photo_at.empty() || a_.photo_turn ||
               !a_.protected_parts.empty() || !a_.hide_part.empty() || a_.remove_photo || a_.photo_on_top ||
               a_.photo_behind || !a_.photo_picture.empty();
    }

    Result<void> photo_place() {
        const bool wanted = !a_.photo_size.empty() || !a_.photo_name.empty() || !a_.photo_at.empty() ||
                            a_.photo_turn || !a_.protected_parts.empty() || !a_.hide_part.empty() ||
                            a_.remove_photo || a_.photo > 0 || a_.photo_on_top || !a_.photo_picture.empty() ||
                            (a_.photo_behind && a_.photos.empty());
        if (!wanted) return {};
        const int i = a_.photo > 0 ? a_.photo - 1 : static_cast<int>(p_.set_out.photos.size()) - 1;
        if (i < 0 || i >= static_cast<int>(p_.set_out.photos.size()))
            return only_so_many("--which-photo", p_.set_out.photos.size(), "photo", "photos");
        Photo& photo = p_.set_out.photos[i];
        if (a_.photo > 0 && !changes_photo())
            return fail(ErrorKind::NothingToDo, "--which-photo: nothing is said about the photo");
        if (a_.remove_photo) {
            remove_photo(p_, static_cast<int>(i));
            return {};
        }
        if (auto r = photo_picture(photo); !r) return r;
        if (!a_.photo_name.empty()) photo.name = a_.photo_name;
        if (!a_.photo_size.empty()) {
            const auto size =
                typed_size("--photo-size", a_.photo_size, photo_side_limits.least, photo_side_limits.most);
            if (!size) return tl::make_unexpected(size.error());
            photo.width = size->x;
            photo.height = size->y;
        }
        if (a_.photo_on_top) photo.on_top = true;
        if (a_.photo_behind) photo.on_top = false;
        if (a_.photo_turn) photo.turn_deg = std::remainder(*a_.photo_turn, 360.0);
        if (!a_.photo_at.empty()) {
            const auto at =
                typed_point("--photo-at", a_.photo_at, "give x,y from the top left of the page", 10000);
            if (!at) return tl::make_unexpected(at.error());
            photo.centre = *at;
        }
        if (auto r = mark_part(photo, "--protect", a_.protected_parts, photo.protected_parts); !r) return r;
        return mark_part(photo, "--hide-part", a_.hide_part, photo.hidden_parts);
    }

    static Result<void> mark_part(const Photo& photo, const char* option, const std::string& typed,
                                  std::vector<Box>& parts) {
        if (typed == "none") parts.clear();
        if (typed.empty() || typed == "none") return {};
        const auto box = typed_lengths(option, typed, 0, 3000);
        if (!box) return tl::make_unexpected(box.error());
        if (box->size() != 4)
            return fail(ErrorKind::BadInput,
                        std::string(option) + ": give x,y,width,height from the photo's top left, or none");
        const Point corner{(*box)[0] - photo.width / 2, (*box)[1] - photo.height / 2};
        parts.push_back({corner.x, corner.y, corner.x + (*box)[2], corner.y + (*box)[3]});
        return {};
    }

    Result<void> size() {
        if (a_.size_for.empty()) return {};
        const auto plan = planner_.shapes(p_);
        if (!plan) return tl::make_unexpected(plan.error());
        const SetOut& now = plan->set_out.each[cut()];
        const auto factor = wanted_factor(*plan, now);
        if (!factor) return tl::make_unexpected(factor.error());
        CutPlacement& place = p_.set_out.cuts[cut()].place;
        place = resized(place, now, p_.set_out.page, *factor);
        return {};
    }

    Result<void> rooms_and_photos() {
        if (auto r = edit_rooms(a_, p_); !r) return r;
        if (auto r = edit_sketch(a_, p_); !r) return r;
        if (!a_.photos_into.empty())
            if (auto r = put_photos_into_openings(a_, p_, planner_); !r) return r;
        if (a_.photo_way > 0)
            if (auto r = take_photo_way(a_, p_, planner_); !r) return r;
        return a_.arrange.empty() || a_.arrange == "list" ? Result<void>{} : arrange_page(a_, p_, planner_);
    }

    Result<void> put_photo() {
        if (a_.put_photo.empty()) return {};
        const bool behind = a_.put_photo == "behind";
        const auto parts = split(a_.fit_photo, ':');
        if ((!behind && a_.put_photo != "inside") || parts.size() < 2)
            return fail(ErrorKind::BadInput,
                        "--put-photo: say \"inside\" or \"behind\", and with --fit-photo which opening");
        const auto plan = planner_.shapes(p_);
        if (!plan) return tl::make_unexpected(plan.error());
        if (!plan->sections.cut) return fail(ErrorKind::NothingToDo, "the page has no cut yet");
        const auto print = typed_photo_size("--fit-photo", parts, *plan, 1);
        if (!print) return tl::make_unexpected(print.error());
        const double tuck = print->tuck.value_or(behind ? p_.set_out.usual.photo_overlap : 0);
        const double tilt = a_.most_tilt.value_or(usual_tilt_deg);
        const auto fit = behind ? smallest_covering(print->outline, print->size.x, print->size.y, tuck, tilt)
                                : largest_tucked(print->outline, print->size.x, print->size.y, tuck, tilt);
        if (!fit) return fail(ErrorKind::NothingToDo, "--put-photo: no photo of that shape fits");
        Photo photo;
        photo.width = print->size.x;
        photo.height = print->size.y;
        photo.on_top = !behind && tuck == 0;
        p_.set_out.photos.push_back(fitted(photo, *fit));
        return {};
    }

    /// "bar=2mm", "bar=foam", "length=60mm:2.5in", "photo=7:4x6" or "photo=7:4x6:1/8" with the tuck.
    Result<double> wanted_factor(const Plan& plan, const SetOut& now) const {
        const auto equals = a_.size_for.find('=');
        const std::string what = a_.size_for.substr(0, equals);
        const std::string value = equals == std::string::npos ? "" : a_.size_for.substr(equals + 1);
        const auto parts = split(value, ':');
        if (what == "bar") {
            for (const Holding& h : holdings(p_.set_out.bars))
                if (value == h.key) return bar_factor(now, h.bar);
            const auto bar = typed_length("--size-for bar", value, 0.05, 100);
            if (!bar) return tl::make_unexpected(bar.error());
            if (*bar) return bar_factor(now, **bar);
        } else if (what == "length" && parts.size() == 2) {
            const auto measured = typed_length("--size-for length", parts[0], 0.1, 3000);
            const auto wanted = typed_length("--size-for length", parts[1], 0.1, 3000);
            if (!measured) return tl::make_unexpected(measured.error());
            if (!wanted) return tl::make_unexpected(wanted.error());
            if (*measured && *wanted) return **wanted / **measured;
        } else if (what == "photo" && (parts.size() == 2 || parts.size() == 3)) {
            return photo_factor(plan, parts);
        }
        return fail(ErrorKind::BadInput,
                    "--size-for: '" + a_.size_for +
                        "' is not one of bar=2mm, bar=foam, length=60mm:2.5in, photo=7:4x6");
    }

    static Result<double> bar_factor(const SetOut& now, double bar) {
        const auto factor = growth_for_bar(now, bar);
        if (!factor) return fail(ErrorKind::NothingToDo, "--size-for bar: the cut has no bars");
        return *factor;
    }

    Result<double> photo_factor(const Plan& plan, const std::vector<std::string>& parts) const {
        const auto print = typed_photo_size("--size-for photo", parts, plan, 5);
        if (!print) return tl::make_unexpected(print.error());
        // The print just fills the opening from behind, its edges tucked behind the bars.
        const auto fit = cut_growth_for_covering(print->outline, print->size.x, print->size.y,
                                                 print->tuck.value_or(p_.set_out.usual.photo_overlap));
        if (!fit)
            return fail(ErrorKind::NothingToDo, "--size-for photo: the photo is smaller than its overlap");
        return fit->factor;
    }

    const SetOutArgs& a_;
    Project& p_;
    Planner& planner_;
    int shadows_ = 0;
};

} // namespace

Result<int> edit_set_out(const SetOutArgs& args, Project& project, Planner& planner) {
    SetOutEdit edit(args, project, planner);
    if (auto r = edit.run(); !r) return tl::make_unexpected(r.error());
    return edit.cut();
}

} // namespace zesty::cli
