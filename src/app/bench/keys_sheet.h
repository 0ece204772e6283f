#pragma once

#include <QWidget>

namespace zesty {

/// All keys on one sheet, laid over the bench; F1 or Esc puts it away.
class KeysSheet : public QWidget {
    Q_OBJECT
public:
    explicit KeysSheet(QWidget* parent);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
};

} // namespace zesty
