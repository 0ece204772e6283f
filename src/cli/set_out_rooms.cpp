#include "cli/set_out_rooms.h"

#include "cli/typed.h"
#include "core/project/all_fit.h"
#include "core/project/photos_into_openings.h"
#include "core/setout/photo_fit.h"
#include "io/picture.h"

#include <cmath>
#include <numeric>

namespace zesty::cli {

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
    return {};
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
    const auto found =
        photos_into_openings(project, *plan, photos, openings, args.most_tilt.value_or(usual_tilt_deg));
    if (!found) return fail(found.error().kind, "--photos-into: " + found.error().message);
    put_into_openings(project.set_out, *found);
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

} // namespace zesty::cli
