#pragma once
// What counts how much when papers are proposed, how stripes slant, and which paper the page itself gives.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"

class QCheckBox;
class QLineEdit;
class QSlider;

namespace zesty {

class AimsPart : public PanelPart {
    Q_OBJECT
public:
    AimsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

private:
    void refresh() override;
    void build_weights();
    void build_slants();
    void build_hidden_stock();

    std::vector<QSlider*> weights_;
    int slide_number_ = 0;
    ChoiceBox<SlantRule>* rule_;
    QLineEdit* angle_;
    ChoiceBox<std::string>* base_;
    ChoiceBox<std::string>* cut_;
    QLineEdit* cut_colour_;
    QLineEdit* edge_colour_;
    QCheckBox* gut_;
    QCheckBox* under_photos_;
};

} // namespace zesty
