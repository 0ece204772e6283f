#include "app/setout/page_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/project/edits.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDate>
#include <QHBoxLayout>

namespace zesty {

PagePart::PagePart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_page();
    build_frame();
    build_date();
    connect(&state, &BenchState::plan_changed, this, &PagePart::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &PagePart::refresh_if_shown);
}

LengthEdit* PagePart::length(const char* name, double least, double Page::*which) {
    auto* edit = new LengthEdit(name, least, page_side_limits.most, this);
    connect(edit, &LengthEdit::length_entered, this, [this, name, which](double mm) {
        document_.change(name, [&](Project& p) {
            const Page before = p.set_out.page;
            p.set_out.page.*which = mm;
            // A page of another size has its cuts where they were about its middle.
            if (before.width == p.set_out.page.width && before.height == p.set_out.page.height)
                keep_places(p, before);
        });
    });
    return edit;
}

void PagePart::build_page() {
    auto* r = row("Page");
    sizes_ = new ChoiceBox<const UsualPage*>("Size of the page", this);
    for (const UsualPage& p : usual_pages) sizes_->offer(p.name, &p);
    sizes_->offer("Own size", nullptr);
    sizes_->on_choice(this, [this](const UsualPage* named) {
        if (!named) return;
        document_.change("Choose the page", [&](Project& p) {
            p.set_out.page.width = named->width;
            p.set_out.page.height = named->height;
        });
    });
    r->addWidget(sizes_, 1);
    r = row("");
    width_ = length("Width of the page", 10, &Page::width);
    height_ = length("Height of the page", 10, &Page::height);
    r->addWidget(width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(height_);
    r = row("");
    spread_ = new QCheckBox("Second page, gap", this);
    spread_->setToolTip("A spread: two pages side by side, or a page beside an insert");
    connect(spread_, &QCheckBox::clicked, this, [this](bool on) {
        document_.change(on ? "Make it a spread" : "Make it one page", [&](Project& p) {
            const Page before = p.set_out.page;
            p.set_out.page.spread = on;
            keep_places(p, before);
        });
    });
    gap_ = length("Gap of the spread", 0, &Page::gap);
    gap_->setFixedWidth(theme::px(84));
    r->addWidget(spread_);
    r->addWidget(gap_);
    r->addStretch(1);
    build_second();
    r = row("Base");
    base_paper_ = paper_box("Paper of the base", &Page::base_paper);
    r->addWidget(base_paper_, 1);
}

void PagePart::build_date() {
    auto* r = row("Date");
    date_ = new QLineEdit(this);
    date_->setAccessibleName("Date of the page");
    date_->setPlaceholderText("such as 2026-05-17");
    date_->setToolTip("The day the page is about; it is filled in from the first photo with a date");
    connect(date_, &QLineEdit::editingFinished, this, [this] {
        const QString typed = date_->text().trimmed();
        if (typed.isEmpty() || QDate::fromString(typed, Qt::ISODate).isValid())
            document_.change("Date of the page", [&](Project& p) { p.set_out.date = typed.toStdString(); });
        date_->setText(words(document_.project().set_out.date));
    });
    r->addWidget(date_, 1);
}

void PagePart::build_second() {
    QHBoxLayout* r = nullptr;
    second_row_ = row_of_its_own("Second", r);
    second_width_ = length("Width of the second page", page_side_limits.least, &Page::second_width);
    second_height_ = length("Height of the second page", page_side_limits.least, &Page::second_height);
    second_width_->setFixedWidth(theme::px(84));
    second_height_->setFixedWidth(theme::px(84));
    same_ = new QPushButton("Same", this);
    same_->setToolTip("The second page is as large as the first");
    connect(same_, &QPushButton::clicked, this, [this] {
        document_.change("Pages of one size", [](Project& p) {
            const Page before = p.set_out.page;
            p.set_out.page.second_width = p.set_out.page.second_height = 0;
            keep_places(p, before);
        });
    });
    r->addWidget(second_width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(second_height_);
    r->addWidget(same_);
}

PaperBox* PagePart::paper_box(const QString& name, std::string Page::*which) {
    auto* box = new PaperBox(name, this);
    box->on_choice(this, [this, name, which](const PaperPick& pick) {
        document_.change(name, [&](Project& p) { p.set_out.page.*which = pick.id; });
    });
    return box;
}

LengthEdit* PagePart::side(const QString& name, double Sides::*which) {
    auto* edit = new LengthEdit(name, 0, 1000, this);
    edit->setMinimumWidth(theme::px(54));
    connect(edit, &LengthEdit::length_entered, this, [this, name, which](double mm) {
        document_.change(name, [&](Project& p) { p.set_out.page.reveal.*which = mm; });
    });
    return edit;
}

void PagePart::build_frame() {
    auto* r = row("Frame");
    reveal_ = new LengthEdit("Reveal of the frame", 0, 1000, this);
    reveal_->setFixedWidth(theme::px(84));
    connect(reveal_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Reveal of the frame", [&](Project& p) { p.set_out.page.reveal = Sides::even(mm); });
    });
    r->addWidget(reveal_);
    kind_ =
        new ChoiceRow<FrameKind>("Frame", {{"Whole", FrameKind::Whole}, {"Strips", FrameKind::Strips}}, this);
    kind_->on_choice(this, [this](FrameKind kind) {
        document_.change("Kind of frame", [&](Project& p) { p.set_out.page.frame = kind; });
    });
    r->addWidget(kind_, 1);
    r = row("L T R B");
    sides_[0] = side("Reveal at the left", &Sides::left);
    sides_[1] = side("Reveal at the top", &Sides::top);
    sides_[2] = side("Reveal at the right", &Sides::right);
    sides_[3] = side("Reveal at the bottom", &Sides::bottom);
    for (LengthEdit* s : sides_) r->addWidget(s);
    r = row("Glue lip");
    glue_lip_ = new LengthEdit("Glue lip of the frame", 0, 1000, this);
    glue_lip_->setFixedWidth(theme::px(84));
    connect(glue_lip_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Glue lip of the frame", [&](Project& p) { p.set_out.page.glue_lip = mm; });
    });
    r->addWidget(glue_lip_);
    paper_ = paper_box("Paper of the frame", &Page::frame_paper);
    r->addWidget(paper_, 1);
    window_row_ = row_of_its_own("Window", r);
    window_width_ = new LengthEdit("Width of the window in the frame", page_side_limits.least,
                                   page_side_limits.most, this);
    window_height_ = new LengthEdit("Height of the window in the frame", page_side_limits.least,
                                    page_side_limits.most, this);
    for (LengthEdit* edit : {window_width_, window_height_}) {
        edit->setFixedWidth(theme::px(72));
        connect(edit, &LengthEdit::length_entered, this,
                [this, edit](double mm) { type_window(edit == window_width_, mm); });
    }
    r->addWidget(window_width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(window_height_);
    by_lip_ = new QPushButton("Reset", this);
    by_lip_->setToolTip("Lets the glue lip decide the size of the window again");
    connect(by_lip_, &QPushButton::clicked, this, [this] {
        document_.change("Window by the glue lip",
                         [](Project& p) { p.set_out.page.window_width = p.set_out.page.window_height = 0; });
    });
    r->addWidget(by_lip_);
    r->addStretch(1);
    sides_row_ = row_of_its_own("Sides", r);
    side_paper_ = paper_box("Paper of the strips at the sides", &Page::side_paper);
    r->addWidget(side_paper_, 1);
    to_cut_ = line("base");
}

/// The side that was not typed stays as it is.
void PagePart::type_window(bool width, double mm) {
    const Plan* plan = state_.plan();
    document_.change("Window in the frame", [&](Project& p) {
        Page& page = p.set_out.page;
        if (plan && plan->set_out.frame.window && (page.window_width <= 0 || page.window_height <= 0)) {
            page.window_width = plan->set_out.frame.window->width();
            page.window_height = plan->set_out.frame.window->height();
        }
        (width ? page.window_width : page.window_height) = mm;
    });
}

void PagePart::refresh_frame(const Project& p) {
    const Page& page = p.set_out.page;
    const bool strips = page.frame == FrameKind::Strips;
    const Plan* plan = state_.plan();
    const std::optional<Box> window = plan ? plan->set_out.frame.window : std::nullopt;
    window_row_->setVisible(window.has_value() && !page.unequal());
    window_width_->show_length(window ? window->width() : 0, p.units);
    window_height_->show_length(window ? window->height() : 0, p.units);
    by_lip_->setEnabled(page.window_width > 0);
    sides_row_->setVisible(strips && page.framed());
    paper_->show_paper(document_.project().stash, "paper from elsewhere", page.frame_paper);
    base_paper_->show_paper(document_.project().stash, "paper from elsewhere", page.base_paper);
    side_paper_->show_paper(document_.project().stash, "the same paper", page.side_paper);
}

void PagePart::refresh() {
    const Project& p = document_.project();
    const auto* named = std::find_if(usual_pages.begin(), usual_pages.end(), [&](const UsualPage& n) {
        return std::abs(p.set_out.page.width - n.width) < 0.05 &&
               std::abs(p.set_out.page.height - n.height) < 0.05;
    });
    sizes_->show_value(named == usual_pages.end() ? nullptr : &*named);
    width_->show_length(p.set_out.page.width, p.units);
    height_->show_length(p.set_out.page.height, p.units);
    spread_->setChecked(p.set_out.page.spread);
    gap_->show_length(p.set_out.page.gap, p.units);
    gap_->setEnabled(p.set_out.page.spread);
    reveal_->show_length(p.set_out.page.reveal.most(), p.units);
    const Sides& s = p.set_out.page.reveal;
    const double each[] = {s.left, s.top, s.right, s.bottom};
    for (int i = 0; i < 4; ++i) sides_[i]->show_length(each[i], p.units);
    kind_->show_value(p.set_out.page.frame);
    glue_lip_->show_length(p.set_out.page.glue_lip, p.units);
    second_width_->show_length(p.set_out.page.right_width(), p.units);
    second_height_->show_length(p.set_out.page.right_height(), p.units);
    second_row_->setVisible(p.set_out.page.spread);
    same_->setEnabled(p.set_out.page.unequal());
    refresh_frame(p);
    if (!date_->hasFocus()) date_->setText(words(p.set_out.date));
    if (state_.plan()) to_cut_->setText(about_base(p, *state_.plan()));
}

} // namespace zesty
