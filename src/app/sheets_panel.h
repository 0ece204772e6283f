#pragma once
// What is cut from what, and the files for printer and machine.

#include "app/panel.h"
#include "app/settings.h"

namespace zesty {

class SheetsPanel : public Panel {
    Q_OBJECT
public:
    SheetsPanel(Document& document, BenchState& state, Actions& actions, Settings& settings,
                QWidget* parent = nullptr);
    void show_written(const QStringList& files);

private:
    void refresh() override;

    Settings& settings_;
    QLabel* summary_;
    QLabel* leftovers_;
    Segments* paper_;
    QLabel* written_;
};

} // namespace zesty
