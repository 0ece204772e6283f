#pragma once
// Proposals: how colours are spread, and what to do with the proposal on show.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"

class QProgressBar;
class QSlider;

namespace zesty {

class ProposePart : public PanelPart {
    Q_OBJECT
public:
    ProposePart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

    void show_progress(double fraction, const QString& what);
    void show_proposing(bool on);
    std::optional<Mood> mood() const { return mood_->value(); } ///< what is asked for, or one of each

signals:
    void more_like_shown();

private:
    void refresh() override;
    void build_style();
    void build_zones();
    void build_offer();
    void show_zones();
    void show_offer();

    QPushButton* propose_;
    ChoiceBox<std::optional<Mood>>* mood_;
    QProgressBar* bar_;
    QLabel* doing_;
    QSlider* drift_;
    ChoiceBox<double>* light_;
    ChoiceBox<ToneMap>* map_;
    QWidget* zones_;
    int slide_number_ = 0;
    QWidget* offer_;
    QLabel* offer_text_;
    QPushButton* look_;
    QPushButton* for_selection_;
    QSlider* compare_;
    ChoiceBox<int>* with_;
    QLabel* hint_;
    bool proposing_ = false;
};

} // namespace zesty
