#include "app/page/page_overlays.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/sections/photos_behind.h"
#include "core/setout/photos.h"

#include <QPainterPath>
#include <set>

namespace zesty {

namespace {

QPainterPath outline_of(const PageMap& map, const Plan& plan, int opening) {
    const Polygon p = transformed(plan.sections.cut->openings[opening].outline, plan.set_out.whole.to_page);
    return QTransform(map.scale, 0, 0, map.scale, map.origin.x(), map.origin.y()).map(to_path(p));
}

void label(QPainter& painter, QPointF centre, const QString& text, const QColor& ground,
           const QColor& colour) {
    painter.setFont(theme::font(theme::Text::Small));
    const QFontMetricsF metrics(painter.font());
    QRectF box(0, 0, metrics.horizontalAdvance(text) + 12, metrics.height() + 2);
    box.moveCenter(centre);
    painter.setPen(Qt::NoPen);
    painter.setBrush(ground);
    painter.drawRoundedRect(box, 4, 4);
    painter.setPen(colour);
    painter.drawText(box, Qt::AlignCenter, text);
}

void arrow_line(QPainter& painter, QPointF a, QPointF b) {
    painter.drawLine(a, b);
    const QPointF d = b - a;
    const double l = std::hypot(d.x(), d.y());
    if (l < 8) return;
    const QPointF u = d / l;
    const QPointF n(-u.y(), u.x());
    for (const auto& [tip, dir] : {std::pair(a, u), std::pair(b, -u)}) {
        painter.drawLine(tip, tip + dir * 6 + n * 3);
        painter.drawLine(tip, tip + dir * 6 - n * 3);
    }
}

/// A distance with its length beside it; nothing where there is no distance.
void dimension(QPainter& painter, const PageMap& map, Point a, Point b, const QString& text, QPointF aside) {
    painter.setPen(QPen(theme::zest_text, 1.2));
    arrow_line(painter, map(a), map(b));
    label(painter, (map(a) + map(b)) / 2 + aside, text, QColor(255, 254, 251, 235), theme::zest_text);
}

void callipers(QPainter& painter, const PageMap& map, const Plan& plan) {
    if (plan.sections.cut->bars.empty()) return;
    const Bar& bar = plan.sections.cut->bars.front();
    const QPointF a = map(plan.set_out.whole.to_page(bar.from));
    const QPointF b = map(plan.set_out.whole.to_page(bar.to));
    const QPointF mid = (a + b) / 2;
    QPointF d = b - a;
    const double l = std::hypot(d.x(), d.y());
    d = l > 1e-6 ? d / l : QPointF(1, 0);
    const QPointF n(-d.y(), d.x());
    painter.setPen(QPen(theme::berry, 2));
    for (const auto& [tip, out] : {std::pair(a, -d), std::pair(b, d)}) {
        painter.drawLine(tip - n * 9, tip + n * 9);
        painter.drawLine(tip, tip + out * 12);
    }
    const double away = mid.y() < map({0, 60}).y() ? 34 : -34;
    const QPointF at = mid + QPointF(46, away);
    painter.setPen(QPen(theme::berry, 1));
    painter.drawLine(mid + QPointF(4, away * 0.15), at);
    label(painter, at,
          "thinnest bar " + words(format_length(plan.set_out.whole.thinnest_bar, plan.of->units)),
          QColor(255, 254, 251, 240), theme::berry);
}

} // namespace

void paint_number(QPainter& painter, QPointF at, const QString& text, double room_px, bool strong) {
    const int size = std::clamp(static_cast<int>(room_px * 0.62), 10, 15);
    QFont font = theme::font(theme::Text::Small, strong);
    font.setPixelSize(size);
    painter.setFont(font);
    const QFontMetricsF metrics(font);
    QRectF box(0, 0, std::max(metrics.horizontalAdvance(text) + size * 0.7, size * 1.3), size * 1.35);
    box.moveCenter(at);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(255, 254, 251, strong ? 250 : 225));
    painter.drawRoundedRect(box, box.height() / 2, box.height() / 2);
    painter.setPen(theme::ink);
    painter.drawText(box, Qt::AlignCenter, text);
}

