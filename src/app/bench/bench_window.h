#pragma once
// The one window. It only assembles parts that build themselves and carries their wishes to the document and
// the worker.

#include "app/bench/actions.h"
#include "app/bench/autosaver.h"
#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/settings.h"
#include "app/bench/worker.h"

#include <QMainWindow>

class QLabel;
class QStackedWidget;
class QTimer;
class QToolButton;

namespace zesty {

class Drawer;
class KeysSheet;
class NoticeBar;
class PageView;
class PapersPanel;
class ProposalsView;
class RouteBar;
class SecondLook;
class SectionsPanel;
class SetOutPanel;
class SheetsPanel;
class SheetsView;

/// Asks the user for files; a test answers itself.
struct FileQuestions {
    std::function<QString(QWidget*, const QString& folder)> open_cut;
    std::function<QString(QWidget*, const QString& folder)> open_stash;
    std::function<QString(QWidget*, const QString& suggestion)> save;
    std::function<QString(QWidget*, const QString& folder)> export_folder;
    std::function<QString(QWidget*, const QString& folder)> open_picture;
    /// True to go on although the project has unsaved changes.
    std::function<bool(QWidget*)> discard;
    static FileQuestions dialogs();
};

class BenchWindow : public QMainWindow {
    Q_OBJECT
public:
    BenchWindow(Settings& settings, FileQuestions questions, QWidget* parent = nullptr);
    ~BenchWindow() override;

    /// A drawing, a project or a stash, told apart by its ending.
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
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    QWidget* build_head();
    QWidget* build_side();
    void connect_actions();
    void connect_set_out_actions();
    void connect_section_actions();
    void copy(bool facing);
    void shift_in_pile(int by);
    void connect_worker();
    void connect_files();
    void offer_left_work();
    void take_up_left_work(const LeftWork& left);
    void look_at_file();
    void say_changed_outside(const FileStamp& now);
    void save_over_theirs();
    void open_theirs();
    QString name_beside(const QString& whose) const;
    /// Asks in the side bench, where the file of a new cut leaves its size open.
    void ask_size_of(const DrawingFile& file, int cut_id);
    void replan();
    /// Proposals on show follow the aims: they are worked out anew when somebody has let go of them.
    void follow_aims();
    void show_waypoint();
    void show_middle();
    void refresh_head();
    void refresh_actions();
    void say(const QString& message, bool trouble);
    void save(bool ask);
    void give(const QString& paper_id, Side side, std::vector<int> openings);
    void connect_papers();
    void connect_paper_actions();
    void take_for_selection();
    void reserve_for_others();
    void reserve_papers(const Project& project, const QString& path);
    void pin_selection(bool on);
    void treat(Treatment treatment);
    void apply(const Fix& fix);
    void go_to(const Finding& finding);
    std::vector<int> selection() const;
    std::vector<Spot> selected_spots() const;
    std::vector<Spot> sections_with(const std::vector<int>& openings) const;

    Settings& settings_;
    FileQuestions questions_;
    Document document_;
    BenchState state_;
    Worker worker_;
    Actions actions_;
    Autosaver autosaver_;
    quint64 wanted_plan_ = 0;
    QTimer* aims_timer_ = nullptr;
    Project planned_; ///< what was decided when the last plan was asked for
    bool fit_next_ = true;

    QLabel* title_ = nullptr;
    QLabel* message_ = nullptr;
    QTimer* message_timer_ = nullptr;
    QToolButton* recent_ = nullptr;
    RouteBar* route_ = nullptr;
    QStackedWidget* middle_ = nullptr;
    PageView* page_ = nullptr;
    SheetsView* sheets_ = nullptr;
    ProposalsView* proposals_ = nullptr;
    Drawer* drawer_ = nullptr;
    std::vector<QWidget*> panels_; ///< by waypoint
    SetOutPanel* set_out_panel_ = nullptr;
    SectionsPanel* sections_panel_ = nullptr;
    PapersPanel* papers_panel_ = nullptr;
    SheetsPanel* sheets_panel_ = nullptr;
    SecondLook* second_look_ = nullptr;
    KeysSheet* keys_ = nullptr;
    NoticeBar* notices_ = nullptr;
};

} // namespace zesty
