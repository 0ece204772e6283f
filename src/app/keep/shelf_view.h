#pragma once
// The shelf: pages in groups, looked for by words and colour, and below them where their paper went.

#include "app/bench/choices.h"
#include "app/keep/keep_desk.h"

#include <QTimer>
#include <QWidget>

class QLabel;
class QLineEdit;
class QScrollArea;

namespace zesty {

class PageCard;

class ShelfView : public QWidget {
    Q_OBJECT
public:
    ShelfView(BenchState& state, KeepDesk& desk, QWidget* parent);
    void look_for();

protected:
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void build_head(QLayout* column);
    void refresh();
    void rebuild();
    void mark();
    void add_group(const QString& name, const std::vector<int>& pages);
    void add_where();
    bool picked(const std::string& uid) const;
    PageCard* make_card(int page);
    void make_up_to(std::size_t count);
    void make_in_sight();
    void make_more();
    void show_picture(PageCard& card);
    void show_pictures();
    void show_first();
    void lay_out();
    int lay_out_cards(int columns, int y);
    void go(const PageCard* from, int key);

    KeepDesk& desk_;
    ChoiceRow<ShelfBy>* by_;
    QLineEdit* words_;
    ChoiceBox<std::optional<Rgb>>* colour_;
    QScrollArea* scroll_;
    QWidget* shelf_ = nullptr;
    struct Row {
        QLabel* name;
        std::vector<int> pages;
    };
    std::vector<Row> rows_;
    /// Where the cards of all rows stand, one row after another. Those in sight are made first, the others a
    /// few at a time.
    struct Place {
        int page; ///< of shown_records_
        QPoint at = {};
    };
    std::vector<Place> places_;
    std::vector<PageCard*> cards_; ///< made so far, as the places begin
    QTimer making_;
    std::vector<QWidget*> where_;
    std::vector<ShelfGroup> shown_;
    std::vector<PageRecord> shown_records_;
    QWidget* empty_ = nullptr;
    PageCard* first_ = nullptr; ///< the page on the bench, while nothing stands on the shelf
};

} // namespace zesty
