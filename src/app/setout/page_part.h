#pragma once
// Page, spread and frame, with the numbers to cut beside them.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"

class QCheckBox;

namespace zesty {

struct NamedPage;

class PagePart : public PanelPart {
    Q_OBJECT
public:
    PagePart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

private:
    void build_page();
    void build_frame();
    void refresh() override;
    LengthEdit* side(const QString& name, double Sides::*which);

    ChoiceBox<const NamedPage*>* sizes_;
    LengthEdit* width_;
    LengthEdit* height_;
    QCheckBox* spread_;
    LengthEdit* gap_;
    LengthEdit* reveal_;
    LengthEdit* sides_[4];
    ChoiceRow<FrameKind>* kind_;
    LengthEdit* glue_lip_;
    ChoiceBox<std::string>* paper_;
    QLabel* to_cut_;
};

} // namespace zesty
