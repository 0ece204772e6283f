#pragma once
// The place on the page that rays, rings and rings of sections go about: clicked, typed, or none.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/length_edit.h"

#include <QPushButton>
#include <QWidget>

namespace zesty {

class MiddleRow : public QWidget {
    Q_OBJECT
public:
    /// `otherwise` says what it is while none is chosen.
    MiddleRow(const QString& otherwise, Document& document, BenchState& state, QWidget* parent);
    void refresh();

private:
    void type(double Point::*way, double mm);

    Document& document_;
    BenchState& state_;
    QPushButton* click_;
    LengthEdit* x_;
    LengthEdit* y_;
    QPushButton* none_;
};

} // namespace zesty
