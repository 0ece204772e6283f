#include "app/dress/dress_waypoint.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/dress/writing.h"
#include "core/geometry/measure.h"
#include "core/project/finished.h"
#include "core/sentences.h"
#include "io/paint/textures.h"
#include "io/paint/writing_painter.h"

namespace zesty {

namespace {

class MoveWritingDrag final : public EditingDrag {
public:
    MoveWritingDrag(const PageHands& hands, QPointF from, std::size_t writing)
        : EditingDrag(hands, from), writing_(writing) {}
    void move(QPointF to) override {
        edit("Move the journaling", [&](Project& p) {
            if (writing_ < p.dress.writings.size())
                p.dress.writings[writing_].centre = p.dress.writings[writing_].centre + moved(to);
        });
    }

private:
    std::size_t writing_;
};

} // namespace

DressWaypoint::DressWaypoint(const BenchParts& bench, QWidget* side, QObject* parent)
    : WaypointView(bench, parent), panel_(new PanelOfParts("How will it look?", {"Words", "Look"}, side)) {
    words_ = new WordsPart(bench.document, bench.state, bench.actions, panel_);
    look_ = new LookPart(bench.document, bench.state, bench.actions, panel_);
    panel_->add(words_);
    panel_->add(look_);
    panel_->choose(0);
    connect(look_, &LookPart::seen_changed, this, &WaypointView::look_changed);
    connect(words_, &WordsPart::chosen_changed, this, &WaypointView::look_changed);
    on(Act::AddWriting, [this] {
        bench_.state.go_to(Waypoint::Dress);
        panel_->choose(0);
        words_->add();
    });
    on(Act::NextLook, [this] {
        bench_.state.go_to(Waypoint::Dress);
        panel_->choose(1);
        look_->see(static_cast<Seen>((static_cast<int>(look_->seen()) + 1) % count_of_values<Seen>));
    });
}

QString DressWaypoint::answer(const Project& project, const Plan& plan) const {
    const auto missing = missing_of(project, plan);
    if (missing.empty()) return "nothing is missing";
    return missing.size() == 1 ? words(missing.front())
                               : QString("%1, %2 more").arg(words(missing.front())).arg(missing.size() - 1);
}

void DressWaypoint::paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                                  const Plan& plan) const {
    if (look_->seen() != Seen::Colour) return;
    for (std::size_t i = 0; i < plan.dress.writings.size() && i < project.dress.writings.size(); ++i) {
        const Polygon outline = outline_of(project.dress.writings[i]);
        painter.save();
        painter.translate(map.origin);
        painter.scale(map.scale, map.scale);
        QPen lines(theme::quiet, 0.8, Qt::DotLine);
        lines.setCosmetic(true);
        painter.setPen(lines);
        if (!outline.outer.empty()) paint_writing_lines(painter, plan.dress.writings[i]);
        QPen rim(static_cast<int>(i) == words_->chosen() ? theme::zest : theme::quiet, 1.2, Qt::DashLine);
        rim.setCosmetic(true);
        painter.setPen(rim);
        painter.setBrush(Qt::NoBrush);
        painter.drawPath(to_path(outline));
        painter.restore();
    }
}

std::unique_ptr<PageDrag> DressWaypoint::press(const PageHands& hands, const PagePress& press) const {
    const auto& writings = hands.document.project().dress.writings;
    for (std::size_t i = writings.size(); i-- > 0;) {
        const Polygon outline = outline_of(writings[i]);
        if (outline.outer.empty() || !contains(outline, hands.map().back(press.at))) continue;
        panel_->choose(0);
        words_->choose(static_cast<int>(i));
        return std::make_unique<MoveWritingDrag>(hands, press.at, i);
    }
    return nullptr;
}

bool DressWaypoint::push(const PageHands& hands, Point way, bool more) const {
    const int i = words_->chosen();
    if (i < 0) return false;
    hands.document.change("Move the journaling", [&](Project& p) {
        Writing& w = p.dress.writings[static_cast<std::size_t>(i)];
        w.centre = w.centre + way * (more ? 4 : 1);
    });
    return true;
}

} // namespace zesty
