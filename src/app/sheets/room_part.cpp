#include "app/sheets/room_part.h"

#include "app/bench/wording.h"
#include "core/project/later.h"
#include "core/sheets/leftover.h"

#include <QHBoxLayout>
#include <set>

namespace zesty {

namespace {

constexpr double most_whole = 3000; ///< mm

/// "Tram Terrace", "Tram Terrace and Seed Swap", "3 other pages".
QString names_of(const std::vector<ReservedPiece>& pieces) {
    std::set<std::string> pages;
    for (const ReservedPiece& w : pieces) pages.insert(w.page);
    if (pages.size() > 2) return counted(pages.size(), "other page", "other pages");
    QStringList names;
    for (const std::string& p : pages) names << words(p);
    return names.join(" and ");
}

} // namespace

RoomPart::RoomPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    left_ = line("leftovers");
    auto* r = row("Whole");
    const auto edit = [&](const char* name, bool wide) {
        auto* e = new LengthEdit(name, 0, most_whole, this);
        e->setToolTip("A rectangle of the paper picked in the drawer that is to stay uncut; 0 for none");
        connect(e, &LengthEdit::length_entered, this, [this, wide](double mm) {
            const auto& stash = document_.project().stash;
            if (!stash || state_.drawer().picked() < 0) return;
            Point size = reserved_size(document_.project(), stash->papers[state_.drawer().picked()].id);
            double& own = wide ? size.x : size.y;
            double& other = wide ? size.y : size.x;
            own = mm;
            // One length alone is the side of a square.
            if (other <= 0) other = mm;
            keep(size);
        });
        return e;
    };
    width_ = edit("Width to reserve", true);
    height_ = edit("Height to reserve", false);
    r->addWidget(width_);
    auto* by = new QLabel("x", this);
    by->setProperty("quiet", true);
    r->addWidget(by);
    r->addWidget(height_);
    r->addStretch(1);
    of_paper_ = line("keep-whole");
    r = row("Others");
    leave_ = button(Act::Reserve, "Reserve for them");
    r->addWidget(leave_);
    r->addStretch(1);
    others_ = line("others");
    connect(&state, &BenchState::plan_changed, this, &RoomPart::refresh_if_shown);
    for (auto changed : {&InDrawer::changed, &InDrawer::reserved_changed})
        connect(&state.drawer(), changed, this, &RoomPart::refresh_if_shown);
}

void RoomPart::keep(Point size) {
    const std::string id = document_.project().stash->papers[state_.drawer().picked()].id;
    document_.change(size.x > 0 && size.y > 0 ? "Reserve a size" : "Stop reserving a size",
                     [&](Project& p) { reserve_size(p, id, size); });
}

void RoomPart::refresh() {
    show_left();
    show_whole();
    show_others();
}

void RoomPart::show_left() {
    const Plan* plan = state_.plan();
    if (!plan || plan->sheets.used.empty()) {
        left_->setText("No sheet is cut yet.");
        return;
    }
    double sheet_area = 0;
    double used = 0;
    std::size_t kept = 0;
    Box largest;
    for (const UsedSheet& u : plan->sheets.used) {
        sheet_area += plan->papers.sheets[u.sheet].area;
        used += u.used_area;
        kept += u.leftovers.size();
        if (u.largest_left.width() * u.largest_left.height() > largest.width() * largest.height())
            largest = u.largest_left;
    }
    const Units units = document_.project().units;
    const Point good = good_for(largest, units);
    left_->setText(
        QString("%1 % of the sheets is used; %2 left over%3.")
            .arg(std::lround(100 * used / sheet_area))
            .arg(counted(kept, "piece is", "pieces are"))
            .arg(largest.empty() ? QString() : ", good for " + words(format_size(good.x, good.y, units))));
}

void RoomPart::show_whole() {
    const Project& project = document_.project();
    const int paper = state_.drawer().picked();
    const bool picked = project.stash && paper >= 0 && paper < static_cast<int>(project.stash->papers.size());
    for (LengthEdit* e : {width_, height_}) e->setEnabled(picked);
    if (!picked) {
        of_paper_->setText("Pick a paper in the drawer to reserve a size of it.");
        return;
    }
    const Paper& info = project.stash->papers[paper];
    const Point size = reserved_size(project, info.id);
    width_->show_length(size.x, project.units);
    height_->show_length(size.y, project.units);
    of_paper_->setText(size.x > 0 ? "of " + words(info.name) + " stays uncut where that can be."
                                  : "of " + words(info.name) + ": nothing has to stay whole.");
}

void RoomPart::show_others() {
    const Project& project = document_.project();
    const std::vector<ReservedPiece> wanted = of_this_stash(project, state_.drawer().wanted_elsewhere());
    const bool any = !pages_reserved_for(project).empty();
    const bool up_to_date = reserves_just(project, wanted);
    leave_->setEnabled(any || !wanted.empty());
    leave_->setText(any && (up_to_date || wanted.empty()) ? "Stop reserving" : "Reserve for them");
    if (!wanted.empty() && !up_to_date) {
        others_->setText(QString("%1 of these papers are reserved for %2.")
                             .arg(counted(wanted.size(), "piece", "pieces"), names_of(wanted)));
        return;
    }
    if (!any) {
        others_->setText("No other page that was saved with these papers needs a piece of them.");
        return;
    }
    const std::vector<ReservedPiece> kept_for = reserved_for_pages(project);
    const Plan* plan = state_.plan();
    const std::size_t missing = plan ? plan->sheets.without_room.size() : 0;
    others_->setText(QString("Room is left for %1 of %2%3.")
                         .arg(counted(kept_for.size(), "piece", "pieces"), names_of(kept_for),
                              missing > 0 ? QString("; the second look says what finds none") : QString()));
}

} // namespace zesty
