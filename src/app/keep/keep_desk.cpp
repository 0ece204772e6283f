#include "app/keep/keep_desk.h"

#include "app/bench/living_stash.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "app/keep/page_card.h"
#include "core/project/build_steps.h"
#include "core/project/page_record_of.h"
#include "core/project/stash_at_hand.h"
#include "io/page_record.h"
#include "io/paint/page_painter.h"
#include "io/read_file.h"
#include "io/records_out.h"

#include <QDateTime>
#include <QFileInfo>
#include <QTimer>
#include <algorithm>

namespace zesty {

KeepDesk::KeepDesk(const BenchParts& bench, QObject* parent) : QObject(parent), bench_(bench) {
    connect(&bench_.state, &BenchState::plan_changed, this, [this] {
        if (seen_) ask();
    });
    connect(&bench_.document, &Document::project_changed, this, [this] {
        if (!seen_) return;
        look_at_shelf();
        ask();
    });
    connect(&bench_.document, &Document::path_changed, this, [this] {
        picked_.clear();
        QTimer::singleShot(0, this, &KeepDesk::catch_up);
    });
    connect(&bench_.living, &LivingStash::changed, this, &KeepDesk::catch_up);
}

std::string KeepDesk::today() const {
    return QDateTime::fromSecsSinceEpoch(bench_.settings.now()).date().toString(Qt::ISODate).toStdString();
}

const std::vector<PageRecord>& KeepDesk::records() const {
    return stash_at_hand(project()).records;
}

void KeepDesk::be_seen(bool seen) {
    seen_ = seen;
    if (!seen) return;
    look_at_shelf();
    ask();
}

void KeepDesk::ask() {
    const auto plan = bench_.state.own_plan();
    if (!plan || !plan->sheets.done) {
        look_.reset();
        emit changed();
        return;
    }
    const quint64 number = ++asked_;
    const bool first = records().empty();
    bench_.worker.think(this, [this, number, plan, first](Planner&) -> std::function<void()> {
        const Project& page = *plan->of;
        const auto steps = build_steps(page, *plan);
        FinishLook look;
        look.all = finishing_of(page, *plan, FinishWhat::Everything, steps);
        look.papers = before_and_after(page, look.all);
        look.embellishments = embellishments_left(page, look.all);
        look.letters = letters_left(page, look.all);
        if (first && plan->sections.cut) look.page = page_picture(page, *plan, 2 * card_picture);
        look.some_cut = !finishing_of(page, *plan, FinishWhat::WhatIsCut, steps).nothing();
        return [this, number, look = std::move(look)]() mutable {
            if (number != asked_) return;
            answered_ = number;
            look_ = std::move(look);
            emit changed();
        };
    });
}

void KeepDesk::look_at_shelf() {
    const Stash& stash = stash_at_hand(project());
    shelf_ = stash.records;
    pages_ = found_pages(shelf_, query_);
    groups_ = shelf_of(shelf_, pages_, by_);
    went_ = where_paper_went(shelf_, pages_, stash);
    const QDate day = QDateTime::fromSecsSinceEpoch(bench_.settings.now()).date();
    back_ = look_back(shelf_, stash, day.addYears(-1).toString(Qt::ISODate).toStdString());
    pace_ = own_pace(shelf_);
    if (!picked_.empty() && !record()) picked_.clear();
    emit changed();
}

void KeepDesk::look_for(const RecordQuery& query) {
    query_ = query;
    look_at_shelf();
}

void KeepDesk::order_by(ShelfBy by) {
    by_ = by;
    look_at_shelf();
}

const PageRecord* KeepDesk::record() const {
    const std::string& uid = picked_.empty() ? project().keep.record : picked_;
    for (const PageRecord& r : records())
        if (!uid.empty() && r.uid == uid) return &r;
    return nullptr;
}

void KeepDesk::pick(const std::string& uid) {
    emit about_to_pick();
    picked_ = uid;
    emit changed();
}

const PageNotes& KeepDesk::notes() const {
    const PageRecord* r = of_the_page() ? nullptr : record();
    return r ? r->notes : project().keep.notes;
}

void KeepDesk::change_notes(const QString& intention, const std::function<void(PageNotes&)>& change,
                            int drag) {
    if (of_the_page()) {
        bench_.document.change(
            intention, [&](Project& p) { change(p.keep.notes); }, drag);
        return;
    }
    bench_.document.change_papers(
        intention,
        [&](const Stash& now) {
            Stash out = now;
            for (PageRecord& r : out.records)
                if (r.uid == picked_) change(r.notes);
            return out;
        },
        drag);
}

void KeepDesk::forget_record() {
    const PageRecord* r = record();
    if (!r) return;
    bench_.document.change_papers("Remove the record", [uid = r->uid](const Stash& now) {
        Stash out = now;
        std::erase_if(out.records, [&](const PageRecord& one) { return one.uid == uid; });
        return out;
    });
}

void KeepDesk::take_pace() {
    bench_.document.change("Time the page by your own pace",
                           [&](Project& p) { take_over_own_pace(p, pace_); });
}

void KeepDesk::take(FinishedPage made, const Project& of, const QString& intention) {
    if (!(of == project())) {
        bench_.say(
            "The page or the drawer has changed meanwhile, so nothing was done. Look at it and try again.",
            true);
        return;
    }
    bench_.living.hold(made.files);
    if (!bench_.document.edit(intention, std::move(made.project)) || made.without.empty()) return;
    QStringList said;
    for (const std::string& one : made.without) said << words(one);
    bench_.say(said.join(" "), true);
}

void KeepDesk::finish(FinishWhat what) {
    bench_.state.when_planned(
        this, [this, what](std::shared_ptr<const Plan> plan) { finish_by(std::move(plan), what); });
}

void KeepDesk::finish_by(std::shared_ptr<const Plan> plan, FinishWhat what) {
    ++waiting_;
    const std::string file = page_key(bench_.document.path());
    bench_.worker.think(
        this, [this, plan, what, file, day = today(), page = *plan->of](Planner&) -> std::function<void()> {
            auto made = finished_page(page, *plan, what, day, file);
            return [this, page, what, made = std::move(made)]() mutable {
                --waiting_;
                if (!made)
                    bench_.say(words(made.error().message) + ".", true);
                else
                    take(std::move(*made), page,
                         what == FinishWhat::Everything ? "Finish the page" : "Take what has been cut");
            };
        });
}

void KeepDesk::put_back() {
    bench_.state.when_planned(this,
                              [this](std::shared_ptr<const Plan> plan) { put_back_by(std::move(plan)); });
}

void KeepDesk::put_back_by(std::shared_ptr<const Plan> plan) {
    ++waiting_;
    const std::string file = page_key(bench_.document.path());
    bench_.worker.think(this, [this, plan, file, page = *plan->of](Planner&) -> std::function<void()> {
        auto made = page_put_back(page, *plan, file);
        return [this, page, made = std::move(made)]() mutable {
            --waiting_;
            if (!made)
                bench_.say(words(made.error().message) + ".", true);
            else
                take(std::move(*made), page, "Put everything back");
        };
    });
}

/// A page that was not saved after something was taken for it.
void KeepDesk::catch_up() {
    const PageRecord* later = later_record(project(), page_key(bench_.document.path()));
    if (!later || bench_.document.changed()) return;
    ++waiting_;
    bench_.living.ask(
        this,
        [this, page = project(),
         file = page_key(bench_.document.path())](const StashStore& store) -> std::function<void()> {
            Project then = page;
            const auto done = catch_up_with_record(then, file, store);
            return [this, page, then, done] {
                --waiting_;
                if (!done || then == page || !(page == project())) return;
                bench_.document.edit("Catch up with the record", then);
                bench_.say(
                    "This page was not saved after paper was taken for it. What was taken is known from its "
                    "record.",
                    false);
            };
        });
}

void KeepDesk::take_photo(const QString& path) {
    const PageRecord* r = record();
    if (!r) {
        bench_.say("The photo goes with the record: finish the page first.", true);
        return;
    }
    ++waiting_;
    bench_.worker.think(this, [this, path, uid = r->uid](Planner&) -> std::function<void()> {
        auto kept = photo_to_keep(path);
        return [this, uid, kept = std::move(kept)] {
            --waiting_;
            if (!kept) return bench_.say(words(kept.error().message) + ".", true);
            bench_.living.hold(kept->files);
            bench_.document.change_papers("Photo of the real page", [&](const Stash& now) {
                Stash out = now;
                for (PageRecord& one : out.records)
                    if (one.uid == uid) one.photo = kept->name;
                return out;
            });
        };
    });
}

} // namespace zesty
