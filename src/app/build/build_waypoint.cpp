#include "app/build/build_waypoint.h"

#include "app/bench/pass_focus.h"
#include "app/bench/wording.h"
#include "app/build/build_desk.h"
#include "app/build/build_panel.h"
#include "app/build/cutting_view.h"
#include "app/build/habits_part.h"
#include "app/build/lists_part.h"
#include "app/build/lists_view.h"
#include "app/build/machine_desk.h"
#include "app/build/stays_awake.h"
#include "app/build/step_view.h"
#include "app/build/tape_view.h"
#include "app/build/time_part.h"

#include <QDateTime>
#include <QStackedWidget>
#include <QVBoxLayout>

namespace zesty {

BuildWaypoint::BuildWaypoint(const BenchParts& bench, QObject* parent)
    : WaypointView(bench, parent), desk_(new BuildDesk(bench, this)),
      machine_(new MachineDesk(bench, *desk_, this)) {
    connect(desk_, &BuildDesk::changed, this, &WaypointView::look_changed);
    connect_actions();
}

void BuildWaypoint::make() {
    panel_ = new BuildPanel(bench_, *desk_, *machine_, bench_.side);
    middle_ = new QStackedWidget(bench_.middle);
    steps_ = new QWidget(middle_);
    auto* column = new QVBoxLayout(steps_);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    step_ = new StepView(bench_.state, *desk_, bench_.actions, steps_);
    column->addWidget(step_, 1);
    column->addWidget(new TapeView(*desk_, steps_));
    middle_->addWidget(steps_);
    auto* cutting = new CuttingView(*desk_, *machine_, middle_);
    middle_->addWidget(cutting);
    auto* lists = new ListsView(*desk_, middle_);
    middle_->addWidget(lists);
    pass_focus(middle_, [this]() -> QWidget* {
        QWidget* shown = middle_->currentWidget();
        return shown == steps_ ? step_ : shown;
    });
    connect(&panel_->lists(), &ListsPart::one_more_known, lists, &ListsView::show_one_more);
    connect(panel_, &PanelOfParts::part_chosen, this, [this, cutting, lists](int part) {
        if (part == BuildPanel::Cutting)
            middle_->setCurrentWidget(cutting);
        else if (part == BuildPanel::Lists)
            middle_->setCurrentWidget(lists);
        else
            middle_->setCurrentWidget(steps_);
    });
}

QString BuildWaypoint::answer(const Project&, const Plan&) const {
    if (!desk_->known() || desk_->steps().empty()) return "no steps yet";
    const BuildNow& now = desk_->now();
    if (now.order.empty()) return "all done";
    const QString dry =
        QDateTime::fromSecsSinceEpoch(desk_->clock() + static_cast<std::int64_t>(now.finish * 60))
            .toString("H:mm");
    if (now.done == 0)
        return counted(desk_->steps().size(), "step", "steps") + ", " + words(minutes_in_words(now.finish));
    return QString("%1 of %2 done, dry by %3").arg(now.done).arg(desk_->steps().size()).arg(dry);
}

QWidget* BuildWaypoint::panel() const {
    return panel_;
}

QWidget* BuildWaypoint::middle() const {
    return middle_;
}

bool BuildWaypoint::middle_up_to_date() const {
    return desk_->up_to_date();
}

void BuildWaypoint::be_shown(bool shown) {
    desk_->be_seen(shown);
    auto* awake = findChild<StaysAwake*>();
    if (!awake) awake = new StaysAwake(this);
    awake->stay(shown);
    if (!shown) be_alone(false);
}

void BuildWaypoint::be_alone(bool alone) {
    if (alone == alone_) return;
    alone_ = alone;
    if (alone) panel_->choose(BuildPanel::Steps);
    step_->be_large(alone);
    emit look_changed();
}

void BuildWaypoint::leave_alone() {
    be_alone(false);
}

void BuildWaypoint::connect_actions() {
    const auto go = [this] { bench_.state.go_to(Waypoint::Build); };
    on(Act::StepDone, [this] { desk_->tick_off(); });
    on(Act::StepUndone, [this] { desk_->take_tick_off(); });
    on(Act::StepStart, [this] { desk_->start_or_pause(); });
    on(Act::StepLater, [this] { desk_->show_next(1); });
    on(Act::StepLarge, [this, go] {
        go();
        be_alone(!alone_);
    });
    on(Act::AddOwnStep, [this, go] {
        go();
        panel_->choose(BuildPanel::Habits);
        panel_->habits().add_own_step();
    });
    on(Act::AddSitting, [this, go] {
        go();
        panel_->choose(BuildPanel::Time);
        panel_->time().add_sitting();
    });
    const auto cutting = [this, go] {
        go();
        panel_->choose(BuildPanel::Cutting);
    };
    on(Act::CutJob, [this, cutting] {
        cutting();
        machine_->cut_or_pause();
    });
    on(Act::CancelCut, [this, cutting] {
        cutting();
        machine_->cancel();
    });
    on(Act::CutAnew, [this, cutting] {
        cutting();
        machine_->begin_anew();
    });
}

} // namespace zesty
