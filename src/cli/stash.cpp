// zesty stash: the database of papers, filled, searched and written out.

#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/fussy_cuts.h"
#include "cli/reserve_edit.h"
#include "cli/stash_add.h"
#include "cli/stash_things.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/match/pattern_room.h"
#include "core/project/has_room.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/fussy_cut.h"
#include "core/stash/new_paper.h"
#include "core/stash/search.h"
#include "core/stash/sharing.h"
#include "core/stash/stock.h"
#include "io/papers_file.h"
#include "io/read_file.h"
#include "io/stash_store.h"

#include <QDate>
#include <QDir>
#include <QFileInfo>
#include <array>
#include <iostream>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

using nlohmann::json;

Result<Stash> read_watched(const std::string& path) {
    // Every picture is looked at, of hundreds perhaps.
    const Watch watch(path + ": reading this takes over 2 minutes; it was given up", longest_collecting);
    return read_papers(QString::fromStdString(path));
}

Result<StashQuery> typed_query(const StashArgs& a) {
    StashQuery query;
    query.words = a.find;
    query.in_stock = a.in_stock;
    query.to_use_up = a.first;
    if (a.untouched)
        query.untouched_since = QDate::currentDate().addYears(-1).toString(Qt::ISODate).toStdString();
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
    return query;
}

/// Those of the papers with room for a piece of that size.
Result<std::vector<int>> found(const StashArgs& a, const Stash& stash, const StashQuery& query) {
    const std::vector<int> all = found_in(stash, query);
    if (a.room.empty()) return all;
    const auto size = typed_size("--room", a.room, 1, 3000);
    if (!size) return tl::make_unexpected(size.error());
    return with_room(stash, left_of_papers(stash, sheets_of(stash)), *size, all);
}

void list(const Stash& stash, const Reserved& reserved, const std::vector<int>& papers, bool as_json) {
    Stash shown;
    for (int i : papers) shown.papers.push_back(stash.papers[i]);
    const bool whole = papers.size() == stash.papers.size();
    if (as_json) {
        if (whole) {
            shown.embellishments = stash.embellishments;
            shown.letters = stash.letters;
        }
        std::cout << stash_json(shown).dump(1) << "\n";
        return;
    }
    for (const Paper& p : shown.papers) {
        std::cout << p.id << ": " << p.name << ", " << colour_words(p.colour) << ", " << name_of(p.pattern);
        if (p.repeat > 0) std::cout << " repeating after " << format_length(p.repeat, Units::Inches);
        if (const std::string about = about_pattern(p.face(Side::A), Units::Inches); !about.empty())
            std::cout << ", " << about;
        if (p.back)
            std::cout << "; side B " << colour_words(p.back->colour) << ", " << name_of(p.back->pattern);
        const int sheets = sheet_count(p);
        std::cout << ", " << sheets << (sheets == 1 ? " sheet" : " sheets");
        const auto pieces = std::count_if(reserved.pieces.begin(), reserved.pieces.end(),
                                          [&](const ReservedPiece& w) { return w.paper == p.id; });
        if (pieces > 0)
            std::cout << ", " << count_of(static_cast<std::size_t>(pieces), "piece", "pieces") << " reserved";
        if (!p.kept_in.empty()) std::cout << ", kept in " << p.kept_in;
        std::cout << "\n";
        for (std::size_t m = 0; m < p.fussy_cuts.size(); ++m) {
            const Box b = bounds(p.fussy_cuts[m].outline);
            std::cout << "  fussy cut " << m + 1
                      << (p.fussy_cuts[m].name.empty() ? "" : " (" + p.fussy_cuts[m].name + ")") << ": "
                      << format_size(b.width(), b.height(), Units::Inches) << ", "
                      << motifs_left(p, p.fussy_cuts[m]) << " left, " << p.fussy_cuts[m].used << " used\n";
        }
    }
    if (whole) list_things(stash);
}

/// What is to be done, read and worked out before the database is touched.
struct Wanted {
    std::optional<Stash> import;
    std::vector<ReservedPiece> reserve;
};

