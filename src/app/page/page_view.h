#pragma once
// The page in the middle of the bench: always the same page at true proportions, showing what the waypoint is
// about.
//
// Mouse: click selects an opening (with Shift or Control one more), the wheel zooms at the pointer, the
// middle button moves the view. At Set out the cut is dragged, and its corners pulled to size. Papers dropped
// from the drawer go to the opening under the pointer, or to the whole selection when that is part of it.
// Keys: the arrows go from opening to opening; at Set out they move the cut.

#include "app/page/background_picture.h"
#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/page/page_map.h"

#include <QWidget>

namespace zesty {

class PageView : public QWidget {
    Q_OBJECT
public:
    PageView(Document& document, BenchState& state, QWidget* parent = nullptr);

    void fit();
    void true_size();
    void zoom(double factor);
    /// Brings a place of the page into view.
    void show_place(Point on_page);

    const PageMap& map() const { return map_; }
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
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    enum class Drag { None, Pan, Move, Size, Photo, Protect, Measure, Lasso, Line, Print, Compare };
    const Project& shown_project() const;
    bool something_to_show() const;
    QRectF room() const;
    void zoom_at(QPointF pixel, double factor);
    void ask_for_base();
    void paint_base(QPainter& painter) const;
    void paint_empty(QPainter& painter);
    bool over_corner(QPointF pixel) const;
    bool take_cut_at(QPointF pixel);
    bool take_photo_at(QPointF pixel);
    void press_at_set_out(QPointF pixel);
    void paint_gesture(QPainter& painter) const;
    void finish_gesture(bool add);
    void drag_to(QPointF pixel);
    void move_pattern(Point from, Point to, int drag);
    void compare_to(QPointF pixel);
    double compared_px() const; ///< where the line between proposal and page is
    void paint_compared(QPainter& painter) const;
    void mark_part(QPointF pixel);
    void finish_marking(QPointF pixel);
    /// Moves what is in hand at Set out by an arrow key.
    void nudge(QKeyEvent* event);
    void push_pattern(QKeyEvent* event);
    Point step_of(int key) const;
    /// The nearest opening in the direction of an arrow key.
    void step_selection(int key, bool add);

    Document& document_;
    BenchState& state_;
    PageMap map_;
    bool fitted_ = true;
    bool reached_by_key_ = false; ///< then the focus is shown
    BackgroundPicture base_;
    PageMap base_map_;  ///< of the picture on show
    PageMap asked_map_; ///< of the newest picture asked for
    QSize asked_size_;
    bool base_stale_ = true;
    Drag drag_ = Drag::None;
    int drag_number_ = 0;
    QPointF drag_from_;
    QPointF drag_origin_;
    Project drag_project_;
    double drag_width_ = 0;
    double drag_reach_ = 1;
    int drag_opening_ = -1;
    std::shared_ptr<const Plan> drag_plan_; ///< what the print is moved from
    std::vector<QPointF> gesture_;          ///< of a lasso or a line, in pixels
    bool gesture_adds_ = false;
};

/// What a paper carries while it is dragged out of the drawer.
inline constexpr char paper_mime[] = "application/x-zesty-paper";

} // namespace zesty
