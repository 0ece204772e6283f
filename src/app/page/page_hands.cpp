// What mouse and keys do on the page; how it looks is in page_view.cpp.

#include "app/page/page_view.h"
#include "core/geometry/measure.h"
#include "core/project/drawn_line.h"
#include "core/project/edits.h"
#include "core/project/hand_edits.h"
#include "core/sections/grouping.h"
#include "core/setout/photos.h"
#include "core/setout/sizing.h"

#include <QDragEnterEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QWheelEvent>
#include <cmath>

namespace zesty {

namespace {
constexpr double snap_reach = 9;     ///< px, to a contour that is measured from
constexpr double least_gesture = 8;  ///< px; less is a click
constexpr double compare_reach = 10; ///< px
} // namespace

// --- mouse ------------------------------------------------------------------------------------------------

void PageView::wheelEvent(QWheelEvent* event) {
    zoom_at(event->position(), std::pow(1.0015, event->angleDelta().y()));
}

bool PageView::over_corner(QPointF pixel) const {
    const Plan* plan = state_.plan();
    if (state_.waypoint() != Waypoint::SetOut || !plan || !plan->sections.cut) return false;
    const SetOut* in_hand = state_.set_out_in_hand(document_.project());
    if (!in_hand) return false;
    const Box& b = in_hand->cut_box;
    for (const Point c : {Point{b.x0, b.y0}, Point{b.x1, b.y0}, Point{b.x0, b.y1}, Point{b.x1, b.y1}})
        if ((map_(c) - pixel).manhattanLength() < 14) return true;
    return false;
}

/// Takes the topmost cut there in hand, the one already in hand first.
bool PageView::take_cut_at(QPointF pixel) {
    const Plan* plan = state_.plan();
    const Project& project = document_.project();
    const auto over = [&](std::size_t i) {
        return i < plan->set_out.each.size() && map_.rect(plan->set_out.each[i].cut_box).contains(pixel);
    };
    const int now = state_.cut_in_hand(project);
    if (now >= 0 && over(static_cast<std::size_t>(now))) {
        state_.take_in_hand(project.set_out.cuts[static_cast<std::size_t>(now)].id);
        return true;
    }
    for (std::size_t i = project.set_out.cuts.size(); i-- > 0;)
        if (over(i)) {
            state_.take_in_hand(project.set_out.cuts[i].id);
            return true;
        }
    return false;
}

void PageView::mousePressEvent(QMouseEvent* event) {
    const Plan* plan = state_.plan();
    if (!plan || (!plan->sections.cut && state_.waypoint() != Waypoint::SetOut)) return;
    drag_from_ = event->position();
    drag_origin_ = map_.origin;
    if (event->button() == Qt::MiddleButton) {
        drag_ = Drag::Pan;
        return;
    }
    if (event->button() != Qt::LeftButton) return;
    if (state_.waypoint() == Waypoint::SetOut) {
        press_at_set_out(event->position());
        return;
    }
    if (state_.compared_at() && std::abs(event->position().x() - compared_px()) < compare_reach) {
        drag_ = Drag::Compare;
        return;
    }
    const int opening = opening_at(event->position());
    if (state_.waypoint() == Waypoint::Papers && state_.tool() == BenchState::Tool::MovePattern &&
        opening >= 0 && !state_.offer()) {
        if (!state_.selected().contains(opening)) state_.select({opening});
        drag_ = Drag::Print;
        drag_opening_ = opening;
        drag_number_ = document_.new_drag();
        drag_plan_ = state_.own_plan();
        return;
    }
    gesture_ = {event->position()};
    gesture_adds_ = event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier);
    drag_ = state_.waypoint() == Waypoint::Sections && state_.tool() == BenchState::Tool::DivideByLine
                ? Drag::Line
                : Drag::Lasso;
    std::set<int> selected = state_.selected();
    if (gesture_adds_) {
        if (opening >= 0 && !selected.erase(opening)) selected.insert(opening);
    } else {
        selected.clear();
        if (opening >= 0) selected.insert(opening);
    }
    state_.select(std::move(selected));
}

