// zesty stash: the database of papers, filled, searched and written out.

#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/reserve_edit.h"
#include "cli/stash_add.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/new_paper.h"
#include "core/stash/search.h"
#include "io/read_file.h"
#include "io/stash_csv.h"
#include "io/stash_store.h"

#include <QDir>
#include <QFileInfo>
#include <iostream>

namespace zesty::cli {

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

Result<StashQuery> typed_query(const StashArgs& a) {
    StashQuery query;
    query.words = a.find;
    query.in_stock = a.in_stock;
    if (!a.like.empty()) {
        const auto colour = typed_colour("--like", a.like);
        if (!colour) return tl::make_unexpected(colour.error());
        query.colour = *colour;
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
    if (a.starter)
        if (auto r = store.change([](const Stash& now) -> Result<Stash> { return with_starter_papers(now); });
            !r)
            return r;
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
    const bool makes = !args.import.empty() || !args.add.empty() || args.starter;
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
    c->add_option("--add", a.add,
                  "Adds a paper; of one with this id just what is given is changed, sheets are added")
        ->group("Changing");
    c->add_flag("--starter", a.starter, "Adds plain cardstock in 24 colours, two sheets of each")
        ->group("Changing");
    c->add_option("--remove", a.remove, "Takes the paper with this id out")->group("Changing");
    c->add_option("--reserve", a.reserve, "P.zesty: other pages are told what it takes")->group("Pages");
    c->add_option("--release", a.release, "P.zesty: it takes nothing any more")->group("Pages");
    c->add_option("--name", a.name, "Of the paper added")->group("A paper");
    c->add_option("--colour", a.colour, "#rrggbb or in words: \"muted teal\"")->group("A paper");
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
    c->add_option("--repeat", a.repeat, "After which the pattern begins anew")->group("A paper");
    c->add_option("--strip", a.strip, "Width of the branding strip along the lower edge")->group("A paper");
    c->add_option("--kept-in", a.kept_in, "Where it is")->group("A paper");
    c->add_option("--notes", a.notes, "Anything else")->group("A paper");
    c->add_option("--find", a.find, "Words in name, notes, place or id")->group("Looking");
    c->add_option("--like", a.like, "Papers near a colour, nearest first: #rrggbb or words")
        ->group("Looking");
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
