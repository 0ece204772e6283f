#pragma once
// What lies on what: the share of every section that is hidden, and the smallest moves that leave no slivers.

#include "app/bench/panel_part.h"
#include "app/bench/rows.h"

namespace zesty {

class Worker;
class CoverPart : public PanelPart {
    Q_OBJECT
public:
    CoverPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    /// Looks for the moves on the other thread and makes them.
    void cure();

private:
    void refresh() override;

    Worker& worker_;
    Rows* sections_;
    std::vector<int> shown_; ///< sections, by row
    QLabel* says_;
    QLabel* cured_;
    quint64 asked_ = 0;
    std::shared_ptr<std::atomic<bool>> stop_;
    QPushButton* stop_button_;
};

} // namespace zesty
