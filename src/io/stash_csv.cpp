#include "io/stash_csv.h"

#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/stash/colour_words.h"
#include "core/stash/new_paper.h"
#include "io/csv.h"
#include "io/edge.h"
#include "io/json_shapes.h"

#include <array>
#include <charconv>
#include <map>

namespace zesty {

using nlohmann::json;

namespace {

constexpr std::array columns{"id",
                             "name",
                             "colour",
                             "image",
                             "pattern",
                             "direction",
                             "width_mm",
                             "height_mm",
                             "outline",
                             "count",
                             "repeat_mm",
                             "strip_mm",
                             "weight_gsm",
                             "kept_in",
                             "notes",
                             "angle_deg",
                             "back_colour",
                             "back_image",
                             "back_pattern",
                             "back_direction",
                             "back_repeat_mm",
                             "back_angle_deg",
                             "finish",
                             "use_up",
                             "palette",
                             "back_palette",
                             "uid"};

constexpr Limits number_limits{-1e6, 1e6};

std::string shortest(double number) {
    std::array<char, 32> buffer{};
    const auto end = std::to_chars(buffer.data(), buffer.data() + buffer.size(), number).ptr;
    return {buffer.data(), end};
}

std::string outline_text(const Polygon& p) {
    std::string out;
    const auto ring = [&](const Ring& r) {
        if (!out.empty()) out += "|";
        for (std::size_t i = 0; i < r.size(); ++i)
            out += (i ? ";" : "") + shortest(r[i].x) + " " + shortest(r[i].y);
    };
    ring(p.outer);
    for (const Ring& h : p.holes) ring(h);
    return out;
}

/// Rows of fields; a quote that is never closed runs to the end.
std::vector<std::vector<std::string>> rows_of(const std::string& text, char separator) {
    std::vector<std::vector<std::string>> rows;
    std::vector<std::string> row{""};
    bool in_quotes = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (in_quotes) {
            if (c != '"')
                row.back() += c;
            else if (i + 1 < text.size() && text[i + 1] == '"')
                row.back() += text[++i];
            else
                in_quotes = false;
        } else if (c == '"') {
            in_quotes = true;
        } else if (c == separator) {
            row.emplace_back();
        } else if (c == '\n') {
            rows.push_back(std::move(row));
            row = {""};
        } else if (c != '\r') {
            row.back() += c;
        }
    }
    if (row.size() > 1 || !row[0].empty()) rows.push_back(std::move(row));
    return rows;
}

std::vector<std::string> parted(const std::string& text, char by) {
    std::vector<std::string> out{""};
    for (char c : text)
        if (c == by)
            out.emplace_back();
        else
            out.back() += c;
    return out;
}

Result<double> number_in(std::string text, const std::string& where) {
    if (std::count(text.begin(), text.end(), ',') == 1 && text.find('.') == std::string::npos)
        text[text.find(',')] = '.';
    const auto value = number_from(text, number_limits);
    if (!value) return fail(ErrorKind::BadInput, where + ": \"" + text + "\" is not a number");
    return *value;
}

/// "#aabbcc 0.6;#112233 0.4"
std::string palette_text(const std::vector<PaletteColour>& palette) {
    std::string out;
    for (const PaletteColour& c : palette)
        out += (out.empty() ? "" : ";") + format_colour(c.colour) + " " + shortest(c.share);
    return out;
}

Result<json> palette_json(const std::string& text, const std::string& where) {
    json out = json::array();
    for (const std::string& one : parted(text, ';')) {
        const auto parts = parted(one, ' ');
        const auto share = number_in(parts.back(), where);
        if (parts.size() != 2 || !share)
            return fail(ErrorKind::BadInput, where + ": the palette is not like #aabbcc 0.6;#112233 0.4");
        out.push_back({parts[0], *share});
    }
    return out;
}

Result<json> outline_json(const std::string& text, const std::string& where) {
    json out = json::array();
    for (const std::string& ring : parted(text, '|')) {
        json points = json::array();
        for (const std::string& point : parted(ring, ';')) {
            const auto xy = parted(point, ' ');
            if (xy.size() != 2)
                return fail(ErrorKind::BadInput, where + ": the outline is not like 0 0;10 0;0 10");
            const auto x = number_in(xy[0], where);
            const auto y = number_in(xy[1], where);
            if (!x) return tl::make_unexpected(x.error());
            if (!y) return tl::make_unexpected(y.error());
            points.push_back({*x, *y});
        }
        out.push_back(points);
    }
    return out;
}

using Row = std::map<std::string, std::string>;

Result<json> sheet_of(Row& row, const std::string& where) {
    json sheet = json::object();
    if (!row["outline"].empty()) {
        auto outline = outline_json(row["outline"], where);
        if (!outline) return outline;
        sheet["outline"] = std::move(*outline);
    }
    if (!row["size"].empty()) {
        // As people write it: inches, unless they say centimetres or millimetres.
        const std::string& text = row["size"];
        const auto x = text.find_first_of("xX");
        const auto width = parse_length(text.substr(0, x));
        const auto height = parse_length(x == std::string::npos ? "" : text.substr(x + 1));
        if (!width || !height)
            return fail(ErrorKind::BadInput, where + ": \"" + text + "\" is not a size such as 12x12");
        sheet["width"] = *width;
        sheet["height"] = *height;
    }
    for (const auto& [column, key] :
         {std::pair{"width_mm", "width"}, std::pair{"height_mm", "height"}, std::pair{"count", "count"}}) {
        if (row[column].empty()) continue;
        const auto n = number_in(row[column], where + ", " + column);
        if (!n) return tl::make_unexpected(n.error());
        if (std::string(key) == "count" && *n == std::floor(*n))
            sheet[key] = static_cast<long>(*n);
        else
            sheet[key] = *n;
    }
    return sheet;
}

/// Takes columns over as members of these names.
Result<void> take(Row& row, const std::string& prefix, std::initializer_list<const char*> texts,
                  std::initializer_list<const char*> numbers, const std::string& where, json& to) {
    for (const char* key : texts)
        if (!row[prefix + key].empty()) to[key] = row[prefix + key];
    for (const char* key : numbers) {
        const std::string& text = row[prefix + key];
        if (text.empty()) continue;
        const auto n = number_in(text, where + ", " + prefix + key);
        if (!n) return tl::make_unexpected(n.error());
        to[key] = *n;
    }
    return {};
}

Result<json> paper_of(Row& row, const std::string& where) {
    json paper{{"sheets", json::array()}};
    json back = json::object();
    const auto facts = take(row, "", {"id", "name", "kept_in", "notes", "uid", "finish"},
                            {"strip_mm", "weight_gsm"}, where, paper);
    if (!facts) return tl::make_unexpected(facts.error());
    for (const auto& [prefix, to] : {std::pair{"", &paper}, std::pair{"back_", &back}}) {
        const auto face = take(row, prefix, {"colour", "image", "pattern", "direction"},
                               {"repeat_mm", "angle_deg"}, where, *to);
        if (!face) return tl::make_unexpected(face.error());
        json& side = *to;
        if (side.contains("colour"))
            if (const auto colour = colour_called(side["colour"].get<std::string>()))
                side["colour"] = format_colour(*colour);
        if (row[prefix + std::string("palette")].empty()) continue;
        auto palette = palette_json(row[prefix + std::string("palette")], where);
        if (!palette) return palette;
        side["palette"] = std::move(*palette);
    }
    if (row["use_up"] == "yes") paper["use_up"] = true;
    if (!back.empty()) paper["back"] = back;
    return paper;
}

} // namespace

