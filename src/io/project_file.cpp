#include "io/project_file.h"

#include "io/json_shapes.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/svg/svg_reader.h"

#include <QBuffer>
#include <QFileInfo>
#include <algorithm>
#include <quazip/quazip.h>
#include <quazip/quazipfile.h>

namespace zesty {

using nlohmann::json;

namespace {

constexpr qint64 most_unpacked = 512LL << 20;

const char* name_of(SizeRule r) {
    return r == SizeRule::Margin ? "margin" : r == SizeRule::Width ? "width" : "height";
}

json project_json(const Project& p) {
    json sections = json::array();
    for (const auto& [opening, c] : p.sections) {
        json s{{"opening", opening + 1}, {"treatment", c.treatment == Treatment::Paper ? "paper" : "open"}};
        if (!c.name.empty()) s["name"] = c.name;
        if (!c.paper.empty()) s["paper"] = c.paper;
        if (c.locked) s["locked"] = true;
        if (c.lip) s["lip_mm"] = *c.lip;
        sections.push_back(s);
    }
    json groups = json::array();
    for (const auto& g : p.groups) {
        json members = json::array();
        for (int o : g) members.push_back(o + 1);
        groups.push_back(members);
    }
    json out{{"format", "zesty-project/" + std::to_string(project_version)},
             {"title", p.title},
             {"units", p.units == Units::Inches ? "in" : "cm"},
             {"page",
              {{"width_mm", p.page.width},
               {"height_mm", p.page.height},
               {"reveal_mm", p.page.reveal},
               {"glue_lip_mm", p.page.glue_lip}}},
             {"cut",
              {{"rule", name_of(p.cut.rule)},
               {"length_mm", p.cut.length},
               {"turn_deg", p.cut.turn_deg},
               {"mirrored", p.cut.mirrored},
               {"shift_mm", {p.cut.shift.x, p.cut.shift.y}}}},
             {"lip_mm", p.lip},
             {"blade_gap_mm", p.blade_gap},
             {"seed", p.seed},
             {"groups", groups},
             {"sections", sections}};
    if (p.drawing) out["drawing"] = "drawing/" + p.drawing->name;
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
    QBuffer buffer;
    buffer.setData(data);
    QuaZip archive(&buffer);
    if (!archive.open(QuaZip::mdUnzip))
        return fail(ErrorKind::BadInput, what + ": this is not a project file");
    Entries out;
    qint64 total = 0;
    for (bool more = archive.goToFirstFile(); more; more = archive.goToNextFile()) {
        QuaZipFile file(&archive);
        if (!file.open(QIODevice::ReadOnly))
            return fail(ErrorKind::BadInput, what + ": the project file is damaged");
        total += file.usize();
        if (total > most_unpacked)
            return fail(ErrorKind::TooLarge, what + ": the project unpacks to over 512 MB");
        const QByteArray bytes = file.read(file.usize());
        if (bytes.size() != file.usize() || file.getZipError() != UNZ_OK)
            return fail(ErrorKind::BadInput, what + ": the project file is damaged");
        out[archive.getCurrentFileName().toStdString()] = bytes.toStdString();
        file.close();
    }
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
    int opening(const json& j) {
        if (!j.is_number_integer() || j.get<long>() < 1 || j.get<long>() > 10'000'000) {
            complain("opening");
            return 0;
        }
        return j.get<int>() - 1;
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
    if (j.contains("groups") && j["groups"].is_array())
        for (const json& g : j["groups"]) {
            std::vector<int> members;
            if (g.is_array())
                for (const json& o : g) members.push_back(fields.opening(o));
            group(p, members);
        }
    if (!j.contains("sections") || !j["sections"].is_array()) return;
    for (const json& s : j["sections"]) {
        SectionChoice c;
        c.name = fields.text(s, "name");
        c.treatment = fields.text(s, "treatment") == "open" ? Treatment::Open : Treatment::Paper;
        c.paper = fields.text(s, "paper");
        c.locked = fields.flag(s, "locked");
        if (s.is_object() && s.contains("lip_mm")) c.lip = fields.number(s, "lip_mm", 0, 0, 50);
        p.choose(fields.opening(s.is_object() && s.contains("opening") ? s["opening"] : json()), c);
    }
}

Project read_decisions(const json& j, Fields& fields) {
    Project p;
    p.title = fields.text(j, "title");
    p.units = fields.text(j, "units") == "cm" ? Units::Centimetres : Units::Inches;
    const json page = j.value("page", json::object());
    p.page.width = fields.number(page, "width_mm", p.page.width, 10, 3000);
    p.page.height = fields.number(page, "height_mm", p.page.height, 10, 3000);
    p.page.reveal = fields.number(page, "reveal_mm", 0, 0, 1000);
    p.page.glue_lip = fields.number(page, "glue_lip_mm", p.page.glue_lip, 0, 1000);
    const json cut = j.value("cut", json::object());
    const std::string rule = fields.text(cut, "rule");
    p.cut.rule = rule == "width" ? SizeRule::Width : rule == "height" ? SizeRule::Height : SizeRule::Margin;
    p.cut.length = fields.number(cut, "length_mm", p.cut.length, -3000, 3000);
    p.cut.turn_deg = fields.number(cut, "turn_deg", 0, -360, 360);
    p.cut.mirrored = fields.flag(cut, "mirrored");
    if (cut.contains("shift_mm")) {
        const json& s = cut["shift_mm"];
        if (s.is_array() && s.size() == 2 && s[0].is_number() && s[1].is_number())
            p.cut.shift = {s[0].get<double>(), s[1].get<double>()};
        else
            fields.complain("shift_mm");
    }
    p.lip = fields.number(j, "lip_mm", p.lip, 0, 50);
    p.blade_gap = fields.number(j, "blade_gap_mm", p.blade_gap, 0, 50);
    p.seed = static_cast<unsigned>(fields.number(j, "seed", 1, 0, 4294967295.0));
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
    if (number == std::to_string(project_version)) return {};
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
    if (project.drawing) entries["drawing/" + project.drawing->name] = project.drawing->bytes;
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
    Project p = read_decisions(*j, fields);
    const std::string drawing = fields.text(*j, "drawing");
    if (fields.error()) return tl::make_unexpected(*fields.error());
    if (!drawing.empty()) {
        const auto found = entries->find(drawing);
        if (found == entries->end()) return fail(ErrorKind::BadInput, what + ": its drawing is missing");
        auto read = read_svg(QByteArray::fromStdString(found->second));
        if (!read) return fail(read.error().kind, what + ": " + read.error().message);
        p.drawing = std::make_shared<const DrawingFile>(
            DrawingFile{drawing.substr(drawing.rfind('/') + 1), found->second, std::move(*read)});
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

Result<std::shared_ptr<const DrawingFile>> drawing_file(const QString& path) {
    const auto data = read_file(path);
    if (!data) return tl::make_unexpected(data.error());
    auto drawing = read_svg(*data);
    if (!drawing) return fail(drawing.error().kind, path.toStdString() + ": " + drawing.error().message);
    return std::make_shared<const DrawingFile>(
        DrawingFile{QFileInfo(path).fileName().toStdString(), data->toStdString(), std::move(*drawing)});
}

} // namespace zesty
