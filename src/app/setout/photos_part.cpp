#include "app/setout/photos_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/setout/which_photo_part.h"
#include "core/geometry/measure.h"
#include "core/project/photos_into_openings.h"
#include "core/sentences.h"
#include "core/setout/sizing.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QSpinBox>

namespace zesty {

PhotosPart::PhotosPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                       QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    build_adding();
    build_photo();
    build_fit();
    connect(&state, &BenchState::plan_changed, this, &PhotosPart::refresh_if_shown);
    connect(&state.in_hand(), &InHand::changed, this, &PhotosPart::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &PhotosPart::refresh_if_shown);
}

void PhotosPart::build_adding() {
    auto* r = row("Add");
    sizes_ = new ChoiceBox<const PhotoSize*>("Size of a new photo", this);
    for (const PhotoSize& s : usual_photo_sizes())
        sizes_->offer(words(format_size(s.width, s.height, Units::Inches)), &s);
    sizes_->setCurrentText("4 x 6 in");
    r->addWidget(sizes_, 1);
    r->addWidget(button(Act::AddPhoto, "Add photo"));
    r = row("Grid");
    const auto count = [&](const char* name, int least, int value) {
        auto* box = new QSpinBox(this);
        box->setAccessibleName(name);
        box->setToolTip(name);
        box->setRange(least, 20);
        box->setValue(value);
        return box;
    };
    columns_ = count("Columns of the grid", 1, 2);
    rows_ = count("Rows of the grid", 1, 2);
    free_ = count("Cells of the grid left free for paper", 0, 1);
    r->addWidget(columns_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(rows_);
    auto* less = new QLabel("less", this);
    less->setProperty("quiet", true);
    r->addWidget(less);
    r->addWidget(free_);
    auto* put = new QPushButton("Add", this);
    put->setObjectName("add-grid");
    put->setAccessibleName("Add grid");
    put->setToolTip("Puts photos of that size in a grid in the middle of the page");
    connect(put, &QPushButton::clicked, this, &PhotosPart::add_grid);
    r->addWidget(put);
    r->addStretch(1);
    r = row(QString());
    auto* into = button(Act::IntoOpenings, "Put all into openings");
    into->setToolTip("Every photo into an opening of its own, spread over the page, of those selected at "
                     "Sections or of all (Ctrl+Alt+P)");
    r->addWidget(into);
    r->addStretch(1);
    into_says_ = line("into-openings");
    into_says_->hide();
    grid_says_ = line("grid");
    grid_says_->hide();
}

void PhotosPart::build_photo() {
    which_ = new QLabel(this);
    which_->setProperty("strong", true);
    which_->setObjectName("photo");
    auto* head = new QHBoxLayout;
    head->addWidget(which_, 1);
    head->addWidget(button(Act::NextInHand, "Next"));
    head->addWidget(button(Act::TakeOff, "Remove from page"));
    column_->addLayout(head);
    auto* r = row("Photo");
    width_ = new LengthEdit("Width of the photo", 1, 3000, this);
    height_ = new LengthEdit("Height of the photo", 1, 3000, this);
    connect(width_, &LengthEdit::length_entered, this,
            [this](double mm) { change("Width of the photo", [&](Photo& p) { p.width = mm; }); });
    connect(height_, &LengthEdit::length_entered, this,
            [this](double mm) { change("Height of the photo", [&](Photo& p) { p.height = mm; }); });
    round_ = new QCheckBox("Round", this);
    connect(round_, &QCheckBox::clicked, this,
            [this](bool on) { change("Trim the photo", [&](Photo& p) { p.round = on; }); });
    r->addWidget(width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(height_);
    r->addWidget(round_);
    r = row("Name");
    name_ = new QLineEdit(this);
    name_->setAccessibleName("Name of the photo");
    name_->setPlaceholderText("who or what it shows");
    name_->setMaxLength(60);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        change("Name the photo", [&](Photo& p) { p.name = name_->text().trimmed().toStdString(); });
    });
    auto* picture = button(Act::PhotoPicture, "Picture...");
    turn_ = new QLineEdit(this);
    turn_->setAccessibleName("Tilt in degrees");
    turn_->setToolTip("Tilt of the photo in degrees, clockwise");
    turn_->setFixedWidth(theme::px(66));
    connect(turn_, &QLineEdit::editingFinished, this, [this] {
        bool good = false;
        const double deg = turn_->text().remove("deg").trimmed().toDouble(&good);
        if (good) change("Tilt the photo", [&](Photo& p) { p.turn_deg = brought_round(deg); });
        refresh();
    });
    r->addWidget(name_, 1);
    r->addWidget(picture);
    r = row("Middle at");
    x_ = place("Middle of the photo, from the left", &Point::x);
    y_ = place("Middle of the photo, from the top", &Point::y);
    r->addWidget(x_);
    r->addWidget(y_);
    r->addWidget(turn_);
    r->addStretch(1);
    r = row("Lies");
    lies_ = new ChoiceRow<bool>("Lies", {{"Behind the cuts", false}, {"On top", true}}, this);
    lies_->on_choice(this, [this](bool on_top) {
        change("Order of photo and cuts", [&](Photo& p) { p.on_top = on_top; });
    });
    r->addWidget(lies_, 1);
}

