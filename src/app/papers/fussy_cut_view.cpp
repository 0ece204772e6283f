#include "app/papers/fussy_cut_view.h"

#include "app/bench/actions.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "io/motif_picture.h"
#include "io/paper_pixels.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPainter>
#include <QPainterPath>
#include <algorithm>

namespace zesty {

namespace {
constexpr double margin_px = 24;
constexpr double caption_px = 80;
constexpr double tolerance_step = 3;
constexpr double brush_step = 1.25;
} // namespace

FussyCutView::FussyCutView(Document& document, BenchState& state, Worker& worker, QWidget* parent)
    : QWidget(parent), document_(document), state_(state), worker_(worker) {
    setObjectName("fussy-cuts");
    setAccessibleName("Fussy cuts of the picked paper");
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setCursor(Qt::CrossCursor);
    setProperty(return_of_its_own, true);
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
    const double scale =
        std::min((width() - 2 * margin_px) / std::max(1.0, box.width()),
                 (height() - 2 * margin_px - theme::px(caption_px)) / std::max(1.0, box.height()));
    QTransform out;
    out.translate((width() - scale * box.width()) / 2, margin_px + theme::px(caption_px));
    out.scale(scale, scale);
    return out;
}

QPointF FussyCutView::pixel_of(Point on_paper) const {
    return to_widget().map(QPointF(on_paper.x, on_paper.y));
}

Point FussyCutView::on_paper(QPointF pixel) const {
    const QPointF mm = to_widget().inverted().map(pixel);
    return {mm.x(), mm.y()};
}

void FussyCutView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.fillRect(rect(), theme::bench);
    const Paper* paper = this->paper();
    paint_head(p, paper);
    if (!paper) return;
    p.setTransform(to_widget(), true);
    const Box box = picture_box(*paper);
    p.fillRect(QRectF(box.x0, box.y0, box.width(), box.height()),
               state_.textures()->brush(state_.drawer().picked(), {}, to_widget().m11()));
    paint_motifs(p, *paper);
    paint_brush(p);
}

void FussyCutView::paint_head(QPainter& p, const Paper* paper) const {
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Title));
    const QRectF head(margin_px, 12, width() - 2 * margin_px, 26);
    p.drawText(head, Qt::AlignLeft | Qt::AlignVCenter,
               paper ? "Fussy cuts of " + words(paper->name) : QString("Fussy cuts"));
    p.setFont(theme::font(theme::Text::Small));
    p.setPen(theme::quiet);
    const bool picture = paper && !paper->picture.empty();
    p.drawText(
        head.translated(0, 26).adjusted(0, 0, 0, 36), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
        !paper ? QString("Pick a paper in the drawer.")
        : picture
            ? QString("Click on a motif: patches keep 1/16 in clear of it on every sheet that shows it. "
                      "+ and - make it closer or wider. Drag from inside to add what is missing, with "
                      "Shift to take away; [ and ] change the brush. Double click to name it, Delete "
                      "to remove it. When you have cut one out, click its label, or press Return: it joins "
                      "your embellishments.")
            : QString("This paper has no picture in which a motif could be found."));
}

QRectF FussyCutView::plate_of(const FussyCut& cut) const {
    const Box b = bounds(cut.outline);
    const double wide = cut.name.empty() ? 52 : 124;
    // Below it, so that the motif is seen.
    return {pixel_of({b.centre().x, b.y1}) + QPointF(-wide / 2, 3), QSizeF(wide, 18)};
}