std::string stash_csv(const Stash& stash) {
    std::string out;
    for (const char* c : columns) out += (out.empty() ? "" : ",") + std::string(c);
    out += "\r\n";
    const auto given = [](double n) { return n > 0 ? shortest(n) : std::string(); };
    for (const Paper& p : stash.papers) {
        std::vector<SheetStock> sheets = p.sheets;
        // A paper of which nothing is left keeps a row.
        const bool none = sheets.empty();
        if (none) sheets.emplace_back();
        for (const SheetStock& s : sheets) {
            const Box b = bounds(s.outline);
            const bool box = !none && !s.irregular;
            const std::vector<std::string> row{p.id,
                                               p.name,
                                               format_colour(p.colour),
                                               p.picture,
                                               name_of(p.pattern),
                                               name_of(p.direction),
                                               box ? shortest(b.x1) : "",
                                               box ? shortest(b.y1) : "",
                                               s.irregular ? outline_text(s.outline) : "",
                                               none ? "" : std::to_string(s.count),
                                               given(p.repeat),
                                               given(p.strip),
                                               given(p.weight),
                                               p.kept_in,
                                               p.notes,
                                               given(p.angle_deg),
                                               p.back ? format_colour(p.back->colour) : "",
                                               p.back ? p.back->picture : "",
                                               p.back ? name_of(p.back->pattern) : "",
                                               p.back ? name_of(p.back->direction) : "",
                                               p.back ? given(p.back->repeat) : "",
                                               p.back ? given(p.back->angle_deg) : "",
                                               p.finish ? key_of(*p.finish) : "",
                                               p.use_up ? "yes" : "",
                                               palette_text(p.palette),
                                               p.back ? palette_text(p.back->palette) : "",
                                               p.uid};
            for (std::size_t i = 0; i < row.size(); ++i) out += (i ? "," : "") + csv_cell(row[i]);
            out += "\r\n";
        }
    }
    return out;
}

