#pragma once
// The cutting mats, in the place of the page while somebody wants to see how a cut lies on them.

#include "app/bench/bench_state.h"

#include <QWidget>

namespace zesty {

class CuttingMatView : public QWidget {
    Q_OBJECT
public:
    explicit CuttingMatView(BenchState& state, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void turn(int by);

    BenchState& state_;
    int shown_ = 0; ///< which mat
};

} // namespace zesty
