#include "app/sections/line_drag.h"

#include "app/bench/theme.h"
#include "app/page/page_view.h"
#include "app/page/select_drags.h"
#include "core/project/drawn_line.h"
#include "core/project/edits.h"

namespace zesty {

namespace {

class LineDrag final : public DrawnDrag {
public:
    using DrawnDrag::DrawnDrag;
    void release(QPointF) override {
        if (!state().plan() || !state().plan()->sections.cut || is_click()) return;
        if (const auto d = division_by_line(hands_.plan(), map().back(way_.front()), map().back(way_.back())))
            document().change("Divide along a line",
                              [&](Project& p) { divide(p, {d->opening}, d->division); });
    }
    void paint(QPainter& painter) const override {
        if (way_.size() < 2) return;
        painter.setPen(QPen(theme::zest, 2, Qt::DashLine));
        painter.drawLine(way_.front(), way_.back());
    }
};

} // namespace

std::unique_ptr<PageDrag> begin_dividing_line(const PageHands& hands, const PagePress& press) {
    begin_selecting(hands, press);
    return std::make_unique<LineDrag>(hands, press.at);
}

} // namespace zesty
