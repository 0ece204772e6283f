#include "app/setout/numbers_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "io/own_numbers_file.h"

#include <QDoubleSpinBox>
#include <QGridLayout>

namespace zesty {

NumbersPart::NumbersPart(Document& document, BenchState& state, Actions& actions, const Settings& settings,
                         NumbersAbout about, QWidget* parent)
    : PanelPart(document, state, actions, parent), settings_(settings), about_(about) {
    build_fields();
    build_remember();
    connect(&document, &Document::project_changed, this, &NumbersPart::refresh_if_shown);
}

void NumbersPart::change(const OwnNumberRow& row, double value) {
    document_.change(QString("Own number: %1").arg(row.words), [&](Project& p) {
        OwnNumbers own = own_numbers_of(p);
        row.of(own) = value;
        begin_with(own, p);
    });
}

QWidget* NumbersPart::field_for(const OwnNumberRow& row) {
    const QString name = QString("%1: %2").arg(row.group, row.words);
    if (row.kind == NumberKind::Length) {
        auto* edit = new LengthEdit(name, row.limits.least, row.limits.most, this);
        connect(edit, &LengthEdit::length_entered, this, [this, &row](double mm) { change(row, mm); });
        fields_.push_back({&row, edit, nullptr});
        return edit;
    }
    auto* box = new QDoubleSpinBox(this);
    box->setAccessibleName(name);
    box->setRange(row.limits.least, row.limits.most);
    box->setDecimals(row.kind == NumberKind::Minutes ? 2 : 1);
    box->setSuffix(row.kind == NumberKind::Speed ? " mm/s" : row.kind == NumberKind::Seconds ? " s" : " min");
    box->setKeyboardTracking(false);
    connect(box, &QDoubleSpinBox::valueChanged, this, [this, &row](double value) { change(row, value); });
    fields_.push_back({&row, nullptr, box});
    return box;
}

void NumbersPart::build_fields() {
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(3);
    grid->setColumnStretch(0, 1);
    column_->addLayout(grid);
    QString group;
    int at = 0;
    for (const OwnNumberRow& row : own_number_rows()) {
        if (row.about != about_) continue;
        if (group != row.group) {
            group = row.group;
            auto* head = new QLabel(group, this);
            head->setProperty("strong", true);
            grid->addWidget(head, at++, 0, 1, 2);
        }
        auto* name = new QLabel(row.words, this);
        name->setProperty("quiet", true);
        grid->addWidget(name, at, 0);
        QWidget* field = field_for(row);
        field->setFixedWidth(theme::px(104));
        grid->addWidget(field, at++, 1);
    }
}

void NumbersPart::build_remember() {
    auto* r = row(QString());
    auto* remember = new QPushButton("Use for new pages", this);
    remember->setToolTip(
        "New pages begin with these numbers, the cutting mat, lip, punches and backing of this page");
    connect(remember, &QPushButton::clicked, this, [this] {
        const auto kept = write_own_numbers(own_numbers_of(document_.project()), settings_.numbers_file());
        says_->setText(kept ? QString("New pages begin with the numbers of this page.")
                            : words(kept.error().message) + ".");
    });
    r->addWidget(remember);
    auto* usual = new QPushButton("Usual numbers", this);
    usual->setToolTip("This page goes by the usual numbers again");
    connect(usual, &QPushButton::clicked, this, [this] {
        document_.change("Usual numbers", [this](Project& p) {
            OwnNumbers own = own_numbers_of(p);
            OwnNumbers plain;
            for (const OwnNumberRow& row : own_number_rows())
                if (row.about == about_) row.of(own) = row.of(plain);
            begin_with(own, p);
        });
    });
    r->addWidget(usual);
    r->addStretch(1);
    says_ = line("numbers");
    says_->setText("The maker's word on a blade, glue or tape comes before any of these.");
}

void NumbersPart::refresh() {
    OwnNumbers own = own_numbers_of(document_.project());
    for (const Field& f : fields_) {
        const double value = f.row->of(own);
        if (f.length) {
            f.length->show_length(value, document_.project().units);
        } else {
            const QSignalBlocker quiet(f.number);
            f.number->setValue(value);
        }
    }
}

} // namespace zesty