LengthEdit* PhotosPart::place(const char* name, double Point::*way) {
    auto* edit = new LengthEdit(name, place_limits.least, place_limits.most, this);
    edit->setToolTip(name);
    edit->setFixedWidth(theme::px(84));
    connect(edit, &LengthEdit::length_entered, this,
            [this, way](double mm) { change("Move the photo", [&](Photo& p) { p.centre.*way = mm; }); });
    return edit;
}

void PhotosPart::build_fit() {
    fit_says_ = line("fit");
    auto* r = row(QString());
    fit_ = button(Act::FitPhoto, "Fit the photo");
    r->addWidget(fit_);
    cover_ = new QPushButton("Cover it", this);
    cover_->setObjectName("cover-opening");
    cover_->setToolTip(
        "Gives the photo the size, place and tilt with which it covers the opening from behind, "
        "with its overlap");
    connect(cover_, &QPushButton::clicked, this, &PhotosPart::cover_opening);
    r->addWidget(cover_);
    size_cut_ = new QPushButton("Size the cut", this);
    size_cut_->setToolTip("Sizes the cut so that this photo covers the opening with its overlap");
    connect(size_cut_, &QPushButton::clicked, this, [this] {
        const Plan* plan = state_.plan();
        if (!growth_ || !plan || fit_opening_ < 0) return;
        document_.change("Size the cut for the photo", [&](Project& p) {
            const int cut = plan->sections.cut_of_opening[static_cast<std::size_t>(fit_opening_)];
            if (cut < 0) return;
            const SetOut& now = plan->set_out.each[static_cast<std::size_t>(cut)];
            PlacedCut& c = p.set_out.cuts[static_cast<std::size_t>(cut)];
            c.place = resized(c.place, now, p.set_out.page, growth_->factor);
        });
    });
    r->addWidget(size_cut_);
    r->addStretch(1);
    build_tilt();
    build_protected();
    column_->addWidget(new WhichPhotoPart(document_, state_, actions_, worker_, this));
    prints_ = line("prints");
}

void PhotosPart::build_tilt() {
    auto* r = row("Tilt up to");
    tilt_ = new QSpinBox(this);
    tilt_->setObjectName("most-tilt");
    tilt_->setRange(0, static_cast<int>(any_tilt_deg));
    tilt_->setValue(static_cast<int>(usual_tilt_deg));
    tilt_->setSuffix("\u00b0");
    tilt_->setAccessibleName("How far a photo that is fitted may be tilted");
    tilt_->setToolTip("How far a photo that is fitted may be tilted to either side");
    connect(tilt_, &QSpinBox::valueChanged, this, [this] { ask_for_fit(); });
    r->addWidget(tilt_);
    punched_ = new QCheckBox("Punch sizes", this);
    punched_->setToolTip("Round photos only in the sizes of the punches at hand (Sections, Method)");
    connect(punched_, &QCheckBox::clicked, this, [this] { ask_for_fit(); });
    auto* overlap = new QLabel("overlap", this);
    overlap->setProperty("quiet", true);
    r->addWidget(overlap);
    overlap_ = new LengthEdit("How far a photo reaches behind the bars round its opening",
                              photo_overlap_limits.least, photo_overlap_limits.most, this);
    overlap_->setFixedWidth(theme::px(76));
    connect(overlap_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Overlap of photos", [&](Project& p) { p.set_out.usual.photo_overlap = mm; });
    });
    r->addWidget(overlap_);
    r->addStretch(1);
    r = row(QString());
    r->addWidget(punched_);
    r->addStretch(1);
}