void paint_rulers(QPainter& painter, const QRectF& view, const PageMap& map, const Project& project,
                  int thickness) {
    painter.fillRect(QRectF(view.x(), view.y(), view.width(), thickness), theme::paper);
    painter.fillRect(QRectF(view.x(), view.y(), thickness, view.height()), theme::paper);
    painter.setPen(theme::line);
    painter.drawLine(QPointF(view.x(), view.y() + thickness), QPointF(view.right(), view.y() + thickness));
    painter.drawLine(QPointF(view.x() + thickness, view.y()), QPointF(view.x() + thickness, view.bottom()));

    const bool inches = project.units == Units::Inches;
    const double unit = inches ? mm_per_inch : 10;
    int numbered = 1;
    while (unit * map.scale * numbered < theme::px(34.0)) numbered *= numbered == 1 ? (inches ? 3 : 5) : 2;
    const int parts = unit * map.scale > 90 ? (inches ? 8 : 10) : unit * map.scale > 30 ? 2 : 1;
    painter.setFont(theme::font(theme::Text::Small));
    const auto along = [&](double page_length, bool across) {
        const int last = static_cast<int>(page_length / unit * parts + 1e-6);
        for (int i = 0; i <= last; ++i) {
            const double mm = unit * i / parts;
            const bool whole = i % parts == 0;
            const double p = across ? map({mm, 0}).x() : map({0, mm}).y();
            if (p < (across ? view.x() : view.y()) + thickness || p > (across ? view.right() : view.bottom()))
                continue;
            const double tick = whole ? 9 : 5;
            painter.setPen(whole ? theme::quiet : theme::tape_line);
            if (across)
                painter.drawLine(QPointF(p, view.y() + thickness - tick), QPointF(p, view.y() + thickness));
            else
                painter.drawLine(QPointF(view.x() + thickness - tick, p), QPointF(view.x() + thickness, p));
            if (!whole || (i / parts) % numbered != 0) continue;
            painter.setPen(theme::quiet);
            const QString n = QString::number(i / parts);
            if (across)
                painter.drawText(QRectF(p + 3, view.y() + 1, theme::px(30.0), thickness - 2),
                                 Qt::AlignLeft | Qt::AlignVCenter, n);
            else if (p + theme::px(16.0) < view.bottom())
                painter.drawText(QRectF(view.x() + 2, p + 1, thickness - 4, theme::px(16.0)),
                                 Qt::AlignLeft | Qt::AlignTop, n);
        }
    };
    along(project.set_out.page.full_width(), true);
    along(project.set_out.page.full_height(), false);
    painter.fillRect(QRectF(view.x(), view.y(), thickness, thickness), theme::paper);
    painter.setPen(theme::quiet);
    painter.drawText(QRectF(view.x(), view.y(), thickness, thickness), Qt::AlignCenter, inches ? "in" : "cm");
}

