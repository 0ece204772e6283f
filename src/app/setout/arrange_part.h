#pragma once
// Arrangements of photos and rooms, as pictures: choosing one puts it on the page.

#include "app/bench/panel_part.h"
#include "core/project/arranged.h"

#include <QImage>

class QCheckBox;
class QListWidget;
class QSpinBox;

namespace zesty {

class Worker;
class ArrangePart : public PanelPart {
    Q_OBJECT
public:
    ArrangePart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    void ask();
    void ask_of(std::shared_ptr<const Plan> plan);

private:
    void refresh() override;
    void show(const ArrangedPages& pages, const std::vector<QImage>& pictures);
    void put_on_page(int row);
    /// The row whose page is the one there is now; -1 for none.
    int row_of_now() const;

    Worker& worker_;
    QSpinBox* may_cover_;
    QCheckBox* cuts_move_;
    QListWidget* list_;
    QLabel* says_;
    std::vector<Project> pages_; ///< the first is the page as it was
    int drag_ = 0;               ///< looking through them is one undo step
    quint64 asked_ = 0;
};

} // namespace zesty
