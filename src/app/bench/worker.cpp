#include "app/bench/worker.h"

#include "app/bench/tried_out.h"
#include "io/drawing_import.h"
#include "io/guide/export_all.h"
#include "io/picture.h"
#include "io/project_file.h"
#include "io/read_file.h"
#include "io/stash_json.h"
#include "io/stash_store.h"
#include "io/trace/offcut.h"

#include <QDir>
#include <QFileInfo>
#include <QMetaObject>
#include <QPointer>
#include <new>
#include <set>
#include <sys/resource.h>
#include <unistd.h>

namespace zesty {

namespace {

constexpr int proposals_made = 3;
constexpr double pixels_per_mm_of_a_window = 3;

struct ToCut {
    Shared<DrawingFile> file;
    std::vector<BundleDrawing> bundle = {}; ///< all that it comes with, itself first; empty for a file alone
};

/// A drawing that cannot be cut is refused here, not after it has taken a place on the bench.
Result<ToCut> drawing_to_cut(const QString& path, double square = 0) {
    const auto data = read_file(path);
    if (!data) return tl::make_unexpected(data.error());
    if (const auto tried = tried_out(path, TriedAs::Cut, square); !tried)
        return tl::make_unexpected(tried.error());
    const auto refused = [&](const Error& e) { return fail(e.kind, path.toStdString() + ": " + e.message); };
    auto bundle = drawings_of_bundle(*data, {square});
    if (!bundle) return refused(bundle.error());
    if (!bundle->empty()) {
        auto best = bundle->front().file;
        return ToCut{std::move(best), std::move(*bundle)};
    }
    auto file = import_drawing(*data, QFileInfo(path).fileName().toStdString(), {square});
    if (!file) return refused(file.error());
    if (const auto cut = read_cut((*file)->drawing); !cut) return refused(cut.error());
    return ToCut{std::move(*file)};
}

} // namespace

Worker::Worker(std::shared_ptr<NestMemory> memory, QObject* parent)
    : QObject(parent), planner_(memory), questions_(memory) {
    hands_.moveToThread(&thread_);
    thread_.setObjectName("planner");
    thread_.start();
    // On Linux a thread has a nice value of its own: the window comes first where cores are few.
    QMetaObject::invokeMethod(&hands_, [] { setpriority(PRIO_PROCESS, static_cast<id_t>(gettid()), 5); });
}

Worker::~Worker() {
    ++newest_plan_;
    ++newest_proposal_;
    thread_.quit();
    thread_.wait();
}

void Worker::post(std::function<void()> job) {
    ++jobs_;
    QMetaObject::invokeMethod(
        &hands_,
        [this, job = std::move(job)] {
            try {
                job();
            } catch (const std::bad_alloc&) {
                report_failure(
                    {ErrorKind::TooLarge, "this takes more memory than there is; nothing is changed"});
            }
            // The count falls on the window's thread, after everything the job has reported.
            report([this] { --jobs_; });
        },
        Qt::QueuedConnection);
}

void Worker::think(QObject* asker, std::function<std::function<void()>(Planner&)> job) {
    post([this, asker = QPointer<QObject>(asker), job = std::move(job)] {
        report([asker, answer = job(questions_)] {
            if (asker) answer();
        });
    });
}

void Worker::think_of_page(QObject* asker,
                           std::function<std::function<void()>(Planner&, const StopToken&)> job,
                           std::function<void()> missed) {
    think(asker,
          [this, of = newest_plan_.load(), job = std::move(job),
           missed = std::move(missed)](Planner& planner) -> std::function<void()> {
              const StopToken edited = [this, of] { return newest_plan_ != of; };
              std::function<void()> answer = edited() ? missed : job(planner, edited);
              return edited() ? missed : answer;
          });
}

void Worker::report(std::function<void()> on_window_thread) {
    QMetaObject::invokeMethod(this, std::move(on_window_thread), Qt::QueuedConnection);
}

void Worker::report_failure(const Error& error) {
    report([this, message = QString::fromStdString(error.message)] { emit failed(message); });
}

std::shared_ptr<const Textures> Worker::textures_for(const Project& project) {
    if (!textures_ || !textures_->made_of(project))
        textures_ = std::make_shared<const Textures>(project, textures_.get());
    return textures_;
}

namespace {

/// Whoever opens a page waits for its pictures: they are decoded here as well as where it is painted, from
/// the other end, before anything is laid on sheets.
void decode_for(const Plan& plan, const Textures& textures, const StopToken& stop) {
    const auto& papers = plan.papers.of_section;
    std::set<int> seen;
    for (auto paper = papers.rbegin(); paper != papers.rend() && !stop(); ++paper)
        if (*paper >= 0 && seen.insert(*paper).second) textures.brush(*paper, {}, pixels_per_mm_of_a_window);
}

} // namespace

quint64 Worker::plan(const Project& project, bool first_look) {
    const quint64 number = ++newest_plan_;
    post([this, project, number, first_look] { run_plan(project, number, first_look); });
    return number;
}

void Worker::run_plan(const Project& project, quint64 number, bool first_look) {
    const StopToken stop = [this, number] { return newest_plan_ != number; };
    if (stop()) return;
    const auto textures = textures_for(project);
    if (first_look) {
        // A failure is told by the whole plan below.
        if (auto shapes = planner_.shapes(project)) {
            auto first = std::make_shared<const Plan>(std::move(*shapes));
            report([this, first, textures, number] { emit plan_ready({first, textures, number, false}); });
            decode_for(*first, *textures, stop);
        }
    }
    auto whole = planner_.plan(project, stop);
    if (!whole) {
        if (whole.error().kind == ErrorKind::Stopped) return;
        report(
            [this, message = QString::fromStdString(whole.error().message)] { emit plan_failed(message); });
        return;
    }
    auto plan = std::make_shared<const Plan>(std::move(*whole));
    report([this, plan, textures, number] { emit plan_ready({plan, textures, number, true}); });
}

void Worker::propose(const Project& project, const MoodWish& wish) {
    const quint64 number = ++newest_proposal_;
    ++proposing_;
    post([this, project, number, wish] { run_proposal(project, number, wish); });
}

void Worker::stop_proposing() {
    ++newest_proposal_;
}

void Worker::run_proposal(const Project& project, quint64 number, const MoodWish& wish) {
    const StopToken stop = [this, number] { return newest_proposal_ != number; };
    const Progress tell = [this](double f, const char* what) {
        report([this, f, what = QString::fromLatin1(what)] { emit progress(f, what); });
    };
    const auto finish = [this](std::function<void()> then) {
        report([this, then = std::move(then)] {
            --proposing_;
            then();
        });
    };
    auto pages = planner_.proposals(project, false, proposals_made, stop, tell, wish);
    if (stop()) {
        finish([this] { emit proposal_stopped(); });
        return;
    }
    if (!pages) {
        finish([this, message = QString::fromStdString(pages.error().message)] {
            emit proposal_stopped();
            emit failed(message);
        });
        return;
    }
    finish([this, made = std::move(*pages)] { emit proposed(made); });
}

/// The next thing asked will be its plan: it is begun while the window may still be busy with being shown.
void Worker::look_ahead(const Project& project) {
    textures_for(project);
    static_cast<void>(planner_.shapes(project));
}

void Worker::open(const QString& path) {
    post([this, path] {
        if (QFileInfo(path).suffix().toLower() == "zesty") {
            const auto opened = read_as(path, TriedAs::Page, [&] { return open_project_stamped(path); });
            if (opened) {
                report([this, o = *opened, path] { emit opened_project(o.project, path, o.stamp); });
                look_ahead(opened->project);
            } else {
                report_failure(opened.error());
            }
            return;
        }
        if (auto read = drawing_to_cut(path)) {
            report([this, f = read->file.pointer(), path] { emit opened_drawing(f, path); });
            report_bundle(path, std::move(read->bundle));
        } else {
            report_failure(read.error());
        }
    });
}

void Worker::report_bundle(const QString& path, std::vector<BundleDrawing> drawings) {
    if (drawings.size() > 1) report([this, path, all = std::move(drawings)] { emit bundle_read(path, all); });
}

void Worker::open_to_add(const QString& path, double square) {
    post([this, path, square] {
        if (auto read = drawing_to_cut(path, square)) {
            report([this, f = read->file.pointer(), path] { emit opened_to_add(f, path); });
            report_bundle(path, std::move(read->bundle));
        } else {
            report_failure(read.error());
        }
    });
}

void Worker::save(const Project& project, const QString& path, std::optional<FileStamp> known) {
    post([this, project, path, known] {
        const auto stamp = save_project_over(project, path, known ? *known : stamp_of(path));
        if (stamp)
            report([this, project, path, s = *stamp] { emit saved(project, path, s); });
        else if (stamp.error().kind == ErrorKind::ChangedOutside)
            report([this, path, m = QString::fromStdString(stamp.error().message)] {
                emit changed_outside(path, m);
            });
        else
            report_failure(stamp.error());
    });
}

void Worker::look_at_file(const QString& path) {
    post([this, path] { report([this, path, now = stamp_of(path)] { emit file_looked_at(path, now); }); });
}

void Worker::look_up_reserved(const QString& stash, const QString& page) {
    post([this, stash, page] {
        Reserved found;
        if (QFileInfo::exists(stash)) {
            const auto store = StashStore::open(stash);
            const auto all = store ? store->reserved_by_others(page_key(page))
                                   : Result<Reserved>(tl::make_unexpected(store.error()));
            if (!all) {
                report_failure(all.error());
                return;
            }
            found = *all;
        }
        report([this, found] { emit reserved(found); });
    });
}

void Worker::reserve(const QString& stash, const QString& page, std::vector<ReservedPiece> pieces) {
    post([this, stash, page, pieces = std::move(pieces)] {
        if (!QFileInfo::exists(stash)) return;
        auto store = StashStore::open(stash);
        const auto done =
            store ? store->reserve(page_key(page), pieces) : Result<void>(tl::make_unexpected(store.error()));
        if (!done) report_failure(done.error());
    });
}

void Worker::read_paper_picture(const QString& path, bool crop) {
    post([this, path, crop] {
        auto paper = read_as(path, TriedAs::Picture, [&] { return paper_from_picture(path, crop); });
        if (paper)
            report(
                [this, s = std::make_shared<const Stash>(std::move(*paper))] { emit paper_picture_read(s); });
        else
            report_failure(paper.error());
    });
}

void Worker::read_photo_picture(const QString& path) {
    post([this, path] {
        const auto picture = read_as(path, TriedAs::Picture, [&] { return brought_from(path); });
        if (picture)
            report([this, p = *picture] { emit photo_picture_read(p); });
        else
            report_failure(picture.error());
    });
}

void Worker::measure_scrap(const QString& path) {
    post([this, path] {
        const auto bytes = read_as(path, TriedAs::Picture, [&] { return read_file(path, 64LL << 20); });
        auto outline = bytes ? measured_offcut(*bytes, mm_per_inch)
                             : Result<Polygon>(tl::make_unexpected(bytes.error()));
        if (outline)
            report([this, o = *outline] { emit scrap_measured(o); });
        else
            report_failure(outline.error());
    });
}

void Worker::export_to(const Project& project, std::shared_ptr<const Plan> plan, PrinterPaper paper,
                       const QString& folder, const Chapters& chapters) {
    post([this, project, plan, paper, folder, chapters] {
        const auto files = export_all(project, *plan, paper, folder, chapters);
        if (!files) {
            report_failure(files.error());
            return;
        }
        QStringList names;
        for (const QString& f : *files) names << f;
        report([this, names] { emit exported(names); });
    });
}

} // namespace zesty
