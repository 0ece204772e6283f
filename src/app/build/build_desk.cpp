#include "app/build/build_desk.h"

#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/build_steps.h"
#include "io/guide/letters_job.h"
#include "io/paint/page_painter.h"

#include <QDateTime>
#include <algorithm>

namespace zesty {

namespace {

constexpr int between_looks_ms = 20'000;
constexpr int picture_detail = 900; ///< px of the page's picture

} // namespace

BuildDesk::BuildDesk(const BenchParts& bench, QObject* parent) : QObject(parent), bench_(bench) {
    connect(&bench_.state, &BenchState::plan_changed, this, [this] {
        const auto plan = bench_.state.own_plan();
        if (!plan || (!plan->sheets.done && plan->sections.cut)) return;
        plan_ = plan;
        // What is said of an older plan again, while another is worked out, is of the page it is the plan of.
        project_ = *plan->of;
        if (plan_holds()) project_ = bench_.document.project();
        jobs_.reset();
        ask();
        if (jobs_wanted_) want_jobs();
    });
    connect(&bench_.document, &Document::project_changed, this, [this] {
        if (!plan_holds()) return;
        const bool cut_otherwise = !(project_.build.cutting == bench_.document.project().build.cutting);
        project_ = bench_.document.project();
        ask();
        if (cut_otherwise && jobs_wanted_) want_jobs();
    });
    // Another page begins with its first step.
    connect(&bench_.document, &Document::path_changed, this, [this] { shown_.clear(); });
    minutes_.setInterval(between_looks_ms);
    connect(&minutes_, &QTimer::timeout, this, &BuildDesk::ask);
}

std::int64_t BuildDesk::clock() const {
    return bench_.settings.now();
}

bool BuildDesk::plan_holds() const {
    if (!plan_) return false;
    Project before = project_;
    before.build = bench_.document.project().build;
    before.sections.pace = bench_.document.project().sections.pace;
    return before == bench_.document.project();
}

void BuildDesk::ask() {
    if (!plan_) return;
    const quint64 number = ++asked_;
    bench_.worker.think(
        this,
        [this, number, project = project_, plan = plan_, moment = clock(),
         minutes = minutes_there_are_](Planner&) -> std::function<void()> {
            Work work = work_now(build_steps(project, *plan), project.build, moment, project.seed);
            auto in_the_time = in_the_next(work.steps, project.build, moment, minutes, project.seed);
            return [this, number, work = std::move(work), in_the_time = std::move(in_the_time)]() mutable {
                if (number != asked_) return;
                answered_ = number;
                say_what_is_dry(work.steps, work.now);
                const int before = shown();
                steps_ = std::move(work.steps);
                now_ = std::move(work.now);
                in_the_time_ = std::move(in_the_time);
                if (std::exchange(show_first_, false) || shown() < 0 || before < 0) show_first();
                emit changed();
            };
        });
}

/// A timer that makes no noise: what dried when we last looked and is dry now is named once.
void BuildDesk::say_what_is_dry(const std::vector<BuildStep>& steps, const BuildNow& now) {
    QStringList dry;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        if (now.steps[i].state != StepState::Done) continue;
        for (std::size_t k = 0; k < steps_.size(); ++k)
            if (steps_[k].key == steps[i].key && now_.steps[k].state == StepState::Dries)
                dry << QString("step %1, %2").arg(i + 1).arg(words(steps[i].what));
    }
    if (!dry.isEmpty()) bench_.say("Dry now: " + dry.join("; ") + ".", false);
}

int BuildDesk::shown() const {
    for (std::size_t i = 0; i < steps_.size(); ++i)
        if (steps_[i].key == shown_) return static_cast<int>(i);
    return -1;
}

void BuildDesk::show(int step) {
    if (step < 0 || step >= static_cast<int>(steps_.size())) return;
    shown_ = steps_[static_cast<std::size_t>(step)].key;
    emit shown_changed();
}

void BuildDesk::show_first() {
    if (!now_.order.empty())
        show(static_cast<int>(now_.order.front()));
    else if (!steps_.empty())
        show(static_cast<int>(steps_.size()) - 1);
}

