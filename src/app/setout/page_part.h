#pragma once
// Page, spread and frame, with the numbers to cut beside them.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/bench/paper_box.h"
#include "core/setout/usual_pages.h"

class QCheckBox;

namespace zesty {

class PagePart : public PanelPart {
    Q_OBJECT
public:
    PagePart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

private:
    void build_page();
    void build_date();
    void build_second();
    void build_frame();
    LengthEdit* length(const char* name, double least, double Page::*which);
    void refresh() override;
    void refresh_frame(const Project& project);
    LengthEdit* side(const QString& name, double Sides::*which);
    PaperBox* paper_box(const QString& name, std::string Page::*which);
    void type_window(bool width, double mm);

    ChoiceBox<const UsualPage*>* sizes_;
    LengthEdit* width_;
    LengthEdit* height_;
    QCheckBox* spread_;
    LengthEdit* gap_;
    LengthEdit* reveal_;
    LengthEdit* sides_[4];
    ChoiceRow<FrameKind>* kind_;
    LengthEdit* glue_lip_;
    PaperBox* paper_;
    LengthEdit* second_width_;
    LengthEdit* second_height_;
    QPushButton* same_;
    QLineEdit* date_;
    PaperBox* base_paper_;
    PaperBox* side_paper_;
    QWidget* second_row_;
    QWidget* window_row_;
    QWidget* sides_row_;
    LengthEdit* window_width_;
    LengthEdit* window_height_;
    QPushButton* by_lip_;
    QLabel* to_cut_;
};

} // namespace zesty
