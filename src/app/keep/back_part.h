#pragma once
// Looking back: pages a month, what was saved, the household's own pace, and what lies unused.

#include "app/bench/panel_part.h"
#include "app/keep/keep_desk.h"

namespace zesty {

class MonthsPlot;

class BackPart : public PanelPart {
    Q_OBJECT
public:
    BackPart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk, QWidget* parent);

private:
    void refresh() override;

    KeepDesk& desk_;
    MonthsPlot* months_;
    QLabel* sums_;
    QLabel* pace_;
    QPushButton* take_;
    QLabel* unused_;
};

/// A bar for each of the last twelve months.
class MonthsPlot : public QWidget {
    Q_OBJECT
public:
    explicit MonthsPlot(QWidget* parent);
    void show_months(std::vector<MonthCount> months);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::vector<MonthCount> months_;
};

} // namespace zesty
