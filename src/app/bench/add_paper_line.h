#pragma once
// Papers entered in a line: name, colour in words or picked, kind, and how many of each size. Return adds
// one, and the line is ready for another like it: kind and sizes stay.

#include "app/bench/choices.h"
#include "core/stash/new_paper.h"

#include <QWidget>

class QLabel;
class QLineEdit;
class QSpinBox;

namespace zesty {

class AddPaperLine : public QWidget {
    Q_OBJECT
public:
    explicit AddPaperLine(QWidget* parent = nullptr);
    void start(); ///< shows it, ready to type

signals:
    void add(const zesty::NewPaper& paper);
    void starter();

private:
    QWidget* what();
    QWidget* sizes();
    void take();
    void show_colour();
    void pick_colour();
    void say(const QString& text, bool wrong);

    QLineEdit* name_;
    QLineEdit* colour_;
    QPushButton* swatch_;
    ChoiceBox<Pattern>* kind_;
    std::vector<QSpinBox*> counts_; ///< by usual_sheets()
    QLabel* says_;
};

} // namespace zesty
