#include "app/sections/middle_row.h"

#include "app/bench/theme.h"
#include "core/limits.h"

#include <QHBoxLayout>
#include <QLabel>

namespace zesty {

MiddleRow::MiddleRow(const QString& otherwise, Document& document, BenchState& state, QWidget* parent)
    : QWidget(parent), document_(document), state_(state) {
    auto* r = new QHBoxLayout(this);
    r->setContentsMargins(0, 0, 0, 0);
    r->setSpacing(6);
    auto* name = new QLabel("About", this);
    name->setProperty("quiet", true);
    name->setFixedWidth(theme::px(62));
    r->addWidget(name);
    click_ = new QPushButton("Click it", this);
    click_->setCheckable(true);
    click_->setProperty("segment", true);
    click_->setToolTip("Then click the place on the page that is to be the middle");
    connect(click_, &QPushButton::clicked, this, [this](bool on) {
        state_.tools().take(on ? PageTools::Tool::PickMiddle : PageTools::Tool::None);
    });
    r->addWidget(click_);
    const auto field = [&](const char* text, double Point::*way) {
        auto* edit = new LengthEdit(text, place_limits.least, place_limits.most, this);
        edit->setToolTip(text);
        edit->setFixedWidth(theme::px(72));
        connect(edit, &LengthEdit::length_entered, this, [this, way](double mm) { type(way, mm); });
        r->addWidget(edit);
        return edit;
    };
    x_ = field("Middle, from the left", &Point::x);
    y_ = field("Middle, from the top", &Point::y);
    none_ = new QPushButton("Reset", this);
    none_->setToolTip("Use " + otherwise + " again");
    connect(none_, &QPushButton::clicked, this, [this] { state_.tools().choose_middle(std::nullopt); });
    r->addWidget(none_);
    r->addStretch(1);
    connect(&state.tools(), &PageTools::picked_changed, this, &MiddleRow::refresh);
    connect(&state.tools(), &PageTools::changed, this, &MiddleRow::refresh);
}

void MiddleRow::type(double Point::*way, double mm) {
    Point at = state_.tools().middle().value_or(document_.project().set_out.page.whole().centre());
    at.*way = mm;
    state_.tools().choose_middle(at);
}

void MiddleRow::refresh() {
    const Project& p = document_.project();
    const Point at = state_.tools().middle().value_or(p.set_out.page.whole().centre());
    click_->setChecked(state_.tools().tool() == PageTools::Tool::PickMiddle);
    x_->show_length(at.x, p.units);
    y_->show_length(at.y, p.units);
    none_->setEnabled(state_.tools().middle().has_value());
}

} // namespace zesty
