#include "io/project_json.h"
#include "io/wanted_json.h"

#include <algorithm>
#include <cmath>

namespace zesty {

using nlohmann::json;

namespace {

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

PrintWish read_print(const json& j, Fields& fields) {
    PrintWish out;
    if (j.contains("slant_deg")) out.slant_deg = fields.number(j, "slant_deg", 0, -360, 360);
    if (j.contains("tone")) out.tone = fields.number(j, "tone", 0, 0, 1);
    if (j.contains("motif")) {
        const auto on = fields.numbers(j["motif"], "on_paper_mm", 2, 3000);
        const auto off = fields.numbers(j["motif"], "off_middle_mm", 2, 3000);
        out.motif = MotifAnchor{{on[0], on[1]}, {off[0], off[1]}};
    }
    out.run_on = fields.flag(j, "run_on");
    return out;
}

void read_section_rules(const json& s, Fields& fields, SectionChoice& c) {
    if (const std::string side = fields.text(s, "side"); side == "B")
        c.side = Side::B;
    else if (!side.empty() && side != "A")
        fields.complain("side");
    for (const json& id : fields.list(s, "never")) {
        if (id.is_string())
            c.never.push_back(id.get<std::string>());
        else
            fields.complain("never");
    }
    std::sort(c.never.begin(), c.never.end());
    if (s.is_object() && s.contains("same_as")) c.same_as = fields.spot(s["same_as"]);
    c.facing = fields.flag(s, "facing");
    if (s.is_object() && s.contains("print")) c.print = read_print(s["print"], fields);
}

template <class Enum>
Enum read_key(const json& j, const char* key, Fields& fields,
              std::initializer_list<std::pair<const char*, Enum>> all) {
    const std::string text = fields.text(j, key);
    for (const auto& [name, value] : all)
        if (text == name) return value;
    if (!text.empty()) fields.complain(key);
    return all.begin()->second;
}

void read_style(const json& j, Fields& fields, MatchStyle& style) {
    style.drift = fields.number(j, "drift", 0, 0, 1);
    style.light_deg = fields.number(j, "light_deg", style.light_deg, -360, 360);
    style.map = read_key<ToneMap>(
        j, "map", fields,
        {{"gradient", ToneMap::Gradient}, {"zones", ToneMap::Zones}, {"background", ToneMap::Background}});
    for (const json& c : fields.list(j, "zones")) {
        const auto colour = c.is_string() ? parse_colour(c.get<std::string>()) : std::nullopt;
        if (!colour) fields.complain("zones");
        style.zones.push_back(colour.value_or(Rgb{}));
    }
    const json weights = j.value("weights", json::object());
    MatchWeights& w = style.weights;
    for (const auto& [key, value] :
         {std::pair{"differ", &w.differ}, std::pair{"spread", &w.spread}, std::pair{"print", &w.print},
          std::pair{"behind", &w.behind}, std::pair{"photo", &w.photo}, std::pair{"thrift", &w.thrift}})
        *value = fields.number(weights, key, 1, 0, greatest_weight);
}

void read_matching(const json& j, Fields& fields, Project& p) {
    if (j.contains("colours") && j["colours"].is_object()) read_style(j["colours"], fields, p.style);
    const json roles = j.value("roles", json::object());
    if (!roles.is_object()) fields.complain("roles");
    for (const auto& [paper, role] : roles.items())
        p.roles[paper] = read_key<PaperRole>(
            roles, paper.c_str(), fields,
            {{"use-up", PaperRole::UseUp}, {"spare", PaperRole::Spare}, {"tie", PaperRole::Tie}});
    for (const json& pair : fields.list(j, "apart")) {
        if (pair.is_array() && pair.size() == 2 && pair[0].is_string() && pair[1].is_string())
            keep_apart(p, pair[0].get<std::string>(), pair[1].get<std::string>(), true);
        else
            fields.complain("apart");
    }
    if (j.contains("slants")) {
        p.slants.rule = read_key<SlantRule>(j["slants"], "rule", fields,
                                            {{"as-they-fit", SlantRule::AsTheyFit},
                                             {"parallel", SlantRule::Parallel},
                                             {"facing", SlantRule::Facing}});
        p.slants.angle_deg = fields.number(j["slants"], "angle_deg", p.slants.angle_deg, -360, 360);
    }
    for (const json& w : fields.list(j, "wanted")) {
        if (auto piece = wanted_from(w, {}))
            p.wanted.push_back(std::move(*piece));
        else
            fields.complain("wanted");
    }
    for (const json& pin : fields.list(j, "pins")) {
        const auto shift = fields.numbers(pin, "shift_mm", 2, 10000);
        p.pins[fields.spot(pin.is_object() && pin.contains("opening") ? pin["opening"] : json())] = {
            fields.text(pin, "sheet"),
            fields.number(pin, "rotation_deg", 0, -360, 360),
            {shift[0], shift[1]}};
    }
}

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
        read_section_rules(s, fields, c);
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
    out.gut = !page.contains("gut") || fields.flag(page, "gut");
    out.base_paper = fields.text(page, "base_paper");
    out.under_photos = fields.flag(page, "under_photos");
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
    c.paper = fields.text(cut, "paper");
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

} // namespace

Result<ReadDecisions> decisions_from(const json& j, const std::string& what) {
    Fields fields(what);
    ReadDecisions out;
    Project& p = out.project;
    std::vector<std::string>& drawings = out.drawings;
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
    for (const json& photo : fields.list(j, "photos")) {
        p.photos.push_back(read_photo(photo, fields));
        out.photo_pictures.push_back(fields.text(photo, "picture"));
    }
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
    read_bars(j, fields, p);
    read_divisions(j, fields, p);
    read_sections(j, fields, p);
    read_matching(j, fields, p);
    if (fields.error()) return tl::make_unexpected(*fields.error());
    return out;
}

} // namespace zesty