Result<Wanted> wanted(const StashArgs& a) {
    Wanted out;
    if (!a.import.empty()) {
        if (const auto unknown = unknown_columns_in(QString::fromStdString(a.import));
            !unknown.empty() && !a.ignore_columns) {
            const bool one = unknown.size() == 1;
            const std::string it = one ? "it" : "them";
            return fail(ErrorKind::BadInput, a.import + ": no paper has " + (one ? "a column" : "columns") +
                                                 " called " + in_a_row(unknown) + "; rename " + it +
                                                 " in the table, or give --ignore-columns to leave " + it +
                                                 " out");
        }
        auto papers = read_watched(a.import);
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

Result<Stash> with_added(const StashArgs& a, const Stash& now) {
    const auto typed = added(a, now);
    if (!typed) return typed;
    return with_paper(now, typed->papers.front(), typed->pictures);
}

Result<Stash> with_merged(const StashArgs& a, const Stash& now) {
    for (const std::string& id : {a.merge, a.into})
        if (now.find(id) < 0) return fail(ErrorKind::BadInput, "--merge: there is no paper \"" + id + "\"");
    if (a.merge == a.into) return fail(ErrorKind::BadInput, "--merge: this is one paper already");
    return merged(now, a.into, a.merge);
}

Result<void> change(const StashArgs& a, const Wanted& wanted, StashStore& store) {
    if (!a.restore.empty())
        if (auto r = store.restore(QString::fromStdString(a.restore)); !r) return r;
    if (wanted.import)
        if (auto r = store.put(*wanted.import); !r) return r;
    if (a.starter)
        if (auto r = store.change([](const Stash& now) -> Result<Stash> { return with_starter_papers(now); });
            !r)
            return r;
    if (!a.add.empty())
        if (auto r = store.change([&](const Stash& now) { return with_added(a, now); }); !r) return r;
    if (changes_things(a))
        if (auto r = store.change([&](const Stash& now) { return with_things(a, now); }); !r) return r;
    if (changes_fussy_cuts(a))
        if (auto r = store.change([&](const Stash& now) { return with_fussy_cuts(a, now); }); !r) return r;
    if (!a.merge.empty())
        if (auto r = store.change([&](const Stash& now) { return with_merged(a, now); }); !r) return r;
    if (!a.remove.empty())
        if (auto r = store.remove(a.remove); !r) return r;
    if (!a.release.empty())
        if (auto r = store.reserve(page_key(QString::fromStdString(a.release)), {}); !r) return r;
    if (a.reserve.empty()) return {};
    return store.reserve(page_key(QString::fromStdString(a.reserve)), wanted.reserve);
}

} // namespace

static int run(const StashArgs& args) {
    const bool living = args.stash.empty();
    const QString path = living ? living_stash_path() : QString::fromStdString(args.stash);
    const bool makes = living || !args.import.empty() || !args.add.empty() || args.starter ||
                       !args.restore.empty() || !args.embellishment.empty() || !args.letters.empty();
    if (!makes && !QFileInfo::exists(path)) return complain(args.stash + ": there is no such file");
    if (living) QDir().mkpath(QFileInfo(path).absolutePath());
    // What is typed wrongly is found before anything is written.
    const auto query = typed_query(args);
    if (!query) return complain(query.error().message);
    if (const auto size = found(args, {}, *query); !size) return complain(size.error().message);
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
        if (const auto r = write_papers(*stash, QString::fromStdString(args.export_to)); !r)
            return complain(r.error().message);
    }
    if (!args.backup.empty()) {
        if (const auto r = store->back_up(QString::fromStdString(args.backup)); !r)
            return complain(r.error().message);
    }
    const auto reserved = store->reserved_by_others({});
    if (!reserved) return complain(reserved.error().message);
    list(*stash, *reserved, *found(args, *stash, *query), args.json);
    return done;
}

