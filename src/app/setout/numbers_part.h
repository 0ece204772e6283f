#pragma once
// The household's own numbers in the place of the usual ones: of this page, and of new pages once they are
// remembered.

#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/bench/settings.h"
#include "core/project/own_numbers.h"

class QDoubleSpinBox;

namespace zesty {

class NumbersPart : public PanelPart {
    Q_OBJECT
public:
    NumbersPart(Document& document, BenchState& state, Actions& actions, const Settings& settings,
                NumbersAbout about, QWidget* parent);

private:
    void build_fields();
    void build_remember();
    QWidget* field_for(const OwnNumberRow& row);
    void change(const OwnNumberRow& row, double value);
    void refresh() override;

    const Settings& settings_;
    NumbersAbout about_;
    struct Field {
        const OwnNumberRow* row;
        LengthEdit* length = nullptr; ///< one of the two
        QDoubleSpinBox* number = nullptr;
    };
    std::vector<Field> fields_;
    QLabel* says_;
};

} // namespace zesty
