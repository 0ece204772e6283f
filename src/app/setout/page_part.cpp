#include "app/setout/page_part.h"

#include "app/bench/wording.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>

namespace zesty {

struct NamedPage {
    const char* name;
    double width;
    double height;
};

namespace {

constexpr NamedPage pages[] = {{"12 x 12 in", 304.8, 304.8},
                               {"8 1/2 x 11 in", 215.9, 279.4},
                               {"6 x 12 in", 152.4, 304.8},
                               {"8 x 8 in", 203.2, 203.2},
                               {"6 x 8 in", 152.4, 203.2},
                               {"4 x 8 in, notebook", 101.6, 203.2},
                               {"A4", 210, 297},
                               {"A5", 148, 210}};

} // namespace

PagePart::PagePart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_page();
    build_frame();
    connect(&state, &BenchState::plan_changed, this, &PagePart::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &PagePart::refresh_if_shown);
}

void PagePart::build_page() {
    auto* r = row("Page");
    sizes_ = new ChoiceBox<const NamedPage*>("Size of the page", this);
    for (const NamedPage& p : pages) sizes_->offer(p.name, &p);
    sizes_->offer("Own size", nullptr);
    sizes_->on_choice(this, [this](const NamedPage* named) {
        if (!named) return;
        document_.change("Choose the page", [&](Project& p) {
            p.set_out.page.width = named->width;
            p.set_out.page.height = named->height;
        });
    });
    r->addWidget(sizes_, 1);
    r = row("");
    const auto length = [&](const char* name, double least, auto change) {
        auto* edit = new LengthEdit(name, least, 3000, this);
        connect(edit, &LengthEdit::length_entered, this, [this, name, change](double mm) {
            document_.change(name, [&](Project& p) { change(p.set_out.page, mm); });
        });
        return edit;
    };
    width_ = length("Width of the page", 10, [](Page& p, double mm) { p.width = mm; });
    height_ = length("Height of the page", 10, [](Page& p, double mm) { p.height = mm; });
    r->addWidget(width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(height_);
    r = row("");
    spread_ = new QCheckBox("Spread of two, gap", this);
    connect(spread_, &QCheckBox::clicked, this, [this](bool on) {
        document_.change(on ? "Make it a spread" : "Make it one page",
                         [&](Project& p) { p.set_out.page.spread = on; });
    });
    gap_ = length("Gap of the spread", 0, [](Page& p, double mm) { p.gap = mm; });
    gap_->setFixedWidth(84);
    r->addWidget(spread_);
    r->addWidget(gap_);
    r->addStretch(1);
}

LengthEdit* PagePart::side(const QString& name, double Sides::*which) {
    auto* edit = new LengthEdit(name, 0, 1000, this);
    edit->setMinimumWidth(54);
    connect(edit, &LengthEdit::length_entered, this, [this, name, which](double mm) {
        document_.change(name, [&](Project& p) { p.set_out.page.reveal.*which = mm; });
    });
    return edit;
}

void PagePart::build_frame() {
    auto* r = row("Frame");
    reveal_ = new LengthEdit("Reveal of the frame", 0, 1000, this);
    reveal_->setFixedWidth(84);
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
    glue_lip_->setFixedWidth(84);
    connect(glue_lip_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Glue lip of the frame", [&](Project& p) { p.set_out.page.glue_lip = mm; });
    });
    r->addWidget(glue_lip_);
    paper_ = new ChoiceBox<std::string>("Paper of the frame", this);
    paper_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    paper_->on_choice(this, [this](const std::string& id) {
        document_.change("Paper of the frame", [&](Project& p) { p.set_out.page.frame_paper = id; });
    });
    r->addWidget(paper_, 1);
    to_cut_ = line("base");
}

void PagePart::refresh() {
    const Project& p = document_.project();
    const auto* named = std::find_if(std::begin(pages), std::end(pages), [&](const NamedPage& n) {
        return std::abs(p.set_out.page.width - n.width) < 0.05 &&
               std::abs(p.set_out.page.height - n.height) < 0.05;
    });
    sizes_->show_value(named == std::end(pages) ? nullptr : named);
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
    paper_->offer({{"paper from elsewhere", ""}});
    if (p.stash)
        for (const Paper& paper : p.stash->papers) paper_->offer(words(paper.name), paper.id);
    paper_->show_value(p.set_out.page.frame_paper);
    if (state_.plan()) to_cut_->setText(about_base(p, *state_.plan()));
}

} // namespace zesty
