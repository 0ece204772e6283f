#include "app/keep/went_row.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/sentences.h"
#include "io/paint/textures.h"

#include <QMouseEvent>
#include <QPainter>

namespace zesty {

namespace {

constexpr double went_high = 38, went_name_wide = 148, went_swatch = 26, went_bar = 24, least_for_words = 44;
constexpr int part_colour_count = 4;
const QColor part_colours[part_colour_count]{
    {0xf4, 0xc7, 0x97}, {0xb9, 0xd4, 0xe2}, {0xc9, 0xdc, 0xb4}, {0xe6, 0xc6, 0xd4}};

QString area_said(double mm2, bool inches) {
    return words(format_area(mm2, inches ? Units::Inches : Units::Centimetres));
}

} // namespace

WentRow::WentRow(PaperWent went, const QStringList& titles, double most, bool inches, QWidget* parent)
    : QWidget(parent), went_(std::move(went)), titles_(titles), most_(std::max(most, 1.0)), inches_(inches) {
    setFixedHeight(static_cast<int>(theme::px(went_high)));
    setMinimumWidth(theme::px(420));
    QStringList said;
    for (std::size_t i = 0; i < went_.parts.size(); ++i)
        said << titles_[static_cast<qsizetype>(i)] + ": " + area_said(went_.parts[i].used, inches_);
    if (went_.in_drawer > 0) said << "in the drawer: " + area_said(went_.in_drawer, inches_);
    setAccessibleName("Where " + words(went_.name) + " went");
    setAccessibleDescription(said.join(", "));
    setToolTip(words(went_.name) + ": " + said.join(", "));
}

std::vector<QRectF> WentRow::parts() const {
    std::vector<QRectF> out;
    const double room = width() - theme::px(went_name_wide) - 8;
    double x = theme::px(went_name_wide);
    const auto add = [&](double mm2) {
        const double wide = std::max(mm2 > 0 ? 3.0 : 0.0, room * mm2 / most_);
        out.emplace_back(x, (theme::px(went_high) - went_bar) / 2, std::max(0.0, wide - 2), went_bar);
        x += wide;
    };
    for (const PaperWent::Part& part : went_.parts) add(part.used);
    add(went_.in_drawer);
    return out;
}

void WentRow::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::line, 1));
    p.setBrush(to_qt(went_.colour));
    p.drawRect(QRectF(0, (theme::px(went_high) - went_swatch) / 2, went_swatch, went_swatch));
    const QRectF name(went_swatch + 8, 0, theme::px(went_name_wide) - went_swatch - 14,
                      theme::px(went_high) / 2);
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Small, true));
    p.drawText(name, Qt::AlignLeft | Qt::AlignBottom,
               p.fontMetrics().elidedText(words(went_.name), Qt::ElideRight, static_cast<int>(name.width())));
    p.setFont(theme::font(theme::Text::Small));
    p.setPen(theme::quiet);
    const QString left = !went_.known ? QString("not in this stash")
                         : went_.scraps > 0
                             ? counted(static_cast<std::size_t>(went_.scraps), "scrap left", "scraps left")
                         : went_.in_drawer > 0 ? QString("whole sheets left")
                                               : QString("none left");
    p.drawText(name.translated(0, theme::px(went_high) / 2), Qt::AlignLeft | Qt::AlignTop, left);
    const auto all = parts();
    for (std::size_t i = 0; i < all.size(); ++i) {
        if (all[i].width() <= 0) continue;
        const bool drawer = i + 1 == all.size();
        p.setPen(QPen(drawer ? theme::line : Qt::transparent, 1));
        p.setBrush(drawer ? theme::card
                          : part_colours[static_cast<std::size_t>(went_.parts[i].page) % part_colour_count]);
        p.drawRoundedRect(all[i], 3, 3);
        QString text = drawer ? QString("in the drawer") : titles_[static_cast<qsizetype>(i)];
        const QRectF room = all[i].adjusted(8, 0, -4, 0);
        if (drawer && p.fontMetrics().horizontalAdvance(text) > room.width()) text = "left";
        if (room.width() < least_for_words) continue;
        p.setPen(drawer ? theme::quiet : theme::ink);
        p.drawText(room, Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(text, Qt::ElideRight, static_cast<int>(room.width())));
    }
}

void WentRow::mousePressEvent(QMouseEvent* event) {
    const auto all = parts();
    for (std::size_t i = 0; i < went_.parts.size(); ++i)
        if (all[i].contains(event->position())) emit page_chosen(went_.parts[i].page);
}

} // namespace zesty
