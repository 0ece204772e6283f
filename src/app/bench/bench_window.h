#pragma once
// The one window. It only assembles parts that build themselves, and looks after files.

#include "app/bench/actions.h"
#include "app/bench/autosaver.h"
#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/file_questions.h"
#include "app/bench/settings.h"
#include "app/bench/waypoint_view.h"
#include "app/bench/worker.h"

#include <QMainWindow>

class QStackedWidget;
class QVBoxLayout;

namespace zesty {

class BringIn;
class Drawer;
class FirstSteps;
class HeadBar;
class KeysSheet;
class LivingStash;
class NoticeBar;
class PageView;
class PapersWaypoint;
class RouteBar;
class SecondLook;
class SetOutWaypoint;
class SheetsWaypoint;

class BenchWindow : public QMainWindow {
    Q_OBJECT
public:
    /// Layings are remembered in `memory`, which windows may share.
    BenchWindow(Settings& settings, FileQuestions questions,
                std::shared_ptr<NestMemory> memory = std::make_shared<NestMemory>(),
                QWidget* parent = nullptr);
    ~BenchWindow() override;

    /// A drawing or a project, or papers for the stash, told apart by its ending.
    void open(const QString& path);

    Document& document() { return document_; }
    BenchState& state() { return state_; }
    Worker& worker() { return worker_; }
    Actions& actions() { return actions_; }
    /// True when no file or planning work is under way and the plan on show is complete and of this project.
    bool settled() const;

protected:
    void closeEvent(QCloseEvent* event) override;
    void changeEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    // How it is put together
    void begin_page();
    void build();
    QWidget* build_side();
    void build_waypoints(QWidget* side);
    void place(const WaypointView& made);
    void make_others();
    void connect_actions();
    void connect_stash_actions();
    void connect_views();
    void connect_worker();
    // What is on show
    WaypointView& waypoint() const { return *waypoints_[static_cast<std::size_t>(state_.waypoint())]; }
    void replan();
    void show_waypoint();
    bool about_the_page() const;
    void show_middle();
    void show_surroundings();
    void refresh();
    bool nothing_yet() const;
    void clear();
    void say(const QString& message, bool trouble);
    void change_letters();
    void go_to(const Finding& finding);
    // Files
    void connect_files();
    void save(bool ask);
    void take_drawing(const std::shared_ptr<const DrawingFile>& file, const QString& path);
    void take_project(const Project& project, const QString& path, const FileStamp& stamp);
    void open_demo(const QString& file);
    void offer_left_work();
    void take_up_left_work(const LeftWork& left);
    void look_at_file();
    void say_changed_outside(const FileStamp& now);
    void save_over_theirs();
    void open_theirs();
    QString name_beside(const QString& whose) const;

    Settings& settings_;
    FileQuestions questions_;
    Document document_;
    BenchState state_;
    Worker worker_;
    Actions actions_;
    Autosaver autosaver_;
    quint64 wanted_plan_ = 0;
    bool fit_next_ = true;

    LivingStash* living_ = nullptr;
    BringIn* bring_in_ = nullptr;
    std::vector<WaypointView*> waypoints_; ///< in the order of Waypoint
    SetOutWaypoint* set_out_ = nullptr;
    PapersWaypoint* papers_ = nullptr;
    SheetsWaypoint* sheets_ = nullptr;
    HeadBar* head_ = nullptr;
    NoticeBar* notices_ = nullptr;
    RouteBar* route_ = nullptr;
    QWidget* side_ = nullptr;
    QWidget* before_panels_ = nullptr; ///< where Tab comes to the panels from
    QVBoxLayout* panels_ = nullptr;    ///< on the side bench, with the second look below them
    QStackedWidget* middle_ = nullptr;
    PageView* page_ = nullptr;
    Drawer* drawer_ = nullptr;
    SecondLook* second_look_ = nullptr;
    KeysSheet* keys_ = nullptr;
    FirstSteps* first_steps_ = nullptr;
};

} // namespace zesty
