#include "app/page_view.h"

#include "app/page_overlays.h"
#include "app/theme.h"
#include "app/wording.h"
#include "core/geometry/measure.h"
#include "core/project/drawn_line.h"
#include "core/sections/grouping.h"
#include "core/setout/photos.h"
#include "core/setout/sizing.h"
#include "io/paint/page_painter.h"

#include <QDragEnterEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QScreen>
#include <QWheelEvent>
#include <cmath>

namespace zesty {

namespace {
constexpr int ruler = 24;
constexpr double snap_reach = 9;    ///< px, to a contour that is measured from
constexpr double least_gesture = 8; ///< px; less is a click
constexpr int line_below = 24;      ///< the line of numbers under the page
int next_drag = 1;
} // namespace

PageView::PageView(Document& document, BenchState& state, QWidget* parent)
    : QWidget(parent), document_(document), state_(state) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAcceptDrops(true);
    setMinimumSize(320, 280);
    setAccessibleName("Page");
    setObjectName("page");
    const auto repaint_all = [this] {
        base_stale_ = true;
        if (fitted_) fit();
        update();
    };
    connect(&base_, &BackgroundPicture::ready, this, [this] {
        if (base_.up_to_date()) base_map_ = asked_map_;
        update();
    });
    connect(&state, &BenchState::plan_changed, this, repaint_all);
    connect(&state, &BenchState::waypoint_changed, this, repaint_all);
    connect(&state, &BenchState::selection_changed, this, qOverload<>(&QWidget::update));
    connect(&state, &BenchState::in_hand_changed, this, qOverload<>(&QWidget::update));
    connect(&state, &BenchState::measured_changed, this, qOverload<>(&QWidget::update));
    connect(&state, &BenchState::hover_changed, this, qOverload<>(&QWidget::update));
}

const Project& PageView::shown_project() const {
    return state_.offer() ? state_.offer()->project : document_.project();
}

QRectF PageView::room() const {
    return QRectF(rect()).adjusted(ruler, ruler, 0, -line_below);
}

void PageView::fit() {
    const Page& page = document_.project().page;
    const QRectF r = room().adjusted(16, 14, -18, -12);
    map_.scale = std::max(0.05, std::min(r.width() / page.full_width(), r.height() / page.height));
    map_.origin = {r.x() + (r.width() - page.full_width() * map_.scale) / 2,
                   r.y() + (r.height() - page.height * map_.scale) / 2};
    fitted_ = true;
    update();
}

void PageView::true_size() {
    const double wanted = (screen() ? screen()->physicalDotsPerInch() : 96) / 25.4;
    zoom(wanted / map_.scale);
}

void PageView::zoom(double factor) {
    zoom_at(room().center(), factor);
}

void PageView::zoom_at(QPointF pixel, double factor) {
    const Point under = map_.back(pixel);
    map_.scale = std::clamp(map_.scale * factor, 0.2, 60.0);
    map_.origin += pixel - map_(under);
    fitted_ = false;
    update();
}

void PageView::show_place(Point on_page) {
    if (room().adjusted(20, 20, -20, -20).contains(map_(on_page))) return;
    map_.origin += room().center() - map_(on_page);
    fitted_ = false;
    update();
}

int PageView::opening_at(QPointF pixel) const {
    const Plan* plan = state_.plan();
    if (!plan || !plan->cut) return -1;
    const Point p = inverse(plan->set_out.to_page)(map_.back(pixel));
    int best = -1;
    for (std::size_t o = 0; o < plan->cut->openings.size(); ++o) {
        const Opening& opening = plan->cut->openings[o];
        if (!opening.box.contains(p) || !contains(opening.outline.outer, p)) continue;
        if (best < 0 || opening.area < plan->cut->openings[best].area) best = static_cast<int>(o);
    }
    return best;
}

// --- painting ---------------------------------------------------------------------------------------------

void PageView::ask_for_base() {
    if (!base_stale_ && asked_map_ == map_ && asked_size_ == size()) return;
    PageLook look;
    if (state_.waypoint() == Waypoint::SetOut) look.bare = look.base;
    base_.request(size(), devicePixelRatioF(), theme::bench,
                  [map = map_, look, plan = state_.shared_plan(), textures = state_.shared_textures(),
                   project = shown_project()](QPainter& painter) {
                      const QRectF sheet = map.rect({0, 0, project.page.full_width(), project.page.height});
                      for (int k = 3; k > 0; --k) {
                          painter.setPen(Qt::NoPen);
                          painter.setBrush(QColor(38, 36, 43, 14));
                          painter.drawRoundedRect(sheet.adjusted(-k, -k + 2, k + 1, k + 3), 3, 3);
                      }
                      painter.translate(map.origin);
                      painter.scale(map.scale, map.scale);
                      paint_page(painter, project, *plan, *textures, look);
                  });
    asked_map_ = map_;
    asked_size_ = size();
    base_stale_ = false;
}

