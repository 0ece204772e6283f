#pragma once
// What stands in the middle while there is no page yet: the next step, and three pages to look round in.

#include "app/bench/bench_state.h"

#include <QFrame>

class QLabel;
class QPushButton;

namespace zesty {

class FirstSteps : public QFrame {
    Q_OBJECT
public:
    FirstSteps(BenchState& state, QWidget* parent);

signals:
    void open_drawing();
    void open_demo(const QString& file);

private:
    void say_what_this_is();

    BenchState& state_;
    QLabel* title_;
    QLabel* words_;
    QPushButton* open_;
};

/// Where the demo pages are: installed, or beside the build; empty for nowhere.
QString demo_folder();

} // namespace zesty
