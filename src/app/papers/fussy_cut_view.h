#pragma once
// The picture of the paper picked in the drawer, with its fussy cuts. A click on a motif finds its outline; +
// and
// - make it closer or wider, Delete lets go of the one pointed at.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/worker.h"
#include "core/stash/fussy_cut.h"

#include <QWidget>

namespace zesty {

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
    void keyPressEvent(QKeyEvent* event) override;

private:
    const Paper* paper() const;
    QTransform to_widget() const;
    int motif_at_pixel(QPointF at) const;
    void find(Point at, std::optional<std::size_t> in_place_of);
    void change(const QString& intention, const std::function<void(Paper&)>& apply);

    Document& document_;
    BenchState& state_;
    Worker& worker_;
    int hovered_ = -1;
    double tolerance_ = usual_tolerance;
    std::optional<Point> last_; ///< found last, to be made closer or wider
    std::string last_paper_;
};

} // namespace zesty
