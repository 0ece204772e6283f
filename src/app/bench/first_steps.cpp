#include "app/bench/first_steps.h"

#include "app/bench/panel.h"
#include "app/bench/pass_focus.h"
#include "app/bench/theme.h"

#include <QCoreApplication>
#include <QDir>
#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>
#include <array>

namespace zesty {

namespace {

struct DemoPage {
    const char* name;
    const char* file;
    const char* about;
};
constexpr std::array demo_pages{
    DemoPage{"Kite Hill", "kite-hill-dressed.zesty", "a lattice kite, dressed, with one patch short"},
    DemoPage{"Tram Terrace", "tram-terrace.zesty", "four small trams, cut twice and mirrored"},
    DemoPage{"Seed Swap", "seed-swap.zesty", "a spread with many round openings"}};

/// What waits at a waypoint for a drawing.
struct Waits {
    const char* title;
    const char* words;
};
constexpr std::array<Waits, waypoints> waiting{
    Waits{"Put a cut file on the page",
          "Open an SVG, DXF, picture or ZIP, or drop it here. It is measured at once: "
          "pieces, openings, bars."},
    Waits{"Sections are openings of a cut",
          "Open a drawing: each of its openings becomes a section that can be "
          "backed, grouped or divided."},
    Waits{"Papers go behind openings",
          "Open a drawing, and say below what paper you have. Proposals then show which "
          "paper goes where, and whether it is enough."},
    Waits{"Sheets show what is cut from what",
          "Open a drawing and give its openings papers: every patch finds its "
          "place on the sheets you have."},
    Waits{"Photos, title and words come here",
          "Open a drawing first: what is dressed is the page around it."},
    Waits{"The steps follow from the page",
          "Open a drawing and give its openings papers. What to cut, glue and dry "
          "first then stands here."},
    Waits{"Finished pages stand on this shelf",
          "Open a drawing to begin the first one. When it is made, it is kept "
          "here, and its scraps go back into the drawer."}};

} // namespace

QString demo_folder() {
    const QDir here(QCoreApplication::applicationDirPath());
    for (const char* there : {"../share/zesty-panel/demo", "../../demo"})
        if (here.exists(there)) return QDir::cleanPath(here.filePath(there));
    return {};
}

FirstSteps::FirstSteps(BenchState& state, QWidget* parent) : QFrame(parent), state_(state) {
    setObjectName("first-steps");
    auto* whole = new QVBoxLayout(this);
    whole->addStretch(1);
    auto* middle = new QHBoxLayout;
    whole->addLayout(middle);
    whole->addStretch(1);
    auto* card = new QFrame(this);
    card->setObjectName("first-card");
    card->setFixedWidth(theme::px(520));
    card->setStyleSheet(
        "#first-card { background: #FBF8F1; border: 2px dashed #C9B068; border-radius: 6px; }");
    middle->addWidget(card);
    auto* column = new QVBoxLayout(card);
    column->setContentsMargins(32, 28, 32, 28);
    column->setSpacing(12);
    title_ = new QLabel(card);
    title_->setProperty("title", true);
    title_->setWordWrap(true);
    column->addWidget(title_);
    words_ = new QLabel(card);
    words_->setWordWrap(true);
    column->addWidget(words_);
    open_ = new QPushButton("Open a drawing (Ctrl+O)", card);
    open_->setProperty("primary", true);
    connect(open_, &QPushButton::clicked, this, &FirstSteps::open_drawing);
    column->addWidget(open_, 0, Qt::AlignLeft);
    pass_focus(this, [this] { return open_; });
    const QDir demos(demo_folder());
    if (!demo_folder().isEmpty()) {
        auto* look = new QLabel("Or open a demo page and look round:", card);
        look->setProperty("quiet", true);
        column->addSpacing(8);
        column->addWidget(look);
        for (const DemoPage& page : demo_pages) {
            auto* row = new QHBoxLayout;
            auto* button = new QPushButton(page.name, card);
            button->setFixedWidth(theme::px(128));
            button->setAccessibleDescription(page.about);
            connect(button, &QPushButton::clicked, this,
                    [this, file = demos.filePath(page.file)] { emit open_demo(file); });
            row->addWidget(button);
            auto* about = new QLabel(page.about, card);
            about->setProperty("quiet", true);
            row->addWidget(about, 1);
            column->addLayout(row);
        }
    }
    connect(&state, &BenchState::waypoint_changed, this, &FirstSteps::say_what_this_is);
    say_what_this_is();
}

void FirstSteps::say_what_this_is() {
    const Waits& here = waiting[static_cast<std::size_t>(state_.waypoint())];
    title_->setText(here.title);
    words_->setText(here.words);
}

} // namespace zesty
