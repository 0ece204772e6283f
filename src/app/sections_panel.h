#pragma once
// What goes behind which openings: grouping, treatment and lip, with what the bars allow beside it.

#include "app/length_edit.h"
#include "app/panel.h"

namespace zesty {

class SectionsPanel : public Panel {
    Q_OBJECT
public:
    SectionsPanel(Document& document, BenchState& state, Actions& actions, QWidget* parent = nullptr);

private:
    void refresh() override;
    std::vector<Spot> selected_sections() const;

    QLabel* selection_;
    QLabel* numbers_;
    Segments* treatment_;
    QLineEdit* name_;
    LengthEdit* own_lip_;
    LengthEdit* lip_;
    QLabel* summary_;
};

} // namespace zesty
