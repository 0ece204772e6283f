#pragma once
// Which photo to order of the picture in hand: what its size cuts off, and what else it could be.

#include "app/bench/panel_part.h"
#include "core/project/which_photo.h"

class QListWidget;

namespace zesty {

class Worker;
class WhichPhotoPart : public PanelPart {
    Q_OBJECT
public:
    WhichPhotoPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

private:
    void refresh() override;
    void ask();
    void ask_of(std::shared_ptr<const Plan> plan);
    void show_ways();
    void take();

    Worker& worker_;
    QPushButton* ask_;
    QListWidget* list_;
    QPushButton* take_;
    QLabel* says_;
    std::vector<WayToPrint> ways_;
    Photo answered_for_;
    quint64 asked_ = 0;
};

} // namespace zesty
