#include "app/papers/fussy_cut_view.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/geometry/measure.h"
#include "io/paper_pixels.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

namespace zesty {

namespace {
constexpr double margin_px = 24;
constexpr double caption_px = 44;
constexpr double tolerance_step = 3;
} // namespace

FussyCutView::FussyCutView(Document& document, BenchState& state, Worker& worker, QWidget* parent)
    : QWidget(parent), document_(document), state_(state), worker_(worker) {
    setObjectName("fussy-cuts");
    setAccessibleName("Fussy cuts of the picked paper");
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setCursor(Qt::CrossCursor);
    connect(&state.drawer(), &InDrawer::changed, this, qOverload<>(&QWidget::update));
    connect(&document, &Document::project_changed, this, qOverload<>(&QWidget::update));
}

const Paper* FussyCutView::paper() const {
    const auto& stash = document_.project().stash;
    const int picked = state_.drawer().picked();
    return stash && picked >= 0 && picked < static_cast<int>(stash->papers.size())
               ? &stash->papers[static_cast<std::size_t>(picked)]
               : nullptr;
}

QTransform FussyCutView::to_widget() const {
    const Paper* p = paper();
    const Box box = p ? picture_box(*p) : Box{0, 0, 1, 1};
    const double scale = std::min((width() - 2 * margin_px) / std::max(1.0, box.width()),
                                  (height() - 2 * margin_px - caption_px) / std::max(1.0, box.height()));
    QTransform out;
    out.translate((width() - scale * box.width()) / 2, margin_px + caption_px);
    out.scale(scale, scale);
    return out;
}

QPointF FussyCutView::pixel_of(Point on_paper) const {
    return to_widget().map(QPointF(on_paper.x, on_paper.y));
}

void FussyCutView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.fillRect(rect(), theme::bench);
    const Paper* paper = this->paper();
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Title));
    const QRectF head(margin_px, 12, width() - 2 * margin_px, 26);
    p.drawText(head, Qt::AlignLeft | Qt::AlignVCenter,
               paper ? "Fussy cuts of " + words(paper->name) : QString("Fussy cuts"));
    p.setFont(theme::font(theme::Text::Small));
    p.setPen(theme::quiet);
    const bool picture = paper && !paper->picture.empty();
    p.drawText(head.translated(0, 24), Qt::AlignLeft | Qt::AlignVCenter,
               !paper ? QString("Pick a paper in the drawer.")
               : picture
                   ? QString("Click on a motif: patches keep 1/16 in clear of it on every sheet that shows "
                             "it. + and - make it closer or wider, Delete lets go of it, Esc goes back.")
                   : QString("This paper has no picture in which a motif could be found."));
    if (!paper) return;
    p.setTransform(to_widget(), true);
    const Box box = picture_box(*paper);
    const double scale = to_widget().m11();
    p.fillRect(QRectF(box.x0, box.y0, box.width(), box.height()),
               state_.textures()->brush(state_.drawer().picked(), {}, scale));
    for (std::size_t m = 0; m < paper->fussy_cuts.size(); ++m) {
        const FussyCut& cut = paper->fussy_cuts[m];
        const bool hovered = static_cast<int>(m) == hovered_;
        p.setBrush(QColor(255, 254, 251, hovered ? 110 : 60));
        QPen pen(hovered ? theme::zest : theme::ink, hovered ? 3 : 2);
        pen.setCosmetic(true);
        p.setPen(pen);
        p.drawPath(to_path(cut.outline));
        const Box b = bounds(cut.outline);
        p.save();
        p.resetTransform();
        p.setPen(theme::ink);
        p.setFont(theme::font(theme::Text::Small, true));
        const QString label = QString("%1 left").arg(motifs_left(*paper, cut));
        // Below it, so that the motif is seen.
        const QRectF plate(pixel_of({b.centre().x, b.y1}) + QPointF(-26, 3), QSizeF(52, 18));
        p.fillRect(plate, QColor(255, 254, 251, 220));
        p.drawText(plate, Qt::AlignCenter, label);
        p.restore();
    }
}

int FussyCutView::motif_at_pixel(QPointF at) const {
    const Paper* p = paper();
    const QPointF mm = to_widget().inverted().map(at);
    for (std::size_t m = 0; p && m < p->fussy_cuts.size(); ++m)
        if (contains(p->fussy_cuts[m].outline, {mm.x(), mm.y()})) return static_cast<int>(m);
    return -1;
}

void FussyCutView::mouseMoveEvent(QMouseEvent* event) {
    const int over = motif_at_pixel(event->position());
    if (std::exchange(hovered_, over) != over) update();
}

void FussyCutView::mousePressEvent(QMouseEvent* event) {
    setFocus();
    if (motif_at_pixel(event->position()) >= 0) return;
    const QPointF mm = to_widget().inverted().map(event->position());
    tolerance_ = usual_tolerance;
    find({mm.x(), mm.y()}, std::nullopt);
}

void FussyCutView::change(const QString& intention, const std::function<void(Paper&)>& apply) {
    const Paper* now = paper();
    if (!now) return;
    Paper next = *now;
    apply(next);
    document_.change_papers(intention, [&](const Stash& stash) { return with_paper(stash, next); });
}

void FussyCutView::find(Point at, std::optional<std::size_t> in_place_of) {
    const Paper* p = paper();
    if (!p) return;
    worker_.think(this,
                  [this, at, in_place_of, id = p->id, stash = document_.project().stash,
                   tolerance = tolerance_](Planner&) -> std::function<void()> {
                      const auto pixels =
                          pixels_of_paper(*stash, stash->papers[static_cast<std::size_t>(stash->find(id))]);
                      const auto outline = pixels ? motif_at(*pixels, at, tolerance)
                                                  : Result<Polygon>(tl::make_unexpected(pixels.error()));
                      return [this, at, in_place_of, id, outline] {
                          if (!outline) {
                              emit say(QString::fromStdString(outline.error().message) + ".", true);
                              return;
                          }
                          const Paper* now = this->paper();
                          if (!now || now->id != id) return; // another one is picked meanwhile
                          last_ = at;
                          last_paper_ = id;
                          change(in_place_of ? "Correct a fussy cut" : "Add a fussy cut", [&](Paper& next) {
                              if (in_place_of && *in_place_of < next.fussy_cuts.size())
                                  next.fussy_cuts[*in_place_of].outline = *outline;
                              else
                                  next.fussy_cuts.push_back({"", *outline, 0});
                          });
                      };
                  });
}

void FussyCutView::keyPressEvent(QKeyEvent* event) {
    const Paper* p = paper();
    const bool closer = event->key() == Qt::Key_Plus;
    if ((closer || event->key() == Qt::Key_Minus) && p && last_ && last_paper_ == p->id &&
        !p->fussy_cuts.empty()) {
        tolerance_ = std::clamp(tolerance_ + (closer ? tolerance_step : -tolerance_step), 1.0, 60.0);
        find(*last_, p->fussy_cuts.size() - 1);
    } else if (event->key() == Qt::Key_Delete && p && hovered_ >= 0) {
        change("Let go of a fussy cut",
               [this](Paper& paper) { paper.fussy_cuts.erase(paper.fussy_cuts.begin() + hovered_); });
        hovered_ = -1;
    } else {
        QWidget::keyPressEvent(event);
    }
}

} // namespace zesty