void paint_set_out(QPainter& painter, const PageMap& map, const Project& project, const Plan& plan, int cut) {
    if (cut < 0 || cut >= static_cast<int>(plan.set_out.each.size())) return;
    painter.setBrush(Qt::NoBrush);
    for (std::size_t i = 0; i < plan.set_out.each.size(); ++i) {
        painter.setPen(static_cast<int>(i) == cut ? QPen(theme::zest, 1, Qt::DashLine)
                                                  : QPen(theme::quiet, 1, Qt::DotLine));
        painter.drawRect(map.rect(plan.set_out.each[i].cut_box));
    }
    const Box& b = plan.set_out.each[cut].cut_box;
    const auto length = [&](double mm) { return words(format_length(mm, project.units)); };
    const Box from = measured_from(project.set_out.page, b);
    const Point c = b.centre();
    if (b.x0 > from.x0 + 1)
        dimension(painter, map, {from.x0, c.y}, {b.x0, c.y}, length(b.x0 - from.x0), {0, -14});
    if (b.x1 < from.x1 - 1)
        dimension(painter, map, {b.x1, c.y}, {from.x1, c.y}, length(from.x1 - b.x1), {0, -14});
    if (b.y0 > from.y0 + 1)
        dimension(painter, map, {c.x, from.y0}, {c.x, b.y0}, length(b.y0 - from.y0), {42, 0});
    if (b.y1 < from.y1 - 1)
        dimension(painter, map, {c.x, b.y1}, {c.x, from.y1}, length(from.y1 - b.y1), {42, 0});
    painter.setBrush(theme::card);
    painter.setPen(QPen(theme::zest, 2));
    for (const Point corner : {Point{b.x0, b.y0}, Point{b.x1, b.y0}, Point{b.x0, b.y1}, Point{b.x1, b.y1}})
        painter.drawRect(QRectF(map(corner) - QPointF(4, 4), QSizeF(8, 8)));
    callipers(painter, map, plan);
    for (const InsertLabel& l : plan.sections.inserts)
        if (l.room * plan.set_out.whole.scale * map.scale > 3)
            paint_number(painter, map(plan.set_out.whole.to_page(l.in_piece)), words(l.label),
                         2 * l.room * plan.set_out.whole.scale * map.scale, true);
}

void paint_photo_sizes(QPainter& painter, const PageMap& map, const Project& project, int in_hand) {
    for (std::size_t i = 0; i < project.set_out.photos.size(); ++i) {
        const Photo& p = project.set_out.photos[i];
        QPolygonF outline;
        for (Point q : outline_of(p).outer) outline << map(q);
        painter.setBrush(Qt::NoBrush);
        if (static_cast<int>(i) == in_hand) {
            painter.setPen(QPen(theme::zest, 2));
            painter.drawPolygon(outline);
        }
        for (const auto& [parts, pen] : {std::pair(&p.protected_parts, QPen(theme::leaf, 1.5, Qt::DashLine)),
                                         std::pair(&p.hidden_parts, QPen(theme::quiet, 1.5, Qt::DotLine))})
            for (const Box& part : *parts) {
                QPolygonF there;
                for (Point q : outline_of(p, part).outer) there << map(q);
                painter.setPen(pen);
                painter.drawPolygon(there);
            }
        QString text = words(size_in_words(p, project.units));
        if (!p.name.empty()) text = words(p.name) + ", " + text;
        label(painter, map(p.centre), text, QColor(255, 254, 251, 235), theme::ink);
    }
}

void paint_rooms(QPainter& painter, const PageMap& map, const Project& project) {
    for (const RoomWanted& room : project.set_out.rooms) {
        if (!room.centre) continue;
        const QRectF there = map.rect(room.box());
        painter.setPen(QPen(theme::ink, 1.2, Qt::DashLine));
        painter.setBrush(QColor(255, 254, 251, 120));
        painter.drawRect(there);
        label(painter, there.center(), QString::fromUtf8(key_of(room.what)), QColor(255, 254, 251, 235),
              theme::ink);
    }
}

void paint_middle(QPainter& painter, QPointF at) {
    painter.setBrush(Qt::NoBrush);
    for (const auto& [colour, width] : {std::pair(theme::card, 4.0), std::pair(theme::zest_text, 1.6)}) {
        painter.setPen(QPen(colour, width));
        painter.drawEllipse(at, 7, 7);
        painter.drawLine(at - QPointF(12, 0), at + QPointF(12, 0));
        painter.drawLine(at - QPointF(0, 12), at + QPointF(0, 12));
    }
}

void paint_measured(QPainter& painter, const PageMap& map, const Project& project,
                    const std::pair<Point, Point>& between) {
    dimension(painter, map, between.first, between.second,
              words(format_length(distance(between.first, between.second), project.units)), {0, -16});
}

