#pragma once
// One step at a time, large: what to do, its parts at their places, what it needs, what dries meanwhile.
// Space ticks it off, the arrows go to the others.

#include "app/build/build_desk.h"

#include <QLabel>
#include <QPushButton>
#include <QWidget>

class QGridLayout;
class QVBoxLayout;

namespace zesty {

/// The page with just the parts of the step on show.
class StepPicture : public QWidget {
    Q_OBJECT
public:
    StepPicture(BenchState& state, BuildDesk& desk, QWidget* parent);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    BenchState& state_;
    BuildDesk& desk_;
};

class StepView : public QWidget {
    Q_OBJECT
public:
    StepView(BenchState& state, BuildDesk& desk, Actions& actions, QWidget* parent);
    /// Everything half as large again, for reading at arm's length.
    void be_large(bool large);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    void build_words(QVBoxLayout* column);
    void build_buttons(QVBoxLayout* column);
    void refresh();
    void show_rows(const BuildStep& step);
    void show_meanwhile();
    void set_sizes();

    BuildDesk& desk_;
    Actions& actions_;
    bool large_ = false;
    QLabel* number_;
    QLabel* what_;
    QLabel* about_;
    QGridLayout* rows_;
    QWidget* rows_box_;
    std::vector<QLabel*> row_names_, row_words_;
    QLabel* meanwhile_;
    QPushButton* done_;
    QPushButton* start_;
    QPushButton* undone_;
    QPushButton* not_now_;
    QLabel* then_;
};

} // namespace zesty