void BuildDesk::show_next(int by) {
    // What is done comes before what is not, in the order of the list.
    std::vector<std::size_t> order;
    for (std::size_t i = 0; i < steps_.size(); ++i)
        if (std::find(now_.order.begin(), now_.order.end(), i) == now_.order.end()) order.push_back(i);
    order.insert(order.end(), now_.order.begin(), now_.order.end());
    const auto at = std::find(order.begin(), order.end(), static_cast<std::size_t>(std::max(0, shown())));
    if (at == order.end()) return;
    const auto place =
        std::clamp<std::ptrdiff_t>(at - order.begin() + by, 0, static_cast<std::ptrdiff_t>(order.size()) - 1);
    show(static_cast<int>(order[static_cast<std::size_t>(place)]));
}

void BuildDesk::change_log(const QString& intention, const std::function<void(StepLog&)>& change) {
    if (shown() < 0) return;
    bench_.document.change(intention, [&](Project& p) { change(p.build.log[shown_]); });
}

const QImage& BuildDesk::page(bool bare) {
    if (plan_ && painted_ != plan_) {
        painted_ = plan_;
        const quint64 number = ++pages_asked_;
        bench_.worker.think(
            this, [this, number, project = project_, plan = plan_](Planner&) -> std::function<void()> {
                Project bare_project = project;
                bare_project.set_out.photos.clear();
                bare_project.dress = {};
                Plan bare_plan = *plan;
                bare_plan.dress = {};
                std::array pages{page_picture(project, *plan, picture_detail),
                                 page_picture(bare_project, bare_plan, picture_detail)};
                return [this, number, pages = std::move(pages)] {
                    if (number != pages_asked_) return;
                    pages_answered_ = number;
                    pages_ = pages;
                    emit pages_painted();
                };
            });
    }
    return pages_[bare ? 1 : 0];
}

void BuildDesk::have_minutes(int minutes) {
    if (minutes == minutes_there_are_) return;
    minutes_there_are_ = minutes;
    ask();
}

void BuildDesk::ask_about(const Habits& other, std::function<void(const QString&)> said) {
    if (!plan_) return;
    bench_.worker.think(
        this,
        [project = project_, plan = plan_, other, said = std::move(said)](Planner&) -> std::function<void()> {
            QStringList all;
            for (const std::string& one : habit_changes(project, *plan, other)) all << words(one);
            return [said, all] { said(all.join(" ")); };
        });
}

void BuildDesk::start_or_pause() {
    if (shown() < 0) return;
    const auto at = bench_.document.project().build.log.find(shown_);
    const bool running = at != bench_.document.project().build.log.end() && at->second.running > 0;
    const std::int64_t moment = clock();
    if (running)
        change_log("Pause the step", [&](StepLog& log) { pause(log, moment); });
    else
        change_log("Start the step", [&](StepLog& log) { start(log, moment); });
}

void BuildDesk::tick_off() {
    const std::int64_t moment = clock();
    show_first_ = true;
    change_log("Tick off the step", [&](StepLog& log) { zesty::tick_off(log, moment); });
}

void BuildDesk::take_tick_off() {
    change_log("Take the tick off the step", [](StepLog& log) { zesty::take_tick_off(log); });
}

void BuildDesk::want_jobs() {
    jobs_wanted_ = true;
    if (!plan_) return;
    const quint64 number = ++jobs_asked_;
    bench_.worker.think_of_page(
        this,
        [this, number, project = project_, plan = plan_](Planner&,
                                                         const StopToken& stop) -> std::function<void()> {
            CuttingJobs jobs = all_cutting_jobs(project, *plan, mats_of(project, *plan, stop));
            return [this, number, jobs = std::move(jobs)]() mutable {
                if (number != jobs_asked_) return;
                jobs_answered_ = number;
                jobs_ = std::move(jobs);
                job_ = std::clamp(job_, 0, std::max(0, static_cast<int>(jobs_->jobs.size()) - 1));
                emit jobs_changed();
            };
        },
        [this, number] {
            if (number == jobs_asked_) want_jobs();
        });
}

void BuildDesk::choose_job(int job) {
    if (!jobs_ || job < 0 || job >= static_cast<int>(jobs_->jobs.size()) || job == job_) return;
    job_ = job;
    emit jobs_changed();
}

void BuildDesk::be_seen(bool seen) {
    if (seen && !minutes_.isActive()) {
        minutes_.start();
        ask();
    } else if (!seen) {
        minutes_.stop();
    }
}

} // namespace zesty
