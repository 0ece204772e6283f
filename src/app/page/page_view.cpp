#include "app/page/page_view.h"

#include "app/bench/theme.h"
#include "app/bench/waypoint_view.h"
#include "app/bench/wording.h"
#include "app/page/page_overlays.h"
#include "core/geometry/measure.h"
#include "io/paint/page_painter.h"

#include <QMouseEvent>
#include <QPainter>
#include <QScreen>
#include <cmath>

namespace zesty {

namespace {
constexpr int ruler = 24;
constexpr double share_of_view = 0.6; ///< that an opening fills when it comes close
constexpr int line_below = 24;        ///< the line of numbers under the page
} // namespace

PageView::PageView(Document& document, BenchState& state, QWidget* parent)
    : QWidget(parent), document_(document), state_(state) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setAcceptDrops(true);
    setMinimumSize(320, 280);
    setAccessibleName("Page");
    grabGesture(Qt::PinchGesture);
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
    connect(&state.in_hand(), &InHand::changed, this, qOverload<>(&QWidget::update));
    connect(&state.tools(), &PageTools::measured_changed, this, qOverload<>(&QWidget::update));
    connect(&state.tools(), &PageTools::picked_changed, this, qOverload<>(&QWidget::update));
    connect(&state.tools(), &PageTools::changed, this, qOverload<>(&QWidget::update));
    connect(&state, &BenchState::hover_changed, this, qOverload<>(&QWidget::update));
    connect(&state.offers(), &Offers::compared_changed, this, [this] {
        base_stale_ = true;
        update();
    });
}

PageView::~PageView() = default;

void PageView::show_waypoint(const WaypointView* waypoint) {
    if (waypoint_) disconnect(waypoint_, nullptr, this, nullptr);
    waypoint_ = waypoint;
    base_stale_ = true;
    if (waypoint_)
        connect(waypoint_, &WaypointView::look_changed, this, [this] {
            base_stale_ = true;
            update();
        });
    update();
}

void PageView::move_view_to(QPointF origin) {
    map_.origin = origin;
    fitted_ = false;
    update();
}

const Project& PageView::shown_project() const {
    return state_.plan() ? *state_.plan()->of : document_.project();
}

bool PageView::something_to_show() const {
    const Plan* plan = state_.plan();
    return plan && (plan->sections.cut || !shown_project().set_out.photos.empty());
}

QRectF PageView::room() const {
    return QRectF(rect()).adjusted(theme::px(ruler), theme::px(ruler), 0, -theme::px(line_below));
}

