#include "io/project_file.h"

#include "io/json_shapes.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/svg/svg_reader.h"
#include "io/zip.h"

#include <QBuffer>
#include <QFileInfo>
#include <algorithm>
#include <cmath>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>

namespace zesty {

using nlohmann::json;

namespace {

constexpr qint64 most_unpacked = 512LL << 20;

const char* name_of(SizeRule r) {
    return r == SizeRule::Margin  ? "margin"
           : r == SizeRule::Width ? "width"
           : r == SizeRule::Frame ? "frame"
                                  : "height";
}

json sides_json(const Sides& s) {
    return {s.left, s.top, s.right, s.bottom};
}

json spot_json(Spot s) {
    return {s.cut, s.opening + 1, s.part};
}

json page_json(const Page& page) {
    return {{"width_mm", page.width},
            {"height_mm", page.height},
            {"spread", page.spread},
            {"gap_mm", page.gap},
            {"reveal_mm", sides_json(page.reveal)},
            {"frame", page.frame == FrameKind::Whole ? "whole" : "strips"},
            {"glue_lip_mm", page.glue_lip},
            {"frame_paper", page.frame_paper}};
}

json cut_json(const PlacedCut& c) {
    return {{"id", c.id},
            {"drawing", c.drawing + 1},
            {"rule", name_of(c.place.rule)},
            {"length_mm", c.place.length},
            {"turn_deg", c.place.turn_deg},
            {"mirrored", c.place.mirrored},
            {"shift_mm", {c.place.shift.x, c.place.shift.y}},
            {"left_out", c.left_out},
            {"pieces_from_paper", c.pieces_from_paper},
            {"layers", c.layers},
            {"by_whole", c.by_whole},
            {"grown_mm", c.grown},
            {"above_photos", c.above_photos}};
}

json photo_json(const Photo& p) {
    json out{{"name", p.name},
             {"width_mm", p.width},
             {"height_mm", p.height},
             {"round", p.round},
             {"centre_mm", {p.centre.x, p.centre.y}},
             {"turn_deg", p.turn_deg},
             {"on_top", p.on_top},
             {"keep_free_mm", json::array()}};
    for (const Box& b : p.keep_free) out["keep_free_mm"].push_back({b.x0, b.y0, b.x1, b.y1});
    return out;
}

json section_json(Spot spot, const SectionChoice& c) {
    json s{{"opening", spot_json(spot)}, {"treatment", key_of(c.treatment)}};
    if (!c.name.empty()) s["name"] = c.name;
    if (!c.paper.empty()) s["paper"] = c.paper;
    if (c.locked) s["locked"] = true;
    if (c.lip) s["lip_mm"] = *c.lip;
    if (c.school) s["school"] = key_of(*c.school);
    if (c.order != 0) s["order"] = c.order;
    return s;
}

json backing_json(const BackingRules& b) {
    return {
        {"school", key_of(b.school)},    {"lips", key_of(b.lips)},  {"inlay_clearance_mm", b.inlay_clearance},
        {"foam_width_mm", b.foam_width}, {"punches_mm", b.punches}, {"punch_on_top", b.punch_on_top}};
}

json bar_json(const BarName& bar, LipMode lips) {
    return {{"between", {spot_json(bar.first), spot_json(bar.second)}}, {"lips", key_of(lips)}};
}

json division_json(Spot spot, const Division& d) {
    return {{"opening", spot_json(spot)}, {"kind", key_of(d.kind)}, {"count", d.count}, {"rows", d.rows},
            {"turn_deg", d.turn_deg},     {"at", {d.at.x, d.at.y}}};
}

std::vector<std::string> drawing_entries(const Project& p) {
    std::vector<std::string> out;
    for (std::size_t i = 0; i < p.drawings.size(); ++i)
        out.push_back("drawing/" + std::to_string(i + 1) + "/" + p.drawings[i]->name);
    return out;
}

json project_json(const Project& p) {
    json out{{"format", "zesty-project/" + std::to_string(project_version)},
             {"title", p.title},
             {"units", p.units == Units::Inches ? "in" : "cm"},
             {"page", page_json(p.page)},
             {"drawings", drawing_entries(p)},
             {"cuts", json::array()},
             {"photos", json::array()},
             {"lip_mm", p.lip},
             {"blade_gap_mm", p.blade_gap},
             {"seed", p.seed},
             {"backing", backing_json(p.backing)},
             {"mat_mm", {p.mat_width, p.mat_height}},
             {"colours", {{"drift", p.style.drift}, {"light_deg", p.style.light_deg}}},
             {"bars", json::array()},
             {"divisions", json::array()},
             {"groups", json::array()},
             {"sections", json::array()}};
    for (const PlacedCut& c : p.cuts) out["cuts"].push_back(cut_json(c));
    for (const Photo& photo : p.photos) out["photos"].push_back(photo_json(photo));
    for (const auto& g : p.groups) {
        json members = json::array();
        for (Spot s : g) members.push_back(spot_json(s));
        out["groups"].push_back(members);
    }
    for (const auto& [bar, lips] : p.bars) out["bars"].push_back(bar_json(bar, lips));
    for (const auto& [spot, d] : p.divisions) out["divisions"].push_back(division_json(spot, d));
    for (const auto& [spot, c] : p.sections) out["sections"].push_back(section_json(spot, c));
    if (p.stash) out["stash"] = stash_json(*p.stash);
    return out;
}

using Entries = std::map<std::string, std::string>;

Result<QByteArray> zip(const Entries& entries) {
    QBuffer buffer;
    QuaZip archive(&buffer);
    archive.setUtf8Enabled(true);
    if (!archive.open(QuaZip::mdCreate)) return fail(ErrorKind::Unwritable, "the project cannot be packed");
    for (const auto& [name, bytes] : entries) {
        QuaZipFile file(&archive);
        QuaZipNewInfo info(QString::fromStdString(name));
        // No clock: the same project gives the same file.
        info.dateTime = QDateTime(QDate(2000, 1, 1), QTime(0, 0));
        if (!file.open(QIODevice::WriteOnly, info) ||
            file.write(bytes.data(), static_cast<qint64>(bytes.size())) != static_cast<qint64>(bytes.size()))
            return fail(ErrorKind::Unwritable, "the project cannot be packed");
        file.close();
    }
    archive.close();
    return buffer.data();
}

Result<Entries> unzip(const QByteArray& data, const std::string& what) {
    const auto entries = unpacked(data, most_unpacked, [](const QString&) { return true; });
    if (!entries) {
        const ErrorKind kind = entries.error().kind;
        if (kind == ErrorKind::TooLarge) return fail(kind, what + ": the project unpacks to over 512 MB");
        return fail(ErrorKind::BadInput,
                    what + (kind == ErrorKind::Unreadable ? ": this is not a project file"
                                                          : ": the project file is damaged"));
    }
    Entries out;
    for (const ZipEntry& e : *entries) out[e.path.toStdString()] = e.bytes.toStdString();
    if (!out.contains("project.json"))
        return fail(ErrorKind::BadInput, what + ": this is not a project file");
    return out;
}

/// Reads members and remembers the first that is not what it should be.
class Fields {
public:
    explicit Fields(std::string what) : what_(std::move(what)) {}

