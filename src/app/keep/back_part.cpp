#include "app/keep/back_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/build/step.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <QDate>
#include <QHBoxLayout>
#include <QLocale>
#include <QPainter>
#include <algorithm>

namespace zesty {

namespace {

constexpr int months_high = 96, month_words_high = 18, most_months_shown = 12;
constexpr std::size_t most_unused_named = 6;
constexpr double worth_saying = 0.05; ///< of a sheet

QDate first_day(const std::string& month) {
    return QDate::fromString(words(month) + "-01", Qt::ISODate);
}

} // namespace

MonthsPlot::MonthsPlot(QWidget* parent) : QWidget(parent) {
    setObjectName("months");
    setFixedHeight(theme::px(months_high));
}

void MonthsPlot::show_months(std::vector<MonthCount> months) {
    if (months.size() > most_months_shown) months.erase(months.begin(), months.end() - most_months_shown);
    months_ = std::move(months);
    QStringList said;
    for (const MonthCount& m : months_) said << QString("%1: %2").arg(words(m.month)).arg(m.pages);
    setAccessibleName("Pages a month");
    setAccessibleDescription(said.join(", "));
    setVisible(!months_.empty());
    update();
}

void MonthsPlot::paintEvent(QPaintEvent*) {
    if (months_.empty()) return;
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double each = width() / static_cast<double>(std::max<std::size_t>(months_.size(), 4));
    int most = 1;
    for (const MonthCount& m : months_) most = std::max(most, m.pages);
    const double room = height() - 2.0 * theme::px(month_words_high);
    p.setFont(theme::font(theme::Text::Small));
    for (std::size_t i = 0; i < months_.size(); ++i) {
        const double high = room * months_[i].pages / most;
        const QRectF bar(static_cast<double>(i) * each + 3, theme::px(month_words_high) + room - high,
                         each - 6, high);
        p.setPen(Qt::NoPen);
        p.setBrush(theme::tape_line);
        p.drawRoundedRect(bar, 3, 3);
        p.setPen(theme::ink);
        if (months_[i].pages > 0)
            p.drawText(
                QRectF(bar.x() - 3, bar.y() - theme::px(month_words_high), each, theme::px(month_words_high)),
                Qt::AlignCenter, QString::number(months_[i].pages));
        p.setPen(theme::quiet);
        const QString name = QLocale(QLocale::English).toString(first_day(months_[i].month), "MMM");
        p.drawText(
            QRectF(bar.x() - 3, height() - theme::px(month_words_high), each, theme::px(month_words_high)),
            Qt::AlignCenter, each < 26 ? name.left(1) : name);
    }
}

BackPart::BackPart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk, QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk) {
    months_ = new MonthsPlot(this);
    column_->addWidget(months_);
    sums_ = line("back-sums");
    pace_ = line("back-pace");
    auto* r = row({});
    take_ = push("Time this page by your pace",
                 "The minutes of this page's steps become those your pages have taken so far",
                 [this] { desk_.take_pace(); });
    r->addWidget(take_);
    r->addStretch(1);
    unused_ = line("back-unused");
    connect(&desk, &KeepDesk::changed, this, &BackPart::refresh_if_shown);
}

void BackPart::refresh() {
    const LookBack& back = desk_.back();
    months_->show_months(back.months);
    if (back.pages == 0) {
        sums_->setText("Once pages are finished, this says how many there were each month, what scraps and "
                       "gutting have saved, and how fast you really work.");
    } else {
        QString said = QString("%1 from %2 and %3.")
                           .arg(counted(static_cast<std::size_t>(back.pages), "page", "pages"),
                                counted(static_cast<std::size_t>(back.sheets), "sheet", "sheets"),
                                counted(static_cast<std::size_t>(back.scraps), "scrap", "scraps"));
        if (back.minutes > 0) said += " " + words(minutes_in_words(back.minutes)) + " of work.";
        const auto saved = [&](double sheets, const char* by) {
            if (sheets >= worth_saying)
                said += QString(" %1 saved %2 sheets of 12 x 12 in.").arg(by).arg(sheets, 0, 'f', 1);
        };
        saved(back.saved_by_scraps, "Scraps have");
        saved(back.saved_by_gutting, "Gutting and drop-outs have");
        sums_->setText(said);
    }
    QStringList pace;
    for (const OwnPace& p : desk_.pace()) pace << words(own_pace_in_words(p));
    pace_->setText(pace.join(" "));
    pace_->setVisible(!pace.isEmpty());
    take_->setVisible(!pace.isEmpty());
    QStringList unused;
    const Stash& stash = stash_at_hand(desk_.project());
    for (const int p : back.unused) unused << words(stash.papers[static_cast<std::size_t>(p)].name);
    const qsizetype more = unused.size() - static_cast<qsizetype>(most_unused_named);
    if (more > 0) unused = unused.mid(0, most_unused_named) << QString("%1 more").arg(more);
    unused_->setText(unused.isEmpty() ? QString() : "Unused for a year: " + unused.join(", ") + ".");
    unused_->setVisible(!unused.isEmpty());
}

} // namespace zesty
