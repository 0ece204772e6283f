#pragma once
// The papers at hand, as swatches with a gauge of what is left. Drag a swatch to an opening, or pick it and
// press Return; the arrow keys go from swatch to swatch.

#include "app/bench/actions.h"
#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "app/bench/swatch.h"

#include <QWidget>

class QLabel;
class QScrollArea;
class QHBoxLayout;
class QVBoxLayout;
class QPushButton;

namespace zesty {

class AddPaperLine;
class DrawerFilter;

class Drawer : public QWidget {
    Q_OBJECT
public:
    /// `stash_name`: of another stash than the user's own, else empty.
    Drawer(Document& document, BenchState& state, Actions& actions, const QString& stash_name,
           QWidget* parent = nullptr);
    Swatch* swatch(int paper) const; ///< null while it is not on show
    void look_for();
    void add_papers(); ///< opens the line for them
    bool adds_papers() const;
    void stop_adding();
    void add_starter();
    /// One line of small swatches, so that the page has the room.
    void fold(bool folded);
    bool folded() const { return folded_; }
    AddPaperLine& adding() const { return *adding_; }

signals:
    void give_picked();
    void fold_asked(bool folded);
    void dropped(const QStringList& paths); ///< pictures, folders and lists of papers

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    void refresh();
    void build_head(QHBoxLayout* head);
    void show_title(std::size_t on_show);

    Document& document_;
    BenchState& state_;
    Actions& actions_;
    QString stash_name_;
    QLabel* title_;
    QScrollArea* scroll_;
    QWidget* row_ = nullptr;
    void rebuild(const std::vector<int>& papers);
    QWidget* card_for_more();
    void offer_first_steps(QHBoxLayout* row);
    std::vector<int> papers_to_show() const;

    const std::vector<Region>& left_of_each() const;

    void apply_fold();

    bool wants_fold_ = false;
    bool folded_ = false;
    QHBoxLayout* head_;
    QVBoxLayout* column_;
    QPushButton* add_;
    QPushButton* stash_;
    QPushButton* fold_;
    AddPaperLine* adding_;
    DrawerFilter* filter_;
    std::vector<Swatch*> swatches_; ///< as they stand in the row
    std::shared_ptr<const Stash> shown_;
    std::vector<int> order_;           ///< papers on show
    mutable std::vector<Region> left_; ///< by paper, of left_by_
    mutable const Plan* left_by_ = nullptr;
};

} // namespace zesty
