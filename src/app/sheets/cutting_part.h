#pragma once
// What is cut from what, and the files for printer and machine.

#include "app/bench/panel_part.h"
#include "app/bench/settings.h"

namespace zesty {

class CuttingPart : public PanelPart {
    Q_OBJECT
public:
    CuttingPart(Document& document, BenchState& state, Actions& actions, Settings& settings, QWidget* parent);
    void show_written(const QStringList& files);

private:
    void refresh() override;

    Settings& settings_;
    QLabel* summary_;
    QLabel* written_;
};

} // namespace zesty
