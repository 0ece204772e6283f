#pragma once
// The picture of the paper picked in the drawer, with its fussy cuts. A click on a motif finds its outline; +
// and - make it closer or wider. A brush corrects it: a drag from inside adds, with Shift it takes away.
// A double click names it, Delete lets go of the one pointed at; its label, or Return, says that one has been
// cut out.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "core/stash/fussy_cut.h"

#include <QWidget>

namespace zesty {

class Worker;
class FussyCutView : public QWidget {
    Q_OBJECT
public:
    FussyCutView(Document& document, BenchState& state, Worker& worker, QWidget* parent);
    /// Where a place of the paper is drawn, mm to pixels.
    QPointF pixel_of(Point on_paper) const;

signals:
    void say(const QString& message, bool trouble);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    bool eventFilter(QObject* line, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    const Paper* paper() const;
    QTransform to_widget() const;
    int motif_at_pixel(QPointF at) const;
    Point on_paper(QPointF pixel) const;
    void paint_head(QPainter& p, const Paper* paper) const;
    void paint_motifs(QPainter& p, const Paper& paper) const;
    void paint_brush(QPainter& p) const;
    QRectF plate_of(const FussyCut& cut) const;
    void correct(std::size_t motif, const Ring& stroke, bool add);
    void ask_name(std::size_t motif);
    void cut_out(std::size_t motif);
    int plate_at_pixel(QPointF at) const;
    void find(Point at, std::optional<std::size_t> in_place_of);
    void change(const QString& intention, const std::function<void(Paper&)>& apply);

    Document& document_;
    BenchState& state_;
    Worker& worker_;
    int hovered_ = -1;
    double tolerance_ = usual_tolerance;
    std::optional<Point> last_; ///< found last, to be made closer or wider
    std::string last_paper_;
    double brush_ = usual_brush;
    /// From press to release: where the brush has been, of which paper and motif.
    struct Stroke {
        Ring way;
        bool add = true;
        int motif = -1;
        std::string paper;
        bool moved = false;
    };
    std::optional<Stroke> stroke_;
    QPointF cursor_{-1, -1};
};

} // namespace zesty
