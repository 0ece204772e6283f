#include "core/project/learned_pace.h"

#include "core/build/progress.h"
#include "core/sentences.h"

#include <cmath>

namespace zesty {

namespace {

const char* name_of(StepKind kind) {
    switch (kind) {
    case StepKind::Gut:
        return "gutting a frame";
    case StepKind::Trim:
        return "trimming";
    case StepKind::MachineCut:
        return "loading the machine";
    case StepKind::Lift:
        return "lifting off the mat";
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

void take_over_pace(Project& project, const std::vector<BuildStep>& steps) {
    const std::vector<double> pace = pace_of(steps, project.build);
    const auto of = [&](StepKind kind) { return pace[static_cast<std::size_t>(kind)]; };
    StepMinutes& m = project.build.minutes;
    m.loading *= of(StepKind::MachineCut);
    m.trimming *= of(StepKind::Trim);
    m.gutting *= of(StepKind::Gut);
    m.lifting *= of(StepKind::Lift);
    m.wetting *= of(StepKind::Wet);
    m.laying_out *= of(StepKind::LayOut);
    m.mounting *= of(StepKind::Mount);
    m.letter *= of(StepKind::Title);
    m.embellishment *= of(StepKind::Embellish);
    m.word *= of(StepKind::Write);
    m.hole *= of(StepKind::Stitch);
    Pace& p = project.sections.pace;
    const double backing = of(StepKind::Back);
    for (double* speed : {&p.scissors, &p.pencil, &p.glue}) *speed = speed_limits.nearest(*speed / backing);
    for (double* seconds : {&p.placing, &p.punching}) *seconds = seconds_limits.nearest(*seconds * backing);
    p.foam = seconds_limits.nearest(p.foam * of(StepKind::Foam));
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
