#include "app/page/select_drags.h"

#include "app/bench/theme.h"
#include "app/page/page_view.h"
#include "core/sections/grouping.h"

#include <algorithm>

namespace zesty {

const PageMap& PageHands::map() const {
    return page.map();
}

void DrawnDrag::move(QPointF to) {
    way_.push_back(to);
    page().update();
}

bool DrawnDrag::is_click() const {
    QRectF reach(way_.front(), QSizeF(0, 0));
    for (QPointF p : way_) reach = reach.united(QRectF(p, QSizeF(0.1, 0.1)));
    return way_.size() < 2 || std::max(reach.width(), reach.height()) < least_gesture;
}

namespace {

class LassoDrag final : public DrawnDrag {
public:
    LassoDrag(const PageHands& hands, QPointF from, bool adds) : DrawnDrag(hands, from), adds_(adds) {}

    void release(QPointF) override {
        const Plan* plan = state().plan();
        if (!plan || !plan->sections.cut || is_click()) return;
        Ring outline;
        for (QPointF p : way_) outline.push_back(map().back(p));
        std::set<int> selected = adds_ ? state().selected() : std::set<int>{};
        for (int o : inside_outline(*plan->sections.cut, plan->set_out.whole.to_page, outline))
            selected.insert(o);
        state().select(std::move(selected));
    }
    void paint(QPainter& painter) const override {
        if (way_.size() < 2) return;
        painter.setPen(QPen(theme::zest, 2, Qt::DashLine));
        painter.setBrush(QColor(232, 106, 23, 28));
        painter.drawPolygon(way_.data(), static_cast<int>(way_.size()));
    }

private:
    bool adds_;
};

class PanDrag final : public PageDrag {
public:
    PanDrag(const PageHands& hands, QPointF from) : PageDrag(hands, from), origin_(hands.page.map().origin) {}
    void move(QPointF to) override { page().move_view_to(origin_ + (to - from_)); }

private:
    QPointF origin_;
};

class CompareDrag final : public PageDrag {
public:
    using PageDrag::PageDrag;
    void move(QPointF to) override {
        state().offers().compare_at(map().back(to).x / page().shown_project().set_out.page.full_width());
    }
};

} // namespace

std::unique_ptr<PageDrag> begin_selecting(const PageHands& hands, const PagePress& press) {
    std::set<int> selected = hands.state.selected();
    if (press.adds) {
        if (press.opening >= 0 && !selected.erase(press.opening)) selected.insert(press.opening);
    } else {
        selected.clear();
        if (press.opening >= 0) selected.insert(press.opening);
    }
    hands.state.select(std::move(selected));
    return std::make_unique<LassoDrag>(hands, press.at, press.adds);
}

std::unique_ptr<PageDrag> begin_panning(const PageHands& hands, QPointF from) {
    return std::make_unique<PanDrag>(hands, from);
}

std::unique_ptr<PageDrag> begin_comparing(const PageHands& hands, QPointF from) {
    return std::make_unique<CompareDrag>(hands, from);
}

} // namespace zesty
