#pragma once
// The second pair of hands: files and planning, off the window's thread.
//
// The window posts a value snapshot of the project and hears back on its own thread. Of plans only the newest
// asked for counts: an older one still under way is told to stop. A result for a project that has moved on is
// dropped by its number. The last good answer stays until the next one is complete.

#include "core/project/planner.h"
#include "io/drawing_import.h"
#include "io/file_stamp.h"
#include "io/guide/guide_pdf.h"
#include "io/paint/textures.h"
#include "io/reserved.h"

#include <QObject>
#include <QThread>
#include <atomic>
#include <functional>
#include <memory>

namespace zesty {

struct PlanReady {
    std::shared_ptr<const Plan> plan;
    std::shared_ptr<const Textures> textures;
    quint64 number = 0;    ///< of the request
    bool complete = false; ///< false for a first look without sheets
};

class Worker : public QObject {
    Q_OBJECT
public:
    explicit Worker(std::shared_ptr<NestMemory> memory, QObject* parent = nullptr);
    ~Worker() override;

    /// Plans the project; returns the number of the request. With `first_look`, what can be said without
    /// sheets is reported at once: for sizes that follow the hand.
    quint64 plan(const Project& project, bool first_look);
    /// Proposes papers in several clearly different ways; a proposal under way is stopped first.
    void propose(const Project& project, const MoodWish& wish = {});
    void stop_proposing();
    bool proposing() const { return proposing_ > 0; }

    void open(const QString& path); ///< drawing or project, by its ending
    /// A drawing that joins the others; `square` is the side of the square beside a scanned cut, 0 for none.
    void open_to_add(const QString& path, double square = 0);
    /// `known`: what the file was like when it was opened or saved last; nothing for a new name.
    void save(const Project& project, const QString& path, std::optional<FileStamp> known);
    /// Says file_looked_at.
    void look_at_file(const QString& path);
    /// What other pages have reserved of the papers of a stash; nothing where there is no such file.
    void look_up_reserved(const QString& stash, const QString& page);
    /// This page reserves what it takes, by the ids the stash has.
    void reserve(const QString& stash, const QString& page, std::vector<ReservedPiece> pieces);
    /// A paper from its picture, to join the others; or the picture of a side of one.
    void read_paper_picture(const QString& path, bool crop);
    void read_photo_picture(const QString& path);
    /// The outline of a scrap scanned beside a square of 1 in.
    void measure_scrap(const QString& path);
    void export_to(const Project& project, std::shared_ptr<const Plan> plan, PrinterPaper paper,
                   const QString& folder, const Chapters& chapters);
    /// Runs `job` on the other thread and what it returns on the window's, unless `asker` is gone by then.
    /// The planner is for such questions alone: it remembers drawings, and leaves the caches of plans as they
    /// are.
    void think(QObject* asker, std::function<std::function<void()>(Planner&)> job);
    /// A question about the page as it is: it is told to stop when the next plan is asked for, and then
    /// `missed` runs on the window's thread in place of the answer.
    void think_of_page(QObject* asker, std::function<std::function<void()>(Planner&, const StopToken&)> job,
                       std::function<void()> missed);
    bool idle() const { return jobs_ == 0; }

signals:
    void plan_ready(const zesty::PlanReady& ready);
    void plan_failed(const QString& message);
    void progress(double fraction, const QString& what);
    void proposed(const std::vector<zesty::OfferedPage>& pages);
    void proposal_stopped();
    void opened_drawing(std::shared_ptr<const zesty::DrawingFile> file, const QString& path);
    void opened_to_add(std::shared_ptr<const zesty::DrawingFile> file, const QString& path);
    /// The one that was opened came from a bundle that holds others, too.
    void bundle_read(const QString& path, const std::vector<zesty::BundleDrawing>& drawings);
    void opened_project(const zesty::Project& project, const QString& path, const zesty::FileStamp& stamp);
    void file_looked_at(const QString& path, const zesty::FileStamp& now);
    void saved(const zesty::Project& project, const QString& path, const zesty::FileStamp& stamp);
    /// Not saved, as somebody else has changed or removed the file.
    void changed_outside(const QString& path, const QString& message);
    void paper_picture_read(std::shared_ptr<const zesty::Stash> paper);
    void photo_picture_read(const zesty::Shared<zesty::BroughtPicture>& picture);
    void scrap_measured(const zesty::Polygon& outline);
    void reserved(const zesty::Reserved& by_others);
    void exported(const QStringList& files);
    void failed(const QString& message);

private:
    void post(std::function<void()> job);
    void report(std::function<void()> on_window_thread);
    void report_failure(const Error& error);
    /// After the drawing itself was reported.
    void report_bundle(const QString& path, std::vector<BundleDrawing> drawings);
    std::shared_ptr<const Textures> textures_for(const Project& project);
    void look_ahead(const Project& project);
    void run_plan(const Project& project, quint64 number, bool first_look);
    void run_proposal(const Project& project, quint64 number, const MoodWish& wish);

    QThread thread_;
    QObject hands_; ///< lives on the thread
    std::atomic<quint64> newest_plan_{0};
    std::atomic<quint64> newest_proposal_{0};
    int proposing_ = 0; ///< window thread only
    std::atomic<int> jobs_{0};
    // Worker thread only:
    Planner planner_;
    Planner questions_;
    std::shared_ptr<const Textures> textures_;
};

} // namespace zesty
