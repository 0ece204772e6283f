#pragma once
// The title: its words, what it stands on, and how it comes out in the letters there are.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"

class QLineEdit;

namespace zesty {

class TitlePart : public PanelPart {
    Q_OBJECT
public:
    TitlePart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    /// Into the title's room where there is one without words, otherwise near the top of the page.
    void add();
    int chosen() const;
    void choose(int title);

signals:
    void chosen_changed();

private:
    void build_words();
    void build_path();
    void build_more();
    void refresh() override;
    void show_title(const PageTitle& title, bool any);
    void show_sets(int title);
    void change(const QString& intention, const std::function<void(PageTitle&)>& apply, int drag = 0);
    void take_edge(TitleOn on);
    QString figures(const TitleFacts& facts) const;

    Rows* titles_;
    QPushButton* remove_;
    QLineEdit* text_;
    Rows* sets_;
    std::vector<std::string> set_ids_; ///< by row
    bool showing_ = false;
    ChoiceBox<TitleOn>* on_;
    QWidget* line_row_;
    QWidget* circle_row_;
    QWidget* edge_row_;
    LengthEdit* length_;
    QSpinBox* turn_;
    LengthEdit* radius_;
    QSpinBox* from_;
    QSpinBox* sweep_;
    LengthEdit* edge_length_;
    QSpinBox* start_;
    LengthEdit* offset_;
    LengthEdit* spacing_;
    LengthEdit* height_;
    QCheckBox* block_;
    QCheckBox* label_;
    QLabel* says_;
    int typing_ = 0;
};

} // namespace zesty