bool PageView::take_photo_at(QPointF pixel) {
    const Project& project = document_.project();
    const Point at = map_.back(pixel);
    for (std::size_t i = project.set_out.photos.size(); i-- > 0;)
        if (contains(outline_of(project.set_out.photos[i]).outer, at)) {
            state_.take_photo(static_cast<int>(i));
            return true;
        }
    return false;
}

void PageView::press_at_set_out(QPointF pixel) {
    drag_number_ = document_.new_drag();
    drag_project_ = document_.project();
    if (state_.tool() == BenchState::Tool::Measure) {
        if (!state_.plan()->sections.cut) return;
        drag_ = Drag::Measure;
        return;
    }
    const bool corner = state_.photo_in_hand(document_.project()) < 0 && over_corner(pixel);
    if (!corner && take_photo_at(pixel)) {
        drag_ = state_.tool() == BenchState::Tool::Protect ? Drag::Protect : Drag::Photo;
        return;
    }
    if (!corner && !take_cut_at(pixel)) return;
    const SetOut* in_hand = state_.set_out_in_hand(document_.project());
    if (!in_hand) return;
    const Box& box = in_hand->cut_box;
    drag_ = corner ? Drag::Size : Drag::Move;
    drag_width_ = box.width();
    drag_reach_ =
        std::max(1.0, std::hypot(pixel.x() - map_(box.centre()).x(), pixel.y() - map_(box.centre()).y()));
}

void PageView::drag_to(QPointF pixel) {
    const QPointF moved = pixel - drag_from_;
    if (drag_ == Drag::Pan) {
        map_.origin = drag_origin_ + moved;
        fitted_ = false;
        update();
        return;
    }
    if (drag_ == Drag::Lasso || drag_ == Drag::Line) {
        gesture_.push_back(pixel);
        update();
        return;
    }
    if (drag_ == Drag::Compare) {
        compare_to(pixel);
        return;
    }
    if (drag_ == Drag::Print) {
        move_pattern(map_.back(drag_from_), map_.back(pixel), drag_number_);
        return;
    }
    if (drag_ == Drag::Measure) {
        const Plan& plan = *state_.plan();
        state_.measure(snapped(*plan.sections.cut, plan.set_out.whole.to_page, map_.back(drag_from_),
                               map_.back(pixel), snap_reach / map_.scale));
        return;
    }
    if (drag_ == Drag::Protect) {
        mark_part(pixel);
        return;
    }
    Project next = drag_project_;
    if (drag_ == Drag::Photo) {
        const int photo = state_.photo_in_hand(next);
        if (photo < 0) return;
        Photo& moving = next.set_out.photos[static_cast<std::size_t>(photo)];
        moving.centre = moving.centre + Point{moved.x() / map_.scale, moved.y() / map_.scale};
        document_.edit("Move the photo", std::move(next), drag_number_);
        return;
    }
    PlacedCut* cut = state_.in_hand(next);
    if (!cut) return;
    if (drag_ == Drag::Move) {
        cut->place.shift = cut->place.shift + Point{moved.x() / map_.scale, moved.y() / map_.scale};
        document_.edit("Move the cut", std::move(next), drag_number_);
    } else if (const SetOut* in_hand = state_.set_out_in_hand(next)) {
        const QPointF middle = map_(in_hand->cut_box.centre());
        const double reach = std::hypot(pixel.x() - middle.x(), pixel.y() - middle.y());
        cut->place.rule = SizeRule::Width;
        cut->place.length = std::clamp(drag_width_ * reach / drag_reach_, 5.0, 2900.0);
        document_.edit("Size the cut", std::move(next), drag_number_);
    }
}

void PageView::compare_to(QPointF pixel) {
    state_.compare_at(map_.back(pixel).x / shown_project().set_out.page.full_width());
}

