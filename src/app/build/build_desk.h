#pragma once
// The work as it stands: its steps from the plan, what has been done, which step is on show, and what the
// machine is to cut. Worked out off the window's thread; views listen to its signals.

#include "app/bench/waypoint_view.h"
#include "core/build/progress.h"
#include "core/project/cutting_jobs.h"

#include <QImage>
#include <QTimer>
#include <array>
#include <cstdint>
#include <optional>

namespace zesty {

class BuildDesk : public QObject {
    Q_OBJECT
public:
    BuildDesk(const BenchParts& bench, QObject* parent);

    /// Seconds since 1970, as everybody here counts.
    std::int64_t clock() const;

    bool known() const { return plan_ != nullptr; } ///< the steps are; false until a plan is complete
    const Project& project() const { return project_; }
    const Plan& plan() const { return *plan_; }
    std::shared_ptr<const Plan> shared_plan() const { return plan_; }
    const std::vector<BuildStep>& steps() const { return steps_; }
    const BuildNow& now() const { return now_; }
    bool up_to_date() const {
        return asked_ == answered_ && jobs_asked_ == jobs_answered_ && pages_asked_ == pages_answered_;
    }

    /// The page as a picture; bare without what lies on the cuts. The one before, or none, until it is
    /// painted.
    const QImage& page(bool bare);

    int shown() const; ///< into steps(); -1 for none
    void show(int step);
    void show_next(int by); ///< in the order in which they come
    /// What comes first now.
    void show_first();

    void start_or_pause();
    void tick_off();
    void take_tick_off();

    /// What can be begun now and be done in the time there is.
    const std::vector<std::size_t>& in_the_time() const { return in_the_time_; }
    int minutes_there_are() const { return minutes_there_are_; }
    void have_minutes(int minutes);
    /// What turning habits round would change; said(words) once that is worked out.
    void ask_about(const Habits& other, std::function<void(const QString&)> said);

    /// Null until somebody has wanted them and they are worked out.
    const CuttingJobs* jobs() const { return jobs_ ? &*jobs_ : nullptr; }
    void want_jobs();
    /// The first time only; after that they follow the plan.
    void want_jobs_once() {
        if (!jobs_wanted_) want_jobs();
    }
    int job() const { return job_; }
    void choose_job(int job);

    /// While it is seen, time goes on.
    void be_seen(bool seen);

signals:
    void changed();
    void shown_changed();
    void jobs_changed();
    void pages_painted();

private:
    void ask();
    void say_what_is_dry(const std::vector<BuildStep>& steps, const BuildNow& now);
    void change_log(const QString& intention, const std::function<void(StepLog&)>& change);
    /// Everything but what is decided at Build is as it was planned.
    bool plan_holds() const;

    BenchParts bench_;
    Project project_; ///< the plan's
    std::shared_ptr<const Plan> plan_;
    std::vector<BuildStep> steps_;
    BuildNow now_;
    std::vector<std::size_t> in_the_time_;
    int minutes_there_are_ = 20;
    std::string shown_;       ///< key
    bool show_first_ = false; ///< once the new order is known
    std::optional<CuttingJobs> jobs_;
    bool jobs_wanted_ = false;
    int job_ = 0;
    std::array<QImage, 2> pages_;
    std::shared_ptr<const Plan> painted_; ///< the plan they are of, or will be
    quint64 asked_ = 0, answered_ = 0, jobs_asked_ = 0, jobs_answered_ = 0, pages_asked_ = 0,
            pages_answered_ = 0;
    QTimer minutes_;
};

} // namespace zesty
