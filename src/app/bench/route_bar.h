#pragma once
// The way through the work, drawn as a measuring tape. Each waypoint carries its own answer.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"

#include <QAbstractButton>
#include <QWidget>

namespace zesty {

class WaypointView;

class RouteBar : public QWidget {
    Q_OBJECT
public:
    RouteBar(Document& document, BenchState& state, const std::vector<WaypointView*>& stops,
             QWidget* parent = nullptr);

    QString answer(Waypoint waypoint) const;
    void refresh();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Document& document_;
    BenchState& state_;
    std::vector<WaypointView*> waypoints_;
    std::vector<QAbstractButton*> stops_;
};

} // namespace zesty
