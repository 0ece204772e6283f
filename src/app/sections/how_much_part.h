#pragma once
// How much of the page is backed: a third, half or all of it, each with its price.

#include "app/bench/panel_part.h"
#include "core/project/how_much.h"

namespace zesty {

class Worker;
class HowMuchPart : public PanelPart {
    Q_OBJECT
public:
    HowMuchPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

private:
    void refresh() override;
    void ask();
    void show_answers(const Project& of, const std::vector<BackedSo>& answers);

    struct Row {
        QPushButton* take;
        QLabel* price;
        QLabel* reason;
    };
    Worker& worker_;
    std::array<Row, static_cast<std::size_t>(count_of_values<HowMuch>)> rows_;
    std::vector<BackedSo> answers_;
    Project asked_for_;
    bool asked_ = false;
    quint64 number_ = 0;
};

} // namespace zesty