    double number(const json& j, const char* key, double otherwise, double least, double most) {
        if (!j.is_object() || !j.contains(key)) return otherwise;
        if (!j[key].is_number() || !(j[key].get<double>() >= least) || !(j[key].get<double>() <= most)) {
            complain(key);
            return otherwise;
        }
        return j[key].get<double>();
    }
    std::string text(const json& j, const char* key) {
        if (!j.is_object() || !j.contains(key)) return {};
        if (!j[key].is_string()) {
            complain(key);
            return {};
        }
        return j[key].get<std::string>();
    }
    bool flag(const json& j, const char* key) {
        if (!j.is_object() || !j.contains(key)) return false;
        if (!j[key].is_boolean()) complain(key);
        return j[key] == true;
    }
    int whole(const json& j, const char* key, int otherwise, int least, int most) {
        const double n = number(j, key, otherwise, least, most);
        if (n != std::floor(n)) complain(key);
        return static_cast<int>(n);
    }
    /// Some numbers in a list, all within the limits.
    std::vector<double> numbers(const json& j, const char* key, std::size_t count, double limit) {
        std::vector<double> out(count, 0);
        if (!j.is_object() || !j.contains(key)) return out;
        return numbers_in(j[key], key, count, limit);
    }
    std::vector<double> numbers_in(const json& list, const char* key, std::size_t count, double limit) {
        std::vector<double> out;
        if (list.is_array())
            for (const json& n : list)
                if (n.is_number() && std::abs(n.get<double>()) <= limit) out.push_back(n.get<double>());
        if (out.size() == count && list.size() == count) return out;
        complain(key);
        return std::vector<double>(count, 0);
    }
    std::vector<json> list(const json& j, const char* key) {
        if (!j.is_object() || !j.contains(key)) return {};
        if (!j[key].is_array()) {
            complain(key);
            return {};
        }
        return j[key].get<std::vector<json>>();
    }
    /// A number alone, as format 1 has it, or [cut, opening, part].
    Spot spot(const json& j) {
        const json list = j.is_number_integer() ? json{0, j, 0} : j;
        if (list.is_array() && list.size() == 3 &&
            std::all_of(list.begin(), list.end(), [](const json& n) { return n.is_number_integer(); })) {
            const long cut = list[0].get<long>();
            const long opening = list[1].get<long>();
            const long part = list[2].get<long>();
            if (cut >= base_spot.cut && cut < 1'000'000 && opening >= 1 && opening <= 10'000'000 &&
                part >= 0 && part < 1'000'000)
                return {static_cast<int>(cut), static_cast<int>(opening) - 1, static_cast<int>(part)};
        }
        complain("opening");
        return {};
    }
    void complain(const char* key) {
        if (!error_)
            error_ = Error{ErrorKind::BadInput,
                           what_ + ": \"" + key + "\" in project.json is not what it should be"};
    }
    const std::optional<Error>& error() const { return error_; }

private:
    std::string what_;
    std::optional<Error> error_;
};

void read_sections(const json& j, Fields& fields, Project& p) {
    for (const json& g : fields.list(j, "groups")) {
        std::vector<Spot> members;
        if (g.is_array())
            for (const json& o : g) members.push_back(fields.spot(o));
        group(p, members);
    }
    for (const json& s : fields.list(j, "sections")) {
        SectionChoice c;
        c.name = fields.text(s, "name");
        if (const std::string t = fields.text(s, "treatment"); !t.empty()) {
            if (const auto known = treatment_named(t))
                c.treatment = *known;
            else
                fields.complain("treatment");
        }
        if (const std::string t = fields.text(s, "school"); !t.empty()) {
            c.school = school_named(t);
            if (!c.school) fields.complain("school");
        }
        c.order = fields.whole(s, "order", 0, 0, 1'000'000);
        c.paper = fields.text(s, "paper");
        c.locked = fields.flag(s, "locked");
        if (s.is_object() && s.contains("lip_mm")) c.lip = fields.number(s, "lip_mm", 0, 0, 50);
        p.choose(fields.spot(s.is_object() && s.contains("opening") ? s["opening"] : json()), c);
    }
}

LipMode read_lips(const json& j, Fields& fields) {
    const auto lips = lips_named(fields.text(j, "lips"));
    if (!lips) fields.complain("lips");
    return lips.value_or(LipMode::Meet);
}

void read_backing(const json& j, Fields& fields, BackingRules& out) {
    if (const auto school = school_named(fields.text(j, "school")))
        out.school = *school;
    else
        fields.complain("school");
    out.lips = read_lips(j, fields);
    out.inlay_clearance = fields.number(j, "inlay_clearance_mm", out.inlay_clearance, 0, 10);
    out.foam_width = fields.number(j, "foam_width_mm", out.foam_width, 0.5, 50);
    out.punch_on_top = fields.flag(j, "punch_on_top");
    out.punches.clear();
    for (const json& d : fields.list(j, "punches_mm")) {
        if (d.is_number() && d.get<double>() > 0 && d.get<double>() < 1000)
            out.punches.push_back(d.get<double>());
        else
            fields.complain("punches_mm");
    }
    std::sort(out.punches.begin(), out.punches.end());
}

void read_bars(const json& j, Fields& fields, Project& p) {
    for (const json& item : fields.list(j, "bars")) {
        const std::vector<json> between = fields.list(item, "between");
        if (between.size() != 2) {
            fields.complain("between");
            continue;
        }
        p.bars[std::minmax(fields.spot(between[0]), fields.spot(between[1]))] = read_lips(item, fields);
    }
}

void read_divisions(const json& j, Fields& fields, Project& p) {
    for (const json& item : fields.list(j, "divisions")) {
        Division d;
        if (const auto kind = division_named(fields.text(item, "kind")))
            d.kind = *kind;
        else
            fields.complain("kind");
        d.count = fields.whole(item, "count", 2, 1, most_parts);
        d.rows = fields.whole(item, "rows", 2, 1, most_parts);
        d.turn_deg = fields.number(item, "turn_deg", 0, -360, 360);
        const auto at = fields.numbers(item, "at", 2, 100);
        d.at = {at[0], at[1]};
        p.divisions[fields.spot(item.is_object() && item.contains("opening") ? item["opening"] : json())] = d;
    }
}

void read_page(const json& page, Fields& fields, Page& out) {
    out.width = fields.number(page, "width_mm", out.width, 10, 3000);
    out.height = fields.number(page, "height_mm", out.height, 10, 3000);
    out.spread = fields.flag(page, "spread");
    out.gap = fields.number(page, "gap_mm", 0, 0, 1000);
    if (page.contains("reveal_mm") && page["reveal_mm"].is_array()) {
        const auto r = fields.numbers(page, "reveal_mm", 4, 1000);
        out.reveal = {r[0], r[1], r[2], r[3]};
        if (out.reveal.least() < 0) fields.complain("reveal_mm");
    } else {
        out.reveal = Sides::even(fields.number(page, "reveal_mm", 0, 0, 1000)); // format 1
    }
    out.frame = fields.text(page, "frame") == "strips" ? FrameKind::Strips : FrameKind::Whole;
    out.frame_paper = fields.text(page, "frame_paper");
    out.glue_lip = fields.number(page, "glue_lip_mm", out.glue_lip, 0, 1000);
}

PlacedCut read_cut_place(const json& cut, Fields& fields) {
    PlacedCut c;
    const std::string rule = fields.text(cut, "rule");
    c.place.rule = rule == "width"    ? SizeRule::Width
                   : rule == "height" ? SizeRule::Height
                   : rule == "frame"  ? SizeRule::Frame
                                      : SizeRule::Margin;
    c.place.length = fields.number(cut, "length_mm", c.place.length, -3000, 3000);
    c.place.turn_deg = fields.number(cut, "turn_deg", 0, -360, 360);
    c.place.mirrored = fields.flag(cut, "mirrored");
    const auto shift = fields.numbers(cut, "shift_mm", 2, 10000);
    c.place.shift = {shift[0], shift[1]};
    c.id = fields.whole(cut, "id", 0, 0, 999'999);
    c.drawing = fields.whole(cut, "drawing", 1, 1, 10'000) - 1;
    for (const json& piece : fields.list(cut, "left_out")) {
        if (!piece.is_number_integer() || piece.get<long>() < 0 || piece.get<long>() > 10'000'000)
            fields.complain("left_out");
        else
            c.left_out.push_back(piece.get<int>());
    }
    std::sort(c.left_out.begin(), c.left_out.end());
    c.pieces_from_paper = fields.flag(cut, "pieces_from_paper");
    c.by_whole = fields.flag(cut, "by_whole");
    c.grown = fields.number(cut, "grown_mm", 0, 0, 50);
    for (const json& layer : fields.list(cut, "layers")) {
        if (layer.is_string())
            c.layers.push_back(layer.get<std::string>());
        else
            fields.complain("layers");
    }
    c.above_photos = !cut.contains("above_photos") || fields.flag(cut, "above_photos");
    return c;
}

Photo read_photo(const json& j, Fields& fields) {
    Photo p;
    p.name = fields.text(j, "name");
    p.width = fields.number(j, "width_mm", 100, 1, 3000);
    p.height = fields.number(j, "height_mm", 100, 1, 3000);
    p.round = fields.flag(j, "round");
    const auto centre = fields.numbers(j, "centre_mm", 2, 10000);
    p.centre = {centre[0], centre[1]};
    p.turn_deg = fields.number(j, "turn_deg", 0, -360, 360);
    p.on_top = fields.flag(j, "on_top");
    for (const json& b : fields.list(j, "keep_free_mm")) {
        const auto n = fields.numbers_in(b, "keep_free_mm", 4, 3000);
        p.keep_free.push_back({n[0], n[1], n[2], n[3]});
    }
    return p;
}

/// The paths of the drawings in the archive come back in `drawings`.
Project read_decisions(const json& j, Fields& fields, std::vector<std::string>& drawings) {
    Project p;
    p.title = fields.text(j, "title");
    p.units = fields.text(j, "units") == "cm" ? Units::Centimetres : Units::Inches;
    read_page(j.value("page", json::object()), fields, p.page);
    // Format 1 has one drawing and one cut.
    const PlacedCut only = read_cut_place(j.value("cut", json::object()), fields);
    if (j.contains("drawing")) {
        drawings.push_back(fields.text(j, "drawing"));
        p.cuts.push_back(only);
    }
    for (const json& d : fields.list(j, "drawings")) {
        if (d.is_string())
            drawings.push_back(d.get<std::string>());
        else
            fields.complain("drawings");
    }
    for (const json& c : fields.list(j, "cuts")) {
        p.cuts.push_back(read_cut_place(c, fields));
        if (p.cuts.back().drawing >= static_cast<int>(drawings.size())) fields.complain("cuts");
        if (p.cut_by_id(p.cuts.back().id) != &p.cuts.back()) fields.complain("cuts");
    }
    for (const json& photo : fields.list(j, "photos")) p.photos.push_back(read_photo(photo, fields));
    p.lip = fields.number(j, "lip_mm", p.lip, 0, 50);
    p.blade_gap = fields.number(j, "blade_gap_mm", p.blade_gap, 0, 50);
    p.seed = static_cast<unsigned>(fields.number(j, "seed", 1, 0, 4294967295.0));
    if (j.contains("backing")) read_backing(j["backing"], fields, p.backing);
    if (j.contains("mat_mm")) {
        const auto mat = fields.numbers(j, "mat_mm", 2, 3000);
        p.mat_width = mat[0];
        p.mat_height = mat[1];
        if (std::min(mat[0], mat[1]) < 10) fields.complain("mat_mm");
    }
    if (j.contains("colours")) {
        p.style.drift = fields.number(j["colours"], "drift", 0, 0, 1);
        p.style.light_deg = fields.number(j["colours"], "light_deg", p.style.light_deg, -360, 360);
    }
    read_bars(j, fields, p);
    read_divisions(j, fields, p);
    read_sections(j, fields, p);
    return p;
}

Result<void> check_format(const json& j, const std::string& what) {
    const std::string format = j.is_object() && j.contains("format") && j["format"].is_string()
                                   ? j["format"].get<std::string>()
                                   : "";
    if (format.rfind("zesty-project/", 0) != 0)
        return fail(ErrorKind::BadInput, what + ": this is not a project file");
    const std::string number = format.substr(14);
    if (number == "1" || number == "2" || number == std::to_string(project_version)) return {};
    if (!number.empty() &&
        std::all_of(number.begin(), number.end(), [](char c) { return c >= '0' && c <= '9'; }))
        return fail(ErrorKind::NewerFormat, what + ": written by a newer version of this program (format " +
                                                number + "); this one reads up to format " +
                                                std::to_string(project_version));
    return fail(ErrorKind::BadInput, what + ": this is not a project file");
}

} // namespace

Result<QByteArray> project_bytes(const Project& project) {
    Entries entries{{"project.json", project_json(project).dump(1)}};
    const auto names = drawing_entries(project);
    for (std::size_t i = 0; i < names.size(); ++i) entries[names[i]] = project.drawings[i]->bytes;
    if (project.stash)
        for (const auto& [name, bytes] : project.stash->pictures) entries["papers/" + name] = bytes;
    return zip(entries);
}

Result<Project> project_from(const QByteArray& data, const std::string& what) {
    const auto entries = unzip(data, what);
    if (!entries) return tl::make_unexpected(entries.error());
    const auto j = parse_json(entries->at("project.json"), what + ": project.json");
    if (!j) return tl::make_unexpected(j.error());
    if (auto r = check_format(*j, what); !r) return tl::make_unexpected(r.error());
    Fields fields(what);
    std::vector<std::string> drawings;
    Project p = read_decisions(*j, fields, drawings);
    if (fields.error()) return tl::make_unexpected(*fields.error());
    for (const std::string& drawing : drawings) {
        const auto found = entries->find(drawing);
        if (found == entries->end()) return fail(ErrorKind::BadInput, what + ": its drawing is missing");
        auto read = read_svg(QByteArray::fromStdString(found->second));
        if (!read) return fail(read.error().kind, what + ": " + read.error().message);
        p.drawings.push_back(std::make_shared<const DrawingFile>(
            DrawingFile{drawing.substr(drawing.rfind('/') + 1), found->second, std::move(*read)}));
    }
    if (j->contains("stash")) {
        auto stash = stash_from((*j)["stash"], what, [&](const std::string& name) -> Result<std::string> {
            const auto found = entries->find("papers/" + name);
            if (found == entries->end())
                return fail(ErrorKind::BadInput, "its picture " + name + " is missing");
            return found->second;
        });
        if (!stash) return tl::make_unexpected(stash.error());
        p.stash = std::make_shared<const Stash>(std::move(*stash));
    }
    return p;
}

Result<void> save_project(const Project& project, const QString& path) {
    const auto bytes = project_bytes(project);
    if (!bytes) return fail(bytes.error().kind, path.toStdString() + ": " + bytes.error().message);
    return write_file(path, *bytes);
}

Result<Project> open_project(const QString& path) {
    const auto data = read_file(path, most_unpacked);
    if (!data) return tl::make_unexpected(data.error());
    return project_from(*data, path.toStdString());
}

} // namespace zesty
