#pragma once
// Proposals side by side, each as a small true picture of the page with its reasons. Click or arrow keys
// choose one, double click shows it on the page.

#include "app/bench/bench_state.h"
#include "app/page/background_picture.h"

#include <QWidget>

namespace zesty {

class ProposalsView : public QWidget {
    Q_OBJECT
public:
    explicit ProposalsView(BenchState& state, QWidget* parent = nullptr);
    bool up_to_date() const { return base_.up_to_date() && !(isVisible() && stale_); }
    /// Where a proposal is drawn.
    QRectF card(int proposal) const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void light_difference(QPainter& painter, int offer) const;
    void paint_words(QPainter& painter, int number) const;
    int hovered_ = -1;
    int columns() const;
    QRectF card(int proposal, int columns) const;
    void ask_for_base();

    BenchState& state_;
    BackgroundPicture base_;
    bool stale_ = true;
};

} // namespace zesty
