#pragma once
// The page in the middle of the bench: always the same page at true proportions, showing what the waypoint is
// about.
//
// Mouse: what the left button does is the waypoint's (page_drag.h), the wheel zooms at the pointer, the
// middle button moves the view. Papers dropped from the drawer go to the opening under the pointer, or to the
// whole selection when that is part of it. Keys: the arrows go from opening to opening, or push what the
// waypoint pushes.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/page/background_picture.h"
#include "app/page/page_drag.h"
#include "app/page/page_map.h"
#include "io/paint/painted_cuts.h"

#include <QWidget>

namespace zesty {

class WaypointView;

class PageView : public QWidget {
    Q_OBJECT
public:
    PageView(Document& document, BenchState& state, QWidget* parent = nullptr);
    ~PageView() override;

    /// Whose overlays, drags and hints these are; called whenever another waypoint is gone to.
    void show_waypoint(const WaypointView* waypoint);

    void fit();
    void true_size();
    void zoom(double factor);
    void move_view_to(QPointF origin);
    /// Brings a place of the page into view.
    void show_place(Point on_page);

    const PageMap& map() const { return map_; }
    const Project& shown_project() const;
    /// True when what is on show is what there is to show.
    bool up_to_date() const {
        return base_.up_to_date() && !(isVisible() && base_stale_ && something_to_show());
    }
    /// The opening at a pixel, or -1; the innermost where inserts have openings of their own.
    int opening_at(QPointF pixel) const;

signals:
    void paper_dropped(const QString& paper_id, int opening);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool event(QEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    PageHands hands() { return {document_, state_, *this}; }
    bool something_to_show() const;
    QRectF room() const;
    void push_view(QPointF by);
    void zoom_at(QPointF pixel, double factor);
    void zoom_to(const Box& on_page);
    void ask_for_base();
    void paint_base(QPainter& painter) const;
    void paint_line_below(QPainter& painter) const;
    void paint_compared(QPainter& painter) const;
    double compared_px() const; ///< where the line between proposal and page is
    bool over_compared_line(QPointF pixel) const;
    /// A useful step in the direction of an arrow key.
    Point step_of(int key) const;
    /// The nearest opening in the direction of an arrow key.
    void step_selection(int key, bool add);

    Document& document_;
    BenchState& state_;
    const WaypointView* waypoint_ = nullptr;
    PageMap map_;
    bool fitted_ = true;
    bool reached_by_key_ = false; ///< then the focus is shown
    std::shared_ptr<PaintedCuts> painted_cuts_ =
        std::make_shared<PaintedCuts>(); ///< for the thread that paints
    BackgroundPicture base_;
    PageMap base_map_;  ///< of the picture on show
    PageMap asked_map_; ///< of the newest picture asked for
    QSize asked_size_;
    bool base_stale_ = true;
    std::unique_ptr<PageDrag> drag_;
};

/// What a paper carries while it is dragged out of the drawer.
inline constexpr char paper_mime[] = "application/x-zesty-paper";

} // namespace zesty
