#pragma once
// What is to be left on the sheets: a size of the picked paper to keep whole, and room for other pages.

#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"

namespace zesty {

class RoomPart : public PanelPart {
    Q_OBJECT
public:
    RoomPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

private:
    void refresh() override;
    void keep(Point size);
    void show_left();
    void show_whole();
    void show_others();

    QLabel* left_;
    LengthEdit* width_;
    LengthEdit* height_;
    QLabel* of_paper_;
    QPushButton* leave_;
    QLabel* others_;
};

} // namespace zesty
