#include "app/dress/variants_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/variants.h"
#include "core/sentences.h"
#include "io/paint/page_painter.h"

#include <QHBoxLayout>

namespace zesty {

namespace {
constexpr int picture_side = 84;
constexpr int row_height = 94;
constexpr int rows_shown = 3;
} // namespace

VariantsPart::VariantsPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                           QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    auto* r = row(QString());
    name_ = new QLineEdit(this);
    name_->setObjectName("variant-name");
    name_->setAccessibleName("Name of the arrangement to put aside");
    name_->setMaxLength(60);
    connect(name_, &QLineEdit::returnPressed, this, &VariantsPart::put_aside);
    r->addWidget(name_, 1);
    r->addWidget(button(Act::PutAside, "Put aside", true));
    list_ = new QListWidget(this);
    list_->setObjectName("variants");
    list_->setAccessibleName("Arrangements that are put aside");
    list_->setIconSize({picture_side, picture_side});
    list_->setWordWrap(true);
    list_->setFixedHeight(rows_shown * theme::px(row_height) + 6);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(list_, &QListWidget::currentRowChanged, this, [this] {
        back_->setEnabled(chosen() >= 0);
        remove_->setEnabled(chosen() >= 0);
    });
    column_->addWidget(list_);
    r = row(QString());
    back_ = button(Act::BringBack, "Bring back");
    r->addWidget(back_);
    r->addWidget(button(Act::CompareVariants, "Compare"));
    remove_ = push("Remove", "Removes the arrangement chosen in the list", [this] {
        const int i = chosen();
        document_.change("Remove an arrangement", [&](Project& p) {
            if (i >= 0 && i < static_cast<int>(p.variants.size())) p.variants.erase(p.variants.begin() + i);
        });
    });
    remove_->setAccessibleName("Remove the arrangement");
    r->addWidget(remove_);
    r->addStretch(1);
    says_ = line("variants-says");
    connect(&document, &Document::project_changed, this, [this] {
        *stop_ = true; // what is compared is not to keep the plan of a new edit waiting
        refresh_if_shown();
    });
}

VariantsPart::~VariantsPart() {
    *stop_ = true;
}

int VariantsPart::chosen() const {
    const int i = list_->currentRow();
    return i >= 0 && i < static_cast<int>(document_.project().variants.size()) ? i : -1;
}

void VariantsPart::put_aside() {
    const std::string typed = name_->text().trimmed().toStdString();
    const std::string name = typed.empty() ? name_for_variant(document_.project()) : typed;
    QString wrong;
    document_.change("Put the arrangement aside", [&](Project& p) {
        if (const auto r = keep_variant(p, name); !r) wrong = words(sentence(r.error().message));
    });
    if (!wrong.isEmpty()) {
        says_->setText(wrong);
        return;
    }
    name_->clear();
    refresh();
    list_->setCurrentRow(list_->count() - 1);
    compare();
}

void VariantsPart::bring_back() {
    const int i = chosen();
    if (i >= 0)
        document_.change("Bring an arrangement back",
                         [&](Project& p) { restore_variant(p, static_cast<std::size_t>(i)); });
}

void VariantsPart::compare() {
    *stop_ = true;
    stop_ = std::make_shared<std::atomic<bool>>(false);
    says_->setText("Working out what each arrangement takes.");
    worker_.think(this, [this, p = document_.project(), stop = stop_, number = ++asked_](Planner& planner) {
        const auto compared = compare_variants(p, planner, [stop] { return stop->load(); });
        QList<QImage> pictures;
        if (compared)
            for (const VariantFigures& f : *compared)
                pictures << page_picture(f.page->project, *f.page->plan, 2 * picture_side);
        return std::function<void()>([this, p, compared, pictures, number] {
            if (number != asked_) return;
            if (compared)
                show_figures(p, *compared, pictures);
            else if (compared.error().kind == ErrorKind::Stopped)
                says_->setText("The page has changed meanwhile; compare again when you like.");
            else
                says_->setText(words(sentence(compared.error().message)));
        });
    });
}

QString VariantsPart::says_of(const VariantFigures& f) const {
    QString out =
        counted(static_cast<std::size_t>(f.problems), "problem", "problems") +
        QString(", %1 advice\n%2 (%3 of them scraps)\n%4 of paper, %5 high")
            .arg(f.advice)
            .arg(counted(static_cast<std::size_t>(f.sheets), "sheet", "sheets"))
            .arg(f.scraps)
            .arg(words(format_area(f.paper_area, document_.project().units)), words(format_mm(f.highest)));
    if (!f.missing.empty()) out += "\n" + words(in_a_row(f.missing));
    return out;
}

void VariantsPart::show_figures(const Project& of, const std::vector<VariantFigures>& figures,
                                const QList<QImage>& pictures) {
    compared_ = of.variants;
    refresh();
    QString here;
    for (std::size_t k = 0; k < figures.size(); ++k) {
        if (k == 0) here = says_of(figures[k]).replace('\n', ", ");
        for (std::size_t i = 0; i < of.variants.size() && static_cast<int>(i) < list_->count(); ++i) {
            if (of.variants[i].name != figures[k].name) continue;
            QListWidgetItem* item = list_->item(static_cast<int>(i));
            item->setIcon(QIcon(QPixmap::fromImage(pictures[static_cast<int>(k)])));
            item->setText(words(figures[k].name) + "\n" + says_of(figures[k]));
        }
    }
    says_->setText(shown_variant(of) < 0 ? "The page as it is now: " + here + "."
                                         : QString("The page is the same as one of them."));
    lay_out_now(this);
}

void VariantsPart::refresh() {
    const Project& p = document_.project();
    name_->setPlaceholderText(words(name_for_variant(p)));
    const int now = list_->currentRow();
    const QSignalBlocker quiet(list_);
    if (compared_ != p.variants || list_->count() != static_cast<int>(p.variants.size())) {
        list_->clear();
        for (const Variant& v : p.variants) {
            auto* item = new QListWidgetItem(words(v.name), list_);
            item->setSizeHint({0, theme::px(row_height)});
        }
    }
    list_->setCurrentRow(std::min(std::max(now, 0), list_->count() - 1));
    back_->setEnabled(chosen() >= 0);
    remove_->setEnabled(chosen() >= 0);
    if (p.variants.empty())
        says_->setText(
            "Try several arrangements: put this one aside, move things, and put the next aside. Any of up "
            "to six comes back exactly as it was.");
    lay_out_now(this);
}

} // namespace zesty
