#pragma once
// Records for other people and programs, and a backup of everything.

#include "app/bench/panel_part.h"
#include "app/keep/keep_desk.h"

namespace zesty {

class SharePart : public PanelPart {
    Q_OBJECT
public:
    SharePart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk, QWidget* parent);

private:
    void refresh() override;

    KeepDesk& desk_;
    QPushButton* one_;
    QPushButton* all_;
    QLabel* says_;
};

} // namespace zesty
