#pragma once
// Parts of a panel that take turns: only the one chosen is on show.

#include "app/bench/panel.h"

namespace zesty {

/// A panel without a question of its own, inside another.
class PanelPart : public Panel {
    Q_OBJECT
public:
    PanelPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
        : Panel({}, document, state, actions, parent) {
        column_->setContentsMargins(0, 0, 0, 0);
    }
};

/// Gives the widget and all it lies in the room they want at once, not some events later: what has just been
/// brought up is not to be seen squeezed.
void lay_out_now(QWidget* widget);

/// The question, the choice of parts, and the part chosen.
class PanelOfParts : public QWidget {
    Q_OBJECT
public:
    PanelOfParts(const QString& question, const QStringList& names, QWidget* parent);
    void add(PanelPart* part); ///< in the order of the names
    void choose(int part);
    int chosen() const { return chosen_; }

signals:
    void part_chosen(int part);

private:
    QVBoxLayout* column_;
    Segments* names_;
    std::vector<PanelPart*> parts_;
    int chosen_ = 0;
};

} // namespace zesty
