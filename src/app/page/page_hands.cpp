// What mouse and keys do on the page; how it looks is in page_view.cpp, what is dragged in the waypoints.

#include "app/bench/waypoint_view.h"
#include "app/page/page_view.h"
#include "app/page/select_drags.h"

#include <QDragEnterEvent>
#include <QGestureEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QNativeGestureEvent>
#include <QPinchGesture>
#include <QWheelEvent>
#include <cmath>

namespace zesty {

namespace {
constexpr double compare_reach = 10; ///< px
} // namespace

// --- mouse ------------------------------------------------------------------------------------------------

/// A wheel comes closer or goes away. Two fingers on a touchpad push the page about, and zoom it with Ctrl.
void PageView::wheelEvent(QWheelEvent* event) {
    const bool fingers = event->phase() != Qt::NoScrollPhase && !event->pixelDelta().isNull();
    if (fingers && !(event->modifiers() & Qt::ControlModifier))
        push_view(event->pixelDelta());
    else
        zoom_at(event->position(), std::pow(1.0015, event->angleDelta().y()));
}

/// Fingers that go apart or together, on a touchpad or a touchscreen.
bool PageView::event(QEvent* event) {
    if (event->type() == QEvent::NativeGesture) {
        auto* native = static_cast<QNativeGestureEvent*>(event);
        if (native->gestureType() != Qt::ZoomNativeGesture) return QWidget::event(event);
        zoom_at(native->position(), 1 + native->value());
        return true;
    }
    if (event->type() == QEvent::Gesture)
        if (auto* pinch =
                static_cast<QPinchGesture*>(static_cast<QGestureEvent*>(event)->gesture(Qt::PinchGesture))) {
            drag_.reset(); // a finger that came first has begun none
            zoom_at(mapFromGlobal(pinch->centerPoint()), pinch->scaleFactor());
            return true;
        }
    return QWidget::event(event);
}

bool PageView::over_compared_line(QPointF pixel) const {
    return state_.offers().compared_at() && std::abs(pixel.x() - compared_px()) < compare_reach;
}

void PageView::mousePressEvent(QMouseEvent* event) {
    if (!something_to_show()) return;
    const QPointF at = event->position();
    if (event->button() == Qt::MiddleButton) {
        drag_ = begin_panning(hands(), at);
    } else if (event->button() == Qt::LeftButton && over_compared_line(at)) {
        drag_ = begin_comparing(hands(), at);
    } else if (event->button() == Qt::LeftButton && waypoint_) {
        const bool adds = event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier);
        drag_ = waypoint_->press(hands(), {at, opening_at(at), adds});
    }
}

void PageView::mouseMoveEvent(QMouseEvent* event) {
    const QPointF at = event->position();
    if (drag_) {
        drag_->move(at);
        return;
    }
    setCursor(over_compared_line(at) ? Qt::SplitHCursor
              : waypoint_            ? waypoint_->cursor_at(hands(), at)
                                     : Qt::ArrowCursor);
    state_.hover(opening_at(at));
}

void PageView::mouseReleaseEvent(QMouseEvent* event) {
    // Let go of first: what it does may end in here again.
    if (const auto drag = std::exchange(drag_, nullptr)) drag->release(event->position());
    update();
}

void PageView::focusInEvent(QFocusEvent* event) {
    reached_by_key_ = event->reason() == Qt::TabFocusReason || event->reason() == Qt::BacktabFocusReason;
    update();
}

void PageView::leaveEvent(QEvent*) {
    state_.hover(-1);
}

// --- keys -------------------------------------------------------------------------------------------------

/// The nearest opening in the direction of the arrow, what lies straight ahead preferred.
void PageView::step_selection(int key, bool add) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut || plan->sections.cut->openings.empty()) return;
    const auto at = [&](int o) {
        return plan->set_out.whole.to_page(plan->sections.cut->openings[o].label.centre);
    };
    if (state_.selected().empty()) {
        state_.select({0});
        return;
    }
    const int from = *state_.selected().rbegin();
    const Point way = key == Qt::Key_Left    ? Point{-1, 0}
                      : key == Qt::Key_Right ? Point{1, 0}
                      : key == Qt::Key_Up    ? Point{0, -1}
                                             : Point{0, 1};
    int best = -1;
    double least = 0;
    for (std::size_t o = 0; o < plan->sections.cut->openings.size(); ++o) {
        const Point d = at(static_cast<int>(o)) - at(from);
        const double ahead = dot(d, way);
        if (ahead < 0.5) continue;
        const double cost = ahead + 2 * std::abs(cross(d, way));
        if (best < 0 || cost < least) {
            best = static_cast<int>(o);
            least = cost;
        }
    }
    if (best < 0) return;
    std::set<int> selected = add ? state_.selected() : std::set<int>{};
    selected.insert(best);
    state_.select(std::move(selected));
    show_place(at(best));
}

void PageView::keyPressEvent(QKeyEvent* event) {
    const int key = event->key();
    const bool arrow =
        key == Qt::Key_Left || key == Qt::Key_Right || key == Qt::Key_Up || key == Qt::Key_Down;
    const bool more = event->modifiers() & Qt::ShiftModifier;
    if (!arrow)
        QWidget::keyPressEvent(event);
    else if (!waypoint_ || !waypoint_->push(hands(), step_of(key), more))
        step_selection(key, more);
}

/// A useful step in the direction of an arrow key.
Point PageView::step_of(int key) const {
    const double unit = document_.project().units == Units::Inches ? mm_per_inch / 16 : 1;
    return key == Qt::Key_Left    ? Point{-unit, 0}
           : key == Qt::Key_Right ? Point{unit, 0}
           : key == Qt::Key_Up    ? Point{0, -unit}
                                  : Point{0, unit};
}

// --- papers from the drawer -------------------------------------------------------------------------------

void PageView::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasFormat(paper_mime)) event->acceptProposedAction();
}

void PageView::dragMoveEvent(QDragMoveEvent* event) {
    if (!event->mimeData()->hasFormat(paper_mime)) return;
    state_.hover(opening_at(event->position()));
    event->setAccepted(state_.hovered() >= 0);
}

void PageView::dropEvent(QDropEvent* event) {
    const int opening = opening_at(event->position());
    if (opening < 0) return;
    event->acceptProposedAction();
    emit paper_dropped(QString::fromUtf8(event->mimeData()->data(paper_mime)), opening);
}

} // namespace zesty
