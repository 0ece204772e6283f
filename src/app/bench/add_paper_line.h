#pragma once
// Papers entered in a line: name, colour in words or picked, kind, and how many of each size; weight, finish
// and place for who wants to say them. Return adds one, and the line is ready for another like it: all but
// name and colour stays.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "core/stash/new_paper.h"

#include <QWidget>

class QHBoxLayout;
class QLabel;
class QLineEdit;
class QSpinBox;

namespace zesty {

class AddPaperLine : public QWidget {
    Q_OBJECT
public:
    explicit AddPaperLine(QWidget* parent = nullptr);
    void start(); ///< shows it, ready to type
    /// The colours of a picture, to choose one from.
    void offer_colours(const std::vector<PaletteColour>& palette);

signals:
    void add(const zesty::NewPaper& paper);
    void starter();
    void ask_picture(); ///< to pick a colour from

private:
    QWidget* what();
    QWidget* sizes();
    QWidget* more();
    QSpinBox* count_of_size(const QString& size, QHBoxLayout* row);
    void take();
    void show_colour();
    void pick_colour();
    void say(const QString& text, bool wrong);

    QLineEdit* name_;
    QLineEdit* colour_;
    QPushButton* swatch_;
    ChoiceBox<Pattern>* kind_;
    std::vector<QSpinBox*> counts_; ///< by usual_sheets()
    LengthEdit* width_;             ///< of any other size
    LengthEdit* height_;
    double other_width_ = 0; ///< mm
    double other_height_ = 0;
    QSpinBox* other_count_;
    QSpinBox* weight_;
    ChoiceBox<std::optional<Finish>>* finish_;
    QLineEdit* kept_in_;
    QLabel* says_;
};

} // namespace zesty
