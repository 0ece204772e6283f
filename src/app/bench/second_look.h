#pragma once
// The findings as index cards, most serious first. A click goes to the place, the button applies the fix.

#include "app/bench/bench_state.h"

#include <QWidget>

class QLabel;
class QVBoxLayout;
class QScrollArea;

namespace zesty {

class SecondLook : public QWidget {
    Q_OBJECT
public:
    explicit SecondLook(BenchState& state, QWidget* parent = nullptr);

signals:
    void go_to(const zesty::Finding& finding);
    void apply(const zesty::Fix& fix);

private:
    void refresh();

    BenchState& state_;
    QLabel* count_;
    QScrollArea* scroll_;
    std::vector<Finding> shown_;
    bool any_shown_ = false;
};

} // namespace zesty
