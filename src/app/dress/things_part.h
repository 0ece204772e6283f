#pragma once
// Embellishments: those of the drawer, those on the page, and what fits where.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "core/project/fitting.h"

#include <atomic>
#include <memory>

class QLineEdit;

namespace zesty {

class Worker;
class ThingsPart : public PanelPart {
    Q_OBJECT
public:
    ThingsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    /// The one chosen in the drawer goes to the middle of the page, or where it was found to fit.
    void put_on_page();
    int on_page() const; ///< the one in hand on the page; -1 for none
    void take_on_page(int placed);
    /// Asks what fits the opening selected, or the free place round the last place that was clicked.
    void ask_what_fits();
    void what_fits_in(std::shared_ptr<const Plan> plan);
    void ask_where_it_fits();
    void clicked_at(Point at) { clicked_ = at; }
    /// What was found for the place asked about; nothing before.
    const std::optional<FreePlace>& place() const { return place_; }

    /// The new one gets the outline that the picture shows.
    void take_scan(const QString& path);

signals:
    void ask_scan(); ///< for a picture of an embellishment beside a square
    void in_hand_changed();

private:
    void build_stock();
    void build_new();
    void refresh() override;
    void show_pictures(const Stash& stash);
    void show_found();
    void put_found();
    const Embellishment* chosen() const;
    void add_to_drawer();
    std::shared_ptr<std::atomic<bool>> begin_question();
    QString row_of(const Embellishment& e) const;
    void put(const std::string& id, Point at, double turn_deg);

    Worker& worker_;
    Rows* stock_;
    Rows* placed_;
    Rows* found_;
    QPushButton* put_found_;
    QPushButton* take_off_;
    LengthEdit* x_;
    LengthEdit* y_;
    QSpinBox* turn_;
    QLabel* says_;
    QLineEdit* new_name_;
    ChoiceBox<EmbellishmentKind>* new_kind_;
    LengthEdit* new_width_;
    LengthEdit* new_height_;
    QSpinBox* count_;
    double width_typed_ = 25.4;
    double height_typed_ = 25.4;
    std::optional<Point> clicked_;
    std::optional<FreePlace> place_;
    std::vector<FittingThing> things_found_;
    std::vector<FittingPlace> places_found_;
    std::string places_for_;
    quint64 asked_ = 0;
    std::shared_ptr<std::atomic<bool>> stop_;
    Polygon scanned_;            ///< outline of the new one, where it was measured; about its middle
    Shared<Stash> pictured_;     ///< what the list has pictures of
    unsigned pictured_with_ = 0; ///< number of the textures
    int pictured_rows_ = 0;
};

} // namespace zesty
