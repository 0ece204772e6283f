#pragma once
// A paper in the drawer, its pattern at true size, with a gauge of what is left of it.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/theme.h"

#include <QWidget>

namespace zesty {

inline QSize swatch_size() {
    return {theme::px(108), theme::px(106)};
}
/// The pattern and the gauge alone.
inline QSize small_swatch_size() {
    return {theme::px(46), theme::px(32)};
}

class Swatch : public QWidget {
    Q_OBJECT
public:
    Swatch(int paper, BenchState& state, Document& document, QWidget* parent = nullptr);
    QString status() const;
    void make_small(bool small);
    int paper_number() const { return paper_; }

signals:
    void give();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    const Paper* paper() const;
    QRectF picture_rect() const;
    void paint_gauge(QPainter& p, const Paper& paper, double left);
    void paint_words(QPainter& p, const Paper& paper, bool trouble);
    void paint_side(QPainter& painter, Side side) const;
    void paint_reserved(QPainter& painter, double left, double reserved) const;

    int paper_;
    BenchState& state_;
    Document& document_;
    QPoint pressed_;
    bool small_ = false;
};

} // namespace zesty
