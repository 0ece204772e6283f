#include "app/build/tape_view.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"

#include <QDateTime>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double edge_left = 16, edge_right = 16, head_high = 26, tape_high = 20, between = 6, dry_high = 16;
const QColor drying_blue(0xb9, 0xd4, 0xe2);
const QColor later(0xc9, 0xbe, 0xa9);

/// Of a step in one or two words, for a block.
QString brief(const BuildStep& step) {
    switch (step.kind) {
    case StepKind::Gut:
        return "gut frame";
    case StepKind::Trim:
        return "trim";
    case StepKind::MachineCut:
        return "cut";
    case StepKind::Lift:
        return "lift";
    case StepKind::HandCut:
        return "cut by hand";
    case StepKind::Back:
        return "back";
    case StepKind::LoosePieces:
        return "loose pieces";
    case StepKind::Shaker:
        return "shaker";
    case StepKind::Wet:
        return "wet work";
    case StepKind::Stitch:
        return "stitch";
    case StepKind::LayOut:
        return "lay out";
    case StepKind::Foam:
        return "foam";
    case StepKind::Mount:
        return "mount";
    case StepKind::Title:
        return "title";
    case StepKind::Embellish:
        return "embellish";
    case StepKind::Write:
        return "write";
    case StepKind::Frame:
        return "frame";
    case StepKind::Finish:
        return "finish";
    case StepKind::Own:
        break;
    }
    return words(step.what);
}

double step_of_ticks(double span) {
    for (const double step : {5.0, 10.0, 15.0, 30.0, 60.0, 120.0, 360.0, 720.0})
        if (span / step <= 14) return step;
    return 1440;
}

} // namespace

TapeView::TapeView(BuildDesk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
    setObjectName("tape");
    setAccessibleName("The time the work takes");
    setFixedHeight(theme::px(138));
    connect(&desk, &BuildDesk::changed, this, [this] { update(); });
    connect(&desk, &BuildDesk::shown_changed, this, [this] { update(); });
}

double TapeView::px(double minutes) const {
    return edge_left + (minutes - from_) / std::max(1e-9, to_ - from_) * (width() - edge_left - edge_right);
}

std::vector<TapeView::Block> TapeView::blocks() const {
    std::vector<Block> out;
    const std::int64_t now = desk_.clock();
    for (std::size_t i = 0; i < desk_.steps().size(); ++i) {
        const BuildStep& step = desk_.steps()[i];
        const StepNow& s = desk_.now().steps[i];
        Block b;
        b.step = i;
        if (s.state == StepState::Done || s.state == StepState::Dries) {
            const auto log = desk_.project().build.log.find(step.key);
            if (log == desk_.project().build.log.end()) continue;
            b.to = -static_cast<double>(now - log->second.done) / 60;
            b.from = b.to - std::max(1.0, log->second.worked / 60);
            b.done = true;
        } else {
            b.from = s.start;
            b.to = s.start + s.left;
            b.row = s.pair;
        }
        b.dry = b.to + step.time.dries;
        out.push_back(b);
    }
    return out;
}

void TapeView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::bench_deep);
    if (!desk_.known() || desk_.steps().empty()) return;
    choose_span();
    paint_saying(p);
    paint_ticks(p);
    paint_blocks(p);
    paint_drying(p);
    p.setPen(QPen(theme::berry, 2));
    p.drawLine(QPointF(px(0), theme::px(head_high) - 2), QPointF(px(0), height() - 4));
}

/// Of what is long past only the last two hours are of interest, of what comes the next ten.
void TapeView::choose_span() {
    shown_ = blocks();
    from_ = 0;
    to_ = std::clamp(desk_.now().finish, 30.0, 600.0);
    for (const Block& b : shown_)
        if (b.done) from_ = std::min(from_, std::max(b.from, -120.0));
}

QDateTime TapeView::moment(double minutes) const {
    return QDateTime::fromSecsSinceEpoch(desk_.clock() +
                                         static_cast<std::int64_t>(std::lround(minutes * 60)));
}

void TapeView::paint_saying(QPainter& p) const {
    const BuildNow& now = desk_.now();
    p.setFont(theme::font(theme::Text::Body, true));
    p.setPen(theme::ink);
    QString said = now.done == 0
                       ? QString("If you begin now, hands are free at %1 and everything is dry at %2.")
                       : QString("Hands are free at %1, everything is dry at %2.");
    said = said.arg(moment(now.busy).toString("H:mm"), moment(now.finish).toString("H:mm"));
    if (now.begun > 0 && std::abs(now.later) >= 1)
        said += QString(" %1 %2 than planned at first.")
                    .arg(words(minutes_in_words(std::abs(now.later))), now.later > 0 ? "later" : "sooner");
    if (now.beyond > 0)
        said += QString(" %1 of work do not fit into the sittings.").arg(words(minutes_in_words(now.beyond)));
    p.drawText(QRectF(edge_left, 4, width() - edge_left - edge_right, theme::px(head_high) - 4),
               Qt::AlignLeft | Qt::AlignVCenter, said);
}

