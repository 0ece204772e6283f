#include "app/papers/proposals_view.h"

#include "app/bench/theme.h"
#include "io/paint/page_painter.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {
constexpr double card_spacing = 14;
constexpr double card_pad = 12;
constexpr double title_height = 24;
constexpr double text_width = 170;  ///< beside the picture
constexpr double words_height = 76; ///< below it
constexpr double wide = 1.35;       ///< from here on text stands beside the picture

/// Where picture and words are on a card.
struct Arrangement {
    QRectF picture;
    QRectF title;
    QRectF words;
};

Arrangement laid_out(const QRectF& card, const Page& page) {
    const QRectF inside = card.adjusted(card_pad, card_pad, -card_pad, -card_pad);
    const bool beside = card.width() > wide * card.height();
    const QRectF room = beside ? inside.adjusted(0, 0, -text_width - card_pad, 0)
                               : inside.adjusted(0, title_height, 0, -words_height);
    const double scale =
        std::max(0.01, std::min(room.width() / page.full_width(), room.height() / page.height));
    const QSizeF size(scale * page.full_width(), scale * page.height);
    Arrangement out;
    out.picture = {beside ? room.topLeft() : QPointF(room.center().x() - size.width() / 2, room.y()), size};
    if (beside) {
        const double x = out.picture.right() + card_pad + 4;
        out.title = {x, inside.y(), inside.right() - x, title_height};
        out.words = {x, inside.y() + title_height + 4, inside.right() - x,
                     inside.height() - title_height - 4};
    } else {
        out.title = {inside.x(), inside.y() - 4, inside.width(), title_height};
        out.words = {inside.x(), out.picture.bottom() + 8, inside.width(), words_height};
    }
    return out;
}
} // namespace

ProposalsView::ProposalsView(BenchState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName("Proposals side by side");
    setObjectName("proposals");
    connect(&base_, &BackgroundPicture::ready, this, qOverload<>(&QWidget::update));
    connect(&state.offers(), &Offers::changed, this, [this] {
        stale_ = true;
        update();
    });
}

QRectF ProposalsView::card(int proposal, int columns) const {
    const auto n = static_cast<int>(state_.offers().all().size());
    const int rows = (n + columns - 1) / columns;
    const double w = (width() - card_spacing * (columns + 1)) / columns;
    const double h = (height() - card_spacing * (rows + 1)) / rows;
    return {card_spacing + (proposal % columns) * (w + card_spacing),
            card_spacing + (proposal / columns) * (h + card_spacing), w, h};
}

/// As many as make the pictures largest.
int ProposalsView::columns() const {
    const auto n = static_cast<int>(state_.offers().all().size());
    int best = 1;
    double most = 0;
    for (int c = 1; c <= n; ++c) {
        const double side =
            laid_out(card(0, c), state_.offers().all().front().project.set_out.page).picture.width();
        if (side <= most) continue;
        most = side;
        best = c;
    }
    return best;
}

QRectF ProposalsView::card(int proposal) const {
    return card(proposal, columns());
}

void ProposalsView::ask_for_base() {
    if (!std::exchange(stale_, false)) return;
    struct Scene {
        QRectF picture;
        Project project;
        std::shared_ptr<const Plan> plan;
    };
    std::vector<Scene> scenes;
    for (std::size_t i = 0; i < state_.offers().all().size(); ++i) {
        const Offer& o = state_.offers().all()[i];
        scenes.push_back(
            {laid_out(card(static_cast<int>(i)), o.project.set_out.page).picture, o.project, o.plan});
    }
    base_.request(size(), devicePixelRatioF(), theme::bench,
                  [scenes = std::move(scenes), textures = state_.textures()](QPainter& painter) {
                      for (const Scene& s : scenes) {
                          painter.save();
                          painter.setPen(Qt::NoPen);
                          painter.setBrush(QColor(38, 36, 43, 30));
                          painter.drawRect(s.picture.translated(1, 2));
                          painter.translate(s.picture.topLeft());
                          painter.scale(s.picture.width() / s.project.set_out.page.full_width(),
                                        s.picture.height() / s.project.set_out.page.height);
                          paint_page(painter, s.project, *s.plan, *textures);
                          painter.restore();
                      }
                  });
}

void ProposalsView::paintEvent(QPaintEvent*) {
    ask_for_base();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::bench);
    const auto& offers = state_.offers().all();
    for (std::size_t i = 0; i < offers.size(); ++i) {
        const bool shown = static_cast<int>(i) == state_.offers().number();
        const QRectF c = card(static_cast<int>(i));
        p.setPen(QPen(shown ? theme::zest : theme::line, shown ? 2.5 : 1));
        p.setBrush(theme::card);
        p.drawRoundedRect(c, theme::radius, theme::radius);
    }
    // The pictures lie on the cards; their ground is left out.
    for (std::size_t i = 0; i < offers.size() && !base_.image().isNull(); ++i) {
        const QRectF picture = laid_out(card(static_cast<int>(i)), offers[i].project.set_out.page).picture;
        const double k = base_.image().devicePixelRatio();
        p.drawImage(picture, base_.image(),
                    QRectF(picture.x() * k, picture.y() * k, picture.width() * k, picture.height() * k));
    }
    for (std::size_t i = 0; i < offers.size(); ++i) {
        const Arrangement at = laid_out(card(static_cast<int>(i)), offers[i].project.set_out.page);
        p.setPen(theme::ink);
        p.setFont(theme::font(theme::Text::Body, true));
        p.drawText(at.title, Qt::AlignLeft | Qt::AlignVCenter,
                   QString("%1  %2").arg(i + 1).arg(offers[i].idea));
        p.setPen(offers[i].plan->sheets.short_patches.empty() ? theme::quiet : theme::berry);
        p.setFont(theme::font(theme::Text::Small));
        const bool beside = at.words.x() > at.picture.right();
        p.drawText(at.words, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap,
                   offers[i].reasons.join(beside ? "\n" : "; "));
    }
}

void ProposalsView::mousePressEvent(QMouseEvent* event) {
    for (int i = 0; i < static_cast<int>(state_.offers().all().size()); ++i)
        if (card(i).contains(event->position())) state_.offers().show(i);
}

void ProposalsView::mouseDoubleClickEvent(QMouseEvent* event) {
    mousePressEvent(event);
    state_.offers().show_side_by_side(false);
}

void ProposalsView::keyPressEvent(QKeyEvent* event) {
    const int step = event->key() == Qt::Key_Left    ? -1
                     : event->key() == Qt::Key_Right ? 1
                     : event->key() == Qt::Key_Up    ? -columns()
                     : event->key() == Qt::Key_Down  ? columns()
                                                     : 0;
    const int to = state_.offers().number() + step;
    if (step == 0)
        QWidget::keyPressEvent(event);
    else if (to >= 0 && to < static_cast<int>(state_.offers().all().size()))
        state_.offers().show(to);
}

void ProposalsView::resizeEvent(QResizeEvent*) {
    stale_ = true;
}

} // namespace zesty
