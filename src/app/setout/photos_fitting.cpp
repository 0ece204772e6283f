// What photos and openings have to do with each other; the rest of the part is in photos_part.cpp.

#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "app/setout/photos_part.h"
#include "core/geometry/measure.h"
#include "core/project/photos_into_openings.h"
#include "core/sentences.h"

#include <QCheckBox>
#include <QSpinBox>

namespace zesty {

namespace {
constexpr double most_growth = 3;     ///< more is nothing anybody wants
constexpr double worth_saying = 1.02; ///< times as large
} // namespace

int PhotosPart::opening_under(const Photo& photo) const {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut) return -1;
    if (state_.selected().size() == 1) return *state_.selected().begin();
    return plan->opening_at(photo.centre);
}

void PhotosPart::ask_for_fit() {
    const Project& p = document_.project();
    const int i = state_.in_hand().photo(p);
    const Plan* plan = state_.plan();
    fit_opening_ = i < 0 ? -1 : opening_under(p.set_out.photos[static_cast<std::size_t>(i)]);
    std::optional<FitQuestion> question;
    if (fit_opening_ >= 0) {
        const Photo& photo = p.set_out.photos[static_cast<std::size_t>(i)];
        question = {fit_opening_,
                    transformed(plan->sections.cut->openings[static_cast<std::size_t>(fit_opening_)].outline,
                                plan->set_out.whole.to_page),
                    photo.width,
                    photo.round ? photo.width : photo.height,
                    photo.round,
                    punched_->isChecked() ? p.sections.backing.punches : std::vector<double>{},
                    static_cast<double>(tilt_->value()),
                    p.set_out.usual.photo_overlap,
                    p.units};
    }
    // Dragging a photo about over one opening asks nothing new.
    if (question && question == question_) return;
    question_ = question;
    ++asked_;
    fit_found_.reset();
    covering_.reset();
    growth_.reset();
    // While the answer is on its way the buttons stay as they are: one that goes grey loses the focus.
    if (!question) {
        fit_->setEnabled(false);
        cover_->setEnabled(false);
        size_cut_->setEnabled(false);
        fit_says_->setText(
            "Lay a photo over an opening, or select one at Sections, to fit them to each other.");
        return;
    }
    worker_.think(this, [this, q = *question, number = asked_](Planner&) {
        const auto largest = q.round ? largest_round_inside(q.outline, q.width, 0, q.punches)
                                     : largest_inside(q.outline, q.width, q.height, q.most_tilt_deg);
        const auto any_tilt = q.round ? largest : largest_inside(q.outline, q.width, q.height);
        const auto covering = smallest_covering(q.outline, q.width, q.height, q.overlap, q.most_tilt_deg);
        const auto growth = cut_growth_for_covering(q.outline, q.width, q.height, q.overlap);
        return [this, q, largest, any_tilt, covering, growth, number] {
            if (number != asked_) return;
            fit_found_ = largest;
            covering_ = q.round ? std::nullopt : covering;
            growth_ = growth;
            fit_->setEnabled(largest.has_value());
            cover_->setEnabled(covering_.has_value());
            actions_[Act::FitPhoto]->setEnabled(largest.has_value());
            size_cut_->setEnabled(growth && growth->factor < most_growth);
            QString text = QString("Opening %1 has room for ").arg(q.opening + 1);
            text +=
                largest && any_tilt ? fit_in_words(*largest, *any_tilt) : QString("no photo of this shape.");
            if (growth && growth->factor < most_growth)
                text += QString(" Behind it, this photo covers the opening when the cut is %1 %.")
                            .arg(std::lround(growth->factor * 100));
            fit_says_->setText(text);
        };
    });
}

/// "3 x 4 in, tilted 4 deg. Tilted 23 deg it would be 3 3/8 x 4 1/2 in."
QString PhotosPart::fit_in_words(const PhotoFit& fit, const PhotoFit& at_any_tilt) const {
    const auto size = [this](const PhotoFit& f) {
        return question_->round
                   ? words(format_length(f.factor * question_->width, question_->units)) + " round"
                   : words(format_size(f.factor * question_->width, f.factor * question_->height,
                                       question_->units));
    };
    const auto tilt = [](const PhotoFit& f) { return std::lround(f.turn_deg); };
    QString out = size(fit);
    if (!question_->round)
        out += tilt(fit) == 0 ? QString(", upright") : QString(", tilted %1 deg").arg(tilt(fit));
    out += ".";
    if (at_any_tilt.factor > worth_saying * fit.factor)
        out += QString(" Tilted %1 deg it would be %2.").arg(tilt(at_any_tilt)).arg(size(at_any_tilt));
    return out;
}

void PhotosPart::take_fit(const QString& intention, const PhotoFit& fit, bool behind) {
    change(intention, [&](Photo& p) {
        p = fitted(p, fit);
        if (behind) p.on_top = false;
    });
}

void PhotosPart::fit_photo() {
    if (fit_found_) take_fit("Fit the photo into its opening", *fit_found_, false);
}

void PhotosPart::put_into_openings() {
    state_.when_planned(this,
                        [this](std::shared_ptr<const Plan> plan) { put_into_openings_by(std::move(plan)); });
}

void PhotosPart::put_into_openings_by(std::shared_ptr<const Plan> plan) {
    const Project& p = *plan->of;
    std::vector<int> photos;
    for (std::size_t i = 0; i < p.set_out.photos.size(); ++i) photos.push_back(static_cast<int>(i));
    const std::vector<int> openings(state_.selected().begin(), state_.selected().end());
    const IntoOpenings how{static_cast<double>(tilt_->value()), punched_->isChecked()};
    const auto job = [this, plan, photos, openings, how](Planner&, const StopToken& stop) {
        const auto found = photos_into_openings(*plan->of, *plan, photos, openings, how, stop);
        return std::function<void()>([this, plan, found] {
            if (!(*plan->of == document_.project())) return put_into_openings(); // it has changed meanwhile
            if (!found) {
                into_says_->setText(words(sentence(found.error().message)));
                into_says_->show();
                return;
            }
            into_says_->hide();
            document_.change("Put the photos into openings",
                             [&](Project& next) { zesty::put_into_openings(next, *plan, *found); });
        });
    };
    worker_.think_of_page(this, job, [this] { put_into_openings(); });
}

void PhotosPart::cover_opening() {
    if (covering_) take_fit("Cover the opening with the photo", *covering_, true);
}

} // namespace zesty
