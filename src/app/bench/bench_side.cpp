// The side bench of the window, and how large its letters are.

#include "app/bench/bench_window.h"
#include "app/bench/panel.h"
#include "app/bench/second_look.h"
#include "app/bench/theme.h"
#include "app/bench/waypoint_view.h"

#include <QFrame>
#include <QScrollArea>
#include <QStackedWidget>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <utility>

namespace zesty {

namespace {
constexpr int least_second_look = 110;
/// By then the first page is there, and nobody has gone to another waypoint yet.
constexpr int make_others_ms = 1000;

/// Of what lies in the panel, not in what opens above it.
bool by_tab(const QWidget* panel, const QWidget* w) {
    return (w->focusPolicy() & Qt::TabFocus) && !w->focusProxy() && w->window() == panel->window();
}
} // namespace

QWidget* BenchWindow::build_side() {
    // In its place from the start, and without a style sheet of its own: moving it later, everything on it
    // would be dressed a second time, which takes half as long as the whole start.
    auto* side = new QWidget(centralWidget());
    side->setObjectName("side");
    side->setFixedWidth(side_bench_width());
    side->setAttribute(Qt::WA_StyledBackground);
    // What is taller than the window scrolls; its bar lies on the margin that everything leaves at the right.
    auto* scroll = new QScrollArea(side);
    auto* content = new QWidget(scroll);
    content->setFixedWidth(side_bench_width() - 1);
    scroll->setWidget(content);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setFocusPolicy(Qt::NoFocus);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* whole = new QVBoxLayout(side);
    whole->setContentsMargins(1, 0, 0, 0);
    whole->addWidget(scroll);
    panels_ = new QVBoxLayout(content);
    panels_->setContentsMargins(15, 12, 0, 0);
    panels_->setSpacing(10);
    build_waypoints(content);
    // Never seen, so that Tab does not stop at it either; without a focus policy it would not count.
    before_panels_ = new QWidget(content);
    before_panels_->setFocusPolicy(Qt::TabFocus);
    before_panels_->hide();
    auto* rule = new QFrame(content);
    rule->setFixedHeight(1);
    rule->setStyleSheet("background: #D9D0C0; margin-right: 16px;");
    panels_->addWidget(rule);
    second_look_ = new SecondLook(state_, content);
    QTimer::singleShot(make_others_ms, this, &BenchWindow::make_others);
    second_look_->setMinimumHeight(theme::px(least_second_look));
    panels_->addWidget(second_look_, 1);
    return side;
}

/// A panel that has just been made goes to the top of the side bench, and Tab goes through it before the
/// second look. What takes the page's place was made a child of the middle.
void BenchWindow::place(const WaypointView& made) {
    QWidget* panel = made.panel();
    panel->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Minimum);
    panel->setVisible(&made == &waypoint());
    panels_->insertWidget(0, panel);
    QWidget* before = before_panels_;
    for (QWidget* w : panel->findChildren<QWidget*>())
        if (by_tab(panel, w)) setTabOrder(std::exchange(before, w), w);
    for (QObject* child : middle_->children())
        if (auto* view = qobject_cast<QWidget*>(child); view && middle_->indexOf(view) < 0)
            middle_->addWidget(view);
}

/// The waypoints nobody has been to are made one by one in between, so that nobody has to wait there.
void BenchWindow::make_others() {
    const auto next =
        std::find_if(waypoints_.begin(), waypoints_.end(), [](const WaypointView* w) { return !w->panel(); });
    if (next == waypoints_.end()) return;
    (*next)->be_made();
    QTimer::singleShot(0, this, &BenchWindow::make_others);
}

void BenchWindow::change_letters() {
    const int now =
        settings_.letters() > 0 ? settings_.letters() : static_cast<int>(std::lround(100 * theme::letters()));
    const int next = now < 125 ? 125 : now < 150 ? 150 : 100;
    settings_.set_letters(next);
    say(QString("Letters are %1 % of their usual size from the next start on.").arg(next), false);
}

} // namespace zesty