void PageView::fit() {
    const Page& page = document_.project().set_out.page;
    const QRectF r = room().adjusted(16, 14, -18, -12);
    map_.scale = std::max(0.05, std::min(r.width() / page.full_width(), r.height() / page.full_height()));
    map_.origin = {r.x() + (r.width() - page.full_width() * map_.scale) / 2,
                   r.y() + (r.height() - page.full_height() * map_.scale) / 2};
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

void PageView::push_view(QPointF by) {
    map_.origin += by;
    fitted_ = false;
    update();
}

void PageView::zoom_to(const Box& on_page) {
    const QRectF r = room();
    map_.scale = std::clamp(share_of_view * std::min(r.width() / std::max(on_page.width(), 1.0),
                                                     r.height() / std::max(on_page.height(), 1.0)),
                            0.2, 60.0);
    map_.origin = r.center() - QPointF(on_page.centre().x, on_page.centre().y) * map_.scale;
    fitted_ = false;
    update();
}

/// An opening comes close; anywhere else the whole page comes back.
void PageView::mouseDoubleClickEvent(QMouseEvent* event) {
    const int opening = opening_at(event->position());
    const Plan* plan = state_.plan();
    if (event->button() != Qt::LeftButton || !plan || !plan->sections.cut) return;
    if (opening < 0)
        fit();
    else
        zoom_to(bounds(transformed(plan->sections.cut->openings[static_cast<std::size_t>(opening)].outline,
                                   plan->set_out.whole.to_page)));
}

void PageView::show_place(Point on_page) {
    if (room().adjusted(20, 20, -20, -20).contains(map_(on_page))) return;
    map_.origin += room().center() - map_(on_page);
    fitted_ = false;
    update();
}

int PageView::opening_at(QPointF pixel) const {
    return state_.plan() ? state_.plan()->opening_at(map_.back(pixel)) : -1;
}

// --- painting ---------------------------------------------------------------------------------------------

void PageView::ask_for_base() {
    if (!base_stale_ && asked_map_ == map_ && asked_size_ == size()) return;
    PageLook look;
    look.sketch = true;
    // Held by the job, which may outlive the view; the comparing line shows two pages, which would take
    // turns.
    const auto kept = state_.offers().compared_at() ? nullptr : painted_cuts_;
    look.cuts = kept.get();
    if (waypoint_ && waypoint_->shows_bare_base()) look.bare = look.base;
    const Seen seen = waypoint_ ? waypoint_->seen() : Seen::Colour;
    base_.request(
        size(), devicePixelRatioF(), theme::bench,
        [map = map_, look, seen, kept, plan = state_.shared_plan(), textures = state_.textures(),
         project = shown_project(),
         own_plan =
             state_.offers().compared_with() ? state_.offers().compared_with()->plan : state_.own_plan(),
         compared = state_.offers().compared_at()](QPainter& painter) {
            const QRectF sheet =
                map.rect({0, 0, project.set_out.page.full_width(), project.set_out.page.full_height()});
            for (int k = 3; k > 0; --k) {
                painter.setPen(Qt::NoPen);
                painter.setBrush(QColor(38, 36, 43, 14));
                painter.drawRoundedRect(sheet.adjusted(-k, -k + 2, k + 1, k + 3), 3, 3);
            }
            painter.translate(map.origin);
            painter.scale(map.scale, map.scale);
            const double width = project.set_out.page.full_width();
            const double line = compared.value_or(1) * width;
            painter.save();
            painter.setClipRect(QRectF(0, 0, line, project.set_out.page.full_height()));
            paint_page(painter, project, *plan, *textures, look);
            paint_seen(painter, project, *plan, seen);
            painter.restore();
            if (!compared || !own_plan) return;
            painter.setClipRect(QRectF(line, 0, width - line, project.set_out.page.full_height()));
            paint_page(painter, *own_plan->of, *own_plan, *textures, look);
        },
        [seen](QImage image) { return as_seen(image, seen); });
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

void PageView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    if (!something_to_show()) {
        painter.fillRect(rect(), theme::bench);
        return;
    }
    ask_for_base();
    paint_base(painter);
    painter.setRenderHint(QPainter::Antialiasing);
    const Plan& plan = *state_.plan();
    if (waypoint_) waypoint_->paint_on_page(painter, map_, shown_project(), plan);
    if (plan.sections.cut && (!waypoint_ || waypoint_->shows_selection()))
        paint_selection(painter, map_, plan, state_);
    if (drag_) drag_->paint(painter);
    paint_compared(painter);
    paint_rulers(painter, QRectF(rect()).adjusted(0, 0, 0, -theme::px(line_below)), map_, shown_project(),
                 theme::px(ruler));
    paint_line_below(painter);
    if (hasFocus() && reached_by_key_) {
        painter.setPen(QPen(theme::zest, 2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(1, 1, -1, -1));
    }
}

void PageView::paint_line_below(QPainter& painter) const {
    const QRectF below(0, height() - theme::px(line_below), width(), theme::px(line_below));
    painter.fillRect(below, theme::bench);
    painter.setPen(theme::quiet);
    painter.setFont(theme::font(theme::Text::Small));
    int about = state_.hovered();
    if (about < 0 && state_.selected().size() == 1) about = *state_.selected().begin();
    QString line = about_opening(shown_project(), *state_.plan(), about);
    if (line.isEmpty() && waypoint_) line = waypoint_->hint();
    painter.drawText(below.adjusted(theme::px(ruler) + 4, 0, -60, 0), Qt::AlignLeft | Qt::AlignVCenter, line);
    painter.drawText(below.adjusted(0, 0, -10, 0), Qt::AlignRight | Qt::AlignVCenter,
                     QString("%1 %").arg(std::lround(100 * map_.scale * 25.4 / 96)));
}

double PageView::compared_px() const {
    return map_(Point{state_.offers().compared_at().value_or(1) * shown_project().set_out.page.full_width(),
                      0})
        .x();
}

/// The line between what is proposed and what is decided, with a handle to drag.
void PageView::paint_compared(QPainter& painter) const {
    if (!state_.offers().compared_at()) return;
    const double x = compared_px();
    const double top = map_(Point{0, 0}).y();
    const double bottom = map_(Point{0, shown_project().set_out.page.full_height()}).y();
    painter.setPen(QPen(theme::zest, 2));
    painter.drawLine(QPointF(x, top), QPointF(x, bottom));
    painter.setBrush(theme::card);
    painter.drawRoundedRect(QRectF(x - 9, (top + bottom) / 2 - 18, 18, 36), theme::radius, theme::radius);
    painter.drawLine(QPointF(x - 2.5, (top + bottom) / 2 - 8), QPointF(x - 2.5, (top + bottom) / 2 + 8));
    painter.drawLine(QPointF(x + 2.5, (top + bottom) / 2 - 8), QPointF(x + 2.5, (top + bottom) / 2 + 8));
    painter.setFont(theme::font(theme::Text::Small, true));
    const QFontMetricsF metrics(painter.font());
    const auto tag = [&](const QString& text, bool left) {
        const double w = metrics.horizontalAdvance(text) + 16;
        const QRectF box(left ? x - w - 6 : x + 6, bottom - 30, w, 22);
        painter.setPen(QPen(theme::line, 1));
        painter.setBrush(theme::card);
        painter.drawRoundedRect(box, theme::radius, theme::radius);
        painter.setPen(theme::ink);
        painter.drawText(box, Qt::AlignCenter, text);
    };
    tag(QString("proposal %1").arg(state_.offers().number() + 1), true);
    tag(state_.offers().compared_with()
            ? QString("proposal %1").arg(state_.offers().compared_with_number() + 1)
            : QString("now"),
        false);
}

void PageView::resizeEvent(QResizeEvent*) {
    if (fitted_) fit();
}

} // namespace zesty
