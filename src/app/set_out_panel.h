#pragma once
// How large, on which page, which way round; with what the size does to the cut beside it.

#include "app/length_edit.h"
#include "app/panel.h"

class QSlider;
class QCheckBox;

namespace zesty {

class SetOutPanel : public Panel {
    Q_OBJECT
public:
    SetOutPanel(Document& document, BenchState& state, Actions& actions, QWidget* parent = nullptr);

private:
    void build_page();
    void build_cut();
    void refresh() override;
    void choose_rule(int index);
    void slide(int value);

    Segments* pages_;
    LengthEdit* page_width_;
    LengthEdit* page_height_;
    LengthEdit* reveal_;
    QLabel* base_;
    Segments* rule_;
    LengthEdit* length_;
    QSlider* slider_;
    QLineEdit* turn_;
    QCheckBox* mirrored_;
    QLabel* facts_;
    int slide_number_ = 0;
};

} // namespace zesty
