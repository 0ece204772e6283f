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
constexpr double title_height = 26;
constexpr double swatch = 27;
constexpr double swatch_gap = 5;
constexpr double least_words = 64;   ///< for price and reasons
constexpr double words_height = 100; ///< that they take at most

/// Where picture, papers and words are on a card: one below the other, the picture as large as goes.
struct LaidCard {
    QRectF picture;
    QRectF title;
    QRectF papers;
    QRectF words;
};

LaidCard laid_out(const QRectF& card, const Page& page) {
    const QRectF inside = card.adjusted(card_pad, card_pad, -card_pad, -card_pad);
    const QRectF room =
        inside.adjusted(0, 0, 0, -theme::px(title_height) - swatch - 12 - theme::px(least_words));
    const double scale =
        std::max(0.01, std::min(room.width() / page.full_width(), room.height() / page.full_height()));
    const QSizeF size(scale * page.full_width(), scale * page.full_height());
    LaidCard out;
    out.picture = {QPointF(room.center().x() - size.width() / 2, room.y()), size};
    out.title = {inside.x(), out.picture.bottom() + 6, inside.width(), theme::px(title_height)};
    out.papers = {inside.x(), out.title.bottom() + 2, inside.width(), swatch};
    out.words = {inside.x(), out.papers.bottom() + 8, inside.width(),
                 std::max(0.0, inside.bottom() - out.papers.bottom() - 8)};
    return out;
}

/// The papers a proposal uses, those with most places first.
std::vector<int> papers_of(const Plan& plan) {
    std::vector<int> out;
    for (std::size_t p = 0; p < plan.papers.uses.size(); ++p)
        if (plan.papers.uses[p].sections > 0) out.push_back(static_cast<int>(p));
    std::stable_sort(out.begin(), out.end(), [&](int a, int b) {
        return plan.papers.uses[static_cast<std::size_t>(a)].sections >
               plan.papers.uses[static_cast<std::size_t>(b)].sections;
    });
    return out;
}

/// The openings in which two pages have different papers, in page coordinates.
QPainterPath difference_of(const Plan& plan, const Plan& other) {
    QPainterPath out;
    if (!plan.sections.cut || plan.sections.all.size() != other.sections.all.size()) return out;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        if (plan.papers.of_section[s] == other.papers.of_section[s] &&
            plan.papers.side_of_section[s] == other.papers.side_of_section[s])
            continue;
        for (const int o : plan.sections.all[s].openings)
            out.addPath(to_qt(plan.set_out.whole.to_page)
                            .map(to_path(plan.sections.cut->openings[static_cast<std::size_t>(o)].outline)));
    }
    return out;
}
} // namespace

ProposalsView::ProposalsView(BenchState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName("Proposals side by side");
    setObjectName("proposals");
    setMouseTracking(true);
    setToolTip("Point at a proposal: what differs from the one before it is lit. Click to choose it");
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
    const double room = (height() - card_spacing * (rows + 1)) / rows;
    // No taller than picture and words need.
    const Page& page = state_.offers().all().front().project.set_out.page;
    const double wanted = (w - 2 * card_pad) * page.full_height() / page.full_width() + 2 * card_pad +
                          theme::px(title_height) + swatch + 16 + theme::px(words_height);
    const double h = std::min(room, wanted);
    const double top = std::max(card_spacing, (height() - rows * h - (rows - 1) * card_spacing) / 2);
    return {card_spacing + (proposal % columns) * (w + card_spacing),
            top + (proposal / columns) * (h + card_spacing), w, h};
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
                                        s.picture.height() / s.project.set_out.page.full_height());
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
    if (hovered_ >= 0 && hovered_ < static_cast<int>(offers.size()) && !base_.image().isNull())
        light_difference(p, hovered_);
    for (std::size_t i = 0; i < offers.size(); ++i) paint_words(p, static_cast<int>(i));
}

/// What this one has otherwise than the one before it; the first, than what is decided.
void ProposalsView::light_difference(QPainter& p, int offer) const {
    const auto& offers = state_.offers().all();
    const Offer& now = offers[static_cast<std::size_t>(offer)];
    const std::shared_ptr<const Plan> before =
        offer > 0 ? offers[static_cast<std::size_t>(offer) - 1].plan : state_.own_plan();
    if (!before) return;
    const Page& page = now.project.set_out.page;
    const QRectF picture = laid_out(card(offer), page).picture;
    QTransform to_card;
    to_card.translate(picture.x(), picture.y());
    to_card.scale(picture.width() / page.full_width(), picture.height() / page.full_height());
    const QPainterPath lit = to_card.map(difference_of(*now.plan, *before));
    QPainterPath rest;
    rest.addRect(picture);
    p.fillPath(rest.subtracted(lit), QColor(255, 254, 251, 170));
    p.setPen(QPen(theme::zest, 1.4));
    p.setBrush(Qt::NoBrush);
    p.drawPath(lit);
}

void ProposalsView::paint_words(QPainter& p, int number) const {
    const Offer& offer = state_.offers().all()[static_cast<std::size_t>(number)];
    const LaidCard at = laid_out(card(number), offer.project.set_out.page);
    p.setPen(theme::ink);
    p.setFont(theme::font(theme::Text::Body, true));
    p.drawText(at.title, Qt::AlignLeft | Qt::AlignVCenter, QString("%1  %2").arg(number + 1).arg(offer.idea));
    double x = at.papers.x();
    for (const int paper : papers_of(*offer.plan)) {
        if (x + swatch > at.papers.right()) break;
        const QRectF box(x, at.papers.y(), swatch, swatch);
        p.setPen(QPen(theme::line, 1));
        p.save();
        p.setClipRect(box);
        p.translate(box.topLeft());
        p.scale(2, 2); // px to a millimetre: small, but the pattern can be told
        p.fillRect(QRectF(0, 0, swatch, swatch), state_.textures()->brush(paper, {}, 2));
        p.restore();
        p.setBrush(Qt::NoBrush);
        p.drawRect(box);
        x += swatch + swatch_gap;
    }
    p.setPen(offer.plan->sheets.short_patches.empty() ? theme::quiet : theme::berry);
    p.setFont(theme::font(theme::Text::Small));
    p.drawText(at.words, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, offer.reasons.join("\n"));
}

void ProposalsView::mouseMoveEvent(QMouseEvent* event) {
    int over = -1;
    for (int i = 0; i < static_cast<int>(state_.offers().all().size()); ++i)
        if (card(i).contains(event->position())) over = i;
    if (over != hovered_) {
        hovered_ = over;
        update();
    }
}

void ProposalsView::leaveEvent(QEvent*) {
    hovered_ = -1;
    update();
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
