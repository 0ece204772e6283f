#pragma once
// A sketch or photo of a page, faint on the base, to trace positions from; with what it has where as boxes.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/page/page_map.h"

#include <QPainter>

class QSlider;

namespace zesty {

class SketchPart : public PanelPart {
    Q_OBJECT
public:
    SketchPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    void take_picture(const Shared<BroughtPicture>& picture);
    SketchRole role() const { return role_->value_or(SketchRole::Photo); }
    /// The boxes, while this part is on show.
    void paint(QPainter& painter, const PageMap& map) const;

private:
    void build_picture();
    void build_boxes();
    void refresh() override;
    template <class Change> void change(const QString& intention, Change apply, int drag = 0) {
        document_.change(
            intention, [&](Project& p) { apply(p.set_out.sketch); }, drag);
    }

    QPushButton* remove_;
    LengthEdit* width_;
    LengthEdit* x_;
    LengthEdit* y_;
    QPushButton* turn_;
    QSlider* strength_;
    int slide_number_ = 0;
    ChoiceRow<SketchRole>* role_;
    QPushButton* clear_;
    QPushButton* take_over_;
    QLabel* says_;
};

} // namespace zesty
