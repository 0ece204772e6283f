#pragma once
// A frame that is decided when everything else is done.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/paper_box.h"

#include <array>

namespace zesty {

class FramePart : public PanelPart {
    Q_OBJECT
public:
    FramePart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

private:
    void refresh() override;
    void change(const QString& intention, const std::function<void(LateFrame&)>& apply);
    QString says() const;

    ChoiceBox<LateFraming>* how_;
    std::array<LengthEdit*, 4> corners_{};
    LengthEdit* all_;
    PaperBox* paper_;
    PaperBox* side_paper_;
    LengthEdit* lip_;
    QLabel* says_;
};

} // namespace zesty
