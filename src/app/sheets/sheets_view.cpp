#include "app/sheets/sheets_view.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/page/page_overlays.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/project/hand_edits.h"
#include "core/sheets/leftover.h"
#include "io/paint/page_painter.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

namespace zesty {

namespace {
constexpr double page_width = 250;
constexpr double least_drag = 5; ///< px; less is a click
constexpr double turn_step = 5;  ///< degrees
} // namespace

SheetsView::SheetsView(Document& document, BenchState& state, QWidget* parent)
    : QWidget(parent), document_(document), state_(state) {
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName("Sheets");
    setObjectName("sheets");
    connect(&base_, &BackgroundPicture::ready, this, qOverload<>(&QWidget::update));
    connect(&state, &BenchState::plan_changed, this, [this] {
        stale_ = true;
        arrange();
        update();
    });
    connect(&state, &BenchState::hover_changed, this, qOverload<>(&QWidget::update));
    connect(&state, &BenchState::selection_changed, this, qOverload<>(&QWidget::update));
}

const Project& SheetsView::shown_project() const {
    return state_.plan() ? *state_.plan()->of : document_.project();
}

QRectF SheetsView::page_room() const {
    return {width() - page_width - between_cards, between_cards, page_width, page_width};
}

void SheetsView::arrange() {
    const Plan* plan = state_.plan();
    places_ = plan ? cards_for(*plan, std::max(200.0, width() - page_width - 3 * between_cards),
                               std::max(200.0, height() - between_cards))
                   : std::vector<SheetCard>{};
    content_height_ = places_.empty() ? 0 : places_.back().card.bottom() + between_cards;
    scroll_ = std::clamp(scroll_, 0.0, std::max(0.0, content_height_ - height()));
}

void SheetsView::ask_for_base() {
    const auto plan = state_.shared_plan();
    if (!std::exchange(stale_, false) || !plan || !plan->sections.cut) return;
    SheetScene scene{shown_project(), plan, state_.textures(), places_, rect(), page_room()};
    for (SheetCard& place : scene.cards) {
        place.card.translate(0, -scroll_);
        place.origin.ry() -= scroll_;
    }
    base_.request(size(), devicePixelRatioF(), theme::bench,
                  [scene = std::move(scene)](QPainter& painter) { paint_scene(painter, scene); });
}

void SheetsView::paintEvent(QPaintEvent*) {
    ask_for_base();
    QPainter p(this);
    p.fillRect(rect(), theme::bench);
    p.drawImage(QPointF(0, 0), base_.image());
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut) return;
    p.setRenderHint(QPainter::Antialiasing);
    if (plan->sheets.used.empty()) {
        p.setPen(theme::quiet);
        p.setFont(theme::font(theme::Text::Body));
        p.drawText(QRectF(between_cards, between_cards, width() - page_width - 3 * between_cards,
                          height() - 2 * between_cards),
                   Qt::AlignCenter | Qt::TextWordWrap,
                   plan->sheets.done
                       ? "No patch has a paper yet.\nGo to Papers (Ctrl+3) and give some, or press P there."
                       : "Laying the patches on the sheets...");
    }
    const QRectF room = page_room();
    const Project& project = shown_project();
    const double scale =
        room.width() / std::max(project.set_out.page.full_width(), project.set_out.page.full_height());
    paint_selection(p, PageMap{scale, room.topLeft()}, *plan, state_);
    std::set<int> lit = state_.selected();
    if (state_.hovered() >= 0) lit.insert(state_.hovered());
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::zest, 2.5));
    for (const SheetCard& place : places_)
        for (int patch : plan->sheets.used[place.used].patches) {
            if (!lit.contains(plan->sections.patches[patch].opening)) continue;
            const QTransform t(place.scale, 0, 0, place.scale, place.origin.x(), place.origin.y() - scroll_);
            p.drawPath(t.map(to_path(
                transformed(plan->sections.patches[patch].outline, plan->sheets.placed[patch].to_sheet()))));
        }
    paint_hands(p, *plan);
    p.setPen(theme::quiet);
    p.setFont(theme::font(theme::Text::Small));
    const int about = state_.hovered() >= 0           ? state_.hovered()
                      : state_.selected().size() == 1 ? *state_.selected().begin()
                                                      : -1;
    QString line = about_opening(project, *plan, about);
    if (line.isEmpty())
        line = "Point at a patch to see where it goes. Drag it to where you want it cut: it is pinned there "
               "and the "
               "others are laid around it. Shift and arrow keys push it, comma and full stop turn it.";
    p.drawText(QRectF(room.x(), room.y() + project.set_out.page.full_height() * scale + 10, room.width(),
                      theme::px(140.0)),
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, line);
    if (hasFocus() && reached_by_key_) {
        p.setPen(QPen(theme::zest, 2));
        p.drawRect(rect().adjusted(1, 1, -1, -1));
    }
}

