#include "app/bench/paper_box.h"

#include "app/bench/wording.h"

#include <QIcon>
#include <QPixmap>

namespace zesty {

namespace {

QIcon swatch_of(Rgb colour) {
    QPixmap out(14, 14);
    out.fill(QColor(colour.r, colour.g, colour.b));
    return {out};
}

} // namespace

PaperBox::PaperBox(const QString& name, QWidget* parent) : ChoiceBox<PaperPick>(name, parent) {
    setToolTip(name);
    setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
}

void PaperBox::fill(const Shared<Stash>& stash, const QString& none, bool sides) {
    offer({{none, PaperPick{}}});
    if (!stash) return;
    for (const Paper& paper : stash->papers) {
        offer(words(paper.name), {paper.id, Side::A}, swatch_of(paper.colour));
        if (sides && paper.has(Side::B))
            offer(words(paper.name) + ", side B", {paper.id, Side::B}, swatch_of(paper.face(Side::B).colour));
    }
}

void PaperBox::show_paper(const Shared<Stash>& stash, const QString& none, const std::string& now) {
    fill(stash, none, false);
    show_value({now, Side::A});
}

void PaperBox::show_side(const Shared<Stash>& stash, const QString& none, const PaperPick& now) {
    fill(stash, none, true);
    show_value(now);
}

} // namespace zesty
