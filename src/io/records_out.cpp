#include "io/records_out.h"

#include "core/keep/look_back.h"
#include "core/sentences.h"
#include "io/csv.h"
#include "io/fields/keep.h"
#include "io/fields/small_things.h"

#include <QString>
#include <cmath>

namespace zesty {

using nlohmann::json;

namespace {

constexpr const char* style =
    "body{font:16px/1.5 sans-serif;background:#efe9dd;color:#26242b;margin:0 auto;max-width:60em;padding:1em}"
    "article{background:#fbf8f1;border:1px solid #d9d0c0;border-radius:8px;padding:1.2em;margin:1.2em 0;"
    "break-inside:avoid}h1{font-size:1.5em}h2{margin:0 0 .3em}figure{display:inline-block;margin:0 1em 1em 0;"
    "vertical-align:top}img{max-width:20em;max-height:24em;border:1px solid #d9d0c0}"
    "figcaption,.quiet{color:#6b6670;font-size:.9em}table{border-collapse:collapse}"
    "td,th{padding:.15em .8em .15em 0;text-align:left;vertical-align:top}"
    ".swatch{display:inline-block;width:1em;height:1em;border:1px solid #d9d0c0;margin-right:.4em;"
    "vertical-align:-.1em}.tag{border:1px solid #d9d0c0;border-radius:8px;padding:0 .5em;margin-right:.3em}"
    "p.story{white-space:pre-wrap}";

QString escaped(const std::string& text) {
    return QString::fromStdString(text).toHtmlEscaped();
}

QString figure(const std::string& bytes, const char* type, const QString& caption) {
    if (bytes.empty()) return {};
    const QByteArray data(bytes.data(), static_cast<qsizetype>(bytes.size()));
    return QString("<figure><img alt=\"%1\" src=\"data:%2;base64,%3\"><figcaption>%1</figcaption></figure>\n")
        .arg(caption, QString(type), QString::fromLatin1(data.toBase64()));
}

QString row(const char* name, const QString& value) {
    return value.isEmpty() ? QString() : QString("<tr><th>%1</th><td>%2</td></tr>\n").arg(name, value);
}

QString minutes(double m) {
    const long all = std::lround(m);
    return all >= 60 ? QString("%1 h %2 min").arg(all / 60).arg(all % 60) : QString("%1 min").arg(all);
}

QString times_in_words(const PageFacts& facts) {
    if (facts.planned <= 0) return {};
    if (facts.worked <= 0) return "planned " + minutes(facts.planned);
    return "planned " + minutes(facts.planned) + ", took " + minutes(facts.worked);
}

QString paper_in_words(const RecordPaper& p, Units units) {
    std::vector<std::string> taken;
    if (p.sheets > 0) taken.push_back(count_of(static_cast<std::size_t>(p.sheets), "sheet", "sheets"));
    if (p.scraps > 0) taken.push_back(count_of(static_cast<std::size_t>(p.scraps), "scrap", "scraps"));
    QString out =
        QString("<span class=\"swatch\" style=\"background:%1\"></span>%2: %3 used of %4")
            .arg(QString::fromStdString(format_colour(p.colour)), escaped(p.name),
                 QString::fromStdString(format_area(p.used, units)), QString::fromStdString(in_a_row(taken)));
    if (p.side_b) out += p.side_a ? ", sides A and B" : ", side B";
    if (p.back > 0)
        out += ", " + QString::fromStdString(count_of(static_cast<std::size_t>(p.back), "scrap", "scraps")) +
               " put back";
    return out;
}

QString details(const PageRecord& record, Units units) {
    const PageFacts& facts = facts_of(record);
    const PageNotes& notes = record.notes;
    QString out = "<table>\n";
    out += row("Made", escaped(date_in_words(made_on(record))));
    out += row("Photos from", escaped(date_in_words(notes.photos_of)));
    out += row("Album",
               escaped(notes.album + (notes.album.empty() || notes.place.empty() ? "" : ", ") + notes.place));
    if (facts.width > 0)
        out += row("Page", escaped(format_size(facts.width, facts.height, units)) +
                               (facts.spread ? ", a spread" : ""));
    QStringList cuts;
    for (const RecordCut& c : facts.cuts)
        cuts << escaped(c.name) + ", " + escaped(format_size(c.width, c.height, units));
    out += row("Cut files", cuts.join("<br>"));
    out += row("Licence", escaped(notes.licence));
    QStringList papers;
    for (const RecordPaper& p : facts.papers) papers << paper_in_words(p, units);
    out += row("Papers", papers.join("<br>"));
    out += row("Work", times_in_words(facts));
    out += row("Next time", escaped(notes.next_time));
    return out + "</table>\n";
}

QString article(const PageRecord& record, Units units, const FileOfRecord& file) {
    QString out = "<article><h2>" + escaped(record.title.empty() ? "Page" : record.title) + "</h2>\n";
    if (record.finished.empty()) out += "<p class=\"quiet\">not finished yet</p>\n";
    for (const std::string& tag : record.notes.tags) out += "<span class=\"tag\">" + escaped(tag) + "</span>";
    if (!record.notes.story.empty()) out += "<p class=\"story\">" + escaped(record.notes.story) + "</p>\n";
    if (!record.photo.empty()) out += figure(file(record.photo), "image/jpeg", "The page");
    if (!record.picture.empty()) out += figure(file(record.picture), "image/png", "As it was planned");
    return out + details(record, units) + "</article>\n";
}

std::string whole_number(double value) {
    return std::to_string(std::lround(value));
}

std::string line(const PageRecord& record, const PageFacts& facts, const RecordPaper& paper) {
    std::string tags, cuts;
    for (const std::string& tag : record.notes.tags) tags += (tags.empty() ? "" : "; ") + tag;
    for (const RecordCut& c : facts.cuts) cuts += (cuts.empty() ? "" : "; ") + c.name;
    const std::vector<std::string> cells{record.id,
                                         record.title,
                                         record.finished,
                                         record.notes.made,
                                         record.notes.photos_of,
                                         record.notes.album,
                                         record.notes.place,
                                         tags,
                                         cuts,
                                         record.notes.licence,
                                         whole_number(facts.width),
                                         whole_number(facts.height),
                                         whole_number(facts.planned),
                                         whole_number(facts.worked),
                                         record.notes.story,
                                         record.notes.next_time,
                                         paper.name,
                                         paper.name.empty() ? "" : format_colour(paper.colour),
                                         std::string(paper.side_a ? "A" : "") + (paper.side_b ? "B" : ""),
                                         std::to_string(paper.sheets),
                                         std::to_string(paper.scraps),
                                         whole_number(paper.used),
                                         whole_number(paper.returned)};
    std::string out;
    for (const std::string& c : cells) out += (out.empty() ? "" : ",") + csv_cell(c);
    return out + "\r\n";
}

} // namespace

QByteArray records_html(const std::vector<PageRecord>& records, Units units, const FileOfRecord& file) {
    const QString title = records.size() == 1 ? escaped(records.front().title) : QString("Pages");
    QString out = "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\">"
                  "<meta name=\"viewport\" content=\"width=device-width\"><title>" +
                  title + "</title><style>" + style + "</style></head><body>\n";
    if (records.size() != 1) out += "<h1>" + escaped(count_of(records.size(), "page", "pages")) + "</h1>\n";
    QByteArray bytes = out.toUtf8();
    for (const PageRecord& r : records) bytes += article(r, units, file).toUtf8();
    return bytes + "</body></html>\n";
}

std::string records_csv(const std::vector<PageRecord>& records) {
    std::string out =
        "id,title,finished,made,photos_of,album,place,tags,cut_files,licence,width_mm,height_mm,"
        "planned_min,worked_min,story,next_time,paper,colour,sides,sheets,scraps,used_mm2,"
        "returned_mm2\r\n";
    for (const PageRecord& record : records) {
        const PageFacts& facts = facts_of(record);
        if (facts.papers.empty()) out += line(record, facts, {});
        for (const RecordPaper& paper : facts.papers) out += line(record, facts, paper);
    }
    return out;
}

json records_json(const std::vector<PageRecord>& records, const FileOfRecord& file) {
    json out{{"format", "zesty-records/1"}, {"records", json::array()}};
    for (const PageRecord& r : records) {
        json one = thing_json(r);
        for (const char* key : {"picture", "photo"}) {
            const std::string bytes = file && one[key] != "" ? file(one[key].get<std::string>()) : "";
            if (bytes.empty()) continue;
            const QByteArray data(bytes.data(), static_cast<qsizetype>(bytes.size()));
            one[std::string(key) + "_base64"] = data.toBase64().toStdString();
        }
        out["records"].push_back(std::move(one));
    }
    return out;
}

} // namespace zesty