/// Pins, and the patch that is being dragged.
void SheetsView::paint_hands(QPainter& p, const Plan& plan) const {
    const Project& project = shown_project();
    for (const SheetCard& place : places_)
        for (int patch : plan.sheets.used[place.used].patches) {
            const int opening = plan.sections.patches[patch].opening;
            const QTransform t(place.scale, 0, 0, place.scale, place.origin.x(), place.origin.y() - scroll_);
            if (project.sheets.pins.contains(plan.sections.spots[opening])) {
                const Point c = plan.sheets.placed[patch].to_sheet()(plan.middle_of(opening));
                const QPointF at = t.map(QPointF(c.x, c.y)) + QPointF(0, -14);
                p.setPen(QPen(theme::card, 1.5));
                p.setBrush(theme::berry);
                p.drawEllipse(at, 5, 5);
            }
            if (patch != dragged_ || !moved_) continue;
            const QPainterPath shape = t.map(to_path(
                transformed(plan.sections.patches[patch].outline, plan.sheets.placed[patch].to_sheet())));
            p.setPen(QPen(theme::zest, 2, Qt::DashLine));
            p.setBrush(QColor(232, 106, 23, 50));
            p.drawPath(shape.translated(drag_now_ - drag_from_));
        }
}

const SheetCard* SheetsView::place_at(QPointF pixel) const {
    for (const SheetCard& place : places_)
        if (place.card.translated(0, -scroll_).contains(pixel)) return &place;
    return nullptr;
}

const SheetCard* SheetsView::place_of(int patch) const {
    const Plan* plan = state_.plan();
    for (const SheetCard& place : places_)
        if (plan->sheets.used[place.used].sheet == plan->sheets.placed[patch].sheet) return &place;
    return nullptr;
}

Point SheetsView::on_sheet(const SheetCard& place, QPointF pixel) const {
    return {(pixel.x() - place.origin.x()) / place.scale,
            (pixel.y() + scroll_ - place.origin.y()) / place.scale};
}

void SheetsView::pin(int patch, const SheetPin& to, const QString& intention) {
    const Spot opening = state_.plan()->sections.spots[state_.plan()->sections.patches[patch].opening];
    document_.change(intention, [&](Project& p) { p.sheets.pins[opening] = to; });
}

/// Where the patch is let go it stays; the others are laid around it.
void SheetsView::drop_patch(QPointF pixel) {
    const Plan* plan = state_.plan();
    const SheetCard* from = plan && dragged_ >= 0 ? place_of(dragged_) : nullptr;
    const SheetCard* to = place_at(pixel);
    if (!from || !to || state_.offers().shown()) return;
    const Point by = on_sheet(*to, pixel) - on_sheet(*from, drag_from_);
    if (const auto where = pinned(*plan, dragged_, plan->sheets.used[to->used].sheet, by))
        pin(dragged_, *where, "Move a patch on its sheet");
}

void SheetsView::move_selected(Point by, double turn_deg) {
    const Plan* plan = state_.plan();
    if (!plan || state_.selected().empty() || state_.offers().shown()) return;
    const int patch = plan->patch_of(*state_.selected().begin());
    if (patch < 0 || plan->sheets.placed[patch].sheet < 0) return;
    if (const auto where = pinned(*plan, patch, plan->sheets.placed[patch].sheet, by, turn_deg))
        pin(patch, *where, turn_deg != 0 ? "Turn a patch on its sheet" : "Move a patch on its sheet");
}

int SheetsView::patch_at(QPointF pixel) const {
    const Plan* plan = state_.plan();
    const SheetCard* place = place_at(pixel);
    if (!plan || !plan->sections.cut || !place) return -1;
    const Point at = on_sheet(*place, pixel);
    for (int patch : plan->sheets.used[place->used].patches)
        if (contains(plan->sections.patches[patch].outline,
                     inverse(plan->sheets.placed[patch].to_sheet())(at)))
            return patch;
    return -1;
}

QString SheetsView::room_at(QPointF pixel) const {
    const Plan* plan = state_.plan();
    const SheetCard* place = place_at(pixel);
    if (!plan || !place) return {};
    const Point at = on_sheet(*place, pixel);
    for (const ReservedRoom& room : plan->sheets.room) {
        if (room.sheet != plan->sheets.used[place->used].sheet || !contains(room.on_sheet, at)) continue;
        const Box box = bounds(room.on_sheet);
        const QString size = words(format_size(box.width(), box.height(), shown_project().units));
        return room.page.empty() ? size + " reserved"
                                 : QString("Room for a piece of %1, %2").arg(words(room.page), size);
    }
    return {};
}

