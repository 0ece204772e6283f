#include "app/papers/paper_stock.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/geometry/measure.h"
#include "core/sheets/leftover.h"
#include "core/stash/new_paper.h"

#include <QGridLayout>
#include <QScrollArea>
#include <QSpinBox>

namespace zesty {

namespace {
constexpr int rows_on_show = 4;
constexpr int row_height = 30;
} // namespace

PaperStock::PaperStock(QWidget* parent) : QWidget(parent) {
    setObjectName("stock");
    column_ = new QVBoxLayout(this);
    column_->setContentsMargins(0, 0, 0, 0);
    column_->setSpacing(6);
    auto* area = new QScrollArea(this);
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    rows_ = new QWidget;
    area->setWidget(rows_);
    column_->addWidget(area);
    build_more();
    build_trim();
}

void PaperStock::build_more() {
    auto* row = new QHBoxLayout;
    auto* more = new ChoiceBox<int>("Add a sheet", {{"Add a sheet...", -1}}, this);
    for (std::size_t i = 0; i < usual_sheets().size(); ++i)
        more->offer(QString("%1 in").arg(usual_sheets()[i].name), static_cast<int>(i));
    more->on_choice(this, [this, more](const int size) {
        more->show_value(-1);
        if (size < 0) return;
        const UsualSheet& s = usual_sheets()[static_cast<std::size_t>(size)];
        add({{ring_of(Box{0, 0, s.width, s.height}), {}}, 1, false});
    });
    row->addWidget(more, 1);
    const auto button = [&](const QString& text, const QString& says, auto slot) {
        auto* b = new QPushButton(text, this);
        b->setToolTip(says);
        connect(b, &QPushButton::clicked, this, slot);
        row->addWidget(b);
        return b;
    };
    button("Trimmed...", "A strip or an L: type what has been cut off a sheet", [this] {
        trim_->setVisible(!trim_->isVisible());
    })->setObjectName("trimmed");
    button("Scan...",
           "A scrap, measured from a picture of it beside a square of 1 in on a ground of another colour",
           &PaperStock::ask_scrap);
    column_->addLayout(row);
}

void PaperStock::build_trim() {
    trim_ = new QWidget(this);
    auto* grid = new QGridLayout(trim_);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(4);
    trimmed_of_ = new ChoiceBox<int>("Trimmed from a sheet of", trim_);
    for (std::size_t i = 0; i < usual_sheets().size(); ++i)
        trimmed_of_->offer(QString("off %1").arg(usual_sheets()[i].name), static_cast<int>(i));
    grid->addWidget(trimmed_of_, 0, 0, 1, 2);
    constexpr std::array names{"left", "top", "right", "bottom", "L: width", "L: height"};
    constexpr double most = 3000; // mm
    for (std::size_t i = 0; i < names.size(); ++i) {
        off_[i] = new LengthEdit(i < 4 ? QString("Cut off at the %1").arg(names[i])
                                       : QString("Missing corner of an L, %1").arg(names[i] + 3),
                                 0, most, trim_);
        off_[i]->setPlaceholderText(names[i]);
        off_[i]->setToolTip(off_[i]->accessibleName());
        connect(off_[i], &LengthEdit::length_entered, this, [this, i](double mm) { off_mm_[i] = mm; });
        const int at = static_cast<int>(i) + 2;
        grid->addWidget(off_[i], at / 4, at % 4);
    }
    auto* add = new QPushButton("Add it", trim_);
    add->setObjectName("add-trimmed");
    connect(add, &QPushButton::clicked, this, &PaperStock::add_trimmed);
    grid->addWidget(add, 2, 0);
    says_ = new QLabel(trim_);
    says_->setProperty("quiet", true);
    grid->addWidget(says_, 2, 1, 1, 3);
    column_->addWidget(trim_);
    trim_->hide();
}

void PaperStock::add(const SheetStock& sheet) {
    Paper paper;
    paper.sheets = sheets_;
    change_count(paper, sheet, sheet.count);
    emit changed(sheet.irregular ? "Add a scrap" : "Add a sheet", paper.sheets);
}

void PaperStock::add_trimmed() {
    const UsualSheet& s = usual_sheets()[static_cast<std::size_t>(trimmed_of_->value())];
    const auto left = trimmed_sheet({s.width, s.height}, {off_mm_[0], off_mm_[1], off_mm_[2], off_mm_[3]},
                                    {off_mm_[4], off_mm_[5]});
    if (!left) {
        says_->setText("Nothing of the sheet would be left.");
        return;
    }
    says_->clear();
    for (std::size_t i = 0; i < off_.size(); ++i) {
        off_[i]->clear();
        off_mm_[i] = 0;
    }
    add({*left, 1, true});
}

void PaperStock::show_sheets(const std::vector<SheetStock>& sheets, Units units) {
    if (sheets == sheets_ && units == units_ && rows_->layout()) return;
    sheets_ = sheets;
    units_ = units;
    rebuild_rows();
}

void PaperStock::rebuild_rows() {
    delete rows_->layout();
    qDeleteAll(rows_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    auto* grid = new QGridLayout(rows_);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(2);
    for (std::size_t i = 0; i < sheets_.size(); ++i) {
        const SheetStock& s = sheets_[i];
        const QString size = words(size_of_sheet(s.outline, units_));
        auto* count = new QSpinBox(rows_);
        count->setRange(0, 999);
        count->setValue(s.count);
        count->setAccessibleName("How many of " + size);
        connect(count, &QSpinBox::valueChanged, this, [this, i](int n) {
            if (i >= sheets_.size()) return;
            sheets_[i].count = n; // the row stays while it is worked in
            emit changed("How many sheets", sheets_);
        });
        grid->addWidget(new QLabel(size + (s.irregular ? ", a scrap" : ""), rows_), static_cast<int>(i), 0);
        grid->addWidget(count, static_cast<int>(i), 1, Qt::AlignRight);
    }
    grid->setRowStretch(static_cast<int>(sheets_.size()), 1);
    const int shown = std::min(rows_on_show, static_cast<int>(sheets_.size()));
    rows_->parentWidget()->parentWidget()->setFixedHeight(std::max(1, shown * theme::px(row_height)));
}

} // namespace zesty
