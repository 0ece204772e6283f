#include "core/build/deeds.h"

#include "core/build/step.h"

#include <algorithm>
#include <cassert>
#include <map>

namespace zesty {

namespace {

bool is_laid_on(Deed deed) {
    return deed == Deed::Backs || deed == Deed::LaysOn || deed == Deed::Fills || deed == Deed::Closes;
}

template <class Wanted> std::vector<std::string> things_of(const BuildStep& step, Wanted wanted) {
    std::vector<std::string> out;
    for (const StepDeed& deed : step.deeds)
        if (wanted(deed.deed) && std::find(out.begin(), out.end(), deed.thing) == out.end())
            out.push_back(deed.thing);
    return out;
}

/// What one step does with one thing.
struct Doing {
    std::size_t step = 0;
    Deed deed = Deed::Makes;
};

void order_lives(const std::map<std::string, std::vector<Doing>>& lives, std::vector<BuildStep>& steps) {
    for (const auto& [thing, life] : lives)
        for (const Doing& later : life)
            for (const Doing& earlier : life)
                if (earlier.deed < later.deed && earlier.step != later.step)
                    steps[later.step].time.after.push_back(earlier.step);
}

} // namespace

std::vector<std::string> taken_by(const BuildStep& step) {
    return things_of(step, [](Deed d) { return d != Deed::Makes && !is_laid_on(d); });
}

std::vector<std::string> made_by(const BuildStep& step) {
    return things_of(step, [](Deed d) { return d == Deed::Makes || d == Deed::Divides; });
}

std::vector<std::string> laid_on_by(const BuildStep& step) {
    return things_of(step, is_laid_on);
}

std::vector<std::string> wetted_by(const BuildStep& step) {
    return things_of(step, [](Deed d) { return d == Deed::Wets; });
}

std::vector<std::size_t> possible_order(const std::vector<BuildStep>& steps) {
    std::vector<std::size_t> out;
    std::vector<char> done(steps.size(), 0);
    while (out.size() < steps.size()) {
        std::size_t next = steps.size();
        for (std::size_t i = 0; i < steps.size() && next == steps.size(); ++i)
            if (!done[i] && std::all_of(steps[i].time.after.begin(), steps[i].time.after.end(),
                                        [&](std::size_t b) { return done[b] != 0; }))
                next = i;
        if (next == steps.size()) return {};
        done[next] = 1;
        out.push_back(next);
    }
    return out;
}

std::vector<BuildStep> reordered(std::vector<BuildStep> steps, const std::vector<std::size_t>& order) {
    std::vector<std::size_t> place(steps.size());
    for (std::size_t i = 0; i < order.size(); ++i) place[order[i]] = i;
    std::vector<BuildStep> out;
    for (const std::size_t i : order) {
        std::vector<std::size_t>& after = steps[i].time.after;
        for (std::size_t& before : after) before = place[before];
        std::sort(after.begin(), after.end());
        after.erase(std::unique(after.begin(), after.end()), after.end());
        out.push_back(std::move(steps[i]));
    }
    return out;
}

void put_in_order(std::vector<BuildStep>& steps) {
    std::map<std::string, std::vector<Doing>> lives;
    for (std::size_t i = 0; i < steps.size(); ++i)
        for (const StepDeed& deed : steps[i].deeds) lives[deed.thing].push_back({i, deed.deed});
    order_lives(lives, steps);
    std::vector<std::size_t> order = possible_order(steps);
    assert(order.size() == steps.size());
    if (order.size() < steps.size()) {
        for (std::size_t i = 0; i < steps.size(); ++i)
            std::erase_if(steps[i].time.after, [&](std::size_t before) { return before >= i; });
        order = possible_order(steps);
    }
    steps = reordered(std::move(steps), order);
}

} // namespace zesty
