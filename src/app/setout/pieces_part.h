#pragma once
// The pieces and layers of the cut in hand: picked on the page or in a list of pictures, then left out, taken
// alone or made a cut of their own; and what else becomes of them.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/page/page_map.h"

#include <QImage>
#include <set>

class QCheckBox;
class QListWidget;
class QPainter;

namespace zesty {

class Worker;
class PiecesPart : public PanelPart {
    Q_OBJECT
public:
    PiecesPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

    /// A click on the page: picks what is there, or lets go of it.
    void pick_at(Point on_page);
    /// Picks one of the list, or lets go of it.
    void pick(int row);
    /// Rims of what is picked.
    void paint(QPainter& painter, const PageMap& map) const;

signals:
    void say(const QString& message);

private:
    enum class What { Pieces, Layers };
    void build_picking();
    void build_what_becomes();
    void build_rest();
    void refresh() override;
    void ask();
    void show_pictures(const std::vector<QImage>& pictures);
    void take_rows();
    void tell();
    void leave_out(bool picked);
    void use_again();
    void part_off();
    void swap_paper();
    void change_cut(const QString& intention, const std::function<void(PlacedCut&)>& apply);
    /// Into Pickable, of what is picked.
    std::vector<std::string> picked_layers() const;

    Worker& worker_;
    ChoiceRow<What>* what_;
    QListWidget* list_;
    QLabel* says_;
    QPushButton* leave_out_;
    QPushButton* only_;
    QPushButton* again_;
    QPushButton* part_off_;
    QCheckBox* from_paper_;
    QCheckBox* above_photos_;
    LengthEdit* shadow_;
    QPushButton* add_shadow_;
    QPushButton* swap_;
    QPushButton* split_;

    /// What was last asked for: a drawing, its layers in use, pieces or layers.
    struct Asked {
        const void* drawing = nullptr;
        std::vector<std::string> layers;
        std::vector<int> left_out;
        int cut = -1; ///< id
        What what = What::Pieces;
        bool operator==(const Asked&) const = default;
    };
    std::optional<Asked> asked_;
    quint64 number_ = 0;
    std::optional<Pickable> all_;
    std::set<int> picked_;
};

} // namespace zesty
