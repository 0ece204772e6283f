#include "support/build_edits.h"

#include "core/build/progress.h"
#include "support/between.h"

namespace zesty::testing {

namespace {

int up_to(std::mt19937& random, int n) {
    return static_cast<int>(random() % static_cast<unsigned>(n));
}

} // namespace

void build_edit(Project& project, std::mt19937& random) {
    BuildDecisions& b = project.build;
    switch (up_to(random, 9)) {
    case 0:
        b.cutting = {between(random, 0, 5),
                     static_cast<Corners>(up_to(random, 3)),
                     between(random, 0, 2),
                     between(random, 5, 170),
                     up_to(random, 2) != 0,
                     up_to(random, 2) != 0,
                     "vellum"};
        break;
    case 1:
        b.habits = {static_cast<TrimBase>(up_to(random, 2)), static_cast<FirstWork>(up_to(random, 2)),
                    static_cast<FrameBase>(up_to(random, 2)), static_cast<CutMats>(up_to(random, 2))};
        break;
    case 2:
        b.minutes.wetting = between(random, 0, 90);
        b.drying.paste = between(random, 0, 90);
        break;
    case 3:
        b.own_steps.push_back({1 + up_to(random, 9), "Press the kite",
                               "lift:", up_to(random, 2) ? "finish" : "", between(random, 0, 30),
                               between(random, 0, 90)});
        break;
    case 4:
        b.reminders.push_back("Date on the back");
        break;
    case 5:
        b.sittings.push_back({between(random, 5, 200), between(random, 0, 2000), up_to(random, 2) != 0});
        break;
    case 6:
        tick_off(b.log["lay-out"], 1'796'000'000 + up_to(random, 100'000));
        break;
    case 7:
        start(b.log["cut:"], 1'796'000'000);
        b.pairs = 1 + up_to(random, 4);
        break;
    default:
        pause(b.log["cut:"], 1'796'000'000 + up_to(random, 10'000));
    }
}

} // namespace zesty::testing
