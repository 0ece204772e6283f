#include "app/keep/page_card.h"

#include "app/bench/theme.h"

#include <QPainter>
#include <functional>

namespace zesty {

namespace {

constexpr double caption_high = 44, card_margin = 10;

/// Pages on a shelf do not stand quite straight; the same page always stands the same way.
double lean_of(const std::string& uid) {
    return uid.empty() ? 0 : static_cast<double>(std::hash<std::string>{}(uid) % 25) / 10.0 - 1.2;
}

} // namespace

PageCard::PageCard(std::string uid, QWidget* parent) : QAbstractButton(parent), uid_(std::move(uid)) {
    setObjectName("page-card");
    setCheckable(true);
    setFixedSize(page_card_size());
    setCursor(Qt::PointingHandCursor);
    setFocusPolicy(Qt::StrongFocus);
}

void PageCard::say(const QString& title, const QString& about) {
    setText(title);
    about_ = about;
    setAccessibleName(title + ", " + about);
    setToolTip(accessibleName());
    update();
}

void PageCard::show_picture(const QImage& picture) {
    picture_ = picture;
    update();
}

void PageCard::paintEvent(QPaintEvent*) {
    if (picture_.isNull()) emit wants_picture();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.translate(width() / 2.0, height() / 2.0);
    p.rotate(lean_of(uid_));
    p.translate(-width() / 2.0, -height() / 2.0);
    const QRectF card = QRectF(rect()).adjusted(6, 6, -6, -6);
    p.setPen(Qt::NoPen);
    p.setBrush(QColor(0x26, 0x24, 0x2b, 28));
    if (isEnabled()) p.drawRoundedRect(card.translated(2, 3), 3, 3);
    p.setPen(QPen(isChecked() || hasFocus() ? theme::zest
                  : isEnabled()             ? theme::line
                                            : theme::quiet,
                  isChecked() ? 2.5 : 1.2, isEnabled() ? Qt::SolidLine : Qt::DashLine));
    p.setBrush(theme::card);
    p.drawRoundedRect(card, 3, 3);
    const QRectF room = card.adjusted(card_margin, card_margin, -card_margin, -theme::px(caption_high) - 4);
    p.setPen(Qt::NoPen);
    if (picture_.isNull()) {
        p.setBrush(theme::bench);
        p.drawRect(room);
    } else {
        const QSizeF size = QSizeF(picture_.size()).scaled(room.size(), Qt::KeepAspectRatio);
        p.drawImage(
            QRectF(QPointF(room.center().x() - size.width() / 2, room.center().y() - size.height() / 2),
                   size),
            picture_);
    }
    const QRectF text(card.x() + card_margin, card.bottom() - theme::px(caption_high),
                      card.width() - 2 * card_margin, theme::px(20.0));
    p.setFont(theme::font(theme::Text::Small, true));
    p.setPen(theme::ink);
    p.drawText(text, Qt::AlignLeft | Qt::AlignVCenter,
               p.fontMetrics().elidedText(this->text(), Qt::ElideRight, static_cast<int>(text.width())));
    p.setFont(theme::font(theme::Text::Small));
    p.setPen(theme::quiet);
    p.drawText(text.translated(0, theme::px(19.0)), Qt::AlignLeft | Qt::AlignVCenter,
               p.fontMetrics().elidedText(about_, Qt::ElideRight, static_cast<int>(text.width())));
}

} // namespace zesty