/// Moves the print from where it was when the drag began: a decision, so that the patch is cut there.
void PageView::move_pattern(Point from, Point to, int drag) {
    if (!drag_plan_ || drag_opening_ < 0) return;
    const Project& project = document_.project();
    const auto wish = moved_pattern(project, *drag_plan_, drag_opening_, from, to);
    if (!wish) return;
    const Spot section = drag_plan_->sections.all[drag_plan_->sections.of_opening[drag_opening_]].id;
    document_.change(
        "Move the print",
        [&](Project& p) { change_sections(p, {section}, [&](PaperChoice& c) { c.pattern = *wish; }); }, drag);
}

void PageView::mark_part(QPointF pixel) {
    Project next = drag_project_;
    const int i = state_.photo_in_hand(next);
    if (i < 0 || (pixel - drag_from_).manhattanLength() < least_gesture) return;
    Photo& photo = next.set_out.photos[static_cast<std::size_t>(i)];
    if (const auto part = part_between(photo, map_.back(drag_from_), map_.back(pixel)))
        photo.protected_parts.push_back(*part);
    document_.edit("Keep a part free", std::move(next), drag_number_);
}

/// A click takes the part there away.
void PageView::finish_marking(QPointF pixel) {
    if ((pixel - drag_from_).manhattanLength() >= least_gesture) return;
    document_.change("Keep the part free no more", [&](Project& p) {
        const int i = state_.photo_in_hand(p);
        if (i < 0) return;
        Photo& photo = p.set_out.photos[static_cast<std::size_t>(i)];
        if (const int part = protected_part_at(photo, map_.back(pixel)); part >= 0)
            photo.protected_parts.erase(photo.protected_parts.begin() + part);
    });
}

void PageView::mouseMoveEvent(QMouseEvent* event) {
    if (drag_ != Drag::None) {
        drag_to(event->position());
        return;
    }
    const bool at_line =
        state_.compared_at() && std::abs(event->position().x() - compared_px()) < compare_reach;
    setCursor(at_line                                          ? Qt::SplitHCursor
              : over_corner(event->position())                 ? Qt::SizeFDiagCursor
              : state_.tool() == BenchState::Tool::MovePattern ? Qt::OpenHandCursor
                                                               : Qt::ArrowCursor);
    state_.hover(opening_at(event->position()));
}

void PageView::mouseReleaseEvent(QMouseEvent* event) {
    if (drag_ == Drag::Protect) finish_marking(event->position());
    if (drag_ == Drag::Lasso || drag_ == Drag::Line) finish_gesture(gesture_adds_);
    drag_ = Drag::None;
    gesture_.clear();
    update();
}

void PageView::finish_gesture(bool add) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut || gesture_.size() < 2) return;
    QRectF reach(gesture_.front(), QSizeF(0, 0));
    for (QPointF p : gesture_) reach = reach.united(QRectF(p, QSizeF(0.1, 0.1)));
    if (std::max(reach.width(), reach.height()) < least_gesture) return;
    if (drag_ == Drag::Line) {
        if (const auto d = division_by_line(*plan, map_.back(gesture_.front()), map_.back(gesture_.back())))
            document_.change("Divide along a line",
                             [&](Project& p) { divide(p, {d->opening}, d->division); });
        return;
    }
    Ring outline;
    for (QPointF p : gesture_) outline.push_back(map_.back(p));
    std::set<int> selected = add ? state_.selected() : std::set<int>{};
    for (int o : inside_outline(*plan->sections.cut, plan->set_out.whole.to_page, outline))
        selected.insert(o);
    state_.select(std::move(selected));
}

void PageView::focusInEvent(QFocusEvent* event) {
    reached_by_key_ = event->reason() == Qt::TabFocusReason || event->reason() == Qt::BacktabFocusReason;
    update();
}

void PageView::leaveEvent(QEvent*) {
    state_.hover(-1);
}

// --- keys -------------------------------------------------------------------------------------------------

