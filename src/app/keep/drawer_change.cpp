#include "app/keep/drawer_change.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QVBoxLayout>

namespace zesty {

namespace {

QSize change_size() {
    return {theme::px(118), theme::px(100)};
}
constexpr double picture_high = 48;

/// One paper: its whole stock, of which what goes is shaded.
class PaperChange : public QWidget {
public:
    PaperChange(const BeforeAndAfter& paper, const QString& name, BenchState& state, QWidget* parent)
        : QWidget(parent), paper_(paper), name_(name), state_(state) {
        setFixedSize(change_size());
        setAccessibleName(name + ": " + about());
        setToolTip(accessibleName());
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        p.setPen(QPen(theme::line, 1));
        p.setBrush(theme::card);
        p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), theme::radius, theme::radius);
        const QRectF r(7, 7, width() - 14, theme::px(picture_high));
        const double stays = std::clamp(paper_.after / std::max(paper_.before, 1.0), 0.0, 1.0);
        p.fillRect(r, theme::zest_wash);
        if (const auto textures = state_.textures())
            p.fillRect(QRectF(r.x(), r.y(), r.width() * stays, r.height()),
                       textures->brush(paper_.paper, {}, 1));
        p.setPen(QPen(theme::zest_text, 1, Qt::DashLine));
        p.setBrush(Qt::NoBrush);
        p.drawLine(QPointF(r.x() + r.width() * stays, r.y()), QPointF(r.x() + r.width() * stays, r.bottom()));
        p.setPen(QPen(theme::line, 1));
        p.drawRect(r);
        p.setPen(theme::ink);
        p.setFont(theme::font(theme::Text::Small, true));
        const auto line = [&](double y, const QString& text) {
            p.drawText(QRectF(7, y, width() - 12, theme::px(18.0)), Qt::AlignLeft | Qt::AlignVCenter,
                       p.fontMetrics().elidedText(text, Qt::ElideRight, width() - 13));
        };
        line(theme::px(picture_high) + 9, name_);
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(theme::quiet);
        line(theme::px(picture_high) + 9 + theme::px(19.0), share());
    }

private:
    QString share() const {
        const long percent = std::lround(100 * paper_.after / std::max(paper_.before, 1.0));
        return paper_.after <= 0 ? QString("all of it") : QString("%1 % stays").arg(percent);
    }
    QString about() const {
        QString out = share();
        if (paper_.scraps_back > 0)
            out += ", " + counted(static_cast<std::size_t>(paper_.scraps_back), "scrap comes back",
                                  "scraps come back");
        return out;
    }

    BeforeAndAfter paper_;
    QString name_;
    BenchState& state_;
};

} // namespace

DrawerChange::DrawerChange(BenchState& state, KeepDesk& desk, QWidget* parent)
    : QWidget(parent), state_(state), desk_(desk) {
    setObjectName("drawer-change");
    setAttribute(Qt::WA_StyledBackground);
    setStyleSheet("#drawer-change { background: #E3DAC9; }");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 8, 16, 8);
    column->setSpacing(6);
    says_ = new QLabel(this);
    says_->setTextFormat(Qt::RichText);
    says_->setWordWrap(true);
    column->addWidget(says_);
    scroll_ = new QScrollArea(this);
    scroll_->setWidgetResizable(true);
    scroll_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setFixedHeight(change_size().height() + 12);
    scroll_->setFocusPolicy(Qt::NoFocus);
    column->addWidget(scroll_);
    connect(&desk, &KeepDesk::changed, this, &DrawerChange::refresh);
    refresh();
}

void DrawerChange::refresh() {
    const FinishLook* look = desk_.look();
    setVisible(look && !look->papers.empty());
    if (!look || look->papers.empty()) return;
    std::size_t back = 0, things = 0;
    for (const BeforeAndAfter& paper : look->papers) back += static_cast<std::size_t>(paper.scraps_back);
    for (const auto& [id, count] : look->all.things.embellishments) things += static_cast<std::size_t>(count);
    for (const auto& [set, pieces] : look->all.things.letters)
        for (const auto& [piece, count] : pieces) things += static_cast<std::size_t>(count);
    QString said = "<b>The drawer, before and after finishing</b>&nbsp; shaded: what the page takes";
    if (back > 0) said += "; " + counted(back, "scrap comes back", "scraps come back");
    if (things > 0)
        said += "; " + counted(things, "embellishment or letter goes", "embellishments and letters go");
    says_->setText(said);
    auto* row = new QWidget;
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(8);
    for (const BeforeAndAfter& paper : look->papers)
        line->addWidget(new PaperChange(
            paper, words(stash_at_hand(desk_.project()).papers[static_cast<std::size_t>(paper.paper)].name),
            state_, row));
    line->addStretch(1);
    scroll_->setWidget(row);
}

} // namespace zesty
