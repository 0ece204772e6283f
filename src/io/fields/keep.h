#pragma once
// What is stored of Keep: in a page what has been cut for it, in the stash the records of pages.

#include "core/keep/decisions.h"
#include "io/fields/description.h"
#include "io/fields/outline.h"

namespace zesty {

inline constexpr Limits area_limits{0, 1e9};
inline constexpr Limits how_many_limits{0, 1'000'000};
inline constexpr Limits size_limits{0, 10'000};
inline constexpr Limits work_limits{0, 1e6};
inline constexpr Limits palette_share_limits{0, 1.000001};

template <class F, Describes<PageNotes> T> void describe(F& f, T& notes) {
    f.text("story", notes.story);
    f.values("tags", notes.tags, [](auto& v, const char* key, auto& tag) { v.text(key, tag); });
    f.text("photos_of", notes.photos_of);
    f.text("made", notes.made);
    f.text("album", notes.album);
    f.text("place", notes.place);
    f.text("next_time", notes.next_time);
    f.text("licence", notes.licence);
    f.check("tags", [&] { return notes.tags.size() <= most_tags; });
}

template <class F, Describes<RecordPaper> T> void describe(F& f, T& paper) {
    f.text("uid", paper.uid);
    f.text("name", paper.name);
    f.colour("colour", paper.colour);
    f.flag("side_a", paper.side_a);
    f.flag("side_b", paper.side_b);
    f.whole("sheets", paper.sheets, how_many_limits);
    f.whole("scraps", paper.scraps, how_many_limits);
    f.whole("back", paper.back, how_many_limits);
    f.number("taken_mm2", paper.taken, area_limits);
    f.number("used_mm2", paper.used, area_limits);
    f.number("returned_mm2", paper.returned, area_limits);
}

template <class F, Describes<PageFacts> T> void describe(F& f, T& facts) {
    f.number("width_mm", facts.width, size_limits);
    f.number("height_mm", facts.height, size_limits);
    f.flag("spread", facts.spread);
    f.list("cuts", facts.cuts, [](auto& o, auto& cut) {
        o.text("name", cut.name);
        o.number("width_mm", cut.width, size_limits);
        o.number("height_mm", cut.height, size_limits);
    });
    f.list("papers", facts.papers, [](auto& o, auto& paper) { describe(o, paper); });
    f.list("palette", facts.palette, [](auto& o, auto& c) {
        o.colour("colour", c.colour);
        o.number("share", c.share, palette_share_limits);
    });
    f.whole("photos", facts.photos, how_many_limits);
    f.whole("openings", facts.openings, how_many_limits);
    f.whole("backed", facts.backed, how_many_limits);
    f.number("planned_min", facts.planned, work_limits);
    f.number("worked_min", facts.worked, work_limits);
    f.list("pace", facts.pace, [](auto& o, auto& pace) {
        o.text("step", pace.step);
        o.number("usual_min", pace.usual, work_limits);
        o.number("took_min", pace.took, work_limits);
    });
    f.number("from_scraps_mm2", facts.from_scraps, area_limits);
    f.number("from_gutting_mm2", facts.from_gutting, area_limits);
}

template <class F, Describes<PageRecord> T> void describe(F& f, T& record) {
    f.text("id", record.id);
    f.text("title", record.title);
    f.object("notes", [&](auto& o) { describe(o, record.notes); });
    f.text("finished", record.finished);
    f.whole("takings", record.takings, how_many_limits);
    if constexpr (!std::is_same_v<F, Settler>) {
        PageFacts facts = record.facts ? *record.facts : PageFacts{};
        f.object("facts", [&](auto& o) { describe(o, facts); });
        if constexpr (std::is_same_v<F, Reader>)
            record.facts = std::make_shared<const PageFacts>(std::move(facts));
    }
    f.text("picture", record.picture);
    f.text("photo", record.photo);
    f.text("page", record.page);
    f.text("file", record.file);
    f.text("uid", record.uid);
    f.check("id", [&] { return !record.id.empty(); });
}

template <class F, Describes<SheetStock> T> void describe(F& f, T& sheet) {
    outline_field(f, "outline", sheet.outline);
    f.whole("count", sheet.count, how_many_limits);
    f.flag("irregular", sheet.irregular);
    f.flag("clean", sheet.clean);
    f.word("of", sheet.of);
    f.text("from_page", sheet.from_page);
}

template <class F, Describes<TakenSheet> T> void describe(F& f, T& sheet) {
    f.text("id", sheet.id);
    f.text("paper", sheet.paper);
    f.word("kind", sheet.kind);
    outline_field(f, "outline", sheet.outline);
    f.list("patches", sheet.patches, [](auto& o, auto& patch) {
        o.spot("opening", patch.spot);
        o.word("side", patch.side);
        o.number("rotation_deg", patch.rotation_deg, turn_limits);
        o.point("shift_mm", patch.shift, place_limits);
        o.flag("mirrored", patch.mirrored);
        outline_field(o, "on_sheet", patch.on_sheet);
    });
    f.list("pieces", sheet.pieces, [](auto& o, auto& piece) {
        o.text("what", piece.what);
        outline_field(o, "on_sheet", piece.on_sheet);
    });
}

template <class F, Describes<ThingsHad> T> void describe(F& f, T& had) {
    f.map("embellishments", had.embellishments, [](auto& o, auto& id, auto& count) {
        o.text("id", id);
        o.whole("count", count, how_many_limits);
    });
    f.map("letters", had.letters, [](auto& o, auto& id, auto& pieces) {
        o.text("set", id);
        o.map("pieces", pieces, [](auto& p, auto& piece, auto& count) {
            p.text("piece", piece);
            p.whole("count", count, how_many_limits);
        });
    });
}

template <class F, Describes<KeepDecisions> T> void describe(F& f, T& decided) {
    f.text("record", decided.record);
    f.whole("takings", decided.takings, how_many_limits);
    f.text("finished", decided.finished);
    f.object("notes", [&](auto& o) { describe(o, decided.notes); });
    f.flag("drop_outs", decided.drop_outs);
    f.list("taken", decided.taken, [](auto& o, auto& sheet) { describe(o, sheet); });
    f.list("changes", decided.changes, [](auto& o, auto& change) {
        o.text("paper", change.paper);
        o.object("sheet", [&](auto& s) { describe(s, change.sheet); });
        o.flag("back", change.back);
    });
    f.object("had", [&](auto& o) { describe(o, decided.had); });
}

} // namespace zesty
