#include "app/keys_sheet.h"

#include "app/actions.h"
#include "app/theme.h"

#include <QKeySequence>
#include <QPainter>

namespace zesty {

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
    QRectF sheet(0, 0, std::min(940, width() - 40), std::min(560, height() - 40));
    sheet.moveCenter(QRectF(rect()).center());
    p.setPen(Qt::NoPen);
    p.setBrush(theme::paper);
    p.drawRoundedRect(sheet, theme::radius, theme::radius);
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Title));
    p.drawText(sheet.adjusted(28, 20, 0, 0), Qt::AlignLeft | Qt::AlignTop, "Keys");
    const double column = (sheet.width() - 56) / 2;
    double x = sheet.x() + 28;
    double y = sheet.y() + 58;
    QString chapter;
    const auto line = [&](const QString& key, const QString& text) {
        p.setFont(theme::font(theme::Text::Small, true));
        p.setPen(theme::zest_text);
        p.drawText(QRectF(x, y, 118, 20), Qt::AlignLeft | Qt::AlignVCenter, key);
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(theme::ink);
        p.drawText(QRectF(x + 122, y, column - 130, 20), Qt::AlignLeft | Qt::AlignVCenter, text);
        y += 20;
    };
    for (const ActionRow& row : action_table()) {
        if (chapter != row.chapter) {
            chapter = row.chapter;
            if (x < sheet.x() + column && (chapter == "Set out" || y > sheet.bottom() - 80)) {
                x += column;
                y = sheet.y() + 22;
            }
            y += 4;
            p.setFont(theme::font(theme::Text::Body, true));
            p.setPen(theme::ink);
            p.drawText(QRectF(x, y, column, 22), Qt::AlignLeft | Qt::AlignVCenter, chapter);
            y += 24;
        }
        line(QKeySequence(row.key).toString(QKeySequence::NativeText), row.text);
    }
    p.setFont(theme::font(theme::Text::Body, true));
    p.setPen(theme::ink);
    p.drawText(QRectF(x, y + 4, column, 22), Qt::AlignLeft | Qt::AlignVCenter, "Everywhere");
    y += 28;
    line("Tab", "From part to part of the bench");
    line("Arrows", "From opening to opening, or move the cut");
}

} // namespace zesty
