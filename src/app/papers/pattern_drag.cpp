#include "app/papers/pattern_drag.h"

#include "app/page/page_view.h"
#include "core/project/edits.h"
#include "core/project/hand_edits.h"

namespace zesty {

namespace {

/// Moves the pattern from where it is in `plan`: a decision, so that the patch is cut there.
void move_pattern(const PageHands& hands, const Plan& plan, int opening, Point from, Point to, int drag) {
    const auto wish = moved_pattern(*plan.of, plan, opening, from, to);
    if (!wish) return;
    const Spot section = plan.sections.all[plan.sections.of_opening[opening]].id;
    hands.document.change(
        "Move the pattern",
        [&](Project& p) { change_sections(p, {section}, [&](PaperChoice& c) { c.pattern = *wish; }); }, drag);
}

class PatternDrag final : public PageDrag {
public:
    PatternDrag(const PageHands& hands, const PagePress& press)
        : PageDrag(hands, press.at), plan_(hands.state.own_plan()), opening_(press.opening),
          number_(hands.document.new_drag()) {}
    void move(QPointF to) override {
        if (plan_) move_pattern(hands_, *plan_, opening_, map().back(from_), map().back(to), number_);
    }

private:
    std::shared_ptr<const Plan> plan_; ///< what the pattern is moved from
    int opening_;
    int number_;
};

} // namespace

std::unique_ptr<PageDrag> begin_moving_pattern(const PageHands& hands, const PagePress& press) {
    if (!hands.state.selected().contains(press.opening)) hands.state.select({press.opening});
    return std::make_unique<PatternDrag>(hands, press);
}

bool push_pattern(const PageHands& hands, Point by) {
    if (hands.state.selected().size() != 1) return false;
    const auto plan = hands.state.own_plan();
    const int opening = *hands.state.selected().begin();
    if (!plan || !plan->sheets.done) return true;
    const Point middle = plan->middle_of(opening);
    move_pattern(hands, *plan, opening, middle, middle + by, 0);
    return true;
}

} // namespace zesty
