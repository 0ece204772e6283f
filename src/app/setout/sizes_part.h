#pragma once
// What every size would do, and sizes from what matters: a bar that must hold, a length that must match, cuts
// that must go on one mat.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/setout/ladder_chart.h"

namespace zesty {

class Worker;
class SizesPart : public PanelPart {
    Q_OBJECT
public:
    SizesPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

private:
    void build_bars();
    void build_measure();
    void build_cutting_mat();
    void refresh() override;
    void ask_for_ladder();
    void count_on_cutting_mat();
    void lay_on_cutting_mats();
    void lay_on_mats_by(std::shared_ptr<const Plan> plan);
    void set_cutting_mat(double CuttingMat::*side, const char* intention, double mm);
    void tell();
    void grow(const QString& intention, double factor);

    Worker& worker_;
    LadderChart* chart_;
    QLabel* reading_;
    ChoiceRow<std::string>* bars_;
    QLabel* measured_;
    LengthEdit* wanted_;
    LengthEdit* mat_width_;
    LengthEdit* mat_height_;
    QLabel* fits_;
    std::vector<PlacedCut> ladder_for_;
    double ladder_lip_ = -1;
    BackingRules ladder_rules_;
    SectionDecisions ladder_sections_;
    int ladder_cut_ = -1;
    Units ladder_units_ = Units::Inches;
    quint64 asked_ = 0;
};

} // namespace zesty
