#pragma once
// What goes with the lists: what one more sheet would cure, and the printed guide.

#include "app/bench/panel_part.h"
#include "app/build/build_desk.h"

namespace zesty {

class Worker;
class ListsPart : public PanelPart {
    Q_OBJECT
public:
    ListsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, BuildDesk& desk,
              QWidget* parent);

signals:
    void one_more_known(const QString& html);

private:
    void refresh() override;
    void ask_one_more();

    Worker& worker_;
    BuildDesk& desk_;
    QPushButton* one_more_;
    QLabel* says_;
};

} // namespace zesty
