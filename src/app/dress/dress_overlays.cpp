#include "app/dress/dress_overlays.h"

#include "app/bench/theme.h"
#include "core/dress/layers.h"
#include "core/dress/title_path.h"
#include "core/dress/writing.h"
#include "core/project/findings.h"
#include "core/sections/hidden.h"
#include "core/setout/photo_mats.h"
#include "io/paint/textures.h"
#include "io/paint/writing_painter.h"

namespace zesty {

namespace {

QPen dress_pen(const QColor& colour, double width, Qt::PenStyle style) {
    QPen out(colour, width, style);
    out.setCosmetic(true);
    return out;
}

void paint_rim(QPainter& painter, const Polygon& outline) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(dress_pen(theme::zest, 1.6, Qt::DashLine));
    painter.drawPath(to_path(outline));
}

void paint_rooms_for_words(QPainter& painter, const Project& project, const Plan& plan, int chosen) {
    for (std::size_t i = 0; i < plan.dress.writings.size() && i < project.dress.writings.size(); ++i) {
        const Polygon outline = outline_of(plan.dress.placed[i]);
        painter.setPen(dress_pen(theme::quiet, 0.8, Qt::DotLine));
        if (!outline.outer.empty()) paint_writing_lines(painter, plan.dress.writings[i]);
        painter.setPen(
            dress_pen(static_cast<int>(i) == chosen ? theme::zest : theme::quiet, 1.2, Qt::DashLine));
        painter.setBrush(Qt::NoBrush);
        painter.drawPath(to_path(outline));
    }
}

void paint_coverage(QPainter& painter, const Plan& plan) {
    constexpr double ring = 4; // mm
    for (const CoveredOpening& c : plan.dress.coverage.openings) {
        const Polygon outline =
            transformed(plan.sections.cut->openings[static_cast<std::size_t>(c.opening)].outline,
                        plan.set_out.whole.to_page);
        painter.setBrush(c.hidden >= hidden_share ? QColor(107, 102, 112, 40) : QColor(0, 0, 0, 0));
        painter.setPen(dress_pen(c.sliver ? theme::berry : theme::quiet, c.sliver ? 1.8 : 1,
                                 c.sliver ? Qt::SolidLine : Qt::DotLine));
        painter.drawPath(to_path(outline));
        if (!c.sliver) continue;
        painter.setBrush(Qt::NoBrush);
        painter.setPen(dress_pen(theme::berry, 2, Qt::SolidLine));
        painter.drawEllipse(QPointF(c.at.x, c.at.y), ring, ring);
    }
}

void paint_balance(QPainter& painter, const BalanceFacts& balance) {
    painter.setBrush(Qt::NoBrush);
    painter.setPen(dress_pen(theme::zest, 1.4, Qt::DashLine));
    QPolygonF triangle;
    for (const Point p : balance.triangle) triangle << QPointF(p.x, p.y);
    painter.drawPolygon(triangle);
    painter.setPen(dress_pen(theme::quiet, 1.4, Qt::DotLine));
    if (balance.emptiest_radius > 0)
        painter.drawEllipse(QPointF(balance.emptiest.x, balance.emptiest.y), balance.emptiest_radius,
                            balance.emptiest_radius);
}

void paint_title_way(QPainter& painter, const DressNow& now, const TitlePath& path) {
    constexpr int points = 160;
    const auto way = way_of(now, path);
    if (!way) return;
    QPolygonF line;
    for (int i = 0; i <= points; ++i) {
        const Point p = way->place(way->length() * i / points).at;
        line << QPointF(p.x, p.y);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(dress_pen(theme::zest, 1.4, Qt::DashLine));
    painter.drawPolyline(line);
}

} // namespace

void paint_dress_overlays(QPainter& painter, const PageMap& map, const Project& project, const Plan& plan,
                          const DressInHand& in_hand) {
    painter.save();
    painter.translate(map.origin);
    painter.scale(map.scale, map.scale);
    if (in_hand.coverage && plan.sections.cut) paint_coverage(painter, plan);
    if (in_hand.balance) paint_balance(painter, plan.dress.balance);
    paint_rooms_for_words(painter, project, plan, in_hand.writing);
    if (in_hand.photo >= 0 && in_hand.photo < static_cast<int>(project.set_out.photos.size()))
        paint_rim(painter, matted_outline(project.set_out.photos[static_cast<std::size_t>(in_hand.photo)]));
    if (in_hand.wet >= 0 && in_hand.wet < static_cast<int>(plan.dress.wet.size()))
        for (const Polygon& p : plan.dress.wet[static_cast<std::size_t>(in_hand.wet)].wet)
            paint_rim(painter, p);
    const auto& things = plan.dress.embellishments;
    if (in_hand.embellishment >= 0 && in_hand.embellishment < static_cast<int>(things.size()) &&
        things[static_cast<std::size_t>(in_hand.embellishment)].known)
        paint_rim(painter, things[static_cast<std::size_t>(in_hand.embellishment)].outline);
    if (in_hand.title >= 0 && in_hand.title < static_cast<int>(project.dress.titles.size()))
        paint_title_way(painter, dress_now(project, plan),
                        project.dress.titles[static_cast<std::size_t>(in_hand.title)].path);
    if (in_hand.layer >= 0 && in_hand.layer < static_cast<int>(project.dress.layers.size()))
        paint_rim(painter, outline_of(project.dress.layers[static_cast<std::size_t>(in_hand.layer)],
                                      project.set_out.page));
    painter.restore();
}

} // namespace zesty
