#pragma once
// Sheets in the window: what is cut from what, and what of the sheets is left.

#include "app/bench/waypoint_view.h"
#include "app/bench/wording.h"

namespace zesty {

class SheetsPanel;
class SheetsView;

class SheetsWaypoint final : public WaypointView {
    Q_OBJECT
public:
    SheetsWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Sheets"; }
    QString answer(const Project&, const Plan& plan) const override { return sheets_answer(plan); }
    QWidget* panel() const override;
    QWidget* middle() const override;
    bool middle_up_to_date() const override;

    /// A page that is saved says what it takes, so that other pages know.
    void reserve_papers(const Project& project, const QString& path);

private:
    void make() override;
    void connect_actions();
    void reserve_for_others();
    void pin_selection(bool on);
    void write_guide();

    SheetsPanel* panel_ = nullptr;
    SheetsView* sheets_ = nullptr;
};

} // namespace zesty
