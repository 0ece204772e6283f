#pragma once
// Equal copies of the cut in hand: round a circle, in a row, or down the page.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"

class QCheckBox;
class QSpinBox;

namespace zesty {

class Worker;
class CopiesPart : public PanelPart {
    Q_OBJECT
public:
    CopiesPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    void make_copies();

private:
    enum class Order { InCircle, InRow, Down };
    void build_order();
    void build_ring();
    void build_row();
    void refresh() override;
    LengthEdit* length(const char* name, double CopiesPart::*value, Limits limits);
    void take(const Result<std::vector<CutPlacement>>& places, int cut_id);

    Worker& worker_;
    ChoiceRow<Order>* order_;
    QSpinBox* count_;
    QCheckBox* mirrored_;
    QWidget* ring_;
    QWidget* row_;
    LengthEdit* radius_edit_;
    LengthEdit* x_edit_;
    LengthEdit* y_edit_;
    QSpinBox* first_;
    ChoiceRow<bool>* facing_;
    LengthEdit* step_edit_;
    LengthEdit* stagger_edit_;
    QPushButton* make_;
    QLabel* says_;
    double radius_ = 3 * mm_per_inch;
    double x_ = 0;
    double y_ = 0;
    double step_ = 0; ///< 0 until somebody says one: beside each other
    double stagger_ = 0;
    bool centred_ = true; ///< until somebody says another middle
};

} // namespace zesty