void FussyCutView::paint_motifs(QPainter& p, const Paper& paper) const {
    for (std::size_t m = 0; m < paper.fussy_cuts.size(); ++m) {
        const FussyCut& cut = paper.fussy_cuts[m];
        const bool hovered = static_cast<int>(m) == hovered_;
        p.setBrush(QColor(255, 254, 251, hovered ? 110 : 60));
        QPen pen(hovered ? theme::zest : theme::ink, hovered ? 3 : 2);
        pen.setCosmetic(true);
        p.setPen(pen);
        p.drawPath(to_path(cut.outline));
        p.save();
        p.resetTransform();
        p.setPen(theme::ink);
        p.setFont(theme::font(theme::Text::Small, true));
        const QString left = QString("%1 left").arg(motifs_left(paper, cut));
        const QRectF plate = plate_of(cut);
        p.fillRect(plate, QColor(255, 254, 251, 220));
        const QString name = p.fontMetrics().elidedText(words(cut.name), Qt::ElideRight, 66);
        p.drawText(plate, Qt::AlignCenter, name.isEmpty() ? left : name + ", " + left);
        p.restore();
    }
}

/// Where the brush has been, or where it would begin.
void FussyCutView::paint_brush(QPainter& p) const {
    const bool shown = stroke_ || hovered_ >= 0;
    if (!shown) return;
    const bool add = stroke_ ? stroke_->add : true;
    QColor colour = add ? theme::leaf : theme::berry;
    colour.setAlpha(120);
    if (stroke_) {
        QPainterPath way;
        for (std::size_t i = 0; i < stroke_->way.size(); ++i) {
            const QPointF at(stroke_->way[i].x, stroke_->way[i].y);
            if (i == 0) way.moveTo(at);
            way.lineTo(at + QPointF(i == 0 ? 1e-3 : 0, 0));
        }
        p.strokePath(way, QPen(colour, brush_, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        return;
    }
    const Point at = on_paper(cursor_);
    QPen pen(theme::ink, 1);
    pen.setCosmetic(true);
    p.setPen(pen);
    p.setBrush(Qt::NoBrush);
    p.drawEllipse(QPointF(at.x, at.y), brush_ / 2, brush_ / 2);
}

int FussyCutView::motif_at_pixel(QPointF at) const {
    const Paper* p = paper();
    const Point there = on_paper(at);
    for (std::size_t m = 0; p && m < p->fussy_cuts.size(); ++m)
        if (contains(p->fussy_cuts[m].outline, there)) return static_cast<int>(m);
    return -1;
}

int FussyCutView::plate_at_pixel(QPointF at) const {
    const Paper* p = paper();
    for (std::size_t m = 0; p && m < p->fussy_cuts.size(); ++m)
        if (plate_of(p->fussy_cuts[m]).contains(at)) return static_cast<int>(m);
    return -1;
}

void FussyCutView::mouseMoveEvent(QMouseEvent* event) {
    cursor_ = event->position();
    if (stroke_) {
        stroke_->way.push_back(on_paper(cursor_));
        stroke_->moved = true;
        // What is taken away may be begun outside.
        if (stroke_->motif < 0) stroke_->motif = motif_at_pixel(cursor_);
    } else {
        hovered_ = motif_at_pixel(cursor_);
        setCursor(plate_at_pixel(cursor_) >= 0 ? Qt::PointingHandCursor : Qt::CrossCursor);
    }
    update();
}

void FussyCutView::mousePressEvent(QMouseEvent* event) {
    setFocus();
    const Paper* p = paper();
    if (!p || event->button() != Qt::LeftButton) return;
    const bool away = event->modifiers().testFlag(Qt::ShiftModifier);
    if (const int plate = plate_at_pixel(event->position()); plate >= 0 && !away)
        return cut_out(static_cast<std::size_t>(plate));
    const int motif = motif_at_pixel(event->position());
    if (motif >= 0 || away) {
        stroke_ = Stroke{{on_paper(event->position())}, !away, motif, p->id};
        update();
        return;
    }
    tolerance_ = usual_tolerance;
    find(on_paper(event->position()), std::nullopt);
}

void FussyCutView::mouseReleaseEvent(QMouseEvent*) {
    if (!stroke_) return;
    const Stroke done = *std::exchange(stroke_, std::nullopt);
    const Paper* p = paper();
    update();
    if (!done.moved || done.motif < 0 || !p || p->id != done.paper ||
        done.motif >= static_cast<int>(p->fussy_cuts.size()))
        return;
    correct(static_cast<std::size_t>(done.motif), done.way, done.add);
}

void FussyCutView::mouseDoubleClickEvent(QMouseEvent* event) {
    stroke_.reset();
    if (const int motif = motif_at_pixel(event->position()); motif >= 0)
        ask_name(static_cast<std::size_t>(motif));
}

void FussyCutView::leaveEvent(QEvent*) {
    hovered_ = -1;
    update();
}

void FussyCutView::correct(std::size_t motif, const Ring& stroke, bool add) {
    const auto outline = corrected(paper()->fussy_cuts[motif].outline, stroke, brush_ / 2, add);
    if (!outline) {
        emit say(QString::fromStdString(outline.error().message) + ".", true);
        return;
    }
    change("Correct a fussy cut", [&](Paper& next) { next.fussy_cuts[motif].outline = *outline; });
}

/// Somebody has done so with scissors: the sheet has a hole, the drawer an embellishment.
void FussyCutView::cut_out(std::size_t motif) {
    const Textures textures(document_.project(), state_.textures().get());
    const auto done =
        with_motif_cut_out_and_shown(stash_at_hand(document_.project()),
                                     static_cast<std::size_t>(state_.drawer().picked()), motif, textures);
    if (!done) {
        emit say(words(done.error().message) + ".", true);
        return;
    }
    document_.change_papers("Cut out a motif", [&](const Stash&) { return *done; });
    emit say("It is among the embellishments of the drawer now; the sheet keeps its hole.", false);
}

/// A line in the place of its label; Enter or a click elsewhere takes it, Esc does not.
void FussyCutView::ask_name(std::size_t motif) {
    const FussyCut& cut = paper()->fussy_cuts[motif];
    auto* line = new QLineEdit(words(cut.name), this);
    line->setObjectName("fussy-cut-name");
    line->setAccessibleName("Name of the fussy cut");
    line->setPlaceholderText("name");
    line->setMaxLength(40);
    const QRect plate = plate_of(cut).toRect();
    line->setGeometry(QRect(plate.center().x() - 75, plate.top() - 3, 150, 28) & rect());
    line->show();
    line->setFocus();
    line->selectAll();
    connect(line, &QLineEdit::editingFinished, this, [this, line, motif, id = paper()->id] {
        if (line->hasFocus()) setFocus();
        line->deleteLater();
        const Paper* now = paper();
        const std::string name = line->text().trimmed().toStdString();
        if (now && now->id == id && motif < now->fussy_cuts.size() && now->fussy_cuts[motif].name != name)
            change("Name a fussy cut", [&](Paper& next) { next.fussy_cuts[motif].name = name; });
    });
    line->installEventFilter(this);
}

/// Esc leaves the name as it is, before the window takes it for going back.
bool FussyCutView::eventFilter(QObject* line, QEvent* event) {
    const bool key = event->type() == QEvent::KeyPress || event->type() == QEvent::ShortcutOverride;
    if (!key || static_cast<QKeyEvent*>(event)->key() != Qt::Key_Escape) return false;
    event->accept();
    if (event->type() == QEvent::KeyPress) {
        line->blockSignals(true);
        line->deleteLater();
        setFocus();
    }
    return true;
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
        change("Remove a fussy cut",
               [this](Paper& paper) { paper.fussy_cuts.erase(paper.fussy_cuts.begin() + hovered_); });
        hovered_ = -1;
    } else if (event->key() == Qt::Key_BracketLeft || event->key() == Qt::Key_BracketRight) {
        const double by = event->key() == Qt::Key_BracketRight ? brush_step : 1 / brush_step;
        brush_ = std::clamp(by * brush_, brush_limits.least, brush_limits.most);
        update();
    } else if (event->key() == Qt::Key_F2 && p && hovered_ >= 0) {
        ask_name(static_cast<std::size_t>(hovered_));
    } else if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && p && hovered_ >= 0) {
        cut_out(static_cast<std::size_t>(hovered_));
    } else {
        QWidget::keyPressEvent(event);
    }
}

} // namespace zesty
