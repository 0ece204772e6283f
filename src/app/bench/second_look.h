#pragma once
// The findings as index cards, most serious first; many of a kind fold into one. A click goes to the place,
// the button applies the fix.

#include "app/bench/bench_state.h"

#include <QWidget>
#include <set>

class QLabel;
class QPushButton;
class QVBoxLayout;
class QScrollArea;

namespace zesty {

class SecondLook : public QWidget {
    Q_OBJECT
public:
    explicit SecondLook(BenchState& state, QWidget* parent = nullptr);
    /// All cards are there that will be.
    bool up_to_date() const;

signals:
    void go_to(const zesty::Finding& finding);
    void apply(const zesty::Fix& fix);
    void meant_so(const zesty::Finding& finding);
    void ask_again();

private:
    void refresh();
    void add_cards(int how_many);
    void build();
    QWidget* card_for(std::size_t item, QWidget* list);

    /// One card: a finding, or what folds several of a kind.
    struct Item {
        std::size_t finding = 0; ///< into shown_
        std::size_t folded = 0;  ///< how many more of its kind it stands for; 0 for the finding itself
    };
    void order_cards();

    BenchState& state_;
    QLabel* count_;
    QPushButton* again_;
    QScrollArea* scroll_;
    QVBoxLayout* cards_ = nullptr; ///< of the list on show
    std::vector<Finding> shown_;
    std::vector<Item> items_;
    std::set<Code> opened_; ///< kinds of which all are on show
    std::size_t shown_aside_ = 0;
    std::size_t made_ = 0; ///< cards so far
    bool any_shown_ = false;
};

} // namespace zesty