void TapeView::paint_ticks(QPainter& p) const {
    p.fillRect(
        QRectF(edge_left, theme::px(head_high), width() - edge_left - edge_right, theme::px(tape_high)),
        theme::tape);
    const double tick = step_of_ticks(to_ - from_);
    p.setFont(theme::font(theme::Text::Small));
    const QDateTime midnight(moment(from_).date(), QTime(0, 0));
    const double first = std::ceil(static_cast<double>(midnight.secsTo(moment(from_))) / 60 / tick) * tick;
    for (double t = first;; t += tick) {
        const double minutes = static_cast<double>(midnight.toSecsSinceEpoch() - desk_.clock()) / 60 + t;
        if (minutes > to_) break;
        const double x = px(minutes);
        p.setPen(theme::tape_line);
        p.drawLine(QPointF(x, theme::px(head_high)), QPointF(x, theme::px(head_high) + 7));
        p.setPen(theme::ink);
        if (x > edge_left + 16 && x < width() - edge_right - 20)
            p.drawText(QRectF(x - 30, theme::px(head_high) + 4, 60, 16), Qt::AlignCenter,
                       moment(minutes).toString("H:mm"));
    }
}

void TapeView::paint_blocks(QPainter& p) const {
    const int rows = std::max(1, desk_.project().build.pairs);
    const double top = theme::px(head_high) + theme::px(tape_high) + between;
    const double row_high = (height() - top - theme::px(dry_high) - 2 * between - 6) / rows;
    const int shown = desk_.shown();
    for (const Block& b : shown_) {
        if (b.from > to_ || b.to < from_) continue;
        const QRectF r(px(std::max(b.from, from_)) + 0.5, top + b.row * row_high,
                       std::max(2.0, px(std::min(b.to, to_)) - px(std::max(b.from, from_)) - 1),
                       row_high - 3);
        const bool on = static_cast<int>(b.step) == shown;
        p.setPen(on ? QPen(theme::ink, 2) : QPen(Qt::NoPen));
        p.setBrush(b.done ? theme::leaf : on ? theme::zest : later);
        p.drawRoundedRect(r, 3, 3);
    }
    paint_names(p, top, row_high);
}

void TapeView::paint_drying(QPainter& p) const {
    p.setPen(Qt::NoPen);
    p.setBrush(drying_blue);
    for (const Block& b : shown_)
        if (b.dry > b.to && b.dry > from_ && b.to < to_ && !desk_.steps()[b.step].time.machine)
            p.drawRoundedRect(QRectF(px(std::max(b.to, from_)), height() - theme::px(dry_high) - between,
                                     std::max(2.0, px(std::min(b.dry, to_)) - px(std::max(b.to, from_))), 8),
                              4, 4);
    p.setPen(theme::quiet);
    p.drawText(QRectF(edge_left + 6, height() - theme::px(15.0), theme::px(300.0), theme::px(14.0)),
               Qt::AlignLeft | Qt::AlignVCenter, "blue: what dries meanwhile");
}

/// One name for blocks of a kind that follow each other, where there is room for it.
void TapeView::paint_names(QPainter& p, double top, double row_high) const {
    std::vector<Block> all = shown_;
    std::stable_sort(all.begin(), all.end(), [](const Block& a, const Block& b) {
        return std::pair(a.row, a.from) < std::pair(b.row, b.from);
    });
    p.setFont(theme::font(theme::Text::Small));
    for (std::size_t i = 0; i < all.size();) {
        const QString name = brief(desk_.steps()[all[i].step]);
        std::size_t end = i + 1;
        while (end < all.size() && all[end].row == all[i].row && all[end].done == all[i].done &&
               all[end].from - all[end - 1].to < 2 && brief(desk_.steps()[all[end].step]) == name)
            ++end;
        const double from = px(std::max(all[i].from, from_));
        const double to = px(std::min(all[end - 1].to, to_));
        if (p.fontMetrics().horizontalAdvance(name) < to - from - 6) {
            p.setPen(all[i].done ? QColor(Qt::white) : theme::ink);
            p.drawText(QRectF(from, top + all[i].row * row_high, to - from, row_high - 3), Qt::AlignCenter,
                       name);
        }
        i = end;
    }
}

void TapeView::mousePressEvent(QMouseEvent* event) {
    for (const Block& b : shown_)
        if (event->position().x() >= px(b.from) && event->position().x() <= px(b.to))
            return desk_.show(static_cast<int>(b.step));
}

} // namespace zesty
