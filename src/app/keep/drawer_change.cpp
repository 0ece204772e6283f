#include "app/keep/drawer_change.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "io/paint/letters.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QScrollBar>
#include <QVBoxLayout>

namespace zesty {

namespace {

QSize change_size() {
    return {theme::px(118), theme::px(100)};
}
constexpr double picture_high = 48;

/// One card: what there is of something and, below, how much of it stays.
class Change : public QWidget {
public:
    Change(const QString& name, const QString& stays, const QString& about, QWidget* parent)
        : QWidget(parent), name_(name), stays_(stays) {
        setFixedSize(change_size());
        setAccessibleName(name + ": " + stays + about);
        setToolTip(accessibleName());
    }

protected:
    /// On the shade of what goes.
    virtual void paint_picture(QPainter& p, const QRectF& r) = 0;

    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        p.setPen(QPen(theme::line, 1));
        p.setBrush(theme::card);
        p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), theme::radius, theme::radius);
        const QRectF r(7, 7, width() - 14, theme::px(picture_high));
        p.fillRect(r, theme::zest_wash);
        p.save();
        paint_picture(p, r);
        p.restore();
        p.setPen(QPen(theme::line, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(r);
        const auto line = [&](double y, const QString& text) {
            p.drawText(QRectF(7, y, width() - 12, theme::px(18.0)), Qt::AlignLeft | Qt::AlignVCenter,
                       p.fontMetrics().elidedText(text, Qt::ElideRight, width() - 13));
        };
        p.setPen(theme::ink);
        p.setFont(theme::font(theme::Text::Small, true));
        line(theme::px(picture_high) + 9, name_);
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(theme::quiet);
        line(theme::px(picture_high) + 9 + theme::px(19.0), stays_);
    }

private:
    QString name_, stays_;
};

/// A paper: its whole stock, of which what goes is shaded.
class PaperChange : public Change {
public:
    PaperChange(const BeforeAndAfter& paper, BenchState& state, QWidget* parent)
        : Change(words(paper.name), stays(paper), comes_back(paper), parent), paper_(paper), state_(state) {}

protected:
    void paint_picture(QPainter& p, const QRectF& r) override {
        const double stays = std::clamp(paper_.after / std::max(paper_.before, 1.0), 0.0, 1.0);
        if (const auto textures = state_.textures())
            p.fillRect(QRectF(r.x(), r.y(), r.width() * stays, r.height()),
                       textures->brush(paper_.paper, {}, 1));
        p.setPen(QPen(theme::zest_text, 1, Qt::DashLine));
        p.drawLine(QPointF(r.x() + r.width() * stays, r.y()), QPointF(r.x() + r.width() * stays, r.bottom()));
    }

private:
    static QString stays(const BeforeAndAfter& paper) {
        const long percent = std::lround(100 * paper.after / std::max(paper.before, 1.0));
        return paper.after <= 0 ? QString("all of it") : QString("%1 % stays").arg(percent);
    }
    static QString comes_back(const BeforeAndAfter& paper) {
        if (paper.scraps_back <= 0) return {};
        return ", " +
               counted(static_cast<std::size_t>(paper.scraps_back), "scrap comes back", "scraps come back");
    }

    BeforeAndAfter paper_;
    BenchState& state_;
};

QString some_stay(int after, int before) {
    return after <= 0 ? QString("all of them") : QString("%1 of %2 stay").arg(after).arg(before);
}

/// An embellishment, as large as the card allows.
class EmbellishmentChange : public Change {
public:
    EmbellishmentChange(const EmbellishmentsLeft& left, BenchState& state, QWidget* parent)
        : Change(words(left.thing.name), some_stay(left.after, left.thing.count), {}, parent),
          thing_(left.thing), state_(state) {}

protected:
    void paint_picture(QPainter& p, const QRectF& r) override {
        constexpr double filled = 0.8;
        const Box box = bounds(thing_.outline);
        p.translate(r.center());
        const double larger = filled * std::min(r.width() / box.width(), r.height() / box.height());
        p.scale(larger, larger);
        p.translate(-box.centre().x, -box.centre().y);
        const auto textures = state_.textures();
        paint_embellishment(p, thing_,
                            textures ? textures->embellishment(thing_, pixels_per_mm(p)) : QImage());
    }

private:
    Embellishment thing_;
    BenchState& state_;
};

/// The letters that go, each as often as it goes; of long titles the first.
class LettersChange : public Change {
public:
    LettersChange(const LettersLeft& left, QWidget* parent)
        : Change(words(left.name), some_stay(left.after, left.before), last_of(left), parent),
          colour_(left.colour.r, left.colour.g, left.colour.b) {
        for (const auto& [piece, count] : left.taken)
            for (int k = 0; k < count; ++k) pieces_ << words(piece);
    }

protected:
    void paint_picture(QPainter& p, const QRectF& r) override {
        p.setFont(theme::font(theme::Text::Small, true));
        p.setPen(colour_);
        QString shown;
        for (const QString& piece : pieces_) {
            const QString more = shown.isEmpty() ? piece : shown + " " + piece;
            if (p.boundingRect(r, Qt::AlignCenter | Qt::TextWordWrap, more).height() > r.height()) break;
            shown = more;
        }
        p.drawText(r, Qt::AlignCenter | Qt::TextWordWrap, shown);
    }

private:
    static QString last_of(const LettersLeft& left) {
        if (left.last.empty()) return {};
        return ", the last " + words(in_a_row(left.last)) + (left.last.size() == 1 ? " goes" : " go");
    }

    QStringList pieces_;
    QColor colour_;
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
    scroll_->setFixedHeight(change_size().height() + scroll_->horizontalScrollBar()->sizeHint().height() + 2);
    scroll_->setFocusPolicy(Qt::NoFocus);
    column->addWidget(scroll_);
    connect(&desk, &KeepDesk::changed, this, &DrawerChange::refresh);
    refresh();
}

void DrawerChange::refresh() {
    const FinishLook* look = desk_.look();
    setVisible(look && !(look->papers.empty() && look->embellishments.empty() && look->letters.empty()));
    if (isHidden()) return;
    std::size_t back = 0, things = 0;
    for (const BeforeAndAfter& paper : look->papers) back += static_cast<std::size_t>(paper.scraps_back);
    for (const EmbellishmentsLeft& e : look->embellishments)
        things += static_cast<std::size_t>(e.thing.count - e.after);
    for (const LettersLeft& l : look->letters) things += static_cast<std::size_t>(l.before - l.after);
    QString said = "<b>The drawer, before and after finishing</b>&nbsp; shaded: what the page takes";
    if (back > 0) said += "; " + counted(back, "scrap comes back", "scraps come back");
    if (things > 0)
        said += "; " + counted(things, "embellishment or letter goes", "embellishments and letters go");
    says_->setText(said);
    auto* row = new QWidget;
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(8);
    for (const BeforeAndAfter& paper : look->papers) line->addWidget(new PaperChange(paper, state_, row));
    for (const EmbellishmentsLeft& e : look->embellishments)
        line->addWidget(new EmbellishmentChange(e, state_, row));
    for (const LettersLeft& l : look->letters) line->addWidget(new LettersChange(l, row));
    line->addStretch(1);
    scroll_->setWidget(row);
}

} // namespace zesty
