#pragma once
// The drawer before and after finishing: of each paper what is there, shaded what the page takes, and what
// comes back.

#include "app/bench/bench_state.h"
#include "app/keep/keep_desk.h"

#include <QScrollArea>
#include <QWidget>

class QHBoxLayout;
class QLabel;

namespace zesty {

class DrawerChange : public QWidget {
    Q_OBJECT
public:
    DrawerChange(BenchState& state, KeepDesk& desk, QWidget* parent);

private:
    void refresh();

    BenchState& state_;
    KeepDesk& desk_;
    QLabel* says_;
    QScrollArea* scroll_;
};

} // namespace zesty
