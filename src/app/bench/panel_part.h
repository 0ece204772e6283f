#pragma once
// Parts of a panel that take turns: only the one chosen is on show.

#include "app/bench/length_edit.h"
#include "app/bench/panel.h"
#include "core/limits.h"

#include <functional>

class QCheckBox;
class QDoubleSpinBox;
class QSpinBox;

namespace zesty {

/// A panel without a question of its own, inside another.
class PanelPart : public Panel {
    Q_OBJECT
public:
    PanelPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
        : Panel({}, document, state, actions, parent) {
        column_->setContentsMargins(0, 0, 0, 0);
    }

protected:
    /// A field for a length with its name as tooltip; entered(mm) takes what was typed.
    LengthEdit* length_field(const char* name, Limits limits, std::function<void(double)> entered,
                             int width = 76);
    /// Millimetres to a hundredth, for what is too small for fractions of an inch.
    QDoubleSpinBox* fine_field(const char* name, Limits limits, std::function<void(double)> entered);
    /// A box to tick; ticked(on) takes it.
    QCheckBox* tick(const QString& words, const QString& tip, std::function<void(bool)> ticked);
    /// Degrees as whole numbers.
    QSpinBox* degree_field(const char* name, int least, int most, std::function<void(int)> entered);
    /// A button of this part alone.
    QPushButton* push(const QString& words, const QString& tip, std::function<void()> pushed);
    /// Quiet words between fields.
    QLabel* quiet(const QString& words);
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
