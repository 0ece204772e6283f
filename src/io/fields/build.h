#pragma once
// What is stored of Build.

#include "core/build/decisions.h"
#include "io/fields/description.h"

namespace zesty {

template <class F, Describes<CuttingSettings> T> void describe(F& f, T& cutting) {
    f.number("overcut_mm", cutting.overcut, overcut_limits);
    f.word("corners", cutting.corners);
    f.number("blade_offset_mm", cutting.blade_offset, blade_offset_limits);
    f.number("sharp_deg", cutting.sharp_deg, sharp_limits);
    f.flag("face_down", cutting.face_down);
    f.flag("test_piece", cutting.test_piece);
    f.text("material", cutting.material);
}

template <class F, Describes<Habits> T> void describe(F& f, T& habits) {
    f.word("trim", habits.trim);
    f.word("first", habits.first);
    f.word("frame", habits.frame);
    f.word("mats", habits.mats);
}

template <class F, Describes<StepMinutes> T> void describe(F& f, T& m) {
    f.number("loading", m.loading, minutes_limits);
    f.number("trimming", m.trimming, minutes_limits);
    f.number("gutting", m.gutting, minutes_limits);
    f.number("lifting", m.lifting, minutes_limits);
    f.number("wetting", m.wetting, minutes_limits);
    f.number("laying_out", m.laying_out, minutes_limits);
    f.number("mounting", m.mounting, minutes_limits);
    f.number("letter", m.letter, minutes_limits);
    f.number("embellishment", m.embellishment, minutes_limits);
    f.number("word", m.word, minutes_limits);
    f.number("hole", m.hole, minutes_limits);
}

template <class F, Describes<DryingMinutes> T> void describe(F& f, T& m) {
    f.number("glue", m.glue, minutes_limits);
    f.number("acetate", m.acetate, minutes_limits);
    f.number("primer", m.primer, minutes_limits);
    f.number("paint", m.paint, minutes_limits);
    f.number("ink", m.ink, minutes_limits);
    f.number("splatter", m.splatter, minutes_limits);
    f.number("paste", m.paste, minutes_limits);
    f.number("pen", m.pen, minutes_limits);
}

template <class F, Describes<OwnStep> T> void describe(F& f, T& step) {
    f.whole("id", step.id, own_step_id_limits);
    f.text("what", step.what);
    f.text("after", step.after);
    f.text("before", step.before);
    f.number("hands_min", step.hands, minutes_limits);
    f.number("dries_min", step.dries, minutes_limits);
}

template <class F, Describes<Sitting> T> void describe(F& f, T& sitting) {
    f.number("minutes", sitting.minutes, sitting_limits);
    f.number("pause_min", sitting.pause, pause_limits);
    f.flag("away", sitting.away);
}

template <class F, Describes<StepLog> T> void describe(F& f, T& log) {
    f.whole("started", log.started, moment_limits);
    f.whole("running", log.running, moment_limits);
    f.whole("done", log.done, moment_limits);
    f.number("worked_s", log.worked, worked_limits);
}

template <class F, Describes<BuildDecisions> T> void describe(F& f, T& decided) {
    f.object("cutting", [&](auto& o) { describe(o, decided.cutting); });
    f.object("habits", [&](auto& o) { describe(o, decided.habits); });
    f.object("minutes", [&](auto& o) { describe(o, decided.minutes); });
    f.object("drying_minutes", [&](auto& o) { describe(o, decided.drying); });
    f.whole("pairs_of_hands", decided.pairs, pairs_limits);
    short_list(f, "sittings", decided.sittings, most_sittings,
               [](auto& o, auto& sitting) { describe(o, sitting); });
    short_list(f, "own_steps", decided.own_steps, most_own_steps,
               [](auto& o, auto& step) { describe(o, step); });
    f.values("reminders", decided.reminders, [](auto& v, const char* key, auto& said) { v.text(key, said); });
    f.map("log", decided.log, [](auto& o, auto& key, auto& log) {
        o.text("step", key);
        describe(o, log);
    });
}

} // namespace zesty
