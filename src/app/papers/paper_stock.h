#pragma once
// How many sheets of each size there are of a paper, up and down; more of the usual sizes, trimmed strips and
// Ls by what has been cut off, and scraps from a scan.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "core/stash/stock.h"

#include <QWidget>
#include <array>

class QVBoxLayout;

namespace zesty {

class PaperStock : public QWidget {
    Q_OBJECT
public:
    explicit PaperStock(QWidget* parent = nullptr);
    void show_sheets(const std::vector<SheetStock>& sheets, Units units);

signals:
    void changed(const QString& intention, const std::vector<zesty::SheetStock>& sheets);
    void ask_scrap();

private:
    void build_more();
    void build_trim();
    void rebuild_rows();
    void add(const SheetStock& sheet);
    void add_trimmed();

    std::vector<SheetStock> sheets_;
    Units units_ = Units::Inches;
    QVBoxLayout* column_;
    QWidget* rows_;
    QWidget* trim_;
    ChoiceBox<int>* trimmed_of_; ///< into usual_sheets()
    std::array<LengthEdit*, 6> off_;
    std::array<double, 6> off_mm_{}; ///< left, top, right, bottom, and an L's missing corner
    QLabel* says_;
};

} // namespace zesty