/// The last picture, moved and scaled to where the page is now until the next one is ready.
void PageView::paint_base(QPainter& painter) const {
    painter.fillRect(rect(), theme::bench);
    if (base_.image().isNull()) return;
    const double k = map_.scale / base_map_.scale;
    painter.save();
    painter.translate(map_.origin - base_map_.origin * k);
    painter.scale(k, k);
    painter.drawImage(QPointF(0, 0), base_.image());
    painter.restore();
}

void PageView::paint_empty(QPainter& painter) {
    painter.fillRect(rect(), theme::bench);
    QRectF box(0, 0, 440, 190);
    box.moveCenter(QRectF(rect()).center());
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(theme::tape_line, 2, Qt::DashLine));
    painter.setBrush(theme::paper);
    painter.drawRoundedRect(box, theme::radius, theme::radius);
    painter.setPen(theme::ink);
    painter.setFont(theme::font(theme::Text::Title));
    painter.drawText(box.adjusted(0, 40, 0, 0), Qt::AlignHCenter | Qt::AlignTop,
                     "Put a cut file on the page");
    painter.setPen(theme::quiet);
    painter.setFont(theme::font(theme::Text::Body));
    painter.drawText(
        box.adjusted(24, 84, -24, 0), Qt::AlignHCenter | Qt::AlignTop | Qt::TextWordWrap,
        "Drop an SVG drawing here, or press Ctrl+O.\nIt is measured at once: pieces, openings, bars.");
}

void PageView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const Plan* plan = state_.plan();
    if (!plan || (!plan->cut && shown_project().photos.empty())) {
        paint_empty(painter);
        return;
    }
    ask_for_base();
    paint_base(painter);
    painter.setRenderHint(QPainter::Antialiasing);
    switch (state_.waypoint()) {
    case Waypoint::SetOut:
        paint_set_out(painter, map_, shown_project(), *plan,
                      state_.photo_in_hand(shown_project()) >= 0 ? -1 : state_.cut_in_hand(shown_project()));
        paint_photo_sizes(painter, map_, shown_project(), state_.photo_in_hand(shown_project()));
        if (state_.measured()) paint_measured(painter, map_, shown_project(), *state_.measured());
        break;
    case Waypoint::Sections:
        if (plan->cut) paint_sections(painter, map_, *plan);
        break;
    case Waypoint::Papers:
        if (plan->cut) paint_papers(painter, map_, *plan);
        break;
    case Waypoint::Sheets:
        break;
    }
    if (state_.waypoint() != Waypoint::SetOut && plan->cut) paint_selection(painter, map_, *plan, state_);
    paint_gesture(painter);
    paint_rulers(painter, QRectF(rect()).adjusted(0, 0, 0, -line_below), map_, shown_project(), ruler);

    const QRectF below(0, height() - line_below, width(), line_below);
    painter.fillRect(below, theme::bench);
    painter.setPen(theme::quiet);
    painter.setFont(theme::font(theme::Text::Small));
    int about = state_.hovered();
    if (about < 0 && state_.selected().size() == 1) about = *state_.selected().begin();
    QString line = about_opening(shown_project(), *plan, about);
    if (line.isEmpty())
        line = state_.waypoint() == Waypoint::SetOut
                   ? (state_.tool() == BenchState::Tool::Measure
                          ? "Drag from one place to another to measure between them."
                          : "Drag a cut or photo to move it, pull a corner to size the cut.")
                   : "Point at an opening for its numbers; click it, or draw round several.";
    painter.drawText(below.adjusted(ruler + 4, 0, -60, 0), Qt::AlignLeft | Qt::AlignVCenter, line);
    painter.drawText(below.adjusted(0, 0, -10, 0), Qt::AlignRight | Qt::AlignVCenter,
                     QString("%1 %").arg(std::lround(100 * map_.scale * 25.4 / 96)));
    if (hasFocus() && reached_by_key_) {
        painter.setPen(QPen(theme::zest, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(1, 1, -1, -1));
    }
}

void PageView::resizeEvent(QResizeEvent*) {
    if (fitted_) fit();
}

// --- mouse ------------------------------------------------------------------------------------------------

void PageView::wheelEvent(QWheelEvent* event) {
    zoom_at(event->position(), std::pow(1.0015, event->angleDelta().y()));
}

