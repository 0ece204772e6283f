#pragma once
// Strips, torn hills and tape: paper on the page besides cuts and mats.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/paper_box.h"
#include "app/bench/rows.h"

class QLineEdit;

namespace zesty {

class LayersPart : public PanelPart {
    Q_OBJECT
public:
    LayersPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    void add_layer();
    int chosen() const;
    void choose(int layer);

signals:
    void chosen_changed();

private:
    void build_layer();
    void build_place();
    void refresh() override;
    void change(const QString& intention, const std::function<void(PaperLayer&)>& apply);
    QString says(int layer) const;

    Rows* layers_;
    QPushButton* remove_;
    QPushButton* up_;
    QLineEdit* name_;
    ChoiceBox<LayerShape>* shape_;
    ChoiceBox<LayerPlace>* place_;
    PaperBox* paper_;
    QWidget* size_row_;
    QWidget* middle_row_;
    QWidget* edge_row_;
    LengthEdit* width_;
    LengthEdit* height_;
    QSpinBox* turn_;
    LengthEdit* x_;
    LengthEdit* y_;
    ChoiceBox<BaseEdge>* edge_;
    LengthEdit* across_;
    LengthEdit* inset_;
    QCheckBox* torn_;
    LengthEdit* tear_;
    QLabel* says_;
};

} // namespace zesty
