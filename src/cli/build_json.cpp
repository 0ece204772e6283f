#include "cli/build_json.h"

#include "cli/build_say.h"
#include "core/build/tool_path.h"
#include "core/project/build_lists.h"
#include "core/project/build_steps.h"
#include "core/project/learned_pace.h"

namespace zesty::cli {

using nlohmann::json;

json steps_json(const std::vector<BuildStep>& steps, const BuildNow& now, const BuildDecisions& decided) {
    json all = json::array();
    const auto one = [&](std::size_t i) {
        const BuildStep& s = steps[i];
        json after = json::array();
        for (const std::size_t before : s.time.after) after.push_back(before + 1);
        json rows = json::array();
        for (const auto& [name, words] : s.rows) rows.push_back({{"name", name}, {"words", words}});
        all.push_back({{"id", i + 1},
                       {"key", s.key},
                       {"kind", key_of(s.kind)},
                       {"what", s.what},
                       {"state", key_of(now.steps[i].state)},
                       {"start_min", now.steps[i].start},
                       {"left_min", now.steps[i].left},
                       {"dry_in_min", now.steps[i].dry_in},
                       {"hands_min", s.time.hands},
                       {"dries_min", s.time.dries},
                       {"machine", s.time.machine},
                       {"pair", now.steps[i].pair + 1},
                       {"sitting", now.steps[i].sitting + 1},
                       {"after", after},
                       {"rows", rows},
                       {"needs", s.needs},
                       {"takes", taken_by(s)},
                       {"makes", made_by(s)},
                       {"on", laid_on_by(s)},
                       {"wet", wetted_by(s)},
                       {"face_down", s.face_down},
                       {"caution", s.caution}});
    };
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (now.steps[i].state == StepState::Done || now.steps[i].state == StepState::Dries) one(i);
    for (const std::size_t i : now.order) one(i);
    return {{"format", "zesty-build/1"},         {"steps", all},
            {"pairs_of_hands", decided.pairs},   {"finish_min", now.finish},
            {"hands_until_min", now.busy},       {"later_min", now.later},
            {"beyond_sittings_min", now.beyond}, {"reminders", decided.reminders}};
}

json next_json(const Project& project, const std::vector<BuildStep>& steps, std::int64_t now,
               double minutes) {
    json out{{"minutes", minutes}, {"steps", json::array()}};
    for (const std::size_t i : in_the_next(steps, project.build, now, minutes, project.seed))
        out["steps"].push_back(i + 1);
    return out;
}

json lists_json(const Project& project, const Plan& plan) {
    json out = json::array();
    for (const BuildList& list : build_lists(project, plan)) {
        json lines = json::array();
        for (const ListLine& line : list.lines)
            lines.push_back({{"what", line.what}, {"how_much", line.how_much}, {"note", line.note}});
        out.push_back({{"name", list.name}, {"lines", lines}});
    }
    return {{"lists", out}, {"trimmer", trimmer_settings(project, plan)}};
}

json packing_json(const Project& project, const std::vector<BuildStep>& steps, const BuildNow& now) {
    json out = json::array();
    for (const PackingList& list : packing_lists(steps, now, project.build)) {
        json of = json::array();
        for (const std::size_t i : list.steps) of.push_back(i + 1);
        out.push_back({{"sitting", list.sitting + 1},
                       {"away", list.away},
                       {"work_min", list.work},
                       {"things", list.things},
                       {"steps", of}});
    }
    return out;
}

json what_if_json(const Project& project, const Plan& plan) {
    json out = json::array();
    for (const auto& [name, habits] : habits_turned_round(project.build.habits))
        out.push_back({{"habit", name}, {"changes", habit_changes(project, plan, habits)}});
    return out;
}

json one_more_sheet_json(const Project& project, const Plan& plan) {
    Planner planner;
    json out = json::array();
    for (const OneMoreSheet& one : one_more_sheet(project, plan, planner))
        out.push_back({{"paper", one.paper},
                       {"size_mm", {one.width, one.height}},
                       {"short_now", one.short_now},
                       {"short_then", one.short_then}});
    return out;
}

json cutting_json(const CuttingJobs& cutting) {
    json out = json::array();
    for (const CuttingJob& job : cutting.jobs)
        out.push_back({{"key", job.key},
                       {"from", job.from},
                       {"material", job.material},
                       {"good_side_up", job.good_side_up},
                       {"part", job.part},
                       {"parts", job.parts},
                       {"contours", job.file.contours.size()},
                       {"travel_mm", travel_as_given(job.file.contours)}});
    return {{"jobs", out}, {"too_large", cutting.too_large}};
}

} // namespace zesty::cli
