#include "core/project/learned_pace.h"

#include "core/build/progress.h"
#include "core/sentences.h"

#include <cmath>
#include <map>

namespace zesty {

namespace {

/// A timing beyond these was a forgotten clock.
constexpr Limits factor_limits{0.2, 5};

const char* name_of(StepKind kind) {
    switch (kind) {
    case StepKind::Gut:
        return "gutting a frame";
    case StepKind::Trim:
        return "trimming";
    case StepKind::MachineCut:
        return "loading the machine";
    case StepKind::Lift:
        return "lifting off the cutting mat";
    case StepKind::HandCut:
        return "cutting by hand";
    case StepKind::Back:
        return "backing";
    case StepKind::LoosePieces:
        return "gluing loose pieces";
    case StepKind::Shaker:
        return "making shakers";
    case StepKind::Wet:
        return "wet work";
    case StepKind::Stitch:
        return "stitching";
    case StepKind::LayOut:
        return "laying out";
    case StepKind::Foam:
        return "foam";
    case StepKind::Mount:
        return "mounting";
    case StepKind::Title:
        return "the title";
    case StepKind::Embellish:
        return "embellishing";
    case StepKind::Write:
        return "writing";
    case StepKind::Frame:
        return "framing";
    case StepKind::Finish:
        return "finishing";
    case StepKind::Own:
        break;
    }
    return "own steps";
}

} // namespace

namespace {

using PaceByKind = std::map<StepKind, double>;

/// The minutes of kinds that are known become so many times those they are measured by.
void take_over(const PaceByKind& pace, const StepMinutes& by, const Pace& speeds, Project& project) {
    const auto set = [&](StepKind kind, double& minutes, double usual) {
        if (const auto at = pace.find(kind); at != pace.end())
            minutes = minutes_limits.nearest(usual * at->second);
    };
    StepMinutes& m = project.build.minutes;
    set(StepKind::MachineCut, m.loading, by.loading);
    set(StepKind::Trim, m.trimming, by.trimming);
    set(StepKind::Gut, m.gutting, by.gutting);
    set(StepKind::Lift, m.lifting, by.lifting);
    set(StepKind::Wet, m.wetting, by.wetting);
    set(StepKind::LayOut, m.laying_out, by.laying_out);
    set(StepKind::Mount, m.mounting, by.mounting);
    set(StepKind::Title, m.letter, by.letter);
    set(StepKind::Embellish, m.embellishment, by.embellishment);
    set(StepKind::Write, m.word, by.word);
    set(StepKind::Stitch, m.hole, by.hole);
    Pace& p = project.sections.pace;
    if (const auto backing = pace.find(StepKind::Back); backing != pace.end()) {
        p.scissors = speed_limits.nearest(speeds.scissors / backing->second);
        p.pencil = speed_limits.nearest(speeds.pencil / backing->second);
        p.glue = speed_limits.nearest(speeds.glue / backing->second);
        p.placing = seconds_limits.nearest(speeds.placing * backing->second);
        p.punching = seconds_limits.nearest(speeds.punching * backing->second);
    }
    if (const auto foam = pace.find(StepKind::Foam); foam != pace.end())
        p.foam = seconds_limits.nearest(speeds.foam * foam->second);
}

} // namespace

void take_over_pace(Project& project, const std::vector<BuildStep>& steps) {
    const std::vector<double> pace = pace_of(steps, project.build);
    PaceByKind known;
    for (std::size_t k = 0; k < pace.size(); ++k)
        if (pace[k] != 1) known[static_cast<StepKind>(k)] = pace[k];
    take_over(known, StepMinutes(project.build.minutes), Pace(project.sections.pace), project);
}

void take_over_own_pace(Project& project, const std::vector<OwnPace>& pace) {
    PaceByKind known;
    for (const OwnPace& p : pace)
        if (const auto kind = named<StepKind>(p.step)) known[*kind] = factor_limits.nearest(p.factor);
    take_over(known, {}, {}, project);
}

std::string own_pace_in_words(const OwnPace& pace) {
    const auto kind = named<StepKind>(pace.step);
    const long percent_more = std::lround((pace.factor - 1) * 100);
    const std::string what = kind ? name_of(*kind) : pace.step;
    if (percent_more == 0) return sentence(what + " takes as long as usual");
    return sentence(what + " takes " + std::to_string(std::abs(percent_more)) + " % " +
                    (percent_more > 0 ? "longer" : "less") + " than usual");
}

std::vector<std::string> pace_in_words(const Project& project, const std::vector<BuildStep>& steps) {
    const std::vector<double> pace = pace_of(steps, project.build);
    std::vector<std::string> out;
    for (std::size_t k = 0; k < pace.size(); ++k) {
        const long percent_more = std::lround((pace[k] - 1) * 100);
        if (percent_more == 0) continue;
        out.push_back(sentence(std::string(name_of(static_cast<StepKind>(k))) + " takes " +
                               std::to_string(std::abs(percent_more)) + " % " +
                               (percent_more > 0 ? "longer" : "less") + " than planned"));
    }
    return out;
}

} // namespace zesty
