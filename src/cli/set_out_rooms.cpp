#include "cli/set_out_rooms.h"

#include "cli/typed.h"
#include "core/project/all_fit.h"
#include "core/project/arranged.h"
#include "core/project/photos_into_openings.h"
#include "core/project/which_photo.h"
#include "core/sentences.h"
#include "core/setout/photo_fit.h"
#include "io/picture.h"

#include <cmath>
#include <numeric>

namespace zesty::cli {

namespace {

Result<void> place_room(const SetOutArgs& args, Project& project) {
    auto& rooms = project.set_out.rooms;
    const auto parts = split(args.room_at, ':');
    const auto which = typed_numbers("--room-at", parts[0], static_cast<int>(rooms.size()));
    if (!which) return tl::make_unexpected(which.error());
    if (parts.size() != 2 || which->size() != 1)
        return fail(ErrorKind::BadInput, "--room-at: say which room and where, 1:x,y or 1:none");
    RoomWanted& room = rooms[static_cast<std::size_t>(which->front())];
    if (parts[1] == "none") {
        room.centre.reset();
        return {};
    }
    const auto at = typed_point("--room-at", parts[1], "give x,y from the top left of the page", 10000);
    if (!at) return tl::make_unexpected(at.error());
    room.centre = *at;
    return {};
}

/// The photo the options are for, or why there is none.
Result<int> photo_asked(const SetOutArgs& args, const Project& project) {
    const int count = static_cast<int>(project.set_out.photos.size());
    if (count == 0) return fail(ErrorKind::NothingToDo, "there is no photo on the page");
    if (args.photo > count)
        return fail(ErrorKind::BadInput,
                    there_are(static_cast<std::size_t>(count), "photo", "photos") + " on the page");
    return args.photo > 0 ? args.photo - 1 : count - 1;
}

} // namespace

Result<void> edit_rooms(const SetOutArgs& args, Project& project) {
    auto& rooms = project.set_out.rooms;
    if (args.no_rooms) rooms.clear();
    for (const std::string& text : args.rooms) {
        const For typed = typed_for(text);
        const auto what = typed_word<RoomFor>("--room", typed.which);
        if (!what) return tl::make_unexpected(what.error());
        const auto size = typed_size("--room", typed.what, room_side_limits.least, room_side_limits.most);
        if (!size) return tl::make_unexpected(size.error());
        if (rooms.size() >= most_rooms)
            return fail(ErrorKind::TooLarge, "--room: there are " + std::to_string(most_rooms) + " already");
        rooms.push_back({*what, size->x, size->y});
    }
    if (args.may_cover) project.set_out.may_cover = *args.may_cover / 100;
    return args.room_at.empty() ? Result<void>{} : place_room(args, project);
}

Result<void> edit_sketch(const SetOutArgs& args, Project& project) {
    Sketch& sketch = project.set_out.sketch;
    if (args.sketch == "none") {
        sketch = {};
    } else if (!args.sketch.empty()) {
        auto picture = brought_from(QString::fromStdString(args.sketch));
        if (!picture) return tl::make_unexpected(picture.error());
        sketch.picture = std::move(*picture);
        if (sketch.width <= 0) sketch.width = project.set_out.page.full_width();
    }
    const auto width = typed_length("--sketch-width", args.sketch_width, 1, sketch_width_limits.most);
    if (!width) return tl::make_unexpected(width.error());
    if (*width) sketch.width = **width;
    if (!args.sketch_at.empty()) {
        const auto at =
            typed_point("--sketch-at", args.sketch_at, "give x,y from the top left of the page", 10000);
        if (!at) return tl::make_unexpected(at.error());
        sketch.at = *at;
    }
    if (args.sketch_turn) sketch.turn_deg = std::remainder(*args.sketch_turn, 360.0);
    if (args.sketch_strength) sketch.strength = *args.sketch_strength;
    if (args.no_sketch_boxes) sketch.boxes.clear();
    for (const std::string& text : args.sketch_boxes) {
        const For typed = typed_for(text);
        const auto role = typed_word<SketchRole>("--sketch-box", typed.which);
        if (!role) return tl::make_unexpected(role.error());
        const auto box = typed_lengths("--sketch-box", typed.what, -3000, 3000);
        if (!box) return tl::make_unexpected(box.error());
        if (box->size() != 4 || (*box)[2] <= 0 || (*box)[3] <= 0)
            return fail(ErrorKind::BadInput, "--sketch-box: give x,y,width,height on the page");
        if (sketch.boxes.size() >= most_sketch_boxes)
            return fail(ErrorKind::TooLarge, "--sketch-box: there are too many already");
        sketch.boxes.push_back({*role, {(*box)[0], (*box)[1], (*box)[0] + (*box)[2], (*box)[1] + (*box)[3]}});
    }
    if (args.take_over_sketch) take_over_sketch(project.set_out);
    return {};
}

Result<void> put_photos_into_openings(const SetOutArgs& args, Project& project, Planner& planner) {
    const auto plan = planner.shapes(project);
    if (!plan) return tl::make_unexpected(plan.error());
    const auto parts = split(args.photos_into, ':');
    const int count = static_cast<int>(project.set_out.photos.size());
    std::vector<int> photos(project.set_out.photos.size());
    std::iota(photos.begin(), photos.end(), 0);
    if (parts[0] != "all") {
        const auto typed = typed_numbers("--photos-into", parts[0], count);
        if (!typed) return tl::make_unexpected(typed.error());
        photos = *typed;
    }
    std::vector<int> openings;
    if (parts.size() > 1) {
        const auto typed =
            typed_numbers("--photos-into", parts[1], static_cast<int>(plan->sections.spots.size()));
        if (!typed) return tl::make_unexpected(typed.error());
        openings = *typed;
    }
    const auto found = photos_into_openings(project, *plan, photos, openings,
                                            {args.most_tilt.value_or(usual_tilt_deg), args.punched});
    if (!found) return fail(found.error().kind, "--photos-into: " + found.error().message);
    put_into_openings(project, *plan, *found);
    return {};
}

Result<nlohmann::json> all_fit_json(const Project& project, const Plan& plan, std::ostream& out) {
    const auto answer = all_fit(project, plan);
    if (!answer) return tl::make_unexpected(answer.error());
    out << answer->in_words << "\n";
    return nlohmann::json{{"fits", answer->fits},
                          {"largest_cut_mm", answer->largest},
                          {"too_much_mm2", answer->too_much},
                          {"page", answer->page},
                          {"in_words", answer->in_words}};
}

Result<void> take_photo_way(const SetOutArgs& args, Project& project, Planner& planner) {
    const auto plan = planner.shapes(project);
    if (!plan) return tl::make_unexpected(plan.error());
    const auto photo = photo_asked(args, project);
    if (!photo) return fail(photo.error().kind, "--photo-way: " + photo.error().message);
    const auto ways = which_photo(project, *plan, *photo);
    if (!ways) return fail(ways.error().kind, "--photo-way: " + ways.error().message);
    if (args.photo_way > static_cast<int>(ways->size()))
        return fail(ErrorKind::BadInput, "--photo-way: " + there_are(ways->size(), "way", "ways"));
    project.set_out.photos[static_cast<std::size_t>(*photo)] =
        (*ways)[static_cast<std::size_t>(args.photo_way) - 1].photo;
    return {};
}

Result<nlohmann::json> photo_ways_json(const SetOutArgs& args, const Project& project, const Plan& plan,
                                       std::ostream& out) {
    const auto photo = photo_asked(args, project);
    if (!photo) return tl::make_unexpected(photo.error());
    const auto ways = which_photo(project, plan, *photo);
    if (!ways) return tl::make_unexpected(ways.error());
    auto all = nlohmann::json::array();
    for (const WayToPrint& w : *ways) {
        out << all.size() + 1 << ". " << w.in_words << "\n";
        std::vector<int> behind;
        for (const int o : w.edge_behind) behind.push_back(o + 1);
        all.push_back({{"way", key_of(w.way)},
                       {"width_mm", w.photo.width},
                       {"height_mm", w.photo.round ? w.photo.width : w.photo.height},
                       {"lost", w.lost},
                       {"lost_across_mm", w.lost_across},
                       {"lost_down_mm", w.lost_down},
                       {"pixels_per_inch", w.pixels_per_inch},
                       {"edge_behind", behind},
                       {"in_words", w.in_words}});
    }
    return all;
}

Result<void> arrange_page(const SetOutArgs& args, Project& project, Planner& planner) {
    const int count = arrangements_wanted;
    const auto which = typed_numbers("--arrange", args.arrange, count);
    if (!which || which->size() != 1)
        return fail(ErrorKind::BadInput,
                    "--arrange: say list, or which one to take, from 1 to " + std::to_string(count));
    const auto plan = planner.shapes(project);
    if (!plan) return tl::make_unexpected(plan.error());
    auto pages = arranged_pages(project, *plan, args.cuts_move);
    if (!pages) return fail(pages.error().kind, "--arrange: " + pages.error().message);
    if (which->front() >= static_cast<int>(pages->found.size()))
        return fail(ErrorKind::NothingToDo, "--arrange: " + pages->in_words);
    project = std::move(pages->found[static_cast<std::size_t>(which->front())].project);
    return {};
}

Result<nlohmann::json> arrangements_json(const Project& project, const Plan& plan, bool cuts_move,
                                         std::ostream& out) {
    const auto pages = arranged_pages(project, plan, cuts_move);
    if (!pages) return tl::make_unexpected(pages.error());
    auto all = nlohmann::json::array();
    for (const ArrangedPage& page : pages->found) {
        out << all.size() + 1 << ". " << page.in_words << "\n";
        const Arrangement& a = page.arrangement;
        auto photos = nlohmann::json::array();
        for (const Photo& p : a.photos) photos.push_back({p.centre.x, p.centre.y});
        auto rooms = nlohmann::json::array();
        for (const RoomWanted& r : a.rooms) rooms.push_back({r.box().x0, r.box().y0, r.box().x1, r.box().y1});
        all.push_back({{"photos_mm", photos},
                       {"rooms_mm", rooms},
                       {"cuts_moved_mm", {a.cuts_moved.x, a.cuts_moved.y}},
                       {"covered", a.covered},
                       {"hidden", a.hidden},
                       {"free_mm", {a.free.x0, a.free.y0, a.free.x1, a.free.y1}},
                       {"in_words", page.in_words}});
    }
    if (!pages->in_words.empty()) out << pages->in_words << "\n";
    return nlohmann::json{{"found", all}, {"in_words", pages->in_words}};
}

} // namespace zesty::cli
