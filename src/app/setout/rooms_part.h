#pragma once
// Does it all fit? Rooms for title, journaling and clusters as sizes only, with photos and cuts.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/setout/arrange_part.h"

class QListWidget;

namespace zesty {

class Worker;
class RoomsPart : public PanelPart {
    Q_OBJECT
public:
    RoomsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    void ask();
    ArrangePart& arrange() { return *arrange_; }

private:
    void build_adding();
    void build_list();
    void refresh() override;

    Worker& worker_;
    ChoiceBox<RoomFor>* what_;
    LengthEdit* width_edit_;
    LengthEdit* height_edit_;
    QListWidget* list_;
    QPushButton* remove_;
    QLabel* says_;
    ArrangePart* arrange_;
    double width_ = 6 * mm_per_inch;
    double height_ = 1.5 * mm_per_inch;
    quint64 asked_ = 0;
    Project answered_for_;
};

} // namespace zesty
