#pragma once
// What a drag on the page means besides its usual meaning, and the distance measured with one.

#include "core/geometry/shapes.h"

#include <QObject>
#include <optional>
#include <utility>

namespace zesty {

class PageTools : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    enum class Tool {
        None,
        Measure,
        DivideByLine,
        Protect,
        ToHide, ///< parts of photos that had better be covered
        MovePattern,
        PickPieces,
        PickMiddle,
        SketchBoxes
    };
    Tool tool() const { return tool_; }
    /// On the page, mm, if one is on show.
    const std::optional<std::pair<Point, Point>>& measured() const { return measured_; }

    /// The place that divisions and rings go about, on the page; nothing for the middle of each.
    const std::optional<Point>& middle() const { return middle_; }

    void take(Tool tool);
    void choose_middle(std::optional<Point> on_page);
    void measure(std::optional<std::pair<Point, Point>> between);

signals:
    void changed();
    void measured_changed();
    /// Other pieces are picked, or another middle is.
    void picked_changed();

private:
    Tool tool_ = Tool::None;
    std::optional<std::pair<Point, Point>> measured_;
    std::optional<Point> middle_;
};

} // namespace zesty
