#pragma once
// What the four panels of the side bench share: a title and rows of facts.

#include "app/bench/actions.h"
#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/theme.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <QWidget>

namespace zesty {

/// Wider with larger letters, so that what fits beside each other still does.
inline int side_bench_width() {
    return theme::px(344);
}
inline int panel_width() {
    return side_bench_width() - 32;
}

/// A label of several lines that insists on the height its words need at the width of the side bench.
class WrappedLabel : public QLabel {
    Q_OBJECT
public:
    explicit WrappedLabel(QWidget* parent = nullptr);
    QSize sizeHint() const override { return {panel_width(), heightForWidth(panel_width())}; }
    QSize minimumSizeHint() const override { return {0, heightForWidth(panel_width())}; }
};

class Panel : public QWidget {
    Q_OBJECT
public:
    Panel(const QString& question, Document& document, BenchState& state, Actions& actions, QWidget* parent);

protected:
    /// Shows what the document and the plan say now. Only called while the panel is on show.
    virtual void refresh() = 0;
    /// To be connected to whatever changes the panel.
    void refresh_if_shown();
    void showEvent(QShowEvent* event) override;

    /// A row of widgets with a quiet name before them.
    QHBoxLayout* row(const QString& name);
    /// The same as a widget, to be shown only where it says something.
    QWidget* row_of_its_own(const QString& name, QHBoxLayout*& row);
    /// A quiet line under the last row.
    QLabel* line(const QString& name = {});
    /// A button for an action: same words and key, own short text.
    QPushButton* button(Act act, const QString& text, bool primary = false);

    Document& document_;
    BenchState& state_;
    Actions& actions_;
    QVBoxLayout* column_;
};

/// A few exclusive choices side by side; in rows of three or four where there are more than five.
class Segments : public QWidget {
    Q_OBJECT
public:
    Segments(const QString& name, const QStringList& choices, QWidget* parent = nullptr);
    void show_choice(int index); ///< -1 for none; emits nothing
    int choice() const;          ///< -1 for none

signals:
    void chosen(int index);

private:
    std::vector<QPushButton*> buttons_;
};

} // namespace zesty
