#pragma once
// How the page is seen, and whether anything is missing.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "core/dress/facts.h"
#include "io/paint/values.h"

namespace zesty {

class LookPart : public PanelPart {
    Q_OBJECT
public:
    LookPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    Seen seen() const { return seen_; }
    void see(Seen seen);

signals:
    void seen_changed();

private:
    void refresh() override;

    ChoiceRow<Seen>* choice_;
    QString of_what(const BalanceFacts& balance) const;
    QString balance_in_words(const BalanceFacts& balance) const;

    QLabel* balance_;
    QLabel* missing_;
    Seen seen_ = Seen::Colour;
};

} // namespace zesty
