#pragma once
// What each waypoint draws on top of the page. Pixels; text is drawn at screen size whatever the zoom.

#include "app/bench/bench_state.h"
#include "app/page/page_map.h"

#include <QPainter>

namespace zesty {

void paint_rulers(QPainter& painter, const QRectF& view, const PageMap& map, const Project& project,
                  int thickness);
void paint_set_out(QPainter& painter, const PageMap& map, const Project& project, const Plan& plan, int cut);
/// Sizes on the photos; the one in hand has a rim.
void paint_photo_sizes(QPainter& painter, const PageMap& map, const Project& project, int in_hand);
void paint_measured(QPainter& painter, const PageMap& map, const Project& project,
                    const std::pair<Point, Point>& between);
/// What divisions go about.
/// Dashed, those that have a place.
void paint_rooms(QPainter& painter, const PageMap& map, const Project& project);
void paint_middle(QPainter& painter, QPointF at);
void paint_sections(QPainter& painter, const PageMap& map, const Plan& plan);
void paint_papers(QPainter& painter, const PageMap& map, const Plan& plan);
/// Rims of the selected openings and of the one under the pointer.
void paint_selection(QPainter& painter, const PageMap& map, const Plan& plan, const BenchState& state);

/// A number on a light pill, as large as the opening allows down to 10 px.
void paint_number(QPainter& painter, QPointF at, const QString& text, double room_px, bool strong);

} // namespace zesty
