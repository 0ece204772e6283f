#pragma once
// A field for a length in the user's units. Takes "11 1/2", "1/8 in", "292mm"; the arrow keys step by the
// smallest useful amount. A text that is no length turns the rim red and changes nothing.

#include "core/geometry/lengths.h"

#include <QLineEdit>

namespace zesty {

class LengthEdit : public QLineEdit {
    Q_OBJECT
public:
    LengthEdit(const QString& accessible_name, double least_mm, double most_mm, QWidget* parent = nullptr);

    /// Shows a length; emits nothing.
    void show_length(double mm, Units units);

signals:
    void length_entered(double mm);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    void take();
    void step(int by);
    void mark_wrong(bool wrong);

    double least_;
    double most_;
    double shown_ = 0;
    Units units_ = Units::Inches;
};

} // namespace zesty