namespace {

/// What is changed of the stash as a whole.
void add_changing(CLI::App* c, StashArgs& a) {
    c->add_option("--import", a.import,
                  "Takes in papers: JSON, CSV, another database, a picture, a folder of these")
        ->group("Changing");
    c->add_flag("--ignore-columns", a.ignore_columns, "Leaves out columns of a table that no paper has")
        ->group("Changing");
    needs(*c, {{"--ignore-columns", "--import"}});
    c->add_option("--add", a.add,
                  "Adds a paper; of one with this id just what is given is changed, sheets are added")
        ->group("Changing");
    c->add_flag("--starter", a.starter, "Adds plain cardstock in 24 colours, two sheets of each")
        ->group("Changing");
    c->add_option("--remove", a.remove, "Takes the paper with this id out")->group("Changing");
    c->add_option("--merge", a.merge, "The paper with this id is the one of --into: one paper from now on")
        ->group("Changing");
    c->add_option("--into", a.into, "Whose name and facts stay")->group("Changing");
    c->add_option("--restore", a.restore, "Everything as it is in a backup, in the place of what is here")
        ->group("Changing");
    c->add_option("--fussy-cut", a.fussy,
                  "barley:3,4in: the motif at that place of its picture is cut out by hand")
        ->group("Fussy cuts");
    c->add_option("--tolerance", a.tolerance, "How far a motif's colours are from the ground, 1 to 60 (14)")
        ->group("Fussy cuts");
    c->add_option("--add-to-fussy-cut", a.more_fussy,
                  "barley:1:3,4in;3.2,4in: what a brush that goes that way passes over belongs to it, too")
        ->group("Fussy cuts");
    c->add_option("--trim-fussy-cut", a.less_fussy, "barley:1:3,4in: what the brush passes over does not")
        ->group("Fussy cuts");
    c->add_option("--brush", a.brush, "Width of the brush (1/8 in)")->group("Fussy cuts");
    c->add_option("--name-fussy-cut", a.name_fussy, "barley:1:Poppy: what it is called")->group("Fussy cuts");
    c->add_option("--take-fussy-cut", a.take_fussy,
                  "barley:1: one of it has been cut out of a sheet and joins the embellishments")
        ->group("Fussy cuts");
    c->add_option("--drop-fussy-cut", a.drop_fussy, "barley:1: patches may lie over it again")
        ->group("Fussy cuts");
    add_thing_options(*c, a);
    c->add_option("--reserve", a.reserve, "P.zesty: other pages are told what it takes")->group("Pages");
    c->add_option("--release", a.release, "P.zesty: it takes nothing any more")->group("Pages");
}

/// What is said of a paper.
void add_facts(CLI::App* c, StashArgs& a) {
    c->add_option("--name", a.name, "Its name")->group("A paper");
    c->add_option("--colour", a.colour, "#rrggbb or in words: \"muted teal\"")->group("A paper");
    c->add_option("--picture", a.picture,
                  "PNG or JPEG of a whole sheet; kind, direction and repeat come from it")
        ->group("A paper");
    c->add_option("--pattern", a.pattern, "solid, small, large, stripe, ombre or picture")->group("A paper");
    c->add_option("--direction", a.direction, "free, half or fixed")->group("A paper");
    c->add_option("--sheet", a.sheets, "12x12in or 6x6in*4")->group("A paper");
    c->add_option("--scrap,--offcut", a.offcut, "A scrap, measured from a picture of it beside a square")
        ->group("A paper");
    c->add_option("--square", a.square, "Side of that square; 1 in otherwise")->group("A paper");
    c->add_flag("--crop", a.crop, "Its pictures show the sheet on a plain ground: crop them to it")
        ->group("A paper");
    c->add_option("--repeat", a.repeat, "Length after which the pattern repeats")->group("A paper");
    c->add_option("--strip", a.strip, "Width of the branding strip along the lower edge")->group("A paper");
    c->add_option("--less", a.less, "12x12in or 6x6in*4: so many fewer")->group("A paper");
    c->add_option("--trim", a.trim,
                  "Cut off the sheets added: left,top,right,bottom; two more, the size of "
                  "what is missing at the lower right, for an L")
        ->group("A paper");
    c->add_option("--palette", a.palette, "Its colours with their shares: #f6ecd2:0.7,#c03032:0.3")
        ->group("A paper");
    c->add_option("--finish", a.finish, "matt, glossy, textured, slick or translucent")->group("A paper");
    add_number(*c, "--weight", a.weight, "Its weight in g/m2", {0, 2000})->group("A paper");
    c->add_flag("--use-up-first", a.use_up, "To be used up before others")->group("A paper");
    c->add_flag("--not-first", a.not_first, "Not to be used up before others any more")->group("A paper");
    c->add_option("--kept-in", a.kept_in, "Where it is")->group("A paper");
    c->add_option("--notes", a.notes, "Anything else")->group("A paper");
}

void add_sides(CLI::App* c, StashArgs& a) {
    c->add_option("--back-colour", a.back_colour, "Colour of side B")->group("A paper");
    c->add_option("--back-picture", a.back_picture, "Picture of side B, alone and edge to edge")
        ->group("A paper");
    c->add_option("--back-pattern", a.back_pattern, "Pattern of side B")->group("A paper");
    c->add_option("--back-direction", a.back_direction, "Direction of side B")->group("A paper");
    add_number(*c, "--angle", a.angle,
               "The way stripes run, or an ombre gets darker: degrees clockwise from the right", {0, 360})
        ->group("A paper");
    add_number(*c, "--back-angle", a.back_angle, "Angle on side B", {0, 360})->group("A paper");
    c->add_option("--back-palette", a.back_palette, "Colours of side B with their shares")->group("A paper");
    c->add_flag("--no-back", a.no_back, "Its side B is not worth showing")->group("A paper");
}

void add_looking(CLI::App* c, StashArgs& a) {
    c->add_option("--find", a.find, "Words in name, notes, place or id")->group("Looking");
    c->add_option("--like", a.like, "Papers near a colour, nearest first: #rrggbb or words")
        ->group("Looking");
    c->add_option("--kind", a.kind, "solid, small, large, stripe, ombre or picture")->group("Looking");
    c->add_option("--room", a.room, "Papers with room for a piece of this size, either way round")
        ->group("Looking");
    c->add_flag("--in-stock", a.in_stock, "Papers of which something is left")->group("Looking");
    c->add_flag("--to-use-up", a.first, "Papers to be used up before others")->group("Looking");
    c->add_flag("--untouched", a.untouched, "Papers nobody has touched for a year")->group("Looking");
}

/// Options that say something of the paper added.
constexpr std::array of_a_paper{
    "--less",        "--angle",        "--back-angle",   "--palette",        "--back-palette", "--no-back",
    "--finish",      "--weight",       "--use-up-first", "--not-first",      "--name",         "--colour",
    "--picture",     "--pattern",      "--direction",    "--sheet",          "--scrap",        "--crop",
    "--back-colour", "--back-picture", "--back-pattern", "--back-direction", "--repeat",       "--strip",
    "--kept-in",     "--notes"};

CLI::App* add_stash(CLI::App& app, StashArgs& a) {
    auto* c = app.add_subcommand("stash", "Keep papers in a database: fill it, search it, write it out");
    c->add_option("STASH", a.stash, "Another database than your stash; made when papers are put into it");
    add_changing(c, a);
    add_facts(c, a);
    add_sides(c, a);
    add_looking(c, a);
    c->add_option("--backup", a.backup, "Writes the whole stash into one file, read back before it counts");
    c->add_option("--export", a.export_to, "Writes everything as JSON or CSV with its pictures beside it");
    c->add_flag("--json", a.json, "Print zesty-stash/1");
    for (const char* option : of_a_paper) needs(*c, {{option, "--add"}});
    needs(*c, {{"--tolerance", "--fussy-cut"},
               {"--merge", "--into"},
               {"--into", "--merge"},
               {"--trim", "--sheet"},
               {"--square", "--scrap"}});
    return c;
}

const Registered<StashArgs> stash_command(8, add_stash, run);

} // namespace

} // namespace zesty::cli
