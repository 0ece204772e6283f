#include "app/bench/add_paper_line.h"

#include "app/bench/pick_colour.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/stash/colour_words.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPixmap>
#include <QSpinBox>

namespace zesty {

AddPaperLine::AddPaperLine(QWidget* parent) : QWidget(parent) {
    setObjectName("add-paper");
    setAccessibleName("Add papers");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    column->addWidget(what());
    column->addWidget(sizes());
    column->addWidget(more());
    hide();
}

QWidget* AddPaperLine::what() {
    auto* line = new QWidget(this);
    auto* row = new QHBoxLayout(line);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    name_ = new QLineEdit(line);
    name_->setObjectName("new-paper-name");
    name_->setAccessibleName("Name of the new paper");
    name_->setPlaceholderText("name, such as Ripe Barley");
    name_->setMaxLength(60);
    row->addWidget(name_, 3);
    colour_ = new QLineEdit(line);
    colour_->setObjectName("new-paper-colour");
    colour_->setAccessibleName("Colour of the new paper, in words or as #rrggbb");
    colour_->setPlaceholderText("colour, such as muted teal");
    row->addWidget(colour_, 2);
    swatch_ = new QPushButton(line);
    swatch_->setAccessibleName("Pick the colour");
    swatch_->setToolTip("Pick the colour");
    swatch_->setFixedSize(theme::px(42), theme::px(26));
    row->addWidget(swatch_);
    kind_ = new ChoiceBox<Pattern>("Kind of pattern of the new paper", every<Pattern>(), line);
    row->addWidget(kind_);
    auto* add = new QPushButton("Add paper", line);
    add->setObjectName("new-paper-add");
    add->setProperty("primary", true);
    add->setToolTip("Adds the paper; kind and sizes stay filled in for the next one (Return)");
    row->addWidget(add);
    auto* all = new QPushButton("24 plain colours", line);
    all->setObjectName("starter");
    all->setToolTip("Adds plain cardstock in 24 colours, two sheets of 12 x 12 in of each");
    row->addWidget(all);
    auto* done = new QPushButton("Done", line);
    done->setToolTip("Closes this line (Esc)");
    row->addWidget(done);
    connect(colour_, &QLineEdit::textChanged, this, &AddPaperLine::show_colour);
    auto* menu = new QMenu(swatch_);
    menu->addAction("Choose a colour...", this, &AddPaperLine::pick_colour);
    menu->addAction("Pick it from a picture...", this, &AddPaperLine::ask_picture);
    swatch_->setMenu(menu);
    connect(name_, &QLineEdit::returnPressed, this, &AddPaperLine::take);
    connect(colour_, &QLineEdit::returnPressed, this, &AddPaperLine::take);
    connect(add, &QPushButton::clicked, this, &AddPaperLine::take);
    connect(all, &QPushButton::clicked, this, &AddPaperLine::starter);
    connect(done, &QPushButton::clicked, this, &QWidget::hide);
    show_colour();
    return line;
}

QWidget* AddPaperLine::sizes() {
    auto* line = new QWidget(this);
    auto* row = new QHBoxLayout(line);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    for (const UsualSheet& s : usual_sheets()) {
        if (!counts_.empty()) row->addSpacing(8);
        counts_.push_back(count_of_size(s.name, row));
    }
    counts_.front()->setValue(1);
    row->addStretch(1);
    return line;
}

QSpinBox* AddPaperLine::count_of_size(const QString& size, QHBoxLayout* row) {
    auto* name = new QLabel(size, this);
    name->setProperty("quiet", true);
    auto* count = new QSpinBox(this);
    count->setRange(0, 999);
    count->setAccessibleName(QString("How many of %1").arg(size.contains('x') ? size + " in" : size));
    count->setToolTip(count->accessibleName());
    count->setFixedWidth(theme::px(48));
    row->addWidget(name);
    row->addWidget(count);
    return count;
}

QWidget* AddPaperLine::more() {
    auto* line = new QWidget(this);
    auto* row = new QHBoxLayout(line);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    constexpr double least = 5;
    constexpr double most = 3000; // mm
    width_ = new LengthEdit("Width of another size", least, most, line);
    height_ = new LengthEdit("Height of another size", least, most, line);
    for (LengthEdit* edit : {width_, height_}) edit->setFixedWidth(theme::px(64));
    connect(width_, &LengthEdit::length_entered, this, [this](double mm) { other_width_ = mm; });
    connect(height_, &LengthEdit::length_entered, this, [this](double mm) { other_height_ = mm; });
    row->addWidget(width_);
    row->addWidget(new QLabel("x", line));
    row->addWidget(height_);
    other_count_ = count_of_size("other size", row);
    row->addSpacing(10);
    finish_ =
        new ChoiceBox<std::optional<Finish>>("Finish of the new paper", {{"any finish", std::nullopt}}, line);
    for (const auto& [words, finish] : every<Finish>()) finish_->offer(words, finish);
    row->addWidget(finish_);
    weight_ = new QSpinBox(line);
    weight_->setRange(0, 2000);
    weight_->setSingleStep(10);
    weight_->setSuffix(" g/m\u00b2");
    weight_->setSpecialValueText("any weight");
    weight_->setAccessibleName("Weight of the new paper");
    weight_->setToolTip(weight_->accessibleName());
    row->addWidget(weight_);
    kept_in_ = new QLineEdit(line);
    kept_in_->setPlaceholderText("kept in, such as blue folder");
    kept_in_->setAccessibleName("Where the new paper is kept");
    kept_in_->setMaxLength(80);
    row->addWidget(kept_in_, 1);
    says_ = new QLabel(line);
    says_->setObjectName("new-paper-says");
    says_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(says_, 1);
    return line;
}

void AddPaperLine::start() {
    show();
    name_->setFocus();
}

void AddPaperLine::say(const QString& text, bool wrong) {
    says_->setText(text);
    says_->setStyleSheet(wrong ? "color: #B02A4B;" : "color: #6B6670;");
}

void AddPaperLine::show_colour() {
    const auto colour = colour_called(colour_->text().toStdString());
    swatch_->setStyleSheet(QString("background: %1; border: 1px solid #D9D0C0; border-radius: 6px;")
                               .arg(colour ? words(format_colour(*colour)) : QString("#FBF8F1")));
}

void AddPaperLine::offer_colours(const std::vector<PaletteColour>& palette) {
    QMenu menu(this);
    for (const PaletteColour& c : palette) {
        QPixmap dot(16, 16);
        dot.fill(QColor(c.colour.r, c.colour.g, c.colour.b));
        menu.addAction(QIcon(dot), words(colour_words(c.colour)),
                       [this, c] { colour_->setText(words(format_colour(c.colour))); });
    }
    menu.exec(swatch_->mapToGlobal(QPoint(0, swatch_->height())));
}

void AddPaperLine::pick_colour() {
    const auto now = colour_called(colour_->text().toStdString()).value_or(Rgb{0xF6, 0xEC, 0xD2});
    if (const auto colour = zesty::pick_colour(this, now, "Colour of the paper"))
        colour_->setText(words(format_colour(*colour)));
}

void AddPaperLine::take() {
    NewPaper paper;
    const auto colour = colour_called(colour_->text().toStdString());
    if (!colour) {
        say("Which colour?", true);
        colour_->setFocus();
        return;
    }
    paper.colour = *colour;
    paper.name = name_->text().trimmed().toStdString();
    if (paper.name.empty()) paper.name = colour_words(*colour);
    paper.pattern = kind_->value();
    for (std::size_t i = 0; i < counts_.size(); ++i)
        if (const int count = counts_[i]->value(); count > 0)
            paper.sheets.push_back({usual_sheets()[i].width, usual_sheets()[i].height, count});
    if (other_count_->value() > 0 && other_width_ > 0 && other_height_ > 0)
        paper.sheets.push_back({other_width_, other_height_, other_count_->value()});
    if (paper.sheets.empty()) {
        say("How many sheets?", true);
        counts_.front()->setFocus();
        return;
    }
    paper.finish = finish_->value();
    paper.weight = weight_->value();
    paper.kept_in = kept_in_->text().trimmed().toStdString();
    emit add(paper);
    say("Added. Another like it?", false);
    name_->clear();
    colour_->clear();
    name_->setFocus();
}

} // namespace zesty
