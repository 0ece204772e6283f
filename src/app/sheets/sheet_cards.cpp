#include "app/sheets/sheet_cards.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/page/page_overlays.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sheets/leftover.h"
#include "io/paint/page_painter.h"

#include <cmath>

namespace zesty {

namespace {

constexpr double text_height = 76;
constexpr double pad = 10;

/// How large a sheet may be drawn in a room of that size.
double scale_in(const Box& sheet, double width, double height) {
    return std::min({width / std::max(sheet.width(), 1.0), height / std::max(sheet.height(), 1.0), 4.0});
}

/// What room is kept for, where the words fit in it.
void paint_room_names(QPainter& p, const SheetScene& scene, const SheetCard& place) {
    const int sheet = scene.plan->sheets.used[place.used].sheet;
    for (const ReservedRoom& room : scene.plan->sheets.room) {
        if (room.sheet != sheet) continue;
        const Box box = bounds(room.on_sheet);
        const QRectF there(place.origin.x() + box.x0 * place.scale, place.origin.y() + box.y0 * place.scale,
                           box.width() * place.scale, box.height() * place.scale);
        const QString name = room.page.empty() ? QString("whole") : words(room.page);
        const QRectF text = p.boundingRect(there, Qt::AlignCenter | Qt::TextWordWrap, name);
        if (text.width() <= there.width() - 4 && text.height() <= there.height())
            p.drawText(there, Qt::AlignCenter | Qt::TextWordWrap, name);
    }
}

void paint_card(QPainter& p, const SheetScene& scene, const SheetCard& place) {
    const Plan& plan = *scene.plan;
    const UsedSheet& used = plan.sheets.used[place.used];
    const Sheet& sheet = plan.papers.sheets[used.sheet];
    p.setPen(QPen(theme::line, 1));
    p.setBrush(theme::card);
    p.drawRoundedRect(place.card, theme::radius, theme::radius);
    p.save();
    p.translate(place.origin);
    p.scale(place.scale, place.scale);
    paint_sheet(p, plan, used, *scene.textures);
    p.restore();
    const QRectF text(place.card.x() + pad, place.card.bottom() - theme::px(text_height) - 2,
                      place.card.width() - 2 * pad, theme::px(18.0));
    const auto line = [&](int row, const QString& words) {
        p.drawText(text.translated(0, theme::px(18.0) * row), Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(words, Qt::ElideRight, static_cast<int>(text.width())));
    };
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Small, true));
    line(0, words(scene.project.stash->papers[sheet.paper].name));
    p.setFont(theme::font(theme::Text::Small));
    p.setPen(theme::quiet);
    line(1, words(size_of_sheet(sheet.outline, scene.project.units)));
    const QString uses = QString("%1, %2 % used")
                             .arg(name_of(sheet.kind))
                             .arg(std::lround(100 * used.used_area / area(sheet.outline)));
    line(2, uses);
    const Point left = good_for(used.largest_left, scene.project.units);
    line(3, left.x <= 0 || left.y <= 0 ? QString("nothing left over")
                                       : "left " + words(format_size(left.x, left.y, scene.project.units)));
    paint_room_names(p, scene, place);
    for (int patch : used.patches) {
        const Circle& c = plan.sections.cut->openings[plan.sections.patches[patch].opening].label;
        const Point at = (plan.sheets.placed[patch].to_sheet() * plan.set_out.whole.to_page)(c.centre);
        paint_number(p, QPointF(place.origin.x() + at.x * place.scale, place.origin.y() + at.y * place.scale),
                     QString::number(plan.sections.patches[patch].opening + 1),
                     2 * c.radius * plan.set_out.whole.scale * place.scale, false);
    }
}

} // namespace

std::vector<SheetCard> cards_for(const Plan& plan, double width, double height) {
    const int n = static_cast<int>(plan.sheets.used.size());
    std::vector<SheetCard> out;
    std::vector<Box> boxes;
    for (const UsedSheet& u : plan.sheets.used) boxes.push_back(bounds(plan.papers.sheets[u.sheet].outline));
    const auto cell = [&](int columns) {
        const int rows = (n + columns - 1) / columns;
        return QSizeF(width / columns - between_cards,
                      std::max(theme::px(170.0), height / rows - between_cards));
    };
    int best = 1;
    double most = -1e9;
    for (int columns = 1; columns <= 6; ++columns) {
        const QSizeF c = cell(columns);
        if (c.width() < theme::px(120.0)) break;
        // Fewer rows than need scrolling count for more than any size.
        const int rows = (n + columns - 1) / columns;
        double sum = -1000 * std::max(0.0, rows * (c.height() + between_cards) - height);
        for (const Box& b : boxes)
            sum += std::log(scale_in(b, c.width() - 2 * pad, c.height() - 2 * pad - theme::px(text_height)));
        if (sum > most) {
            most = sum;
            best = columns;
        }
    }
    const QSizeF c = cell(best);
    for (int i = 0; i < n; ++i) {
        const QRectF card(between_cards + (i % best) * (c.width() + between_cards),
                          between_cards + (i / best) * (c.height() + between_cards), c.width(), c.height());
        const QRectF room = card.adjusted(pad, pad, -pad, -pad - theme::px(text_height));
        const Box& b = boxes[i];
        const double scale = scale_in(b, room.width(), room.height());
        out.push_back(
            {i, card, scale,
             QPointF(room.center().x() - b.centre().x * scale, room.center().y() - b.centre().y * scale)});
    }
    return out;
}

void paint_scene(QPainter& p, const SheetScene& scene) {
    for (const SheetCard& place : scene.cards)
        if (place.card.intersects(scene.visible)) paint_card(p, scene, place);
    const Page& page = scene.project.set_out.page;
    const double scale = scene.page.width() / std::max(page.full_width(), page.full_height());
    p.setPen(Qt::NoPen);
    p.setBrush(QColor(38, 36, 43, 26));
    p.drawRect(QRectF(scene.page.topLeft() + QPointF(2, 3),
                      QSizeF(page.full_width() * scale, page.full_height() * scale)));
    p.translate(scene.page.topLeft());
    p.scale(scale, scale);
    paint_page(p, scene.project, *scene.plan, *scene.textures);
}

} // namespace zesty