void PhotosPart::build_protected() {
    auto* r = row("Protect");
    face_ = new QPushButton("A face", this);
    face_->setToolTip(
        "A part that must stay free: a warning comes when something covers it. With Mark on, the arrow "
        "keys move it on the page, with Shift they change its size");
    connect(face_, &QPushButton::clicked, this, [this] {
        change("Protect a face", [&](Photo& p) {
            p.protected_parts.push_back({-p.width / 6, -p.height / 4, p.width / 6, p.height / 12});
        });
    });
    r->addWidget(face_);
    mark_ = marking(PageTools::Tool::Protect,
                    "Drag over the part of a photo that must stay free; click on one to take it away");
    r->addWidget(mark_);
    nothing_kept_ = new QPushButton("None", this);
    nothing_kept_->setToolTip("Nothing of this photo has to stay free");
    connect(nothing_kept_, &QPushButton::clicked, this,
            [this] { change("Remove protected areas", [](Photo& p) { p.protected_parts.clear(); }); });
    r->addWidget(nothing_kept_);
    r->addStretch(1);
    r = row("Hide");
    mark_to_hide_ = marking(PageTools::Tool::ToHide,
                            "Drag over the part of a photo that had better be covered when photos are "
                            "arranged; click on one to take it away");
    r->addWidget(mark_to_hide_);
    nothing_hidden_ = new QPushButton("None", this);
    nothing_hidden_->setToolTip("Nothing of this photo is to be hidden");
    connect(nothing_hidden_, &QPushButton::clicked, this,
            [this] { change("Remove parts to be hidden", [](Photo& p) { p.hidden_parts.clear(); }); });
    r->addWidget(nothing_hidden_);
    r->addStretch(1);
}

/// A button that stays down while parts of photos are marked on the page.
QPushButton* PhotosPart::marking(PageTools::Tool tool, const char* tip) {
    auto* mark = new QPushButton("Mark", this);
    mark->setCheckable(true);
    mark->setProperty("segment", true);
    mark->setToolTip(tip);
    connect(mark, &QPushButton::toggled, this,
            [this, tool](bool on) { state_.tools().take(on ? tool : PageTools::Tool::None); });
    connect(&state_.tools(), &PageTools::changed, this, [this, mark, tool] {
        const QSignalBlocker quiet(mark);
        mark->setChecked(state_.tools().tool() == tool);
    });
    return mark;
}

void PhotosPart::add_photo() {
    const PhotoSize size = *sizes_->value();
    document_.change("Put a photo on the page", [&](Project& p) {
        Photo photo;
        photo.width = size.width;
        photo.height = size.height;
        photo.centre = p.set_out.page.leaves().front().centre();
        p.set_out.photos.push_back(photo);
    });
    state_.in_hand().take_photo(static_cast<int>(document_.project().set_out.photos.size()) - 1);
}

void PhotosPart::add_grid() {
    Photo like;
    const PhotoSize size = *sizes_->value();
    like.width = size.width;
    like.height = size.height;
    Project next = document_.project();
    const auto put = put_grid(next.set_out, next.units, like, columns_->value(), rows_->value(),
                              next.set_out.usual.grid_gap, free_->value());
    grid_says_->setVisible(!put);
    if (!put) {
        grid_says_->setText("No grid: " + words(put.error().message) + ".");
        return;
    }
    document_.edit("Put photos in a grid", std::move(next));
}

void PhotosPart::refresh() {
    const Project& p = document_.project();
    const int i = state_.in_hand().photo(p);
    for (QWidget* w :
         std::initializer_list<QWidget*>{width_, height_, round_, name_, turn_, lies_, face_, mark_,
                                         nothing_kept_, mark_to_hide_, nothing_hidden_, x_, y_})
        w->setEnabled(i >= 0);
    overlap_->show_length(p.set_out.usual.photo_overlap, p.units);
    if (i < 0) {
        which_->setText(p.set_out.photos.empty() ? "No photo yet" : "No photo in hand");
        turn_->clear();
        name_->clear();
        lies_->show_choice(-1);
    } else {
        const Photo& photo = p.set_out.photos[static_cast<std::size_t>(i)];
        which_->setText(QString("Photo %1 of %2").arg(i + 1).arg(p.set_out.photos.size()));
        width_->show_length(photo.width, p.units);
        height_->show_length(photo.round ? photo.width : photo.height, p.units);
        height_->setEnabled(!photo.round);
        round_->setChecked(photo.round);
        x_->show_length(photo.centre.x, p.units);
        y_->show_length(photo.centre.y, p.units);
        if (!name_->hasFocus()) name_->setText(words(photo.name));
        turn_->setText(QString::number(photo.turn_deg, 'g', 4) + " deg");
        lies_->show_value(photo.on_top);
        nothing_kept_->setEnabled(!photo.protected_parts.empty());
        nothing_hidden_->setEnabled(!photo.hidden_parts.empty());
    }
    QStringList list;
    if (state_.plan())
        for (const PhotoCount& c : state_.plan()->set_out.photo_sizes)
            list << QString("%1 of %2")
                        .arg(c.count)
                        .arg(words(c.round ? format_length(c.width, p.units) + " round"
                                           : format_size(c.width, c.height, p.units)));
    prints_->setText(list.isEmpty() ? "The photos to order are listed here."
                                    : "Order: " + list.join(", ") + ".");
    ask_for_fit();
}

} // namespace zesty
