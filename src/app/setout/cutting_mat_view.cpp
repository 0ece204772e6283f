#include "app/setout/cutting_mat_view.h"

#include "app/bench/theme.h"
#include "io/paint/cutting_mat_painter.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>

namespace zesty {

namespace {
constexpr double head = 34;
constexpr double rim = 24;
constexpr double label_px = 13;
} // namespace

CuttingMatView::CuttingMatView(BenchState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName("Cutting mats");
    setObjectName("mats");
    connect(&state, &BenchState::shown_instead_changed, this, [this] {
        shown_ = 0;
        update();
    });
}

void CuttingMatView::turn(int by) {
    const auto& mats = state_.cutting_mats();
    if (!mats || mats->mats.empty()) return;
    const int n = static_cast<int>(mats->mats.size());
    shown_ = (shown_ + by + n) % n;
    update();
}

void CuttingMatView::mousePressEvent(QMouseEvent*) {
    turn(1);
}

void CuttingMatView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Left)
        turn(-1);
    else if (event->key() == Qt::Key_Right)
        turn(1);
    else
        QWidget::keyPressEvent(event);
}

void CuttingMatView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(rect(), theme::bench);
    const auto& mats = state_.cutting_mats();
    if (!mats) return;
    const std::size_t n = mats->mats.size();
    QString text = mats->title;
    if (shown_ < mats->names.size()) text += ", " + mats->names[shown_];
    if (n > 1)
        text +=
            QString("   Mat %1 of %2: click or press the right arrow for the next.").arg(shown_ + 1).arg(n);
    painter.setPen(theme::ink);
    painter.setFont(theme::font(theme::Text::Body, true));
    painter.drawText(QRectF(rim, 8, width() - 2 * rim, theme::px(head)), Qt::AlignLeft | Qt::AlignVCenter,
                     text);
    painter.setPen(theme::quiet);
    painter.setFont(theme::font(theme::Text::Small));
    painter.drawText(
        QRectF(rim, height() - theme::px(26.0), width() - 2 * rim, theme::px(22.0)),
        Qt::AlignLeft | Qt::AlignVCenter,
        "Loose pieces stay on the cutting mat until they are needed: each label is that of its opening. "
        "Escape goes back to the page.");
    if (n == 0) return;
    const QRectF room(rim, theme::px(head) + 12, width() - 2 * rim, height() - theme::px(head) - 48);
    const double scale = std::min(room.width() / mats->size.width, room.height() / mats->size.height);
    CuttingMatLook look;
    look.label = label_px / scale;
    look.line = 1 / scale;
    painter.translate(room.x() + (room.width() - scale * mats->size.width) / 2, room.y());
    painter.scale(scale, scale);
    paint_cutting_mat(painter, *mats->cut, mats->labels, mats->mats[static_cast<std::size_t>(shown_)],
                      mats->size, look);
}

} // namespace zesty
