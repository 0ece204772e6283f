#pragma once
// Drags that every waypoint knows: selecting, moving the view, and the line between proposal and page.

#include "app/page/page_drag.h"

namespace zesty {

/// Selects the opening under the pointer, and what is drawn round afterwards.
std::unique_ptr<PageDrag> begin_selecting(const PageHands& hands, const PagePress& press);
std::unique_ptr<PageDrag> begin_panning(const PageHands& hands, QPointF from);
std::unique_ptr<PageDrag> begin_comparing(const PageHands& hands, QPointF from);

/// The way of a pointer, drawn while it goes.
class DrawnDrag : public PageDrag {
public:
    DrawnDrag(const PageHands& hands, QPointF from) : PageDrag(hands, from), way_{from} {}
    void move(QPointF to) override;

protected:
    bool is_click() const;
    std::vector<QPointF> way_;
};

} // namespace zesty