/// The nearest opening in the direction of the arrow, what lies straight ahead preferred.
void PageView::step_selection(int key, bool add) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut || plan->sections.cut->openings.empty()) return;
    const auto at = [&](int o) {
        return plan->set_out.whole.to_page(plan->sections.cut->openings[o].label.centre);
    };
    if (state_.selected().empty()) {
        state_.select({0});
        return;
    }
    const int from = *state_.selected().rbegin();
    const Point way = key == Qt::Key_Left    ? Point{-1, 0}
                      : key == Qt::Key_Right ? Point{1, 0}
                      : key == Qt::Key_Up    ? Point{0, -1}
                                             : Point{0, 1};
    int best = -1;
    double least = 0;
    for (std::size_t o = 0; o < plan->sections.cut->openings.size(); ++o) {
        const Point d = at(static_cast<int>(o)) - at(from);
        const double ahead = dot(d, way);
        if (ahead < 0.5) continue;
        const double cost = ahead + 2 * std::abs(cross(d, way));
        if (best < 0 || cost < least) {
            best = static_cast<int>(o);
            least = cost;
        }
    }
    if (best < 0) return;
    std::set<int> selected = add ? state_.selected() : std::set<int>{};
    selected.insert(best);
    state_.select(std::move(selected));
    show_place(at(best));
}

void PageView::keyPressEvent(QKeyEvent* event) {
    const int key = event->key();
    const bool arrow =
        key == Qt::Key_Left || key == Qt::Key_Right || key == Qt::Key_Up || key == Qt::Key_Down;
    if (!arrow) {
        QWidget::keyPressEvent(event);
        return;
    }
    if (state_.waypoint() == Waypoint::SetOut)
        nudge(event);
    else if (state_.tool() == BenchState::Tool::MovePattern && state_.selected().size() == 1)
        push_pattern(event);
    else
        step_selection(key, event->modifiers() & Qt::ShiftModifier);
}

/// A useful step in the direction of an arrow key.
Point PageView::step_of(int key) const {
    const double unit = document_.project().units == Units::Inches ? mm_per_inch / 16 : 1;
    return key == Qt::Key_Left    ? Point{-unit, 0}
           : key == Qt::Key_Right ? Point{unit, 0}
           : key == Qt::Key_Up    ? Point{0, -unit}
                                  : Point{0, unit};
}

void PageView::push_pattern(QKeyEvent* event) {
    drag_plan_ = state_.own_plan();
    drag_opening_ = *state_.selected().begin();
    if (!drag_plan_ || !drag_plan_->sheets.done) return;
    const Point middle = drag_plan_->middle_of(drag_opening_);
    move_pattern(middle, middle + step_of(event->key()) * (event->modifiers() & Qt::ShiftModifier ? 4 : 1),
                 0);
}

void PageView::nudge(QKeyEvent* event) {
    const int key = event->key();
    const bool shift = event->modifiers() & Qt::ShiftModifier;
    const Point way = step_of(key);
    const int photo = state_.photo_in_hand(document_.project());
    if (photo >= 0 && state_.tool() == BenchState::Tool::Protect) {
        document_.change("Keep another part free", [&](Project& p) {
            Photo& one = p.set_out.photos[static_cast<std::size_t>(photo)];
            one = with_part_moved(one, shift ? Point{} : way, shift ? way : Point{});
        });
        return;
    }
    document_.change(photo >= 0 ? "Move the photo" : "Move the cut", [&](Project& p) {
        PlacedCut* cut = state_.in_hand(p);
        if (photo < 0 && !cut) return;
        Point& at = photo >= 0 ? p.set_out.photos[static_cast<std::size_t>(photo)].centre : cut->place.shift;
        at = at + way * (shift ? 4 : 1);
    });
}

// --- papers from the drawer -------------------------------------------------------------------------------

void PageView::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasFormat(paper_mime)) event->acceptProposedAction();
}

void PageView::dragMoveEvent(QDragMoveEvent* event) {
    if (!event->mimeData()->hasFormat(paper_mime)) return;
    state_.hover(opening_at(event->position()));
    event->setAccepted(state_.hovered() >= 0);
}

void PageView::dropEvent(QDropEvent* event) {
    const int opening = opening_at(event->position());
    if (opening < 0) return;
    event->acceptProposedAction();
    emit paper_dropped(QString::fromUtf8(event->mimeData()->data(paper_mime)), opening);
}

} // namespace zesty
