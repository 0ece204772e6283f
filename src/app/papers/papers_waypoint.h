#pragma once
// Papers in the window: which paper where, by hand and by proposals.

#include "app/bench/waypoint_view.h"
#include "app/bench/wording.h"
#include "core/project/planner.h"

#include <QTimer>

namespace zesty {

class PapersPanel;
class FussyCutView;
class ProposalsView;

class PapersWaypoint final : public WaypointView {
    Q_OBJECT
public:
    PapersWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Papers"; }
    QString answer(const Project&, const Plan& plan) const override { return papers_answer(plan); }
    bool in_trouble(const Plan& plan) const override { return papers_in_trouble(plan); }
    QWidget* panel() const override;
    QWidget* middle() const override;
    bool middle_up_to_date() const override;
    void paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                       const Plan& plan) const override;
    QString hint() const override;
    std::unique_ptr<PageDrag> press(const PageHands& hands, const PagePress& press) const override;
    Qt::CursorShape cursor_at(const PageHands& hands, QPointF at) const override;
    bool push(const PageHands& hands, Point way, bool more) const override;

    /// Gives the sections of openings a paper by hand; an empty id takes theirs away.
    void give(const QString& paper_id, Side side, const std::vector<int>& openings);
    /// Proposals on show follow the aims: they are worked out anew when somebody has let go of them.
    void follow_aims();
    bool waits_for_aims() const { return aims_timer_.isActive(); }

private:
    void make() override;
    void connect_actions();
    void connect_panel();
    void connect_proposals();
    void propose();
    void propose_with(const MoodWish& wish);
    void show_proposals(const std::vector<OfferedPage>& pages);
    void turn_picked();
    void take_for_selection();

    PapersPanel* panel_ = nullptr;
    ProposalsView* proposals_ = nullptr;
    FussyCutView* fussy_cuts_ = nullptr;
    QTimer aims_timer_;
    Project planned_; ///< what was decided when the last plan was asked for
};

} // namespace zesty
