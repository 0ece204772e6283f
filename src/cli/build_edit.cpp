#include "cli/build_args.h"
#include "cli/typed.h"
#include "core/project/learned_pace.h"

#include <QDateTime>
#include <algorithm>

namespace zesty::cli {

namespace {

template <class Enum> Result<void> take_word(const char* option, const std::string& text, Enum& to) {
    if (text.empty()) return {};
    const auto word = typed_word<Enum>(option, text);
    if (!word) return tl::make_unexpected(word.error());
    to = *word;
    return {};
}

Result<void> check_number(const char* option, const std::optional<double>& number, Limits limits) {
    if (!number || limits.hold(*number)) return {};
    return fail(ErrorKind::BadInput, std::string(option) + ": must be from " + std::to_string(limits.least) +
                                         " to " + std::to_string(limits.most));
}

/// A step by its key, or by its number in the list.
Result<std::string> typed_step(const char* option, const std::string& text,
                               const std::vector<BuildStep>& steps) {
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (steps[i].key == text || std::to_string(i + 1) == text) return steps[i].key;
    return fail(ErrorKind::BadInput,
                std::string(option) + ": there is no step '" + text + "'; `zesty build PROJECT` lists them");
}

Result<void> take_cutting(const BuildArgs& a, CuttingSettings& cutting) {
    if (auto r = take_length("--overcut", a.overcut, overcut_limits, cutting.overcut); !r) return r;
    if (auto r = take_length("--blade-offset", a.blade_offset, blade_offset_limits, cutting.blade_offset); !r)
        return r;
    if (auto r = take_word("--corners", a.corners, cutting.corners); !r) return r;
    if (auto r = check_number("--sharp", a.sharp, sharp_limits); !r) return r;
    if (a.sharp) cutting.sharp_deg = *a.sharp;
    if (a.face_down) cutting.face_down = true;
    if (a.face_up) cutting.face_down = false;
    if (a.test_piece) cutting.test_piece = true;
    if (a.no_test_piece) cutting.test_piece = false;
    if (!a.material.empty()) cutting.material = a.material;
    return {};
}

Result<void> take_habits(const BuildArgs& a, Habits& habits) {
    if (auto r = take_word("--trim", a.trim, habits.trim); !r) return r;
    if (auto r = take_word("--first", a.first, habits.first); !r) return r;
    if (auto r = take_word("--frame", a.frame, habits.frame); !r) return r;
    return take_word("--mats", a.mats, habits.mats);
}

Result<void> take_own_step(const BuildArgs& a, const std::vector<BuildStep>& steps, BuildDecisions& build) {
    if (!a.add_step.empty()) {
        OwnStep own;
        own.id = next_own_id(build);
        own.what = a.add_step;
        for (const auto& [option, typed, to] :
             {std::tuple{"--after", &a.after, &own.after}, std::tuple{"--before", &a.before, &own.before}}) {
            if (typed->empty()) continue;
            auto key = typed_step(option, *typed, steps);
            if (!key) return tl::make_unexpected(key.error());
            *to = *key;
        }
        if (auto r = check_number("--minutes", a.minutes, minutes_limits); !r) return r;
        if (auto r = check_number("--dries", a.dries, minutes_limits); !r) return r;
        own.hands = a.minutes.value_or(own.hands);
        own.dries = a.dries.value_or(own.dries);
        if (build.own_steps.size() == most_own_steps)
            return fail(ErrorKind::BadInput, "--add-step: there are " + std::to_string(most_own_steps) +
                                                 " own steps, which is as many as there may be");
        build.own_steps.push_back(std::move(own));
    }
    if (a.remove_step > 0) {
        const auto gone =
            std::erase_if(build.own_steps, [&](const OwnStep& s) { return s.id == a.remove_step; });
        if (gone == 0)
            return fail(ErrorKind::BadInput,
                        "--remove-step: there is no own step " + std::to_string(a.remove_step));
    }
    return {};
}

Result<Sitting> typed_sitting(const std::string& text) {
    Sitting out;
    std::size_t number = 0;
    for (const std::string& part : split(text, ',')) {
        if (part == "away") {
            out.away = true;
            continue;
        }
        const auto typed = typed_number("--sitting", part, number == 0 ? sitting_limits : pause_limits);
        if (!typed) return tl::make_unexpected(typed.error());
        (number++ == 0 ? out.minutes : out.pause) = *typed;
    }
    return out;
}

Result<void> take_sittings(const BuildArgs& a, BuildDecisions& build) {
    if (a.no_sittings) build.sittings.clear();
    for (const std::string& text : a.sittings) {
        const auto sitting = typed_sitting(text);
        if (!sitting) return tl::make_unexpected(sitting.error());
        if (build.sittings.size() == most_sittings)
            return fail(ErrorKind::BadInput, "--sitting: there may be " + std::to_string(most_sittings));
        build.sittings.push_back(*sitting);
    }
    if (!a.remind.empty()) {
        if (build.reminders.size() == most_reminders)
            return fail(ErrorKind::BadInput, "--remind: there may be " + std::to_string(most_reminders));
        build.reminders.push_back(a.remind);
    }
    if (!a.forget.empty() &&
        std::erase_if(build.reminders, [&](const std::string& r) { return r == a.forget; }) == 0)
        return fail(ErrorKind::BadInput, "--forget: there is no reminder '" + a.forget + "'");
    return {};
}

Result<void> take_log(const BuildArgs& a, const std::vector<BuildStep>& steps, std::int64_t now,
                      BuildDecisions& build) {
    const auto apply = [&](const char* option, const std::string& typed, auto change) -> Result<void> {
        if (typed.empty()) return {};
        const auto key = typed_step(option, typed, steps);
        if (!key) return tl::make_unexpected(key.error());
        change(build.log[*key]);
        return {};
    };
    if (auto r = apply("--start", a.start, [&](StepLog& log) { start(log, now); }); !r) return r;
    if (auto r = apply("--pause", a.pause, [&](StepLog& log) { pause(log, now); }); !r) return r;
    if (auto r = apply("--done", a.done, [&](StepLog& log) { tick_off(log, now); }); !r) return r;
    return apply("--not-done", a.not_done, [&](StepLog& log) { take_tick_off(log); });
}

} // namespace

Result<void> edit_build(const BuildArgs& a, const std::vector<BuildStep>& steps, std::int64_t now,
                        Project& project) {
    BuildDecisions& build = project.build;
    if (a.hands > 0) build.pairs = a.hands;
    if (auto r = take_cutting(a, build.cutting); !r) return r;
    if (auto r = take_habits(a, build.habits); !r) return r;
    if (auto r = take_own_step(a, steps, build); !r) return r;
    if (auto r = take_sittings(a, build); !r) return r;
    if (auto r = take_log(a, steps, now, build); !r) return r;
    if (a.take_pace) take_over_pace(project, steps);
    return {};
}

Result<std::int64_t> typed_moment(const std::string& at) {
    if (at.empty()) return QDateTime::currentSecsSinceEpoch();
    const QDateTime moment = QDateTime::fromString(QString::fromStdString(at), Qt::ISODate);
    if (!moment.isValid() || moment.toSecsSinceEpoch() <= 0)
        return fail(ErrorKind::BadInput, "--at: '" + at + "' is not a time such as 2026-11-28T19:30");
    return moment.toSecsSinceEpoch();
}

} // namespace zesty::cli
