#include "cli/stash_add.h"

#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/stash/colour_words.h"
#include "core/stash/stock.h"
#include "io/json_shapes.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/trace/offcut.h"
#include "io/trace/sheet_picture.h"

#include <QFileInfo>

namespace zesty::cli {

namespace {

using nlohmann::json;

/// "12x12in", "12x12in*3".
Result<SheetStock> typed_sheet(const char* option, const std::string& text) {
    const auto star = text.find('*');
    const auto size = typed_size(option, text.substr(0, star), 1, 3000);
    if (!size) return tl::make_unexpected(size.error());
    SheetStock out{{ring_of(Box{0, 0, size->x, size->y}), {}}, 1, false};
    if (star == std::string::npos) return out;
    const auto count = typed_numbers(option, text.substr(star + 1), 2000);
    if (!count) return tl::make_unexpected(count.error());
    out.count = count->front() + 1;
    return out;
}

Result<Polygon> typed_offcut(const StashArgs& a) {
    const auto square = typed_length("--square", a.square, 2, 500);
    if (!square) return tl::make_unexpected(square.error());
    const auto picture = read_file(QString::fromStdString(a.offcut));
    if (!picture) return tl::make_unexpected(picture.error());
    auto outline = measured_offcut(*picture, square->value_or(mm_per_inch));
    if (!outline) return fail(outline.error().kind, a.offcut + ": " + outline.error().message);
    return outline;
}

/// "#f6ecd2:0.7,#c03032:0.3"
Result<json> typed_palette(const char* option, const std::string& text) {
    json out = json::array();
    for (const std::string& one : split(text, ',')) {
        const For f = typed_for(one);
        const auto colour = typed_colour(option, f.which);
        if (!colour) return tl::make_unexpected(colour.error());
        const auto share = typed_number(option, f.what, {0, 1});
        if (!share) return tl::make_unexpected(share.error());
        out.push_back({format_colour(*colour), *share});
    }
    return out;
}

/// What is said of palettes and angles, finish and weight.
Result<void> typed_looks(const StashArgs& a, json& paper, json& back) {
    for (const auto& [option, text, side] : {std::tuple{"--palette", &a.palette, &paper},
                                             std::tuple{"--back-palette", &a.back_palette, &back}}) {
        if (text->empty()) continue;
        auto palette = typed_palette(option, *text);
        if (!palette) return tl::make_unexpected(palette.error());
        (*side)["palette"] = std::move(*palette);
    }
    if (a.angle) paper["angle_deg"] = *a.angle;
    if (a.back_angle) back["angle_deg"] = *a.back_angle;
    if (a.weight) paper["weight_gsm"] = *a.weight;
    if (!a.finish.empty()) paper["finish"] = a.finish;
    if (a.use_up) paper["use_up"] = true;
    return {};
}

/// --trim: what has been cut off a sheet at the left, the top, the right and the bottom; with two more an L.
Result<void> typed_sheets(const StashArgs& a, json& sheets) {
    for (const std::string& text : a.sheets) {
        const auto sheet = typed_sheet("--sheet", text);
        if (!sheet) return tl::make_unexpected(sheet.error());
        const Box b = bounds(sheet->outline);
        if (a.trim.empty()) {
            sheets.push_back({{"width", b.x1}, {"height", b.y1}, {"count", sheet->count}});
            continue;
        }
        const auto cuts = typed_lengths("--trim", a.trim, 0, 3000);
        if (!cuts) return tl::make_unexpected(cuts.error());
        const auto left = cuts->size() == 4 || cuts->size() == 6
                              ? trimmed_sheet({b.x1, b.y1}, {(*cuts)[0], (*cuts)[1], (*cuts)[2], (*cuts)[3]},
                                              cuts->size() == 6 ? Point{(*cuts)[4], (*cuts)[5]} : Point{})
                              : std::nullopt;
        if (!left)
            return fail(ErrorKind::BadInput, "--trim: '" + a.trim +
                                                 "' is not like left,top,right,bottom with something left "
                                                 "of the sheet, and two more for an L's missing corner");
        sheets.push_back({{"outline", to_json(*left)}, {"count", sheet->count}});
    }
    return {};
}

Result<Stash> typed_paper(const StashArgs& a) {
    json paper{{"id", a.add}, {"name", a.name.empty() ? a.add : a.name}, {"sheets", json::array()}};
    for (const auto& [key, value] : {std::pair{"pattern", a.pattern}, std::pair{"direction", a.direction},
                                     std::pair{"kept_in", a.kept_in}, std::pair{"notes", a.notes}})
        if (!value.empty()) paper[key] = value;
    if (!a.colour.empty()) {
        const auto colour = typed_colour("--colour", a.colour);
        if (!colour) return tl::make_unexpected(colour.error());
        paper["colour"] = format_colour(*colour);
    }
    const auto name_of_file = [](const std::string& path) {
        return QFileInfo(QString::fromStdString(path)).fileName().toStdString();
    };
    if (!a.picture.empty()) paper["image"] = name_of_file(a.picture);
    json back = json::object();
    for (const auto& [key, value] :
         {std::pair{"pattern", a.back_pattern}, std::pair{"direction", a.back_direction}})
        if (!value.empty()) back[key] = value;
    if (!a.back_colour.empty()) {
        const auto colour = typed_colour("--back-colour", a.back_colour);
        if (!colour) return tl::make_unexpected(colour.error());
        back["colour"] = format_colour(*colour);
    }
    // Two pictures of the same name from two folders would be one.
    if (!a.back_picture.empty())
        back["image"] = (name_of_file(a.back_picture) == name_of_file(a.picture) ? "back-" : "") +
                        name_of_file(a.back_picture);
    for (const auto& [option, text, key] :
         {std::tuple{"--strip", a.strip, "strip_mm"}, std::tuple{"--repeat", a.repeat, "repeat_mm"}}) {
        const auto length = typed_length(option, text, 0, 1000);
        if (!length) return tl::make_unexpected(length.error());
        if (*length) paper[key] = **length;
    }
    if (auto r = typed_looks(a, paper, back); !r) return tl::make_unexpected(r.error());
    if (!back.empty()) paper["back"] = back;
    if (auto r = typed_sheets(a, paper["sheets"]); !r) return tl::make_unexpected(r.error());
    if (!a.offcut.empty()) {
        const auto outline = typed_offcut(a);
        if (!outline) return tl::make_unexpected(outline.error());
        paper["sheets"].push_back({{"outline", to_json(*outline)}});
    }
    return stash_from({{"format", "zesty-stash/1"}, {"papers", {paper}}}, "--add",
                      [&](const std::string& name) -> Result<PictureBytes> {
                          const bool front = !a.picture.empty() && name == name_of_file(a.picture);
                          auto bytes = read_file(QString::fromStdString(front ? a.picture : a.back_picture));
                          if (bytes && a.crop) bytes = cropped_file(*bytes);
                          if (!bytes) return tl::make_unexpected(bytes.error());
                          return picture_bytes(bytes->toStdString());
                      });
}

/// Of a paper that is there just what is given is changed; sheets are added to those it has.
void take_over(const StashArgs& a, const Paper& typed, Paper& paper) {
    if (!a.name.empty()) paper.name = typed.name;
    if (!a.picture.empty()) paper.set_front(typed.face(Side::A));
    if (!a.colour.empty()) paper.colour = typed.colour;
    if (!a.pattern.empty()) paper.pattern = typed.pattern;
    if (!a.direction.empty()) paper.direction = typed.direction;
    if (!a.repeat.empty()) paper.repeat = typed.repeat;
    if (!a.strip.empty()) paper.strip = typed.strip;
    if (!a.kept_in.empty()) paper.kept_in = typed.kept_in;
    if (!a.notes.empty()) paper.notes = typed.notes;
    if (a.angle) paper.angle_deg = *a.angle;
    if (!a.palette.empty()) paper.palette = typed.palette;
    if (a.weight) paper.weight = *a.weight;
    if (!a.finish.empty()) paper.finish = typed.finish;
    if (a.use_up || a.not_first) paper.use_up = a.use_up;
    for (const SheetStock& s : typed.sheets) change_count(paper, s, s.count);
    if (a.no_back) paper.back.reset();
    if (!typed.back) return;
    if (!paper.back || !a.back_picture.empty()) paper.back = typed.back;
    if (!a.back_colour.empty()) paper.back->colour = typed.back->colour;
    if (!a.back_pattern.empty()) paper.back->pattern = typed.back->pattern;
    if (!a.back_direction.empty()) paper.back->direction = typed.back->direction;
    if (a.back_angle) paper.back->angle_deg = *a.back_angle;
    if (!a.back_palette.empty()) paper.back->palette = typed.back->palette;
}

/// --less 12x12in*2: sheets that are gone.
Result<void> take_sheets(const StashArgs& a, Paper& paper) {
    for (const std::string& text : a.less) {
        const auto sheet = typed_sheet("--less", text);
        if (!sheet) return tl::make_unexpected(sheet.error());
        if (!change_count(paper, *sheet, -sheet->count))
            return fail(ErrorKind::NothingToDo,
                        "--less: there are not so many sheets of " + text + " of " + paper.name);
    }
    return {};
}

} // namespace

Result<Rgb> typed_colour(const char* option, const std::string& text) {
    if (const auto colour = colour_called(text)) return *colour;
    return fail(ErrorKind::BadInput,
                std::string(option) + ": '" + text +
                    "' is not a colour we know; #rrggbb, or words such as \"muted teal\"");
}

Result<Stash> added(StashArgs a, const Stash& now) {
    const int there = now.find(a.add);
    if (there < 0) return typed_paper(a);
    const Paper& known = now.papers[static_cast<std::size_t>(there)];
    // What is not given is not asked for either.
    const StashArgs given = a;
    if (a.colour.empty() && a.picture.empty()) a.colour = format_colour(known.colour);
    const bool of_side_b =
        !a.back_pattern.empty() || !a.back_direction.empty() || a.back_angle || !a.back_palette.empty();
    if (of_side_b && known.back && a.back_colour.empty() && a.back_picture.empty())
        a.back_colour = format_colour(known.back->colour);
    auto typed = typed_paper(a);
    if (!typed) return typed;
    Paper paper = known;
    take_over(given, typed->papers.front(), paper);
    if (auto r = take_sheets(given, paper); !r) return tl::make_unexpected(r.error());
    for (const std::string& picture : {paper.picture, paper.back ? paper.back->picture : std::string()})
        if (const auto at = now.pictures.find(picture); at != now.pictures.end())
            typed->pictures.insert(*at); // what is typed under the same name stays
    typed->papers = {std::move(paper)};
    return typed;
}

} // namespace zesty::cli
