#pragma once
// The size ladder as a picture: for every size the thinnest bar, with what cuts and holds it marked, and
// under it what paper and time go the same way. A click takes a size; so do the arrow keys and Return.

#include "core/geometry/lengths.h"
#include "core/project/ladder.h"
#include "core/setout/sizing.h"

#include <QWidget>

namespace zesty {

class LadderChart : public QWidget {
    Q_OBJECT
public:
    explicit LadderChart(QWidget* parent = nullptr);
    void show_rungs(std::vector<Rung> rungs, const NarrowestBars& bars, Units units);
    void show_size(double now);
    /// The rung the pointer or the keys are at, or the one nearest to the size now; null without rungs.
    const Rung* about() const;
    QSize sizeHint() const override { return {300, 214}; }

signals:
    void size_taken(double mm);
    void looked_at();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void paint_holdings(QPainter& painter, const QRectF& plot) const;
    void paint_ladder(QPainter& painter, const QRectF& plot) const;
    double paint_lanes(QPainter& painter, const QRectF& plot) const;
    void paint_sizes(QPainter& painter, double y) const;
    QRectF plot() const;
    double x_of(double size) const;
    int rung_at(double x) const;
    double greatest_bar() const;
    double y_of(double bar) const;

    std::vector<Rung> rungs_;
    std::vector<Holding> holdings_ = holdings({});
    Units units_ = Units::Inches;
    double now_ = 0;
    int at_ = -1;
};

} // namespace zesty
