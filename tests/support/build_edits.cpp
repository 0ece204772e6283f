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

void keep_edit(Project& project, std::mt19937& random) {
    if (up_to(random, 2)) {
        PageNotes& n = project.keep.notes;
        n.story += "The red one got away.\n";
        n.tags.push_back("wind");
        n.album = up_to(random, 2) ? "Hill album" : "";
        n.made = "2026-10-1" + std::to_string(up_to(random, 10));
        project.keep.drop_outs = up_to(random, 2) != 0;
    } else {
        // As if something had been cut: where it lay, what it left, what else was taken.
        const double side = between(random, 5, 200);
        const Polygon square{{{0, 0}, {side, 0}, {side, side}, {0, side}}, {}};
        KeepDecisions& keep = project.keep;
        keep.record = "r" + std::to_string(up_to(random, 99));
        ++keep.takings;
        keep.taken.push_back(
            {"barley#cut" + std::to_string(keep.takings), "barley", SheetKind::Offcut, square, {}, {}});
        keep.taken.back().patches.push_back({Spot(up_to(random, 5)),
                                             up_to(random, 2) ? Side::A : Side::B,
                                             between(random, -180, 180),
                                             {between(random, -90, 90), side},
                                             false,
                                             square});
        keep.taken.back().pieces.push_back({"base 1", square});
        keep.changes.push_back(
            {"barley", {square, 1, true, up_to(random, 2) != 0, ScrapOf::Spare, "Kite Hill"}, true});
        keep.had.embellishments["bow"] += 1;
        keep.had.letters["cork"]["K"] += 2;
    }
}

} // namespace zesty::testing
