#pragma once
// What the machine cuts, loading by loading, how its blade goes, and the machine itself.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "app/build/machine_desk.h"

class QCheckBox;
class QProgressBar;
class QSpinBox;

namespace zesty {

class MachinePart : public PanelPart {
    Q_OBJECT
public:
    MachinePart(Document& document, BenchState& state, Actions& actions, BuildDesk& desk,
                MachineDesk& machine, QWidget* parent);

private:
    void build_settings();
    void build_machine();
    void refresh() override;
    void change(const QString& intention, const std::function<void(CuttingSettings&)>& apply);
    QString says() const;

    BuildDesk& desk_;
    MachineDesk& machine_;
    Rows* rows_;
    QDoubleSpinBox* overcut_;
    ChoiceBox<Corners>* corners_;
    QDoubleSpinBox* offset_;
    QSpinBox* sharp_;
    ChoiceBox<std::string>* material_;
    QCheckBox* face_down_;
    QCheckBox* test_;
    QPushButton* cut_;
    QPushButton* anew_;
    QPushButton* cancel_;
    QProgressBar* progress_;
    QLabel* says_;
};

} // namespace zesty
