#include "app/bench/length_edit.h"

#include <QKeyEvent>
#include <QStyle>
#include <algorithm>
#include <cmath>

namespace zesty {

LengthEdit::LengthEdit(const QString& accessible_name, double least_mm, double most_mm, QWidget* parent)
    : QLineEdit(parent), least_(least_mm), most_(most_mm) {
    setAccessibleName(accessible_name);
    setToolTip(accessible_name + ": such as 11 1/2, 1/8 in or 28.5 cm; the arrow keys step");
    connect(this, &QLineEdit::returnPressed, this, &LengthEdit::take);
    connect(this, &QLineEdit::textEdited, this,
            [this] { mark_wrong(!parse_length(text().toStdString(), units_)); });
}

void LengthEdit::show_length(double mm, Units units) {
    shown_ = mm;
    units_ = units;
    if (hasFocus() && isModified()) return;
    setText(QString::fromStdString(format_length(mm, units)));
    mark_wrong(false);
}

void LengthEdit::mark_wrong(bool wrong) {
    if (property("wrong").toBool() == wrong) return;
    setProperty("wrong", wrong);
    style()->unpolish(this);
    style()->polish(this);
}

void LengthEdit::take() {
    const auto mm = parse_length(text().toStdString(), units_);
    const bool good = mm && *mm >= least_ && *mm <= most_;
    mark_wrong(!good);
    if (!good) return;
    setModified(false);
    const double before = shown_;
    show_length(*mm, units_);
    // What merely repeats the rounded text is no new length.
    if (format_length(before, units_) != format_length(*mm, units_)) emit length_entered(*mm);
}

void LengthEdit::step(int by) {
    const double unit = units_ == Units::Inches ? mm_per_inch / 16 : 1;
    const double next = std::clamp((std::round(shown_ / unit) + by) * unit, least_, most_);
    setModified(false);
    show_length(next, units_);
    emit length_entered(next);
}

void LengthEdit::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down) {
        const int size = event->modifiers() & Qt::ShiftModifier ? 4 : 1;
        step(event->key() == Qt::Key_Up ? size : -size);
        return;
    }
    if (event->key() == Qt::Key_Escape && isModified()) {
        setModified(false);
        show_length(shown_, units_);
        return;
    }
    QLineEdit::keyPressEvent(event);
}

void LengthEdit::focusOutEvent(QFocusEvent* event) {
    QLineEdit::focusOutEvent(event);
    if (!isModified()) return;
    take();
    if (property("wrong").toBool()) {
        setModified(false);
        show_length(shown_, units_);
    }
}

} // namespace zesty