namespace {

std::vector<std::vector<std::string>> table_of(const std::string& bytes) {
    const std::string text = utf8_of(bytes);
    // Where commas are in numbers, tables are saved with semicolons.
    const std::string head = text.substr(0, text.find('\n'));
    const auto separators = [&](char c) { return std::count(head.begin(), head.end(), c); };
    return rows_of(text, separators(';') > separators(',') ? ';' : ',');
}

} // namespace

std::vector<std::string> unknown_columns(const std::string& bytes) {
    const auto rows = table_of(bytes);
    std::vector<std::string> out;
    if (rows.empty()) return out;
    for (const std::string& name : rows[0])
        if (!name.empty() && name != "size" &&
            std::none_of(columns.begin(), columns.end(), [&](const char* c) { return name == c; }))
            out.push_back(name);
    return out;
}

Result<Stash> stash_from_csv(const std::string& bytes, const std::string& what,
                             const PictureSource& pictures) {
    const auto rows = table_of(bytes);
    const auto has = [&](const char* column) {
        return !rows.empty() && std::find(rows[0].begin(), rows[0].end(), column) != rows[0].end();
    };
    if (!has("id") && !has("name"))
        return fail(ErrorKind::BadInput, what + ": the first row does not name a column \"id\" or \"name\"");
    json papers = json::array();
    std::map<std::string, std::size_t> at;
    for (std::size_t r = 1; r < rows.size(); ++r) {
        const std::string where = what + ": row " + std::to_string(r + 1);
        Row row;
        for (std::size_t c = 0; c < rows[r].size() && c < rows[0].size(); ++c) row[rows[0][c]] = rows[r][c];
        if (row["id"].empty() && !row["name"].empty()) row["id"] = id_from(row["name"]);
        if (row["id"].empty()) return fail(ErrorKind::BadInput, where + " has no id");
        if (!at.contains(row["id"])) {
            auto paper = paper_of(row, where);
            if (!paper) return tl::make_unexpected(paper.error());
            at[row["id"]] = papers.size();
            papers.push_back(std::move(*paper));
        }
        if (row["count"].empty() && row["width_mm"].empty() && row["outline"].empty() && row["size"].empty())
            continue;
        auto sheet = sheet_of(row, where);
        if (!sheet) return tl::make_unexpected(sheet.error());
        papers[at[row["id"]]]["sheets"].push_back(std::move(*sheet));
    }
    return stash_from({{"format", "zesty-stash/1"}, {"papers", papers}}, what, pictures);
}

} // namespace zesty
