// The steps of a page and when each is done.

#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/proposed.h"
#include "core/project/build_steps.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>
#include <iostream>
#include <nlohmann/json.hpp>
#include <numeric>

namespace zesty::cli {

namespace {

struct BuildArgs {
    std::string project;
    int hands = 1;
    bool json = false;
};

/// "1 h 05".
std::string clock(double minutes) {
    const long all = std::lround(minutes);
    const std::string rest = std::to_string(all % 60);
    return std::to_string(all / 60) + " h " + (rest.size() < 2 ? "0" : "") + rest;
}

std::string minutes_in_words(double minutes) {
    return std::to_string(std::max(1L, std::lround(std::ceil(minutes)))) + " min";
}

std::vector<std::size_t> by_start(const Timetable& times) {
    std::vector<std::size_t> out(times.start.size());
    std::iota(out.begin(), out.end(), std::size_t{0});
    std::stable_sort(out.begin(), out.end(),
                     [&](std::size_t a, std::size_t b) { return times.start[a] < times.start[b]; });
    return out;
}

nlohmann::json steps_json(const std::vector<BuildStep>& steps, const Timetable& times) {
    nlohmann::json all = nlohmann::json::array();
    for (const std::size_t i : by_start(times))
        all.push_back({{"id", i + 1},
                       {"what", steps[i].what},
                       {"start_min", times.start[i]},
                       {"hands_min", steps[i].time.hands},
                       {"dries_min", steps[i].time.dries},
                       {"pair", times.pair[i] + 1},
                       {"after",
                        [&] {
                            nlohmann::json after = nlohmann::json::array();
                            for (const std::size_t before : steps[i].time.after) after.push_back(before + 1);
                            return after;
                        }()},
                       {"caution", steps[i].caution}});
    return {{"format", "zesty-build/1"},
            {"steps", all},
            {"finish_min", times.finish},
            {"hands_until_min", times.busy}};
}

void say_steps(const std::vector<BuildStep>& steps, const Timetable& times, int hands) {
    for (const std::size_t i : by_start(times)) {
        std::cout << clock(times.start[i]) << "  ";
        if (hands > 1) std::cout << "(" << times.pair[i] + 1 << ") ";
        std::cout << steps[i].what << ": " << minutes_in_words(steps[i].time.hands);
        if (steps[i].time.dries > 0)
            std::cout << ", then " << minutes_in_words(steps[i].time.dries) << " of waiting";
        std::cout << "\n";
        if (!steps[i].caution.empty()) std::cout << "        " << steps[i].caution << "\n";
    }
    std::cout << "hands are busy until " << clock(times.busy) << ", everything is dry at "
              << clock(times.finish) << "\n";
}

} // namespace

static int run_build(const BuildArgs& args) {
    const auto p = planned(args.project, std::nullopt, 10);
    if (!p) return complain(p.error().message);
    const std::vector<BuildStep> steps = build_steps(p->project, p->plan);
    const Timetable times = timetable(times_of(steps), args.hands, p->project.seed);
    if (args.json)
        std::cout << steps_json(steps, times).dump(1) << "\n";
    else
        say_steps(steps, times, args.hands);
    return done;
}

namespace {

CLI::App* add_build(CLI::App& app, BuildArgs& a) {
    auto* c = app.add_subcommand("build", "The steps of the page in an order that wastes no waiting");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--hands", a.hands, "Pairs of hands")
        ->capture_default_str()
        ->check(CLI::Range(1, most_pairs_of_hands));
    c->add_flag("--json", a.json, "Print zesty-build/1");
    add_stash_option(*c);
    return c;
}

const Registered<BuildArgs> build_command(8, add_build, run_build);

} // namespace

} // namespace zesty::cli
