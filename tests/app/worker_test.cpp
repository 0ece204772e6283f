// The second pair of hands: what is asked of it, and what makes it let go.

#include "app/bench/worker.h"
#include "support/patience.h"

#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

namespace {

/// A question that is never done, and what became of it.
struct Endless {
    bool missed = false;
    bool answered = false;
    std::atomic<bool> begun{false};

    void ask(Worker& worker, QObject& asker) {
        worker.think_of_page(
            &asker,
            [this](Planner&, const StopToken& stop) {
                begun = true;
                while (!stop()) QThread::msleep(1);
                return std::function<void()>([this] { answered = true; });
            },
            [this] { missed = true; });
    }
};

} // namespace

TEST(Worker, AQuestionAboutThePageLetsTheNextPlanThrough) {
    Worker worker(std::make_shared<NestMemory>());
    QObject asker;
    Endless under_way, waiting;
    under_way.ask(worker, asker);
    waiting.ask(worker, asker);
    ASSERT_TRUE(QTest::qWaitFor([&] { return under_way.begun.load(); }, patience_ms));
    bool planned = false;
    QObject::connect(&worker, &Worker::plan_ready, &asker, [&] { planned = true; });
    (void)worker.plan(Project{}, false);
    ASSERT_TRUE(QTest::qWaitFor([&] { return planned && worker.idle(); }, patience_ms));
    for (const Endless* one : {&under_way, &waiting}) {
        EXPECT_TRUE(one->missed);
        EXPECT_FALSE(one->answered);
    }
    EXPECT_FALSE(waiting.begun.load()) << "of a page that is not there any more";
}

TEST(Worker, AQuestionNobodyDisturbsIsAnswered) {
    Worker worker(std::make_shared<NestMemory>());
    QObject asker;
    bool answered = false;
    worker.think_of_page(
        &asker, [&](Planner&, const StopToken&) { return std::function<void()>([&] { answered = true; }); },
        [] { FAIL() << "nothing was edited"; });
    EXPECT_TRUE(QTest::qWaitFor([&] { return answered; }, patience_ms));
}

} // namespace zesty
