// Finishing a page, its record, and the shelf of pages.

#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/keep_json.h"
#include "cli/keep_shelf.h"
#include "cli/painting.h"
#include "cli/proposed.h"
#include "core/geometry/lengths.h"
#include "core/project/build_steps.h"
#include "core/project/learned_pace.h"
#include "core/project/page_record_of.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/sharing.h"
#include "core/stash/taking.h"
#include "io/page_record.h"
#include "io/project_file.h"

#include <QDate>
#include <iostream>

namespace zesty::cli {

namespace {

std::string today() {
    return QDate::currentDate().toString(Qt::ISODate).toStdString();
}

void say_things_left(const Project& project, const Finishing& finishing) {
    const auto say = [](const std::string& what, int before, int after) {
        std::cout << "  " << what << "; " << before << " before, ";
        if (after > 0)
            std::cout << after << " after";
        else
            std::cout << "none after";
    };
    for (const EmbellishmentsLeft& e : embellishments_left(project, finishing)) {
        say(e.thing.name + ": " + std::to_string(e.thing.count - e.after), e.thing.count, e.after);
        std::cout << "\n";
    }
    for (const LettersLeft& l : letters_left(project, finishing)) {
        say(l.name + ": " + count_of(static_cast<std::size_t>(l.before - l.after), "letter", "letters"),
            l.before, l.after);
        if (!l.last.empty()) std::cout << "; the last " << in_a_row(l.last);
        std::cout << "\n";
    }
}

void say_before_and_after(const Project& project, const Finishing& finishing, FinishWhat what) {
    if (!project.keep.finished.empty())
        std::cout << "Finished on " << date_in_words(project.keep.finished) << ".\n";
    if (finishing.nothing()) {
        std::cout << (what == FinishWhat::Everything ? "There is nothing left to take.\n"
                                                     : "No step that cuts paper is ticked off yet.\n");
        return;
    }
    std::cout << (what == FinishWhat::Everything ? "Finishing takes:\n" : "What has been cut takes:\n");
    for (const BeforeAndAfter& b : before_and_after(project, finishing)) {
        std::cout << "  " << b.name << ": "
                  << count_of(static_cast<std::size_t>(b.sheets), "sheet", "sheets");
        if (b.scraps_back > 0)
            std::cout << ", " << count_of(static_cast<std::size_t>(b.scraps_back), "scrap goes", "scraps go")
                      << " back";
        std::cout << "; " << format_area(b.before, project.units) << " before, ";
        if (b.after > 0)
            std::cout << format_area(b.after, project.units) << " after\n";
        else
            std::cout << "none after\n";
    }
    say_things_left(project, finishing);
    for (const std::string& lacks : finishing.without) std::cout << "  " << lacks << "\n";
}

/// The one document of a page: its sheets are there once it was cut from any.
void print_page_json(const Project& page, const nlohmann::json& takes,
                     const std::vector<std::string>& not_put_back = {}) {
    const nlohmann::json out{{"format", "zesty-keep/1"},
                             {"finished", page.keep.finished},
                             {"takes", takes},
                             {"sheets", sheets_json(page)},
                             {"not_put_back", not_put_back}};
    std::cout << out.dump(1) << "\n";
}

/// First the stash, with the record; a page that is not saved after that catches up when it is opened again.
Result<void> take_and_save(const Project& before, FinishedPage& made, const KeepArgs& a) {
    const QString file = stash_file();
    if (!file.isEmpty()) {
        auto store = StashStore::open(file);
        if (!store) return tl::make_unexpected(store.error());
        const Stash was = living_part(stash_at_hand(before));
        const Stash is = living_part(stash_at_hand(made.project));
        if (auto r = store->change([&](const Stash& now) { return taken_over(was, is, now); }, made.files);
            !r)
            return r;
    }
    return save_project(made.project, QString::fromStdString(a.out.empty() ? a.project : a.out));
}

/// A page gets the name its record will have before anything is taken, so that the two find each other.
Result<Project> named_page(const KeepArgs& a) {
    auto page = read_project(a.project);
    if (!page) return page;
    if (const QString file = stash_file(); !file.isEmpty()) {
        const auto store = StashStore::open(file);
        if (!store) return tl::make_unexpected(store.error());
        if (auto r = catch_up_with_record(*page, page_key(QString::fromStdString(a.project)), *store); !r)
            return tl::make_unexpected(r.error());
    }
    return page;
}

void edit_notes(const KeepArgs& a, Project& page) {
    if (!a.title.empty()) page.title = a.title;
    type_notes(a, page.keep.notes);
    if (a.drop_outs) page.keep.drop_outs = true;
    if (a.no_drop_outs) page.keep.drop_outs = false;
    if (a.take_pace) take_over_own_pace(page, own_pace(stash_at_hand(page).records));
}

/// The record of the page goes along with what is said of it.
Result<void> notes_into_record(const KeepArgs& a, const Project& page) {
    const QString file = stash_file();
    if (file.isEmpty() || (!types_notes(a) && a.photo.empty())) return {};
    const auto photo = typed_photo(a);
    if (!photo) return tl::make_unexpected(photo.error());
    auto store = StashStore::open(file);
    if (!store) return tl::make_unexpected(store.error());
    return store->change(
        [&](Stash now) -> Result<Stash> {
            for (PageRecord& r : now.records) {
                if (r.uid.empty() || r.uid != page.keep.record) continue;
                r.title = page.title;
                r.notes = page.keep.notes;
                if (!photo->name.empty()) r.photo = photo->name;
                return now;
            }
            if (!photo->name.empty())
                return fail(ErrorKind::NothingToDo,
                            "the page has no record yet to put its photo to: finish it first");
            return now;
        },
        photo->files);
}

} // namespace

static int run_keep(const KeepArgs& a) {
    const Painting painting;
    if (asks_for_shelf(a)) return run_shelf(a);
    const auto begun = named_page(a);
    if (!begun) return complain(begun.error().message);
    Project page = *begun;
    edit_notes(a, page);
    if (page.keep.record.empty()) page.keep.record = new_uid();
    const bool says_something = types_notes(a) || a.drop_outs || a.no_drop_outs || a.take_pace || a.finish ||
                                a.only_cut || a.put_back;
    if (says_something)
        if (auto r = save_changes(*begun, page, a.project, a.out, {}); !r) return complain(r.error().message);
    if (auto r = notes_into_record(a, page); !r) return complain(r.error().message);
    if (a.sheets && !a.json) return say_sheets(page);
    auto p = planned_as_decided(says_something && !a.out.empty() ? a.out : a.project,
                                [&](Project& project) { project.keep = page.keep; });
    if (!p) return complain(p.error().message);
    const FinishWhat what = a.only_cut ? FinishWhat::WhatIsCut : FinishWhat::Everything;
    if (a.finish || a.only_cut || a.put_back) {
        const std::string where = page_key(QString::fromStdString(a.out.empty() ? a.project : a.out));
        auto made = a.put_back ? page_put_back(p->project, p->plan, where)
                               : finished_page(p->project, p->plan, what, today(), where);
        if (!made) return complain(made.error().message);
        if (auto r = take_and_save(p->project, *made, a); !r) return complain(r.error().message);
        if (a.json) {
            print_page_json(made->project, finishing_json(p->project, made->taken),
                            a.put_back ? made->without : std::vector<std::string>());
        } else if (a.put_back) {
            std::cout << "Everything that was taken for this page is in the drawer again.\n";
            for (const std::string& said : made->without) std::cout << "  " << said << "\n";
        } else {
            say_before_and_after(p->project, made->taken, what);
        }
        return made->without.empty() ? done : problems;
    }
    const Finishing finishing = finishing_of(p->project, p->plan, what, build_steps(p->project, p->plan));
    if (a.json)
        print_page_json(p->project, finishing_json(p->project, finishing));
    else
        say_before_and_after(p->project, finishing, what);
    return done;
}

namespace {

void add_note_options(CLI::App& c, KeepArgs& a) {
    const char* group = "Record";
    c.add_option("--record", a.record, "A record on the shelf, by its id, instead of a page's file")
        ->group(group);
    c.add_option("--title", a.title, "What the page is called")->group(group);
    c.add_option("--story", a.story, "Its story")->group(group);
    c.add_option("--tag", a.tags, "One more tag of your own")->group(group);
    c.add_flag("--no-tags", a.no_tags, "No tags but those given now")->group(group);
    c.add_option("--photos-of", a.photos_of, "When the photos were taken: a day, or words")->group(group);
    c.add_option("--made", a.made, "When the page was made: 2026-11-28")->group(group);
    c.add_option("--album", a.album, "The album it is in")->group(group);
    c.add_option("--place", a.place, "Where in the album")->group(group);
    c.add_option("--next-time", a.next_time, "What to do differently")->group(group);
    c.add_option("--licence", a.licence, "What the cut file's maker allows")->group(group);
    c.add_option("--photo", a.photo, "A photo of the real page")->group(group);
    c.add_flag("--forget", a.forget, "Takes the record off the shelf; no paper changes")->group(group);
}

void add_shelf_options(CLI::App& c, KeepArgs& a) {
    const char* group = "Looking back";
    c.add_option("--shelf", a.shelf, "The shelf by " + all_words<ShelfBy>())->group(group);
    c.add_option("--find", a.find, "Words in title, story, tags, album, papers, colours")->group(group);
    c.add_option("--like", a.like, "Pages with a colour: #rrggbb or words")->group(group);
    c.add_option("--with-paper", a.with_paper, "Pages that took of a paper, by its name")->group(group);
    c.add_option("--with-cut", a.with_cut, "Pages with a cut file, by a part of its name")->group(group);
    c.add_option("--in-album", a.in_album, "Pages in an album")->group(group);
    c.add_option("--in-year", a.in_year, "Pages of a year")->group(group);
    c.add_flag("--where", a.where, "Where the paper went")->group(group);
    c.add_flag("--sheets", a.sheets, "What each sheet of the page, or of --record, became")->group(group);
    c.add_flag("--look-back", a.look_back, "Pages a month, what was saved, what is unused for a year")
        ->group(group);
    c.add_flag("--pace", a.pace, "How fast you work, by what your pages took")->group(group);
    c.add_flag("--take-pace", a.take_pace, "The page is timed by that pace")->group(group);
    c.add_option("--again", a.again, "Begins a page from the record with this id, in other papers")
        ->group(group);
    c.add_option("--other-cut", a.other_cut, "The same arrangement with this drawing")->group(group);
}

CLI::App* add_keep(CLI::App& app, KeepArgs& a) {
    auto* c = app.add_subcommand("keep", "Finish a page, keep its record, look back over your pages");
    c->add_option("PROJECT", a.project, ".zesty file; without one it is about the shelf of pages");
    c->add_option("--out", a.out, "Write here instead of the project");
    const char* group = "Finishing";
    c->add_flag("--finish", a.finish, "Takes what the page uses out of the stash, puts back what is left")
        ->group(group);
    c->add_flag("--only-cut", a.only_cut, "Only what steps that are ticked off have cut")->group(group);
    c->add_flag("--put-back", a.put_back, "Everything that was taken for the page goes back")->group(group);
    c->add_flag("--drop-outs", a.drop_outs, "Large drop-outs go back as scraps")->group(group);
    c->add_flag("--no-drop-outs", a.no_drop_outs, "Drop-outs are not kept as scraps")->group(group);
    add_note_options(*c, a);
    add_shelf_options(*c, a);
    c->add_option("--html", a.html, "Writes the records into one page of HTML, pictures too");
    c->add_option("--csv", a.csv, "Writes a table of them");
    c->add_option("--records", a.records, "Writes them as zesty-records/1, pictures too");
    c->add_option("--backup", a.backup, "Writes stash, records and your numbers into one file");
    c->add_option("--restore", a.restore,
                  "Everything as it is in such a file, checked before anything changes");
    c->add_flag("--json", a.json, "Print zesty-keep/1 of a page, zesty-records/1 of the shelf");
    needs(*c, {{"--other-cut", "--again"},
               {"--again", "--out"},
               {"--forget", "--record"},
               {"--take-pace", "PROJECT"}});
    either(*c, {{"--finish", "--only-cut"},
                {"--finish", "--put-back"},
                {"--only-cut", "--put-back"},
                {"--drop-outs", "--no-drop-outs"}});
    add_stash_option(*c);
    return c;
}

const Registered<KeepArgs> keep_command(9, add_keep, run_keep);

} // namespace

} // namespace zesty::cli
