#pragma once
// What the left button does on the page from press to release: one object for each kind of drag.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/page/page_map.h"

#include <QPainter>
#include <QPointF>
#include <functional>

namespace zesty {

class PageView;

/// What a drag works with.
struct PageHands {
    Document& document;
    BenchState& state;
    PageView& page;

    const PageMap& map() const;
    const Plan& plan() const { return *state.plan(); }
};

struct PagePress {
    QPointF at;
    int opening = -1;  ///< under the pointer
    bool adds = false; ///< to what is selected
};

/// Shorter than this, px, a drag is a click.
inline constexpr double least_gesture = 8;

class PageDrag {
public:
    PageDrag(const PageHands& hands, QPointF from) : hands_(hands), from_(from) {}
    virtual ~PageDrag() = default;
    PageDrag(const PageDrag&) = delete;
    PageDrag& operator=(const PageDrag&) = delete;

    virtual void move(QPointF to) = 0;
    virtual void release(QPointF) {}
    virtual void paint(QPainter&) const {}

protected:
    Document& document() const { return hands_.document; }
    BenchState& state() const { return hands_.state; }
    PageView& page() const { return hands_.page; }
    const PageMap& map() const { return hands_.map(); }

    PageHands hands_;
    QPointF from_;
};

/// A drag that makes one undo step, each move from how things were when it began.
class EditingDrag : public PageDrag {
public:
    EditingDrag(const PageHands& hands, QPointF from)
        : PageDrag(hands, from), before_(hands.document.project()), number_(hands.document.new_drag()) {}

protected:
    /// What was moved over, in page millimetres.
    Point moved(QPointF to) const {
        return {(to.x() - from_.x()) / map().scale, (to.y() - from_.y()) / map().scale};
    }
    template <class Change> void edit(const QString& intention, Change change) {
        Project next = before_;
        change(next);
        document().edit(intention, std::move(next), number_);
    }

    Project before_;
    int number_;
};

/// Moves one place of the project: where(project) says which, null where it is not there.
class MovePointDrag final : public EditingDrag {
public:
    MovePointDrag(const PageHands& hands, QPointF from, QString intention,
                  std::function<Point*(Project&)> where)
        : EditingDrag(hands, from), intention_(std::move(intention)), where_(std::move(where)) {}
    void move(QPointF to) override {
        edit(intention_, [&](Project& p) {
            if (Point* point = where_(p)) *point = *point + moved(to);
        });
    }

private:
    QString intention_;
    std::function<Point*(Project&)> where_;
};

} // namespace zesty
