#pragma once
// Dress in the window: the page as it will be, and the words on it.

#include "app/bench/panel_part.h"
#include "app/bench/waypoint_view.h"
#include "app/dress/look_part.h"
#include "app/dress/words_part.h"

namespace zesty {

class DressWaypoint final : public WaypointView {
    Q_OBJECT
public:
    DressWaypoint(const BenchParts& bench, QWidget* side, QObject* parent);

    QString name() const override { return "Dress"; }
    QString answer(const Project& project, const Plan& plan) const override;
    QWidget* panel() const override { return panel_; }
    void paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                       const Plan& plan) const override;
    bool shows_selection() const override { return false; }
    QString hint() const override { return "Drag journaling to where you want it; the arrow keys push it."; }
    Seen seen() const override { return look_->seen(); }
    std::unique_ptr<PageDrag> press(const PageHands& hands, const PagePress& press) const override;
    bool push(const PageHands& hands, Point way, bool more) const override;

private:
    PanelOfParts* panel_;
    WordsPart* words_;
    LookPart* look_;
};

} // namespace zesty
