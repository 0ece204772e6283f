#pragma once
// Paint, ink, splatters and paste on the base, and the cut as a stencil.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"

#include <QCheckBox>

namespace zesty {

class WetPart : public PanelPart {
    Q_OBJECT
public:
    WetPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    void add();
    int chosen() const; ///< -1 for none
    void choose(int zone);
    /// What falls out of the openings of the cut in hand becomes embellishments of the stash.
    void take_drop_outs();

signals:
    void chosen_changed();

private:
    void build_shape();
    void refresh() override;
    void change(const QString& intention, const std::function<void(WetZone&)>& apply);
    void pick_colour();
    QString says(int zone) const;

    Rows* zones_;
    QPushButton* remove_;
    ChoiceBox<WetKind>* kind_;
    QPushButton* colour_;
    ChoiceBox<WetShape>* shape_;
    ChoiceBox<int>* cut_;
    QWidget* cut_row_;
    QWidget* size_row_;
    LengthEdit* width_;
    QLabel* by_;
    LengthEdit* height_;
    LengthEdit* margin_;
    QLabel* margin_name_;
    QCheckBox* primer_;
    LengthEdit* primer_margin_;
    QLabel* says_;
};

} // namespace zesty
