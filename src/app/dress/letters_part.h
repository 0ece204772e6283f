#pragma once
// The letter sets of the drawer: what is left of each, new ones, and those that are used up.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "core/stash/letter_set.h"

class QLineEdit;

namespace zesty {

class LettersPart : public PanelPart {
    Q_OBJECT
public:
    LettersPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

private:
    void build_fields();
    QLineEdit* text_field(const QString& name, const QString& such_as);
    void refresh() override;
    void show_chosen();
    const LetterSet* chosen() const;
    /// What stands in the fields, over what is known of the set; says what is missing where it is none.
    std::optional<LetterSet> entered(LetterSet known);
    void add_to_drawer();
    void change_chosen();
    void remove_chosen();

    Rows* sets_;
    QLineEdit* name_;
    ChoiceBox<LetterKind>* kind_;
    LengthEdit* height_;
    QLineEdit* colour_;
    QLineEdit* letters_;
    QPushButton* change_;
    QPushButton* remove_;
    QLabel* says_;
    double height_typed_ = 16; ///< mm
    LetterSet shown_;          ///< what the fields were filled from
};

} // namespace zesty
