#pragma once

#include <QWidget>

namespace zesty {

/// All keys on one sheet, laid over the bench; F1 or Esc puts it away. Where letters are too large for all of
/// them, the wheel and the arrow keys go from column to column.
class KeysSheet : public QWidget {
    Q_OBJECT
public:
    explicit KeysSheet(QWidget* parent);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    void go(int columns);

    int first_ = 0; ///< of the columns on show
    int count_ = 1; ///< of all columns
};

} // namespace zesty
