#pragma once
// Photos on the page, the prints to order, and photos that must fit an opening.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "core/setout/photo_fit.h"

class QCheckBox;
class QSpinBox;

namespace zesty {

class Worker;
class PhotosPart : public PanelPart {
    Q_OBJECT
public:
    PhotosPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    /// Puts a photo of the size chosen on the page and takes it in hand.
    void add_photo();
    /// Gives the photo in hand the largest size that its opening has room for, with the place and tilt for
    /// it.
    void fit_photo();
    /// Gives it the size, place and tilt with which it just covers the opening from behind.
    void cover_opening();
    /// All photos into the openings that are selected, or into the best of all.
    void put_into_openings();
    void put_into_openings_by(std::shared_ptr<const Plan> plan);

private:
    void build_adding();
    void build_photo();
    void add_grid();
    LengthEdit* place(const char* name, double Point::*way);
    void build_fit();
    void build_tilt();
    void build_protected();
    QPushButton* marking(PageTools::Tool tool, const char* tip);
    void refresh() override;
    void ask_for_fit();
    int opening_under(const Photo& photo) const;
    void take_fit(const QString& intention, const PhotoFit& fit, bool behind);
    QString fit_in_words(const PhotoFit& fit, const PhotoFit& at_any_tilt) const;
    /// Changes the photo in hand.
    template <class Change> void change(const QString& intention, Change apply) {
        document_.change(intention, [&](Project& p) {
            if (const int i = state_.in_hand().photo(p); i >= 0)
                apply(p.set_out.photos[static_cast<std::size_t>(i)]);
        });
    }

    Worker& worker_;
    ChoiceBox<const PhotoSize*>* sizes_;
    QSpinBox* columns_;
    QSpinBox* rows_;
    QSpinBox* free_;
    QLabel* grid_says_;
    QLabel* into_says_;
    QLabel* which_;
    LengthEdit* width_;
    LengthEdit* height_;
    QCheckBox* round_;
    QLineEdit* name_;
    QLineEdit* turn_;
    ChoiceRow<bool>* lies_;
    QLabel* fit_says_;
    QPushButton* fit_;
    QPushButton* cover_;
    QSpinBox* tilt_;
    LengthEdit* overlap_;
    LengthEdit* x_;
    LengthEdit* y_;
    QPushButton* size_cut_;
    QPushButton* face_;
    QPushButton* mark_;
    QPushButton* nothing_kept_;
    QPushButton* mark_to_hide_;
    QPushButton* nothing_hidden_;
    QCheckBox* punched_;
    QLabel* prints_;
    /// What was last asked: the answer depends on nothing else.
    struct FitQuestion {
        int opening;
        Polygon outline; ///< on the page
        double width;
        double height;
        bool round;
        std::vector<double> punches; ///< sizes a round photo comes in; empty for any
        double most_tilt_deg;
        double overlap;
        Units units;
        bool operator==(const FitQuestion&) const = default;
    };
    std::optional<FitQuestion> question_;
    int fit_opening_ = -1;
    std::optional<PhotoFit> fit_found_;
    std::optional<PhotoFit> covering_;
    std::optional<PhotoFit> growth_;
    quint64 asked_ = 0;
};

} // namespace zesty