namespace {

/// Which tint each section has: neighbours never the same while there are tints enough.
std::vector<int> tints_of(const Plan& plan) {
    std::vector<std::set<int>> beside(plan.sections.all.size());
    std::vector<int> tint(plan.sections.all.size(), -1);
    for (const Neighbours& n : plan.sections.neighbours) {
        beside[static_cast<std::size_t>(n.a)].insert(n.b);
        beside[static_cast<std::size_t>(n.b)].insert(n.a);
    }
    for (std::size_t s = 0; s < tint.size(); ++s) {
        std::set<int> taken;
        for (int other : beside[s]) taken.insert(tint[static_cast<std::size_t>(other)]);
        tint[s] = static_cast<int>(s) % theme::section_tints;
        for (int k = 0; k < theme::section_tints && taken.contains(tint[s]); ++k)
            tint[s] = (tint[s] + 1) % theme::section_tints;
    }
    return tint;
}

} // namespace

void paint_sections(QPainter& painter, const PageMap& map, const Plan& plan) {
    const std::vector<int> tints = tints_of(plan);
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        const int s = plan.sections.of_opening[o];
        if (!takes_paper(plan.sections.all[s].treatment) || plan.sections.covered[o] >= hidden_share)
            continue;
        painter.fillPath(outline_of(map, plan, static_cast<int>(o)),
                         theme::section_tint(tints[static_cast<std::size_t>(s)]));
    }
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        const int s = plan.sections.of_opening[o];
        const Circle& c = plan.sections.cut->openings[o].label;
        const double room = 2 * c.radius * plan.set_out.whole.scale * map.scale;
        QString text = words(plan.sections.all[s].label);
        if (room > 44 && plan.sections.covered[o] >= hidden_share)
            text += " covered";
        else if (room > 44 && plan.sections.behind[o].share >= shows_photo_from)
            text += " photo";
        else if (room > 44 && plan.sections.all[s].treatment != Treatment::Paper)
            text += QString(" ") + key_of(plan.sections.all[s].treatment);
        paint_number(painter, map(plan.set_out.whole.to_page(c.centre)), text, room,
                     plan.sections.all[s].openings.size() > 1);
    }
}

void paint_papers(QPainter& painter, const PageMap& map, const Plan& plan) {
    for (int i : plan.papers.alike) {
        // A row of stitches across the bar that two alike neighbours share.
        const Neighbours& n = plan.sections.neighbours[i];
        const QPointF a = map(n.from);
        const QPointF b = map(n.to);
        QPointF d = b - a;
        const double l = std::max(std::hypot(d.x(), d.y()), 1e-6);
        d /= l;
        const QPointF side(-d.y(), d.x());
        const double reach = l / 2 + 4;
        const QPointF mid = (a + b) / 2;
        for (const double k : {-7.0, 0.0, 7.0}) {
            const QPointF at = mid + side * k;
            painter.setPen(QPen(theme::card, 5, Qt::SolidLine, Qt::RoundCap));
            painter.drawLine(at - d * reach, at + d * reach);
            painter.setPen(QPen(theme::berry, 2.4, Qt::SolidLine, Qt::RoundCap));
            painter.drawLine(at - d * reach, at + d * reach);
        }
    }
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        const Circle& c = plan.sections.cut->openings[o].label;
        const double room = 2 * c.radius * plan.set_out.whole.scale * map.scale;
        const int patch = plan.patch_of(static_cast<int>(o));
        if (patch < 0 || (room < 18 && plan.papers.of_section[plan.sections.patches[patch].section] >= 0))
            continue;
        paint_number(painter, map(plan.set_out.whole.to_page(c.centre)), QString::number(o + 1), room * 0.7,
                     false);
    }
}

void paint_selection(QPainter& painter, const PageMap& map, const Plan& plan, const BenchState& state) {
    painter.setBrush(Qt::NoBrush);
    const int n = static_cast<int>(plan.sections.cut->openings.size());
    for (int o : state.selected()) {
        if (o >= n) continue;
        const QPainterPath path = outline_of(map, plan, o);
        painter.strokePath(path, QPen(theme::card, 5));
        painter.strokePath(path, QPen(theme::zest, 2.5));
    }
    if (const int h = state.hovered(); h >= 0 && h < n && !state.selected().contains(h))
        painter.strokePath(outline_of(map, plan, h), QPen(theme::zest, 1.6));
}

} // namespace zesty
