#pragma once
// The paper picked in the drawer: what is known of it and what it is wanted for; new papers and scraps.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"

class QCheckBox;
class QLineEdit;
class QSpinBox;

namespace zesty {

class Worker;
class PaletteStrip;
class PaperStock;

class PaperPart : public PanelPart {
    Q_OBJECT
public:
    PaperPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    /// Puts a paper that has been read among the others, or gives its picture to the picked one's side.
    void take_picture(const Stash& read);
    void take_scrap(const Polygon& outline);
    /// What the next picture read is for.
    enum class PictureFor { NewPaper, SideA, SideB };
    void expect(PictureFor what) { expected_ = what; }
    bool crops() const; ///< pictures show the sheet on a ground

signals:
    void ask_picture(zesty::PaperPart::PictureFor what);
    void ask_scrap();

private:
    void refresh() override;
    void build_facts();
    void build_pattern();
    void build_look();
    void build_wishes();
    void build_place();
    void build_stock();
    void build_files();
    const Paper* picked() const;
    void change(const QString& intention, const std::function<void(Paper&)>& apply);
    void change_face(const QString& intention, const std::function<void(PaperFace&)>& apply);

    Worker& worker_;
    PictureFor expected_ = PictureFor::NewPaper;
    QLineEdit* name_;
    ChoiceRow<Side>* side_;
    ChoiceBox<Pattern>* pattern_;
    ChoiceBox<Direction>* direction_;
    LengthEdit* repeat_;
    LengthEdit* strip_;
    ChoiceBox<std::optional<PaperRole>>* role_;
    ChoiceBox<std::string>* apart_;
    QLineEdit* kept_in_;
    QLineEdit* notes_;
    PaperStock* stock_;
    PaletteStrip* palette_;
    QSpinBox* angle_;
    QSpinBox* weight_;
    ChoiceBox<std::optional<Finish>>* finish_;
    ChoiceBox<std::string>* same_;
    QCheckBox* use_up_;
    QPushButton* side_b_;
    QPushButton* gone_;
    QPushButton* fussy_;
    QCheckBox* crop_;
    QWidget* facts_;
    QLabel* none_;
    QLabel* readable_;
};

} // namespace zesty
