#pragma once
// Lines of stitches along the edges of the base, with their holes and thread.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"

namespace zesty {

class StitchingPart : public PanelPart {
    Q_OBJECT
public:
    StitchingPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    void add();

private:
    void build_line();
    void refresh() override;
    void change(const QString& intention, const std::function<void(Stitching&)>& apply);
    int chosen() const;
    QString says(int stitching) const;
    void pick_thread();

    Rows* stitchings_;
    QPushButton* remove_;
    ChoiceBox<Stitch>* stitch_;
    QPushButton* thread_;
    LengthEdit* inset_;
    LengthEdit* spacing_;
    LengthEdit* clearance_;
    std::vector<std::pair<QCheckBox*, bool Stitching::*>> sides_;
    QLabel* says_;
};

} // namespace zesty
