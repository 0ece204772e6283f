#include "cli/keep_shelf.h"

#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/keep_json.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/keep/sheet_map.h"
#include "core/project/again.h"
#include "core/project/learned_pace.h"
#include "core/project/papers_named.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/sharing.h"
#include "io/backup.h"
#include "io/own_numbers_file.h"
#include "io/page_record.h"
#include "io/project_file.h"
#include "io/read_file.h"
#include "io/records_out.h"

#include <QDate>
#include <QDir>
#include <QFileInfo>
#include <algorithm>
#include <cmath>
#include <iomanip>
#include <iostream>

namespace zesty::cli {

namespace {

/// The stash that is open, its records and which of them are meant.
struct Shelf {
    StashStore store;
    Stash stash;
    std::vector<int> pages;

    const PageRecord& at(int page) const { return stash.records[static_cast<std::size_t>(page)]; }
    std::vector<PageRecord> chosen() const {
        std::vector<PageRecord> out;
        for (const int p : pages) out.push_back(at(p));
        return out;
    }
    FileOfRecord files() const {
        return [this](const std::string& name) { return store.file(name).value_or(std::string()); };
    }
};

Result<RecordQuery> typed_record_query(const KeepArgs& a) {
    RecordQuery query{a.find, {}, 20, a.with_paper, a.with_cut, a.in_album, a.in_year};
    if (a.like.empty()) return query;
    query.colour = colour_called(a.like);
    if (!query.colour) return fail(ErrorKind::BadInput, "--like: '" + a.like + "' is not a colour");
    return query;
}

Result<Shelf> open_shelf(const KeepArgs& a) {
    const auto query = typed_record_query(a);
    if (!query) return tl::make_unexpected(query.error());
    const QString file = stash_file();
    if (file.isEmpty()) return fail(ErrorKind::NothingToDo, "there is no stash, and so no record of a page");
    auto store = StashStore::open(file);
    if (!store) return tl::make_unexpected(store.error());
    auto stash = store->read();
    if (!stash) return tl::make_unexpected(stash.error());
    Shelf out{std::move(*store), std::move(*stash), {}};
    out.pages = found_pages(out.stash.records, *query);
    if (a.record.empty()) return out;
    std::erase_if(out.pages, [&](int p) { return out.at(p).id != a.record; });
    if (out.pages.empty())
        return fail(ErrorKind::BadInput, "--record: there is no record '" + a.record + "'");
    return out;
}

void say_record(const PageRecord& r) {
    const PageFacts& f = facts_of(r);
    std::cout << r.id << ": " << (r.title.empty() ? "a page" : r.title);
    if (r.finished.empty())
        std::cout << ", not finished";
    else
        std::cout << ", " << date_in_words(made_on(r));
    if (!r.notes.album.empty()) std::cout << ", " << r.notes.album;
    const auto [sheets, scraps] = taken_of(f);
    if (sheets > 0) std::cout << ", " << count_of(static_cast<std::size_t>(sheets), "sheet", "sheets");
    if (scraps > 0) std::cout << ", " << count_of(static_cast<std::size_t>(scraps), "scrap", "scraps");
    if (f.worked > 0) std::cout << ", " << std::lround(f.worked) << " min";
    std::cout << "\n";
}

void say_shelf(const Shelf& shelf, const KeepArgs& a, ShelfBy by) {
    if (shelf.pages.empty()) {
        std::cout << (shelf.stash.records.empty()
                          ? "No page has been finished yet: zesty keep PAGE.zesty --finish\n"
                          : "No page is like that.\n");
        return;
    }
    if (a.shelf.empty()) {
        for (const int p : shelf.pages) say_record(shelf.at(p));
        return;
    }
    for (const ShelfGroup& group : shelf_of(shelf.stash.records, shelf.pages, by)) {
        std::cout << group.name << "\n";
        for (const int p : group.pages) {
            std::cout << "  ";
            say_record(shelf.at(p));
        }
    }
}

void say_where(const Shelf& shelf) {
    for (const PaperWent& paper : where_paper_went(shelf.stash.records, shelf.pages, shelf.stash)) {
        std::cout << paper.name << ": ";
        for (std::size_t i = 0; i < paper.parts.size(); ++i)
            std::cout << (i ? ", " : "") << format_area(paper.parts[i].used, Units::Inches) << " on "
                      << shelf.at(paper.parts[i].page).title;
        std::cout << "; ";
        if (paper.in_drawer > 0)
            std::cout << format_area(paper.in_drawer, Units::Inches) << " in the drawer";
        else
            std::cout << (paper.known ? "none left" : "not in this stash");
        if (paper.scraps > 0)
            std::cout << ", " << count_of(static_cast<std::size_t>(paper.scraps), "scrap", "scraps")
                      << " of it";
        std::cout << "\n";
    }
}

LookBack looking_back(const Shelf& shelf) {
    const std::string since = QDate::currentDate().addYears(-1).toString(Qt::ISODate).toStdString();
    return look_back(shelf.stash.records, shelf.stash, since);
}

void say_look_back(const Shelf& shelf) {
    const LookBack all = looking_back(shelf);
    std::cout << count_of(static_cast<std::size_t>(all.pages), "page", "pages") << " from "
              << count_of(static_cast<std::size_t>(all.sheets), "sheet", "sheets") << " and "
              << count_of(static_cast<std::size_t>(all.scraps), "scrap", "scraps") << "\n"
              << std::fixed << std::setprecision(1) << "Saved by scraps: " << all.saved_by_scraps
              << " sheets of 12 x 12 in; by gutting: " << all.saved_by_gutting << "\n";
    for (const MonthCount& m : all.months) {
        std::cout << m.month << " " << std::string(static_cast<std::size_t>(m.pages), '*');
        std::cout << (m.pages > 0 ? " " : "") << m.pages << "\n";
    }
    if (all.unused.empty()) return;
    std::cout << "Unused for a year:";
    for (const int p : all.unused) std::cout << " " << shelf.stash.papers[static_cast<std::size_t>(p)].id;
    std::cout << "\n";
}

constexpr const char* which_page = "say which page: --record ID, or the page's file";

/// The page whose sheets are asked for; --record is one that is there.
Result<Project> page_asked_for(const Shelf& shelf, const KeepArgs& a) {
    const PageRecord* record = shelf.stash.record(a.record);
    if (record) return remembered_page(shelf.store, *record);
    return fail(ErrorKind::BadInput, which_page);
}

/// The records, and what else was asked about them.
Result<nlohmann::json> answers_json(const Shelf& shelf, const KeepArgs& a, ShelfBy by) {
    const auto& records = shelf.stash.records;
    nlohmann::json out = records_json(shelf.chosen());
    if (!a.shelf.empty()) out["shelf"] = shelf_json(records, shelf.pages, by);
    if (a.where) out["where"] = where_json(records, shelf.pages, shelf.stash);
    if (a.look_back) out["look_back"] = look_back_json(looking_back(shelf), shelf.stash);
    if (a.pace) out["pace"] = pace_json(own_pace(records));
    if (!a.sheets) return out;
    const auto page = page_asked_for(shelf, a);
    if (!page) return tl::make_unexpected(page.error());
    out["sheets"] = sheets_json(*page);
    return out;
}

/// Whoever writes files is told what is in them, not shown the shelf.
bool only_writes(const KeepArgs& a) {
    const bool writes = !a.backup.empty() || !a.html.empty() || !a.csv.empty() || !a.records.empty();
    return writes && !a.where && !a.sheets && !a.look_back && !a.pace && a.shelf.empty();
}

void say_written(const Shelf& shelf, const KeepArgs& a) {
    if (!a.backup.empty())
        std::cout << a.backup << ": " << count_of(shelf.stash.papers.size(), "paper", "papers") << " and "
                  << count_of(shelf.stash.records.size(), "record", "records") << "\n";
    for (const std::string& file : {a.html, a.csv, a.records})
        if (!file.empty())
            std::cout << file << ": " << count_of(shelf.pages.size(), "record", "records") << "\n";
}

Result<void> write_out(const Shelf& shelf, const KeepArgs& a) {
    const std::vector<PageRecord> records = shelf.chosen();
    if (!a.html.empty())
        if (auto r = write_file(QString::fromStdString(a.html),
                                records_html(records, Units::Inches, shelf.files()));
            !r)
            return r;
    if (!a.csv.empty())
        if (auto r =
                write_file(QString::fromStdString(a.csv), QByteArray::fromStdString(records_csv(records)));
            !r)
            return r;
    if (a.records.empty()) return {};
    return write_file(QString::fromStdString(a.records),
                      QByteArray::fromStdString(records_json(records, shelf.files()).dump(1)));
}

/// Notes, photo and whether there is to be a record at all.
Result<void> change_record(Shelf& shelf, const KeepArgs& a) {
    const auto photo = typed_photo(a);
    if (!photo) return tl::make_unexpected(photo.error());
    const auto done = shelf.store.change(
        [&](Stash now) -> Result<Stash> {
            for (PageRecord& r : now.records) {
                if (r.id != a.record) continue;
                if (!a.title.empty()) r.title = a.title;
                type_notes(a, r.notes);
                if (!photo->name.empty()) r.photo = photo->name;
            }
            if (a.forget) std::erase_if(now.records, [&](const PageRecord& r) { return r.id == a.record; });
            return now;
        },
        photo->files);
    if (!done) return done;
    auto now = shelf.store.read();
    if (!now) return tl::make_unexpected(now.error());
    shelf.stash = std::move(*now);
    return {};
}

int restore_everything(const std::string& from) {
    const auto backup = read_backup(QString::fromStdString(from));
    if (!backup) return complain(backup.error().message);
    const QString file = stash_file().isEmpty() ? living_stash_path() : stash_file();
    QDir().mkpath(QFileInfo(file).absolutePath());
    auto store = StashStore::open(file);
    if (!store) return complain(store.error().message);
    if (auto r = store->restore(backup->database); !r) return complain(r.error().message);
    if (backup->numbers)
        if (auto r = write_own_numbers(*backup->numbers, own_numbers_path()); !r)
            return complain(r.error().message);
    std::cout << count_of(backup->stash.papers.size(), "paper", "papers") << " and "
              << count_of(backup->stash.records.size(), "record", "records") << " are as they were\n";
    return done;
}

int begin_again(const Shelf& shelf, const KeepArgs& a) {
    const PageRecord* record = shelf.stash.record(a.again);
    if (!record) return complain("--again: there is no record '" + a.again + "'");
    auto page = remembered_page(shelf.store, *record);
    if (!page) return complain(page.error().message);
    page->stash = std::make_shared<const Stash>(
        joined(page->stash ? *page->stash : Stash{}, shelf.stash, papers_named(*page)));
    Planner planner;
    Result<Again> again = fail(ErrorKind::NothingToDo, "");
    if (a.other_cut.empty()) {
        again = other_papers(*page, planner);
    } else {
        const auto drawing = read_drawing(a.other_cut, 0);
        if (!drawing) return complain(drawing.error().message);
        again = other_cut(*page, *drawing, planner);
    }
    if (!again) return complain(again.error().message);
    again->project.keep.record = new_uid();
    if (auto r = save_project(again->project, QString::fromStdString(a.out)); !r)
        return complain(r.error().message);
    std::cout << a.out << ": " << again->project.title << "\n";
    for (const std::string& said : again->no_longer) std::cout << "  " << said << "\n";
    return done;
}

} // namespace

Result<KeptPhoto> typed_photo(const KeepArgs& a) {
    return a.photo.empty() ? Result<KeptPhoto>(KeptPhoto{}) : photo_to_keep(QString::fromStdString(a.photo));
}

bool types_notes(const KeepArgs& a) {
    return !a.title.empty() || !a.story.empty() || !a.photos_of.empty() || !a.made.empty() ||
           !a.album.empty() || !a.place.empty() || !a.next_time.empty() || !a.licence.empty() ||
           !a.tags.empty() || a.no_tags;
}

void type_notes(const KeepArgs& a, PageNotes& notes) {
    const auto set = [](const std::string& typed, std::string& note) {
        if (!typed.empty()) note = typed;
    };
    set(a.story, notes.story);
    set(a.photos_of, notes.photos_of);
    set(a.made, notes.made);
    set(a.album, notes.album);
    set(a.place, notes.place);
    set(a.next_time, notes.next_time);
    set(a.licence, notes.licence);
    if (a.no_tags) notes.tags.clear();
    for (const std::string& tag : a.tags)
        if (notes.tags.size() < most_tags &&
            std::find(notes.tags.begin(), notes.tags.end(), tag) == notes.tags.end())
            notes.tags.push_back(tag);
}

int say_sheets(const Project& page) {
    const Stash& stash = stash_at_hand(page);
    const std::vector<MappedSheet> sheets = sheet_map(page.keep);
    if (sheets.empty()) return complain("nothing has been taken for this page yet");
    for (const MappedSheet& sheet : sheets) {
        const int paper = stash.find(sheet.paper);
        std::cout << (paper < 0 ? sheet.paper : stash.papers[static_cast<std::size_t>(paper)].name) << ", "
                  << format_area(area(sheet.outline), page.units) << ": ";
        std::vector<std::string> parts;
        if (!sheet.patches.empty()) parts.push_back(count_of(sheet.patches.size(), "patch", "patches"));
        for (const TakenPiece& piece : sheet.pieces) parts.push_back(piece.what);
        std::cout << in_a_row(parts) << "; ";
        double back = 0;
        for (const SheetStock& scrap : sheet.back) back += area(scrap.outline);
        std::cout << (sheet.back.empty() ? "nothing went back"
                                         : format_area(back, page.units) + " went back in " +
                                               count_of(sheet.back.size(), "scrap", "scraps"))
                  << "\n";
    }
    return done;
}

bool asks_for_shelf(const KeepArgs& a) {
    return a.project.empty() || !a.record.empty() || !a.again.empty();
}

int run_shelf(const KeepArgs& a) {
    const auto by =
        a.shelf.empty() ? Result<ShelfBy>(ShelfBy::Month) : typed_word<ShelfBy>("--shelf", a.shelf);
    if (!by) return complain(by.error().message);
    if (!a.restore.empty()) return restore_everything(a.restore);
    auto shelf = open_shelf(a);
    if (!shelf) return complain(shelf.error().message);
    if (!a.again.empty()) return begin_again(*shelf, a);
    const bool changes = types_notes(a) || !a.photo.empty() || a.forget;
    if (changes) {
        if (a.record.empty()) return complain(which_page);
        if (auto r = change_record(*shelf, a); !r) return complain(r.error().message);
        if (a.forget) return done;
        shelf->pages.clear();
        for (std::size_t i = 0; i < shelf->stash.records.size(); ++i)
            if (shelf->stash.records[i].id == a.record) shelf->pages = {static_cast<int>(i)};
    }
    if (!a.backup.empty())
        if (auto r = write_backup(shelf->store, own_numbers_path(), QString::fromStdString(a.backup)); !r)
            return complain(r.error().message);
    if (auto r = write_out(*shelf, a); !r) return complain(r.error().message);
    if (a.json) {
        const auto answers = answers_json(*shelf, a, *by);
        if (!answers) return complain(answers.error().message);
        std::cout << answers->dump(1) << "\n";
    } else if (only_writes(a)) {
        say_written(*shelf, a);
    } else if (a.where) {
        say_where(*shelf);
    } else if (a.sheets) {
        const auto page = page_asked_for(*shelf, a);
        return page ? say_sheets(*page) : complain(page.error().message);
    } else if (a.look_back) {
        say_look_back(*shelf);
    } else if (a.pace) {
        for (const OwnPace& p : own_pace(shelf->stash.records)) std::cout << own_pace_in_words(p) << "\n";
    } else {
        say_shelf(*shelf, a, *by);
    }
    return done;
}

} // namespace zesty::cli
