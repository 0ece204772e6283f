#pragma once
// What the machine cuts, as it lies on the mat; the blade's way while it cuts.

#include "app/build/machine_desk.h"

#include <QWidget>

namespace zesty {

class CuttingView : public QWidget {
    Q_OBJECT
public:
    CuttingView(BuildDesk& desk, MachineDesk& machine, QWidget* parent);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    BuildDesk& desk_;
    MachineDesk& machine_;
};

} // namespace zesty
