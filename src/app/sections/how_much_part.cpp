#include "app/sections/how_much_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <cmath>

namespace zesty {

namespace {
constexpr std::array titles{"About a third", "About half", "All of it"};
}

HowMuchPart::HowMuchPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    auto* hint = line("how-much");
    hint->setText("Not every opening needs paper. Choose one and change it by hand after that.");
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        auto* r = row(QString());
        rows_[i].take = new QPushButton(titles[i], this);
        rows_[i].take->setObjectName(QString("back-%1").arg(words_of<HowMuch>[i]));
        rows_[i].take->setToolTip("Decides which openings are backed; it can be undone in one step");
        rows_[i].take->setMinimumWidth(theme::px(104));
        connect(rows_[i].take, &QPushButton::clicked, this, [this, i] {
            if (i < answers_.size())
                document_.edit(QString("Back %1").arg(QString(titles[i]).toLower()), answers_[i].project);
        });
        r->addWidget(rows_[i].take);
        rows_[i].price = new QLabel(this);
        r->addWidget(rows_[i].price, 1);
        rows_[i].reason = line(QString("reason%1").arg(i));
    }
    connect(&state, &BenchState::plan_changed, this, &HowMuchPart::refresh_if_shown);
}

void HowMuchPart::refresh() {
    ask();
    for (Row& r : rows_) r.take->setEnabled(!answers_.empty());
}

void HowMuchPart::ask() {
    const Project now = document_.project();
    if (asked_ && now == asked_for_) return;
    asked_ = true;
    asked_for_ = now;
    answers_.clear();
    const quint64 number = ++number_;
    worker_.think_of_page(
        this,
        [this, now, number](Planner& planner, const StopToken& stop) {
            const auto shapes = [&](const Project& p) {
                return stopped(stop) ? Result<Plan>(fail(ErrorKind::Stopped, "stopped")) : planner.shapes(p);
            };
            const auto plan = shapes(now);
            auto answers = plan ? how_much_to_back(now, *plan, shapes)
                                : Result<std::vector<BackedSo>>(tl::make_unexpected(plan.error()));
            return [this, number, now, all = answers ? std::move(*answers) : std::vector<BackedSo>{}] {
                if (number == number_) show_answers(now, all);
            };
        },
        [this, number] {
            if (number == number_) asked_ = false;
        });
}

void HowMuchPart::show_answers(const Project& of, const std::vector<BackedSo>& answers) {
    answers_ = answers;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const bool there = i < answers.size();
        rows_[i].take->setEnabled(there);
        if (!there) continue;
        const BackedSo& a = answers[i];
        rows_[i].price->setText(QString("%1 of %2, %3, %4 min")
                                    .arg(a.backed)
                                    .arg(a.of)
                                    .arg(words(format_area(a.paper_area, of.units)))
                                    .arg(std::lround(a.minutes)));
        rows_[i].reason->setText(words(sentence(a.reason)));
    }
}

} // namespace zesty
