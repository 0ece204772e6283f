// Opening, saving, what others do to the file meanwhile, and work that a crash left behind.

#include "app/bench/add_paper_line.h"
#include "app/bench/bench_window.h"
#include "app/bench/bring_in.h"
#include "app/bench/drawer.h"
#include "app/bench/living_stash.h"
#include "app/bench/notice_bar.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "app/keep/keep_waypoint.h"
#include "app/setout/set_out_waypoint.h"
#include "app/sheets/sheets_waypoint.h"
#include "core/project/edits.h"
#include "io/own_numbers_file.h"
#include "io/picture.h"
#include "io/project_file.h"
#include "io/recovery.h"

#include <QClipboard>
#include <QCloseEvent>
#include <QDateTime>
#include <QFile>
#include <QFileInfo>
#include <QGuiApplication>
#include <QLocale>

namespace zesty {

namespace {

constexpr char changed_key[] = "changed-outside";

QString in_words(const QDateTime& time) {
    const bool today = time.date() == QDate::currentDate();
    return today ? time.toString("HH:mm") : QLocale(QLocale::English).toString(time, "d MMMM, HH:mm");
}

} // namespace

void BenchWindow::open(const QString& path) {
    settings_.set_last_folder(QFileInfo(path).absolutePath());
    if (BringIn::brings_papers(path)) {
        bring_in_->files({path});
        return;
    }
    const QString suffix = QFileInfo(path).suffix().toLower();
    // A project takes the place of everything, a drawing can be undone.
    if (suffix == "zesty" && document_.changed() && !questions_.discard(this)) return;
    worker_.open(path);
}

void BenchWindow::save(bool ask) {
    QString path = document_.path();
    const bool new_name = ask || path.isEmpty();
    if (new_name) {
        const Project& p = document_.project();
        const QString name = p.title.empty() ? "page" : words(p.title);
        path = questions_.save(this, settings_.last_folder() + "/" + name + ".zesty");
        if (path.isEmpty()) return;
        if (!path.endsWith(".zesty")) path += ".zesty";
    }
    const bool known = !new_name || path == document_.path();
    worker_.save(document_.project(), path, known ? std::optional(document_.stamp()) : std::nullopt);
}

void BenchWindow::take_drawing(const std::shared_ptr<const DrawingFile>& file, const QString& path) {
    fit_next_ = true;
    state_.select({});
    settings_.add_recent(path);
    const bool fresh = document_.project().set_out.cuts.empty();
    document_.change("Open a drawing", [&](Project& p) {
        set_only_cut(p, file);
        if (fresh || p.title.empty()) p.title = QFileInfo(path).completeBaseName().toStdString();
    });
    state_.go_to(Waypoint::SetOut);
    set_out_->ask_size_of(*file, document_.project().set_out.cuts.back().id);
}

void BenchWindow::take_project(const Project& project, const QString& path, const FileStamp& stamp) {
    fit_next_ = true;
    state_.offers().set({});
    state_.select({});
    document_.reset(project, path, stamp);
}

/// A copy without a name: the demo stays as it is.
void BenchWindow::open_demo(const QString& file) {
    if (document_.changed() && !questions_.discard(this)) return;
    worker_.think(this, [this, file](Planner&) -> std::function<void()> {
        auto page = open_project(file);
        if (!page) return [this, m = words(page.error().message)] { say(m + ".", true); };
        return [this, page = std::move(*page)] {
            take_project(page, {}, {});
            say("This is a copy of a demo page. Its papers came with it; nothing you do here changes the "
                "demo.",
                false);
        };
    });
}

void BenchWindow::connect_files() {
    connect(&worker_, &Worker::opened_drawing, this, &BenchWindow::take_drawing);
    connect(static_cast<KeepWaypoint*>(waypoints_[static_cast<std::size_t>(Waypoint::Keep)]),
            &KeepWaypoint::page_begun, this, [this](const Project& page) {
                if (document_.changed() && !questions_.discard(this)) return;
                take_project(page, {}, {});
                state_.go_to(Waypoint::SetOut);
            });
    connect(&worker_, &Worker::opened_project, this,
            [this](const Project& project, const QString& path, const FileStamp& stamp) {
                settings_.add_recent(path);
                notices_->drop(changed_key);
                take_project(project, path, stamp);
            });
    connect(&worker_, &Worker::saved, this,
            [this](const Project& project, const QString& path, const FileStamp& stamp) {
                settings_.add_recent(path);
                notices_->drop(changed_key);
                if (as_kept(project) == as_kept(document_.project())) {
                    document_.saved_as(path, stamp);
                    sheets_->reserve_papers(project, path);
                } else {
                    document_.file_known_as(stamp);
                }
                say("Saved.", false);
            });
    connect(&worker_, &Worker::changed_outside, this, [this](const QString& path, const QString& message) {
        say(message, true);
        worker_.look_at_file(path);
    });
    connect(&worker_, &Worker::file_looked_at, this, [this](const QString& path, const FileStamp& now) {
        if (path == document_.path() && !(now == document_.stamp())) say_changed_outside(now);
    });
    connect(&document_, &Document::refused, this, [this](const QString& why) { say(why, true); });
    connect(living_, &LivingStash::failed, this, [this](const QString& m) { say(m, true); });
    connect(living_, &LivingStash::backed_up, this, [this](const QString& file) {
        say("Stash, records and your numbers are backed up as " + QFileInfo(file).fileName() + ".", false);
    });
    connect(living_, &LivingStash::numbers_restored, this, [this](const OwnNumbers& numbers) {
        if (const auto r = write_own_numbers(numbers, settings_.numbers_file()); !r)
            say(words(r.error().message) + ".", true);
    });
    connect(living_, &LivingStash::changed, this,
            [this] { worker_.look_up_reserved(living_->path(), document_.path()); });
    connect(&autosaver_, &Autosaver::failed, this,
            [this](const QString& m) { say("Unsaved work cannot be kept: " + m, true); });
}

// --- what others do to the file
// -----------------------------------------------------------------------------

void BenchWindow::look_at_file() {
    if (!document_.path().isEmpty()) worker_.look_at_file(document_.path());
}

void BenchWindow::changeEvent(QEvent* event) {
    QMainWindow::changeEvent(event);
    if (event->type() == QEvent::ActivationChange && isActiveWindow()) look_at_file();
}

void BenchWindow::say_changed_outside(const FileStamp& now) {
    const QString name = QFileInfo(document_.path()).fileName();
    if (!now.there) {
        notices_->show_notice(changed_key, name + " is not there any more",
                              "Somebody else has removed or renamed it since it was opened here.", {},
                              {{"Save it again", "Writes this page under its old name",
                                [this] {
                                    document_.file_known_as({});
                                    save(false);
                                }},
                               {"Save under another name", "Asks for the name", [this] { save(true); }}});
        return;
    }
    notices_->show_notice(
        changed_key, name + " was changed by somebody else",
        "The file is not as it was when it was opened here. Both versions are kept, whichever you go on "
        "with.",
        {},
        {{"Go on with mine", "Theirs is kept beside it under another name, then this page is saved",
          [this] { save_over_theirs(); }},
         {"Go on with theirs", "This page is saved beside it under another name, then theirs is opened",
          [this] { open_theirs(); }}});
}

/// A name for the other version that no file has yet.
QString BenchWindow::name_beside(const QString& whose) const {
    const QFileInfo file(document_.path());
    const QString base = file.absolutePath() + "/" + file.completeBaseName() + " (" + whose;
    QString out = base + ").zesty";
    for (int k = 2; QFileInfo::exists(out); ++k) out = base + " " + QString::number(k) + ").zesty";
    return out;
}

void BenchWindow::save_over_theirs() {
    worker_.think(this, [this, path = document_.path(), theirs = name_beside("theirs")](Planner&) {
        const bool kept = QFile::copy(path, theirs);
        const FileStamp stamp = kept ? stamp_of(theirs) : FileStamp{};
        return [this, path, theirs, kept, stamp] {
            if (path != document_.path()) return;
            if (!kept) {
                say(theirs + ": cannot be written, so nothing was saved", true);
                return;
            }
            document_.file_known_as(stamp);
            worker_.save(document_.project(), path, stamp);
            say("The other version is kept as " + QFileInfo(theirs).fileName() + ".", false);
        };
    });
}

void BenchWindow::open_theirs() {
    const QString path = document_.path();
    if (!document_.changed()) {
        worker_.open(path);
        return;
    }
    worker_.think(this, [this, path, project = document_.project(), mine = name_beside("mine")](Planner&) {
        const auto kept = save_project(project, mine);
        return [this, path, project, mine, kept] {
            if (!kept) {
                say(QString::fromStdString(kept.error().message), true);
                return;
            }
            // What was done meanwhile is not in it.
            if (path != document_.path() || !(project == document_.project())) return;
            say("This version is kept as " + QFileInfo(mine).fileName() + ".", false);
            worker_.open(path);
        };
    });
}

// --- work that a crash left behind
// --------------------------------------------------------------------------

void BenchWindow::offer_left_work() {
    const QString folder = settings_.recovery_folder();
    for (const LeftWork& left : left_work(folder)) {
        const QString name = left.title.isEmpty() ? "A page" : left.title;
        notices_->show_notice(left.id, name + " was not saved",
                              "Work from " + in_words(left.kept_at) +
                                  (left.path.isEmpty() ? QString(" that had no file yet")
                                                       : " on " + QFileInfo(left.path).fileName()) +
                                  " was kept when the program ended.",
                              left.page,
                              {{"Open it again", "Opens it; what is in the file stays until you save",
                                [this, left] { take_up_left_work(left); }},
                               {"Discard it", "It cannot be brought back after that",
                                [folder, left] { throw_away_left_work(folder, left.id); }}});
    }
}

void BenchWindow::take_up_left_work(const LeftWork& left) {
    if (document_.changed() && !questions_.discard(this)) {
        offer_left_work();
        return;
    }
    worker_.think(this,
                  [this, left, now = document_.project(),
                   folder = settings_.recovery_folder()](Planner&) -> std::function<void()> {
                      const auto project = open_left_work(folder, left.id);
                      if (!project)
                          return [this, message = QString::fromStdString(project.error().message)] {
                              say(message, true);
                          };
                      // Undo leads back to what the file holds, where there is one.
                      OpenedProject saved;
                      bool has_file = false;
                      if (!left.path.isEmpty() && QFileInfo::exists(left.path)) {
                          has_file = true;
                          if (auto opened = open_project_stamped(left.path))
                              saved = std::move(*opened);
                          else
                              saved.stamp = stamp_of(left.path);
                      }
                      return [this, left, now, folder, project = *project, saved, has_file] {
                          if (!(now == document_.project())) {
                              offer_left_work(); // what was done meanwhile is not thrown away for it
                              return;
                          }
                          take_project(saved.project, has_file ? left.path : QString(), saved.stamp);
                          document_.edit("Open unsaved work", document_.at_hand(project));
                          // Kept where it was until it is kept anew, or saved.
                          const auto throw_away = [folder, id = left.id] {
                              throw_away_left_work(folder, id);
                          };
                          connect(&autosaver_, &Autosaver::kept, this, throw_away, Qt::SingleShotConnection);
                          connect(&worker_, &Worker::saved, this, throw_away, Qt::SingleShotConnection);
                      };
                  });
}

void BenchWindow::closeEvent(QCloseEvent* event) {
    // What cannot be written to the stash is lost with the window: that is asked about, too.
    if (!living_->flush() && !questions_.discard(this)) {
        event->ignore();
        return;
    }
    if (document_.changed() && !questions_.discard(this)) {
        event->ignore();
        return;
    }
    autosaver_.forget();
    settings_.set_window_geometry(saveGeometry());
}

void BenchWindow::connect_stash_actions() {
    const auto on = [this](Act act, auto slot) { connect(actions_[act], &QAction::triggered, this, slot); };
    on(Act::BringIn, [this] {
        const QStringList paths = questions_.open_papers(this, settings_.last_folder());
        if (paths.isEmpty()) return;
        settings_.set_last_folder(QFileInfo(paths.front()).absolutePath());
        bring_in_->files(paths);
    });
    on(Act::PasteList, [this] { bring_in_->list(QGuiApplication::clipboard()->text()); });
    on(Act::WriteOut, [this] {
        const QString path = questions_.save_papers(this, settings_.last_folder() + "/papers.csv");
        if (!path.isEmpty()) bring_in_->write_out(path);
    });
    on(Act::BackUp, [this] {
        const QString path =
            questions_.save_papers(this, settings_.last_folder() + "/everything.zestybackup");
        if (!path.isEmpty()) living_->back_up(path, settings_.numbers_file());
    });
    on(Act::Restore, [this] {
        const QStringList paths = questions_.open_papers(this, settings_.last_folder());
        if (!paths.isEmpty()) living_->restore(paths.front());
    });
    connect(&drawer_->adding(), &AddPaperLine::ask_picture, this, [this] {
        const QString path = questions_.open_picture(this, settings_.last_folder());
        if (path.isEmpty()) return;
        worker_.think(this, [this, path](Planner&) -> std::function<void()> {
            const auto picture = brought_from(path);
            if (!picture)
                return [this, m = QString::fromStdString(picture.error().message)] { say(m, true); };
            return [this, palette = (*picture)->palette] { drawer_->adding().offer_colours(palette); };
        });
    });
    connect(drawer_, &Drawer::dropped, this, [this](const QStringList& paths) { bring_in_->files(paths); });
}

} // namespace zesty