bool PageView::over_corner(QPointF pixel) const {
    const Plan* plan = state_.plan();
    if (state_.waypoint() != Waypoint::SetOut || !plan || !plan->cut) return false;
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
        return i < plan->each_cut.size() && map_.rect(plan->each_cut[i].cut_box).contains(pixel);
    };
    const int now = state_.cut_in_hand(project);
    if (now >= 0 && over(static_cast<std::size_t>(now))) {
        state_.take_in_hand(project.cuts[static_cast<std::size_t>(now)].id);
        return true;
    }
    for (std::size_t i = project.cuts.size(); i-- > 0;)
        if (over(i)) {
            state_.take_in_hand(project.cuts[i].id);
            return true;
        }
    return false;
}

void PageView::mousePressEvent(QMouseEvent* event) {
    const Plan* plan = state_.plan();
    if (!plan || (!plan->cut && state_.waypoint() != Waypoint::SetOut)) return;
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
    const int opening = opening_at(event->position());
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
    for (std::size_t i = project.photos.size(); i-- > 0;)
        if (contains(outline_of(project.photos[i]).outer, at)) {
            state_.take_photo(static_cast<int>(i));
            return true;
        }
    return false;
}

void PageView::press_at_set_out(QPointF pixel) {
    drag_number_ = next_drag++;
    drag_project_ = document_.project();
    if (state_.tool() == BenchState::Tool::Measure) {
        if (!state_.plan()->cut) return;
        drag_ = Drag::Measure;
        return;
    }
    const bool corner = state_.photo_in_hand(document_.project()) < 0 && over_corner(pixel);
    if (!corner && take_photo_at(pixel)) {
        drag_ = Drag::Photo;
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
    if (drag_ == Drag::Measure) {
        const Plan& plan = *state_.plan();
        state_.measure(snapped(*plan.cut, plan.set_out.to_page, map_.back(drag_from_), map_.back(pixel),
                               snap_reach / map_.scale));
        return;
    }
    Project next = drag_project_;
    if (drag_ == Drag::Photo) {
        const int photo = state_.photo_in_hand(next);
        if (photo < 0) return;
        Photo& moving = next.photos[static_cast<std::size_t>(photo)];
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

void PageView::mouseMoveEvent(QMouseEvent* event) {
    if (drag_ != Drag::None) {
        drag_to(event->position());
        return;
    }
    setCursor(over_corner(event->position()) ? Qt::SizeFDiagCursor : Qt::ArrowCursor);
    state_.hover(opening_at(event->position()));
}

void PageView::mouseReleaseEvent(QMouseEvent*) {
    if (drag_ == Drag::Lasso || drag_ == Drag::Line) finish_gesture(gesture_adds_);
    drag_ = Drag::None;
    gesture_.clear();
    update();
}

void PageView::finish_gesture(bool add) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->cut || gesture_.size() < 2) return;
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
    for (int o : inside_outline(*plan->cut, plan->set_out.to_page, outline)) selected.insert(o);
    state_.select(std::move(selected));
}

void PageView::paint_gesture(QPainter& painter) const {
    if (gesture_.size() < 2) return;
    painter.setPen(QPen(theme::zest, 2, Qt::DashLine));
    painter.setBrush(drag_ == Drag::Lasso ? QBrush(QColor(232, 106, 23, 28)) : QBrush(Qt::NoBrush));
    if (drag_ == Drag::Line)
        painter.drawLine(gesture_.front(), gesture_.back());
    else
        painter.drawPolygon(gesture_.data(), static_cast<int>(gesture_.size()));
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
    if (!plan || !plan->cut || plan->cut->openings.empty()) return;
    const auto at = [&](int o) { return plan->set_out.to_page(plan->cut->openings[o].label.centre); };
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
    for (std::size_t o = 0; o < plan->cut->openings.size(); ++o) {
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
    if (state_.waypoint() == Waypoint::SetOut) {
        const double unit = (event->modifiers() & Qt::ShiftModifier ? 4 : 1) *
                            (document_.project().units == Units::Inches ? mm_per_inch / 16 : 1);
        const bool photo = state_.photo_in_hand(document_.project()) >= 0;
        document_.change(photo ? "Move the photo" : "Move the cut", [&](Project& p) {
            PlacedCut* cut = state_.in_hand(p);
            if (!photo && !cut) return;
            Point& shift =
                photo ? p.photos[static_cast<std::size_t>(state_.photo_in_hand(p))].centre : cut->place.shift;
            if (key == Qt::Key_Left) shift.x -= unit;
            if (key == Qt::Key_Right) shift.x += unit;
            if (key == Qt::Key_Up) shift.y -= unit;
            if (key == Qt::Key_Down) shift.y += unit;
        });
        return;
    }
    step_selection(key, event->modifiers() & Qt::ShiftModifier);
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
