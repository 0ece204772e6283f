#include "app/bench/keys_sheet.h"

#include "app/bench/actions.h"
#include "app/bench/theme.h"

#include <QKeySequence>
#include <QPainter>
#include <algorithm>

namespace zesty {

namespace {
constexpr int columns = 3;
}

KeysSheet::KeysSheet(QWidget* parent) : QWidget(parent) {
    setAccessibleName("Sheet of keys");
    hide();
}

void KeysSheet::mousePressEvent(QMouseEvent*) {
    hide();
}

void KeysSheet::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), QColor(38, 36, 43, 90));
    QRectF sheet(0, 0, std::min(1240, width() - 24), std::min(620, height() - 24));
    sheet.moveCenter(QRectF(rect()).center());
    p.setPen(Qt::NoPen);
    p.setBrush(theme::paper);
    p.drawRoundedRect(sheet, theme::radius, theme::radius);
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Title));
    p.drawText(sheet.adjusted(24, 18, 0, 0), Qt::AlignLeft | Qt::AlignTop, "Keys");
    const double column = (sheet.width() - 40) / columns;
    const double first_line = sheet.y() + 52;
    double x = sheet.x() + 24;
    double y = first_line;
    QString chapter;
    double key_width = 0;
    const QFontMetricsF metrics(theme::font(theme::Text::Small, true));
    for (const ActionRow& row : action_table())
        key_width = std::max(
            key_width, metrics.horizontalAdvance(QKeySequence(row.key).toString(QKeySequence::NativeText)));
    key_width += 6;
    const auto line = [&](const QString& key, const QString& text) {
        p.setFont(theme::font(theme::Text::Small, true));
        p.setPen(theme::zest_text);
        p.drawText(QRectF(x, y, key_width, 20), Qt::AlignLeft | Qt::AlignVCenter, key);
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(theme::ink);
        p.drawText(QRectF(x + key_width + 4, y, column - key_width - 12, 20),
                   Qt::AlignLeft | Qt::AlignVCenter, text);
        y += 20;
    };
    const auto rows_of = [](const QString& name) {
        return std::count_if(action_table().begin(), action_table().end(),
                             [&](const ActionRow& row) { return name == row.chapter; });
    };
    const auto heading = [&](const QString& name, long rows) {
        // A chapter stays together.
        if (y + 28 + 20 * static_cast<double>(rows) > sheet.bottom() - 12) {
            x += column;
            y = first_line;
        }
        y += 4;
        p.setFont(theme::font(theme::Text::Body, true));
        p.setPen(theme::ink);
        p.drawText(QRectF(x, y, column, 22), Qt::AlignLeft | Qt::AlignVCenter, name);
        y += 24;
    };
    for (const ActionRow& row : action_table()) {
        if (chapter != row.chapter) {
            chapter = row.chapter;
            heading(chapter, rows_of(chapter));
        }
        line(QKeySequence(row.key).toString(QKeySequence::NativeText), row.text);
    }
    heading("Everywhere", 2);
    line("Tab", "From part to part of the bench");
    line("Arrows", "To the next opening, or move the cut");
}

} // namespace zesty
