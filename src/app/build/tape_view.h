#pragma once
// The time the work takes as a measuring tape: what is done, what is now and what comes, and what dries
// meanwhile.

#include "app/build/build_desk.h"

#include <QDateTime>
#include <QWidget>

namespace zesty {

class TapeView : public QWidget {
    Q_OBJECT
public:
    TapeView(BuildDesk& desk, QWidget* parent);
    QSize sizeHint() const override { return {600, 138}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    struct Block {
        std::size_t step = 0;
        double from = 0; ///< minutes from now
        double to = 0;
        double dry = 0;
        int row = 0;
        bool done = false;
    };
    std::vector<Block> blocks() const;
    void choose_span();
    QDateTime moment(double minutes) const; ///< from now
    void paint_saying(QPainter& painter) const;
    void paint_ticks(QPainter& painter) const;
    void paint_blocks(QPainter& painter) const;
    void paint_drying(QPainter& painter) const;
    void paint_names(QPainter& painter, double top, double row_high) const;
    double px(double minutes) const;

    BuildDesk& desk_;
    std::vector<Block> shown_;
    double from_ = 0, to_ = 60; ///< minutes from now, on the tape
};

} // namespace zesty