void SheetsView::mouseReleaseEvent(QMouseEvent* event) {
    if (moved_) drop_patch(event->position());
    dragged_ = -1;
    moved_ = false;
    update();
}

void SheetsView::mouseMoveEvent(QMouseEvent* event) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut) return;
    if (dragged_ >= 0 && (event->buttons() & Qt::LeftButton)) {
        drag_now_ = event->position();
        moved_ = moved_ || (drag_now_ - drag_from_).manhattanLength() >= least_drag;
        update();
        return;
    }
    setToolTip(room_at(event->position()));
    const int patch = patch_at(event->position());
    int opening = patch >= 0 ? plan->sections.patches[patch].opening : -1;
    const QRectF room = page_room();
    if (opening < 0 && room.contains(event->position())) {
        const Project& project = shown_project();
        const PageMap map{room.width() /
                              std::max(project.set_out.page.full_width(), project.set_out.page.full_height()),
                          room.topLeft()};
        const Point p = inverse(plan->set_out.whole.to_page)(map.back(event->position()));
        for (std::size_t o = 0; o < plan->sections.cut->openings.size(); ++o)
            if (contains(plan->sections.cut->openings[o].outline, p)) opening = static_cast<int>(o);
    }
    state_.hover(opening);
}

void SheetsView::mousePressEvent(QMouseEvent* event) {
    mouseMoveEvent(event);
    dragged_ = patch_at(event->position());
    drag_from_ = drag_now_ = event->position();
    state_.select(state_.hovered() >= 0 ? std::set<int>{state_.hovered()} : std::set<int>{});
}

void SheetsView::focusInEvent(QFocusEvent* event) {
    reached_by_key_ = event->reason() == Qt::TabFocusReason || event->reason() == Qt::BacktabFocusReason;
    update();
}

void SheetsView::leaveEvent(QEvent*) {
    state_.hover(-1);
}

void SheetsView::scroll_by(double pixels) {
    const double to = std::clamp(scroll_ + pixels, 0.0, std::max(0.0, content_height_ - height()));
    if (to == scroll_) return;
    scroll_ = to;
    stale_ = true;
    update();
}

void SheetsView::wheelEvent(QWheelEvent* event) {
    scroll_by(-event->angleDelta().y());
}

bool SheetsView::event(QEvent* event) {
    // Elsewhere these keys move the cut among the others.
    if (event->type() == QEvent::ShortcutOverride)
        if (const int key = static_cast<QKeyEvent*>(event)->key();
            key == Qt::Key_PageDown || key == Qt::Key_PageUp)
            event->accept();
    return QWidget::event(event);
}

void SheetsView::keyPressEvent(QKeyEvent* event) {
    const Plan* plan = state_.plan();
    const int key = event->key();
    const bool arrow =
        key == Qt::Key_Left || key == Qt::Key_Right || key == Qt::Key_Up || key == Qt::Key_Down;
    if (arrow && event->modifiers() & Qt::ShiftModifier) {
        const double unit = document_.project().units == Units::Inches ? mm_per_inch / 16 : 1;
        move_selected({key == Qt::Key_Left    ? -unit
                       : key == Qt::Key_Right ? unit
                                              : 0,
                       key == Qt::Key_Up     ? -unit
                       : key == Qt::Key_Down ? unit
                                             : 0},
                      0);
    } else if (key == Qt::Key_Comma || key == Qt::Key_Period) {
        move_selected({}, key == Qt::Key_Comma ? -turn_step : turn_step);
    } else if (key == Qt::Key_PageDown || key == Qt::Key_PageUp) {
        scroll_by(key == Qt::Key_PageDown ? height() * 0.8 : -height() * 0.8);
    } else if (plan && !plan->sections.patches.empty() && (key == Qt::Key_Left || key == Qt::Key_Right)) {
        // From patch to patch in the order of the cards.
        std::vector<int> order;
        for (const UsedSheet& u : plan->sheets.used)
            for (int p : u.patches) order.push_back(plan->sections.patches[p].opening);
        if (order.empty()) return;
        const int n = static_cast<int>(order.size());
        const auto now = state_.selected().empty()
                             ? order.end()
                             : std::find(order.begin(), order.end(), *state_.selected().begin());
        int i = now == order.end() ? (key == Qt::Key_Right ? -1 : n) : static_cast<int>(now - order.begin());
        i = (i + (key == Qt::Key_Right ? 1 : -1) + n) % n;
        state_.select({order[i]});
    } else {
        QWidget::keyPressEvent(event);
    }
}

void SheetsView::resizeEvent(QResizeEvent*) {
    stale_ = true;
    arrange();
}

} // namespace zesty
