#pragma once
// Build in the window: one step at a time, the machine, lists, and the time it all takes.

#include "app/bench/waypoint_view.h"

class QStackedWidget;

namespace zesty {

class BuildDesk;
class MachineDesk;
class BuildPanel;
class StepView;

class BuildWaypoint final : public WaypointView {
    Q_OBJECT
public:
    BuildWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Build"; }
    QString answer(const Project& project, const Plan& plan) const override;
    bool in_trouble(const Plan&) const override { return false; }
    QWidget* panel() const override;
    QWidget* middle() const override;
    bool middle_up_to_date() const override;
    bool shows_drawer() const override { return false; }
    bool alone() const override { return alone_; }
    void leave_alone() override;
    void be_shown(bool shown) override;

private:
    void make() override;
    void connect_actions();
    void be_alone(bool alone);

    BuildDesk* desk_;
    MachineDesk* machine_;
    BuildPanel* panel_ = nullptr;
    QWidget* steps_ = nullptr; ///< the step with the tape below it
    StepView* step_ = nullptr;
    QStackedWidget* middle_ = nullptr;
    bool alone_ = false;
};

} // namespace zesty
