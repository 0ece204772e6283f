#pragma once
// A waypoint of the route with all that is its own in the window: its name and answer, its part of the side
// bench, what it draws on the page and says below it, what takes the page's place, its actions, and its drags
// and keys on the page. Whoever adds a waypoint writes one of these and adds it to the row in
// bench_window.cpp.

#include "app/bench/actions.h"
#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/file_questions.h"
#include "app/bench/settings.h"
#include "app/page/page_drag.h"
#include "app/page/page_map.h"
#include "io/paint/values.h"

#include <QPainter>
#include <memory>

namespace zesty {

class LivingStash;
class Worker;

/// What a waypoint may use; all of it outlives the waypoint.
struct BenchParts {
    Document& document;
    BenchState& state;
    Worker& worker;
    Actions& actions;
    Settings& settings;
    const FileQuestions& questions;
    QWidget* window;
    QWidget* side;   ///< for panels
    QWidget* middle; ///< for what takes the page's place
    std::function<void(const QString& message, bool trouble)> say;
    LivingStash& living;
};

class WaypointView : public QObject {
    Q_OBJECT
public:
    WaypointView(const BenchParts& bench, QObject* parent) : QObject(parent), bench_(bench) {}

    virtual QString name() const = 0;
    /// In a few words, for the route.
    virtual QString answer(const Project& project, const Plan& plan) const = 0;
    virtual bool in_trouble(const Plan&) const { return false; }

    /// Makes what is seen of it, unless that is there: a window whose seven panels were made before it showed
    /// its first page would be late.
    void be_made();
    /// Its part of the side bench; null until it is made.
    virtual QWidget* panel() const = 0;
    /// What is in the middle instead of the page just now; null for the page.
    virtual QWidget* middle() const { return nullptr; }
    virtual bool middle_up_to_date() const { return true; }
    /// Whether the drawer with the papers belongs to it.
    virtual bool shows_drawer() const { return true; }
    /// What takes the page's place has the window to itself; leave_alone() gives the rest back.
    virtual bool alone() const { return false; }
    virtual void leave_alone() {}
    /// It has come on show, or gone.
    virtual void be_shown(bool) {}

    /// What lies on the page; there is a plan.
    virtual void paint_on_page(QPainter&, const PageMap&, const Project&, const Plan&) const {}
    virtual bool shows_selection() const { return true; }
    /// Whether openings without paper show the base instead of the colour for "still to be chosen".
    virtual bool shows_bare_base() const { return false; }
    /// How the page is seen.
    virtual Seen seen() const { return Seen::Colour; }
    /// The line below the page while the pointer is on nothing.
    virtual QString hint() const {
        return "Point at an opening for its numbers; click it, or draw round several.";
    }

    /// What a press of the left button begins; null for nothing.
    virtual std::unique_ptr<PageDrag> press(const PageHands& hands, const PagePress& press) const;
    virtual Qt::CursorShape cursor_at(const PageHands&, QPointF) const { return Qt::ArrowCursor; }
    /// An arrow key, as a useful step on the page; false to go from opening to opening.
    virtual bool push(const PageHands&, Point, bool) const { return false; }

signals:
    void look_changed();
    void made();

protected:
    /// Its panel, and what takes the page's place.
    virtual void make() = 0;
    /// Connects an action to what it does; by then what is seen of the waypoint is there.
    template <class Slot> void on(Act act, Slot slot) {
        connect(bench_.actions[act], &QAction::triggered, this, [this, slot = std::move(slot)] {
            be_made();
            slot();
        });
    }
    std::vector<int> selection() const {
        return {bench_.state.selected().begin(), bench_.state.selected().end()};
    }
    std::vector<Spot> selected_spots() const {
        return bench_.state.plan() ? bench_.state.plan()->spots_of(selection()) : std::vector<Spot>{};
    }
    /// The sections of openings as the plan has them: what shares one sheet is one section there.
    std::vector<Spot> sections_with(const std::vector<int>& openings) const;

    BenchParts bench_;

private:
    bool made_ = false;
};

} // namespace zesty
