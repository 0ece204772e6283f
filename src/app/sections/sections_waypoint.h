#pragma once
// Sections in the window: what goes behind which openings.

#include "app/bench/waypoint_view.h"
#include "app/bench/wording.h"

namespace zesty {

class SectionsPanel;

class SectionsWaypoint final : public WaypointView {
    Q_OBJECT
public:
    SectionsWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Sections"; }
    QString answer(const Project&, const Plan& plan) const override { return sections_answer(plan); }
    QWidget* panel() const override;
    void paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                       const Plan& plan) const override;
    std::unique_ptr<PageDrag> press(const PageHands& hands, const PagePress& press) const override;

private:
    void make() override;
    void connect_actions();
    void select_twins();
    void select_rows();
    void treat(Treatment treatment);

    SectionsPanel* panel_ = nullptr;
};

} // namespace zesty
