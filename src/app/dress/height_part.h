#pragma once
// How things are held, how high the page becomes, and what foam and glue that takes.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "core/dress/lying.h"
#include "core/setout/mounting.h"
#include "io/paint/values.h"

class QSpinBox;

namespace zesty {

class HeightPart : public PanelPart {
    Q_OBJECT
public:
    HeightPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    Seen seen() const { return seen_; }
    /// The thing in hand is held the next way.
    void hold_next();
    /// Wants a part left free on the page, by the next drag there; or no more.
    void want_free_part(bool wanted);
    bool wants_free_part() const { return wants_free_part_; }
    /// The thing of that kind in hand, where there is one.
    void choose(Lying what, int index);

signals:
    void seen_changed();

private:
    struct Held {
        Lying what = Lying::Cut;
        int index = 0;
        QString name;
    };
    void refresh() override;
    std::vector<Held> things() const;
    void change(const QString& intention, const std::function<void(Mounting&)>& apply);
    QString says() const;

    Rows* rows_;
    ChoiceBox<Mount>* how_;
    QLabel* foot_name_;
    QSpinBox* foot_;
    LengthEdit* album_;
    QPushButton* free_;
    QPushButton* no_free_;
    ChoiceRow<Seen>* seen_row_;
    QLabel* says_;
    std::vector<Held> shown_;
    Seen seen_ = Seen::Height;
    bool wants_free_part_ = false;
};

} // namespace zesty
