#pragma once
// Set out: page and frame, cuts, photos, and what every size would do. One part at a time.

#include "app/bench/panel_part.h"
#include "app/bench/worker.h"

class QMenu;

#include <functional>

namespace zesty {

class CutsPart;
class PhotosPart;

class SetOutPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { Page, Cuts, Photos, Sizes };
    SetOutPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                QWidget* parent = nullptr);

    PhotosPart& photos() { return *photos_; }
    double square() const; ///< side of the square beside scans, mm
    void ask_size(int cut_id);

signals:
    void say(const QString& message);

private:
    void fill_pieces(QMenu* menu);
    void show_pieces(QMenu* menu, int pieces, const QStringList& layers);
    void add_pieces(QMenu* menu, const PlacedCut& cut, int pieces);
    void add_layers(QMenu* menu, const PlacedCut& cut, const QStringList& layers);
    void swap_paper();
    /// Changes the cut in hand.
    void change_cut(const QString& intention, const std::function<void(Project&, PlacedCut&)>& apply);

    Document& document_;
    BenchState& state_;
    Worker& worker_;
    PhotosPart* photos_;
    CutsPart* cuts_;
};

} // namespace zesty
