#pragma once
// Keep in the window: the shelf of finished pages, the record of each, and what finishing this one takes.

#include "app/bench/waypoint_view.h"

namespace zesty {

class KeepDesk;
class KeepPanel;
class ShelfView;

class KeepWaypoint final : public WaypointView {
    Q_OBJECT
public:
    KeepWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Keep"; }
    QString answer(const Project& project, const Plan& plan) const override;
    QWidget* panel() const override;
    QWidget* middle() const override;
    bool middle_up_to_date() const override;
    bool shows_drawer() const override { return false; }
    void be_shown(bool shown) override;

signals:
    /// A page begun from an earlier one.
    void page_begun(const zesty::Project& page);

private:
    void make() override;
    void connect_actions();

    KeepDesk* desk_;
    KeepPanel* panel_ = nullptr;
    ShelfView* shelf_ = nullptr;
};

} // namespace zesty
