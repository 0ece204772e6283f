// The side bench of the window, and how large its letters are.

#include "app/bench/bench_window.h"
#include "app/bench/panel.h"
#include "app/bench/second_look.h"
#include "app/bench/theme.h"
#include "app/bench/waypoint_view.h"

#include <QFrame>
#include <QScrollArea>
#include <QVBoxLayout>
#include <cmath>

namespace zesty {

namespace {
constexpr int least_second_look = 110;
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
    auto* column = new QVBoxLayout(content);
    column->setContentsMargins(15, 12, 0, 0);
    column->setSpacing(10);
    build_waypoints(content);
    for (const WaypointView* w : waypoints_) {
        w->panel()->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Minimum);
        column->addWidget(w->panel());
    }
    auto* rule = new QFrame(content);
    rule->setFixedHeight(1);
    rule->setStyleSheet("background: #D9D0C0; margin-right: 16px;");
    column->addWidget(rule);
    second_look_ = new SecondLook(state_, content);
    second_look_->setMinimumHeight(theme::px(least_second_look));
    column->addWidget(second_look_, 1);
    return side;
}

void BenchWindow::change_letters() {
    const int now =
        settings_.letters() > 0 ? settings_.letters() : static_cast<int>(std::lround(100 * theme::letters()));
    const int next = now < 125 ? 125 : now < 150 ? 150 : 100;
    settings_.set_letters(next);
    say(QString("Letters are %1 % of their usual size from the next start on.").arg(next), false);
}

} // namespace zesty
