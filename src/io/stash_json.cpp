#include "io/stash_json.h"

#include "core/geometry/boolean.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/stash/stock.h"
#include "io/edge.h"
#include "io/fields/keep.h"
#include "io/fields/small_things.h"
#include "io/json_shapes.h"
#include "io/paper_look.h"
#include "io/picture.h"
#include "io/read_file.h"
#include "io/stash_store.h"
#include "io/trace/sheet_picture.h"

#include <QDir>
#include <QFileInfo>
#include <cmath>
#include <set>
#include <tuple>

namespace zesty {

using nlohmann::json;

namespace {

constexpr int most_of_a_kind = 2000;
constexpr std::size_t most_motifs = 200; ///< of a paper
constexpr int most_sheets = 100'000;

/// A member that is a number within limits; `otherwise` when it is missing.
Result<double> number(const json& j, const char* key, double most, const std::string& where) {
    if (!j.contains(key)) return 0.0;
    if (!j[key].is_number() || j[key].get<double>() < 0 || j[key].get<double>() > most)
        return fail(ErrorKind::BadInput, where + ": \"" + key + "\" must be a number from 0 to " +
                                             std::to_string(std::lround(most)));
    return j[key].get<double>();
}

template <class Enum>
Result<Enum> named(const json& j, const char* key, std::initializer_list<Enum> all, Enum otherwise,
                   const std::string& where) {
    if (!j.contains(key)) return otherwise;
    for (Enum e : all)
        if (j[key] == name_of(e)) return e;
    std::string names;
    for (Enum e : all) names += (names.empty() ? "" : ", ") + std::string(name_of(e));
    return fail(ErrorKind::BadInput, where + ": \"" + key + "\" must be one of " + names);
}

Result<SheetStock> sheet_from(const json& j, const std::string& where) {
    if (!j.is_object()) return fail(ErrorKind::BadInput, where + ": a sheet must be an object");
    SheetStock stock;
    if (j.contains("count")) {
        if (!j["count"].is_number_integer() || j["count"].get<long>() < 0 ||
            j["count"].get<long>() > most_of_a_kind)
            return fail(ErrorKind::BadInput, where + ": \"count\" must be a whole number up to 2000");
        stock.count = j["count"].get<int>();
    }
    if (j.contains("clean") && j["clean"].is_boolean()) stock.clean = j["clean"].get<bool>();
    if (j.contains("from_page") && j["from_page"].is_string())
        stock.from_page = as_text(j["from_page"].get<std::string>());
    if (j.contains("of") && j["of"].is_string())
        stock.of = zesty::named<ScrapOf>(j["of"].get<std::string>()).value_or(ScrapOf::Unknown);
    if (j.contains("outline")) {
        auto outline = polygon_from(j["outline"], where + ": the outline of a sheet");
        if (!outline) return tl::make_unexpected(outline.error());
        if (!is_valid({*outline}) || area(*outline) < 1)
            return fail(ErrorKind::BadInput,
                        where + ": the outline of a sheet crosses itself or has no area");
        stock.outline = std::move(*outline);
        stock.irregular = true;
        return stock;
    }
    for (const char* key : {"width", "height"})
        if (!j.contains(key) || !j[key].is_number() || j[key].get<double>() <= 0 ||
            j[key].get<double>() > 5000)
            return fail(ErrorKind::BadInput, where + ": a sheet needs an \"outline\", or a \"width\" and a "
                                                     "\"height\" in mm above 0 and up to 5000");
    const double w = j["width"].get<double>();
    const double h = j["height"].get<double>();
    stock.outline.outer = {{0, 0}, {w, 0}, {w, h}, {0, h}};
    return stock;
}

Result<void> read_facts(const json& j, const std::string& where, Paper& paper) {
    for (const auto& [key, most, value] :
         {std::tuple{"strip_mm", 100.0, &paper.strip}, std::tuple{"weight_gsm", 2000.0, &paper.weight}}) {
        const auto n = number(j, key, most, where);
        if (!n) return tl::make_unexpected(n.error());
        *value = *n;
    }
    for (const auto& [key, text] : {std::pair{"notes", &paper.notes}, std::pair{"kept_in", &paper.kept_in},
                                    std::pair{"uid", &paper.uid}, std::pair{"touched", &paper.touched}})
        if (j.contains(key) && j[key].is_string()) *text = as_text(j[key].get<std::string>());
    if (j.contains("fussy_cuts")) {
        if (!j["fussy_cuts"].is_array() || j["fussy_cuts"].size() > most_motifs)
            return fail(ErrorKind::BadInput, where + ": \"fussy_cuts\" must be a list of up to 200 motifs");
        for (const json& m : j["fussy_cuts"]) {
            auto outline = m.is_object() && m.contains("outline")
                               ? polygon_from(m["outline"], where + ": a fussy cut")
                               : polygon_from(json(), where + ": a fussy cut");
            if (!outline) return tl::make_unexpected(outline.error());
            if (!is_valid({*outline}))
                return fail(ErrorKind::BadInput, where + ": a fussy cut crosses itself");
            const bool counted = m.contains("used") && m["used"].is_number_integer() &&
                                 m["used"].get<long>() >= 0 && m["used"].get<long>() <= most_sheets;
            const bool named = m.contains("name") && m["name"].is_string();
            paper.fussy_cuts.push_back({named ? as_text(m["name"].get<std::string>()) : "",
                                        std::move(*outline), counted ? m["used"].get<int>() : 0});
        }
    }
    if (j.contains("use_up") && j["use_up"].is_boolean()) paper.use_up = j["use_up"].get<bool>();
    if (!j.contains("finish")) return {};
    const auto finish =
        j["finish"].is_string() ? zesty::named<Finish>(j["finish"].get<std::string>()) : std::nullopt;
    if (!finish)
        return fail(ErrorKind::BadInput, where + ": \"finish\" must be one of " + all_words<Finish>());
    paper.finish = finish;
    return {};
}

/// A side of a paper; `width` is that of its largest sheet.
Result<PaperFace> face_from(const json& j, const std::string& where, double width,
                            const PictureSource& pictures, Stash& stash) {
    PaperFace face;
    const auto pattern = named(
        j, "pattern",
        {Pattern::Solid, Pattern::Small, Pattern::Large, Pattern::Stripe, Pattern::Ombre, Pattern::Picture},
        Pattern::Solid, where);
    if (!pattern) return tl::make_unexpected(pattern.error());
    face.pattern = *pattern;
    const auto direction =
        named(j, "direction", {Direction::Free, Direction::Half, Direction::Fixed}, Direction::Free, where);
    if (!direction) return tl::make_unexpected(direction.error());
    face.direction = *direction;
    for (const auto& [key, most, value] :
         {std::tuple{"repeat_mm", 1000.0, &face.repeat}, std::tuple{"angle_deg", 360.0, &face.angle_deg}}) {
        const auto n = number(j, key, most, where);
        if (!n) return tl::make_unexpected(n.error());
        *value = *n;
    }
    if (auto r = known_look(j, where, face); !r) return tl::make_unexpected(r.error());
    if (j.contains("image") && j["image"].is_string()) {
        face.picture = j["image"].get<std::string>();
        auto bytes = pictures(face.picture);
        if (!bytes) return fail(bytes.error().kind, where + ": " + bytes.error().message);
        if (auto r = look_at_picture(j, where, width, *bytes, face); !r)
            return tl::make_unexpected(r.error());
        stash.pictures[face.picture] = std::move(*bytes);
    }
    if (j.contains("colour")) {
        const auto colour = colour_from(j["colour"], "colour", where);
        if (!colour) return tl::make_unexpected(colour.error());
        face.colour = *colour;
    } else if (face.picture.empty()) {
        return fail(ErrorKind::BadInput, where + " needs a \"colour\" or an \"image\"");
    }
    return face;
}

Result<Paper> paper_from(const json& j, const std::string& what, std::size_t number,
                         const PictureSource& pictures, Stash& stash) {
    std::string where = what + ": paper " + std::to_string(number);
    if (!j.is_object() || !j.contains("id") || !j["id"].is_string() || j["id"].get<std::string>().empty())
        return fail(ErrorKind::BadInput, where + " has no \"id\"");
    Paper paper;
    paper.id = as_text(j["id"].get<std::string>());
    where = what + ": paper \"" + paper.id + "\"";
    paper.name =
        j.contains("name") && j["name"].is_string() ? as_text(j["name"].get<std::string>()) : paper.id;
    if (!j.contains("sheets") || !j["sheets"].is_array())
        return fail(ErrorKind::BadInput, where + " has no list of \"sheets\"");
    for (const json& s : j["sheets"]) {
        auto stock = sheet_from(s, where);
        if (!stock) return tl::make_unexpected(stock.error());
        paper.sheets.push_back(std::move(*stock));
    }
    const double width = picture_box(paper).width();
    auto front = face_from(j, where, width, pictures, stash);
    if (!front) return tl::make_unexpected(front.error());
    paper.set_front(*front);
    if (j.contains("back")) {
        if (!j["back"].is_object()) return fail(ErrorKind::BadInput, where + ": \"back\" must be an object");
        auto back = face_from(j["back"], where + ", side B", width, pictures, stash);
        if (!back) return tl::make_unexpected(back.error());
        paper.back = std::move(*back);
    }
    if (auto r = read_facts(j, where, paper); !r) return tl::make_unexpected(r.error());
    return paper;
}

/// Embellishments or letter sets, where there are some; ids stand once.
template <class Thing>
Result<void> read_things(const json& j, const char* key, std::size_t most, const std::string& what,
                         std::vector<Thing>& out) {
    if (!j.contains(key)) return {};
    if (!j[key].is_array()) return fail(ErrorKind::BadInput, what + ": \"" + key + "\" must be a list");
    if (j[key].size() > most) return fail(ErrorKind::TooLarge, what + ": too many " + key);
    std::set<std::string> ids;
    for (const json& one : j[key]) {
        auto thing = one.is_object() ? thing_from<Thing>(one, what + ": " + key)
                                     : fail(ErrorKind::BadInput, what + ": " + key + " must be objects");
        if (!thing) return tl::make_unexpected(thing.error());
        if (!ids.insert(thing->id).second)
            return fail(ErrorKind::BadInput,
                        what + ": two of the " + key + " have the id \"" + thing->id + "\"");
        out.push_back(std::move(*thing));
    }
    return {};
}

json face_json(const PaperFace& face) {
    json out{{"colour", format_colour(face.colour)},
             {"pattern", name_of(face.pattern)},
             {"direction", name_of(face.direction)}};
    if (!face.picture.empty()) out["image"] = face.picture;
    if (face.repeat > 0) out["repeat_mm"] = face.repeat;
    if (face.angle_deg > 0) out["angle_deg"] = face.angle_deg;
    write_look(face, out);
    return out;
}

} // namespace

Result<Stash> stash_from(const json& j, const std::string& what, const PictureSource& pictures) {
    if (!j.is_object() || !j.contains("format") || !j["format"].is_string())
        return fail(ErrorKind::BadInput, what + ": this is not a stash (no \"format\")");
    const std::string format = j["format"].get<std::string>();
    if (format != "zesty-stash/1")
        return fail(format.rfind("zesty-stash/", 0) == 0 ? ErrorKind::NewerFormat : ErrorKind::BadInput,
                    what + ": the format \"" + format + "\" is not zesty-stash/1");
    if (!j.contains("papers") || !j["papers"].is_array())
        return fail(ErrorKind::BadInput, what + ": there is no list of \"papers\"");
    Stash stash;
    std::set<std::string> ids;
    int sheets = 0;
    for (std::size_t i = 0; i < j["papers"].size(); ++i) {
        auto paper = paper_from(j["papers"][i], what, i + 1, pictures, stash);
        if (!paper) return tl::make_unexpected(paper.error());
        if (!ids.insert(paper->id).second)
            return fail(ErrorKind::BadInput, what + ": two papers have the id \"" + paper->id + "\"");
        sheets += sheet_count(*paper);
        if (sheets > most_sheets) return fail(ErrorKind::TooLarge, what + ": more than 100,000 sheets");
        stash.papers.push_back(std::move(*paper));
    }
    if (auto r = read_things(j, "embellishments", most_embellishments, what, stash.embellishments); !r)
        return tl::make_unexpected(r.error());
    if (auto r = read_things(j, "letters", most_letter_sets, what, stash.letters); !r)
        return tl::make_unexpected(r.error());
    if (auto r = read_things(j, "records", most_records, what, stash.records); !r)
        return tl::make_unexpected(r.error());
    for (const Embellishment& e : stash.embellishments) {
        if (e.picture.empty() || stash.pictures.contains(e.picture)) continue;
        auto bytes = pictures(e.picture);
        if (!bytes) return fail(bytes.error().kind, what + ": " + e.id + ": " + bytes.error().message);
        stash.pictures[e.picture] = std::move(*bytes);
    }
    return stash;
}

json stash_json(const Stash& stash) {
    json papers = json::array();
    for (const Paper& p : stash.papers) {
        json sheets = json::array();
        for (const SheetStock& s : p.sheets) {
            json sheet{{"count", s.count}};
            if (s.irregular) {
                sheet["outline"] = exact_json(s.outline);
            } else {
                const Box b = bounds(s.outline);
                sheet["width"] = b.x1;
                sheet["height"] = b.y1;
            }
            if (!s.clean) sheet["clean"] = false;
            if (s.of != ScrapOf::Unknown) sheet["of"] = key_of(s.of);
            if (!s.from_page.empty()) sheet["from_page"] = s.from_page;
            sheets.push_back(sheet);
        }
        json paper = face_json(p.face(Side::A));
        paper["id"] = p.id;
        paper["name"] = p.name;
        paper["sheets"] = sheets;
        if (p.back) paper["back"] = face_json(*p.back);
        if (p.strip > 0) paper["strip_mm"] = p.strip;
        if (p.weight > 0) paper["weight_gsm"] = p.weight;
        if (!p.notes.empty()) paper["notes"] = p.notes;
        if (!p.kept_in.empty()) paper["kept_in"] = p.kept_in;
        if (!p.uid.empty()) paper["uid"] = p.uid;
        if (p.finish) paper["finish"] = key_of(*p.finish);
        if (p.use_up) paper["use_up"] = true;
        for (const FussyCut& m : p.fussy_cuts)
            paper["fussy_cuts"].push_back(
                {{"name", m.name}, {"outline", exact_json(m.outline)}, {"used", m.used}});
        if (!p.touched.empty()) paper["touched"] = p.touched;
        papers.push_back(paper);
    }
    json out{{"format", "zesty-stash/1"}, {"papers", papers}};
    for (const Embellishment& e : stash.embellishments) out["embellishments"].push_back(thing_json(e));
    for (const LetterSet& s : stash.letters) out["letters"].push_back(thing_json(s));
    for (const PageRecord& r : stash.records) out["records"].push_back(thing_json(r));
    return out;
}

Result<Stash> paper_from_picture(const QString& path, bool crop) {
    const std::string title = QFileInfo(path).completeBaseName().toStdString();
    const double side = 12 * mm_per_inch;
    const json sheet{{"width", side}, {"height", side}, {"count", 1}};
    const json paper{{"id", title},
                     {"name", title},
                     {"image", QFileInfo(path).fileName().toStdString()},
                     {"sheets", json::array({sheet})}};
    return stash_from({{"format", "zesty-stash/1"}, {"papers", json::array({paper})}}, path.toStdString(),
                      [&](const std::string&) -> Result<PictureBytes> {
                          auto bytes = read_file(path, 64LL << 20);
                          if (bytes && crop) bytes = cropped_file(*bytes);
                          if (!bytes) return tl::make_unexpected(bytes.error());
                          return picture_bytes(bytes->toStdString());
                      });
}

PictureSource pictures_beside(const QString& file, qint64 most_bytes) {
    return [folder = QFileInfo(file).dir(), most_bytes](const std::string& name) -> Result<PictureBytes> {
        auto bytes = read_file(folder.filePath(QString::fromStdString(name)), most_bytes);
        if (!bytes) return tl::make_unexpected(bytes.error());
        return picture_bytes(bytes->toStdString());
    };
}

Result<void> hold_pictures(const Stash& stash, const std::string& what) {
    for (const auto& [name, picture] : stash.pictures) {
        const auto bytes = picture.hold() ? picture.get() : nullptr;
        if (!bytes) return fail(ErrorKind::Unreadable, what + ": the picture " + name + " cannot be read");
        if (auto r =
                check_picture(QByteArray::fromRawData(bytes->data(), static_cast<qsizetype>(bytes->size())));
            !r)
            return fail(r.error().kind, what + ": the picture " + name + ": " + r.error().message);
    }
    return {};
}

Result<Stash> read_stash(const QString& path) {
    if (StashStore::looks_like_one(path)) {
        auto store = StashStore::open(path);
        if (!store) return tl::make_unexpected(store.error());
        return store->read();
    }
    const auto data = read_file(path, 64LL << 20);
    if (!data) return tl::make_unexpected(data.error());
    const auto j = parse_json(data->toStdString(), path.toStdString());
    if (!j) return tl::make_unexpected(j.error());
    return stash_from(*j, path.toStdString(), pictures_beside(path, 64LL << 20));
}

} // namespace zesty
