#pragma once
// Set out in the window: how large, and what that does.

#include "app/bench/waypoint_view.h"
#include "app/bench/wording.h"
#include "io/drawing_import.h"

namespace zesty {

class BundleView;
class CuttingMatView;
class SetOutPanel;

class SetOutWaypoint final : public WaypointView {
    Q_OBJECT
public:
    SetOutWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Set out"; }
    QString answer(const Project& project, const Plan& plan) const override {
        return set_out_answer(project, plan);
    }
    QWidget* panel() const override;
    QWidget* middle() const override;
    void paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                       const Plan& plan) const override;
    bool shows_selection() const override { return false; }
    bool shows_bare_base() const override { return true; }
    QString hint() const override;
    std::unique_ptr<PageDrag> press(const PageHands& hands, const PagePress& press) const override;
    Qt::CursorShape cursor_at(const PageHands& hands, QPointF at) const override;
    bool push(const PageHands& hands, Point way, bool more) const override;

    /// Asks in the side bench, where the file of a new cut leaves its size open.
    void ask_size_of(const DrawingFile& file, int cut_id);

private:
    void make() override;
    void connect_actions();
    /// What is asked and traced before anything is placed.
    void connect_planning();
    void copy(bool mirrored);
    void turn(double by);
    void remove_from_page();
    void shift_in_pile(int by);
    void take_drawing_to_add(const std::shared_ptr<const DrawingFile>& file, const QString& path);

    void show_bundle(const QString& path, const std::vector<BundleDrawing>& drawings);

    SetOutPanel* panel_ = nullptr;
    CuttingMatView* mats_ = nullptr;
    BundleView* bundle_ = nullptr;
};

} // namespace zesty
