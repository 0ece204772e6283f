#pragma once
// Arrangements of the whole page that are put aside, with their pictures and what they come to.

#include "app/bench/panel_part.h"

#include <QLineEdit>
#include <QListWidget>
#include <atomic>
#include <memory>

namespace zesty {

class Worker;

struct VariantFigures;

class VariantsPart : public PanelPart {
    Q_OBJECT
public:
    VariantsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);
    ~VariantsPart() override;
    void put_aside();
    void bring_back();
    void compare();

private:
    void refresh() override;
    /// Pictures and figures of what is kept, worked out while the hands go on.
    void show_figures(const Project& of, const std::vector<VariantFigures>& figures,
                      const QList<QImage>& pictures);
    int chosen() const; ///< into Project::variants; -1 for none
    QString says_of(const VariantFigures& figures) const;

    Worker& worker_;
    QLineEdit* name_;
    QListWidget* list_;
    QPushButton* back_;
    QPushButton* remove_;
    QLabel* says_;
    int asked_ = 0;
    std::shared_ptr<std::atomic<bool>> stop_ = std::make_shared<std::atomic<bool>>(false);
    std::vector<Variant> compared_; ///< what the pictures are of
};

} // namespace zesty
