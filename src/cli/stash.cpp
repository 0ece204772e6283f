// zesty stash: the database of papers, filled, searched and written out.

#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/reserve_edit.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/look_of_paper.h"
#include "core/stash/search.h"
#include "io/json_shapes.h"
#include "io/picture.h"
#include "io/read_file.h"
#include "io/stash_csv.h"
#include "io/stash_store.h"
#include "io/trace/offcut.h"
#include "io/trace/sheet_picture.h"

#include <QDir>
#include <QFileInfo>
#include <iostream>

namespace zesty::cli {

namespace {

/// Changes the database of papers, then lists those that are looked for.
struct StashArgs {
    std::string stash;
    std::string import, export_to, remove, reserve, release;
    std::string add, name, colour, picture, pattern, direction, strip, repeat, kept_in, notes;
    std::string back_colour, back_picture, back_pattern, back_direction;
    std::vector<std::string> sheets;
    std::string offcut, square;
    std::string find, like, kind, room;
    bool in_stock = false, crop = false;
    bool json = false;
};

} // namespace

namespace {

using nlohmann::json;

bool ends_in(const std::string& path, const char* ending) {
    return QString::fromStdString(path).endsWith(ending, Qt::CaseInsensitive);
}

Result<Stash> read_papers(const std::string& path) {
    const Watch watch(path + ": reading this takes over 10 s; it was given up", longest_reading);
    if (!ends_in(path, ".csv")) return read_stash(QString::fromStdString(path));
    const auto data = read_file(QString::fromStdString(path));
    if (!data) return tl::make_unexpected(data.error());
    const QDir folder = QFileInfo(QString::fromStdString(path)).dir();
    return stash_from_csv(data->toStdString(), path, [&](const std::string& name) -> Result<std::string> {
        auto bytes = read_file(folder.filePath(QString::fromStdString(name)));
        if (!bytes) return tl::make_unexpected(bytes.error());
        return bytes->toStdString();
    });
}

/// Where a picture goes beside what is written: under its own name, but never outside that folder.
QString file_name(const std::string& name) {
    const QString clean = QDir::cleanPath(QString::fromStdString(name));
    return clean.startsWith("..") || QDir::isAbsolutePath(clean) ? QFileInfo(clean).fileName() : clean;
}

Result<void> write_papers(Stash stash, const std::string& path) {
    const QString to = QString::fromStdString(path);
    const QDir folder = QFileInfo(to).dir();
    for (const auto& [name, bytes] : stash.pictures) {
        folder.mkpath(QFileInfo(file_name(name)).path());
        if (auto r = write_file(folder.filePath(file_name(name)), QByteArray::fromStdString(bytes)); !r)
            return r;
    }
    for (Paper& p : stash.papers) {
        if (!p.picture.empty()) p.picture = file_name(p.picture).toStdString();
        if (p.back && !p.back->picture.empty()) p.back->picture = file_name(p.back->picture).toStdString();
    }
    const std::string text = ends_in(path, ".csv") ? stash_csv(stash) : stash_json(stash).dump(1) + "\n";
    return write_file(to, QByteArray::fromStdString(text));
}

/// "12x12in", "12x12in*3".
Result<SheetStock> typed_sheet(const std::string& text) {
    const auto star = text.find('*');
    const auto size = typed_size("--sheet", text.substr(0, star), 1, 3000);
    if (!size) return tl::make_unexpected(size.error());
    SheetStock out{{ring_of(Box{0, 0, size->x, size->y}), {}}, 1, false};
    if (star == std::string::npos) return out;
    const auto count = typed_numbers("--sheet", text.substr(star + 1), 2000);
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

Result<Stash> typed_paper(const StashArgs& a) {
    json paper{{"id", a.add}, {"name", a.name.empty() ? a.add : a.name}, {"sheets", json::array()}};
    for (const auto& [key, value] :
         {std::pair{"colour", a.colour}, std::pair{"pattern", a.pattern}, std::pair{"direction", a.direction},
          std::pair{"kept_in", a.kept_in}, std::pair{"notes", a.notes}})
        if (!value.empty()) paper[key] = value;
    const auto name_of_file = [](const std::string& path) {
        return QFileInfo(QString::fromStdString(path)).fileName().toStdString();
    };
    if (!a.picture.empty()) paper["image"] = name_of_file(a.picture);
    json back = json::object();
    for (const auto& [key, value] : {std::pair{"colour", a.back_colour}, std::pair{"pattern", a.back_pattern},
                                     std::pair{"direction", a.back_direction}})
        if (!value.empty()) back[key] = value;
    // Two pictures of the same name from two folders would be one.
    if (!a.back_picture.empty())
        back["image"] = (name_of_file(a.back_picture) == name_of_file(a.picture) ? "back-" : "") +
                        name_of_file(a.back_picture);
    if (!back.empty()) paper["back"] = back;
    for (const auto& [option, text, key] :
         {std::tuple{"--strip", a.strip, "strip_mm"}, std::tuple{"--repeat", a.repeat, "repeat_mm"}}) {
        const auto length = typed_length(option, text, 0, 1000);
        if (!length) return tl::make_unexpected(length.error());
        if (*length) paper[key] = **length;
    }
    for (const std::string& text : a.sheets) {
        const auto sheet = typed_sheet(text);
        if (!sheet) return tl::make_unexpected(sheet.error());
        const Box b = bounds(sheet->outline);
        paper["sheets"].push_back({{"width", b.x1}, {"height", b.y1}, {"count", sheet->count}});
    }
    if (!a.offcut.empty()) {
        const auto outline = typed_offcut(a);
        if (!outline) return tl::make_unexpected(outline.error());
        paper["sheets"].push_back({{"outline", to_json(*outline)}});
    }
    return stash_from({{"format", "zesty-stash/1"}, {"papers", {paper}}}, "--add",
                      [&](const std::string& name) -> Result<std::string> {
                          const bool front = !a.picture.empty() && name == name_of_file(a.picture);
                          auto bytes = read_file(QString::fromStdString(front ? a.picture : a.back_picture));
                          if (bytes && a.crop) bytes = cropped_file(*bytes);
                          if (!bytes) return tl::make_unexpected(bytes.error());
                          return bytes->toStdString();
                      });
}

Result<StashQuery> typed_query(const StashArgs& a) {
    StashQuery query;
    query.words = a.find;
    query.in_stock = a.in_stock;
    if (!a.like.empty()) {
        query.colour = parse_colour(a.like);
        if (!query.colour)
            return fail(ErrorKind::BadInput, "--like: '" + a.like + "' does not look like #rrggbb");
    }
    if (!a.kind.empty()) {
        const auto kind = typed_word<Pattern>("--kind", a.kind);
        if (!kind) return tl::make_unexpected(kind.error());
        query.pattern = *kind;
    }
    if (!a.room.empty()) {
        const auto size = typed_size("--room", a.room, 1, 3000);
        if (!size) return tl::make_unexpected(size.error());
        query.width = size->x;
        query.height = size->y;
    }
    return query;
}

void list(const Stash& stash, const Reserved& reserved, const std::vector<int>& papers, bool as_json) {
    Stash shown;
    for (int i : papers) shown.papers.push_back(stash.papers[i]);
    if (as_json) {
        std::cout << stash_json(shown).dump(1) << "\n";
        return;
    }
    for (const Paper& p : shown.papers) {
        std::cout << p.id << ": " << p.name << ", " << colour_words(p.colour) << ", " << name_of(p.pattern);
        if (p.repeat > 0) std::cout << " repeating after " << format_mm(p.repeat);
        if (p.back)
            std::cout << "; side B " << colour_words(p.back->colour) << ", " << name_of(p.back->pattern);
        int sheets = 0;
        for (const SheetStock& s : p.sheets) sheets += s.count;
        std::cout << ", " << sheets << (sheets == 1 ? " sheet" : " sheets");
        const auto pieces = std::count_if(reserved.pieces.begin(), reserved.pieces.end(),
                                          [&](const ReservedPiece& w) { return w.paper == p.id; });
        if (pieces > 0)
            std::cout << ", " << count_of(static_cast<std::size_t>(pieces), "piece", "pieces") << " reserved";
        if (!p.kept_in.empty()) std::cout << ", kept in " << p.kept_in;
        std::cout << "\n";
    }
}

/// A paper that is there already gets more sheets when nothing else is said of it.
Result<Stash> added(StashArgs a, const Stash& now) {
    const int there = now.find(a.add);
    const bool only_sheets = there >= 0 && a.colour.empty() && a.picture.empty() && a.back_colour.empty() &&
                             a.back_picture.empty();
    if (only_sheets) a.colour = format_colour(now.papers[there].colour);
    auto typed = typed_paper(a);
    if (!typed || !only_sheets) return typed;
    Paper paper = now.papers[there];
    const auto& more = typed->papers.front().sheets;
    paper.sheets.insert(paper.sheets.end(), more.begin(), more.end());
    typed->papers = {std::move(paper)};
    return typed;
}

/// What is to be done, read and worked out before the database is touched.
struct Wanted {
    std::optional<Stash> import;
    std::vector<ReservedPiece> reserve;
};

Result<Wanted> wanted(const StashArgs& a) {
    Wanted out;
    if (!a.import.empty()) {
        auto papers = read_papers(a.import);
        if (!papers) return tl::make_unexpected(papers.error());
        out.import = std::move(*papers);
    }
    if (!a.add.empty())
        // Of a paper that is not there yet; of one that is, colour or picture may be missing here.
        if (auto typed = added(a, {}); !typed && (!a.colour.empty() || !a.picture.empty()))
            return tl::make_unexpected(typed.error());
    if (!a.reserve.empty()) {
        auto pieces = taken_by(a.reserve);
        if (!pieces) return tl::make_unexpected(pieces.error());
        out.reserve = std::move(*pieces);
    }
    return out;
}

Result<void> change(const StashArgs& a, const Wanted& wanted, StashStore& store) {
    if (wanted.import)
        if (auto r = store.put(*wanted.import); !r) return r;
    if (!a.add.empty())
        if (auto r = store.change([&](const Stash& now) { return added(a, now); }); !r) return r;
    if (!a.remove.empty())
        if (auto r = store.remove(a.remove); !r) return r;
    if (!a.release.empty())
        if (auto r = store.reserve(page_key(QString::fromStdString(a.release)), {}); !r) return r;
    if (a.reserve.empty()) return {};
    return store.reserve(page_key(QString::fromStdString(a.reserve)), wanted.reserve);
}

} // namespace

static int run(const StashArgs& args) {
    const QString path = QString::fromStdString(args.stash);
    const bool makes = !args.import.empty() || !args.add.empty();
    if (!makes && !QFileInfo::exists(path)) return complain(args.stash + ": there is no such file");
    // What is typed wrongly is found before anything is written.
    const auto query = typed_query(args);
    if (!query) return complain(query.error().message);
    const auto what = wanted(args);
    if (!what) return complain(what.error().message);
    if (makes && !QFileInfo::exists(path) && !args.add.empty())
        if (const auto typed = added(args, {}); !typed) return complain(typed.error().message);
    auto store = StashStore::open(path);
    if (!store) return complain(store.error().message);
    if (const auto r = change(args, *what, *store); !r) return complain(r.error().message);
    const auto stash = store->read();
    if (!stash) return complain(stash.error().message);
    if (!args.export_to.empty()) {
        if (const auto r = write_papers(*stash, args.export_to); !r) return complain(r.error().message);
    }
    const auto reserved = store->reserved_by_others({});
    if (!reserved) return complain(reserved.error().message);
    list(*stash, *reserved, found_in(*stash, *query), args.json);
    return done;
}

namespace {

CLI::App* add_stash(CLI::App& app, StashArgs& a) {
    auto* c = app.add_subcommand("stash", "Keep papers in a database: fill it, search it, write it out");
    c->add_option("STASH", a.stash, "The database; made when papers are put into it")->required();
    c->add_option("--import", a.import, "Takes in a stash: JSON, CSV or another database")->group("Changing");
    c->add_option("--add", a.add, "Adds a paper, replaces the one with this id, or adds sheets to it")
        ->group("Changing");
    c->add_option("--remove", a.remove, "Takes the paper with this id out")->group("Changing");
    c->add_option("--reserve", a.reserve, "P.zesty: other pages are told what it takes")->group("Pages");
    c->add_option("--release", a.release, "P.zesty: it takes nothing any more")->group("Pages");
    c->add_option("--name", a.name, "Of the paper added")->group("A paper");
    c->add_option("--colour", a.colour, "#rrggbb")->group("A paper");
    c->add_option("--picture", a.picture,
                  "PNG or JPEG of a whole sheet; kind, direction and repeat come from it")
        ->group("A paper");
    c->add_option("--pattern", a.pattern, "solid, small, large, stripe, ombre or picture")->group("A paper");
    c->add_option("--direction", a.direction, "free, half or fixed")->group("A paper");
    c->add_option("--sheet", a.sheets, "12x12in or 6x6in*4")->group("A paper");
    c->add_option("--offcut", a.offcut, "A scrap, measured from a picture of it beside a square")
        ->group("A paper");
    c->add_option("--square", a.square, "Side of that square; 1 in otherwise")->group("A paper");
    c->add_flag("--crop", a.crop, "Its pictures show the sheet on a plain ground: crop them to it")
        ->group("A paper");
    c->add_option("--back-colour", a.back_colour, "Of side B")->group("A paper");
    c->add_option("--back-picture", a.back_picture, "Of side B, alone and edge to edge")->group("A paper");
    c->add_option("--back-pattern", a.back_pattern, "Of side B")->group("A paper");
    c->add_option("--back-direction", a.back_direction, "Of side B")->group("A paper");
    c->add_option("--repeat", a.repeat, "After which the print begins anew")->group("A paper");
    c->add_option("--strip", a.strip, "Width of the branding strip along the lower edge")->group("A paper");
    c->add_option("--kept-in", a.kept_in, "Where it is")->group("A paper");
    c->add_option("--notes", a.notes, "Anything else")->group("A paper");
    c->add_option("--find", a.find, "Words in name, notes, place or id")->group("Looking");
    c->add_option("--like", a.like, "Papers near the colour #rrggbb, nearest first")->group("Looking");
    c->add_option("--kind", a.kind, "solid, small, large, stripe, ombre or picture")->group("Looking");
    c->add_option("--room", a.room, "Papers with a sheet of at least this size")->group("Looking");
    c->add_flag("--in-stock", a.in_stock, "Papers of which something is left")->group("Looking");
    c->add_option("--export", a.export_to, "Writes everything as JSON or CSV with its pictures beside it");
    c->add_flag("--json", a.json, "Print zesty-stash/1");
    needs(*c, {{"--name", "--add"},
               {"--colour", "--add"},
               {"--picture", "--add"},
               {"--pattern", "--add"},
               {"--direction", "--add"},
               {"--sheet", "--add"},
               {"--offcut", "--add"},
               {"--square", "--offcut"},
               {"--crop", "--add"},
               {"--back-colour", "--add"},
               {"--back-picture", "--add"},
               {"--back-pattern", "--add"},
               {"--back-direction", "--add"},
               {"--repeat", "--add"},
               {"--strip", "--add"},
               {"--kept-in", "--add"},
               {"--notes", "--add"}});
    return c;
}

const Registered<StashArgs> stash_command(8, add_stash, run);

} // namespace

} // namespace zesty::cli
