#include "app/setout/arrange_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/sentences.h"
#include "io/paint/page_painter.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QListWidget>
#include <QPainter>
#include <QSpinBox>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr int arranged_side = 100;

QRectF to_rect(const Box& b) {
    return {b.x0, b.y0, b.width(), b.height()};
}

/// The page with its rooms, and what stays free.
QImage picture_of(const Project& project, const Plan& plan, const Textures& textures, const Box& free) {
    const Page& page = project.set_out.page;
    const double scale = theme::fineness * arranged_side / std::max(page.full_width(), page.full_height());
    QImage image(static_cast<int>(std::ceil(scale * page.full_width())),
                 static_cast<int>(std::ceil(scale * page.full_height())),
                 QImage::Format_ARGB32_Premultiplied);
    image.fill(theme::bench);
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.scale(scale, scale);
    paint_page(painter, project, plan, textures);
    const auto pen = [](const QColor& colour, Qt::PenStyle style) {
        QPen out(colour, theme::fineness, style);
        out.setCosmetic(true);
        return out;
    };
    painter.setPen(pen(theme::ink, Qt::DashLine));
    painter.setBrush(QColor(255, 254, 251, 170));
    for (const RoomWanted& room : project.set_out.rooms)
        if (room.centre) painter.drawRect(to_rect(room.box()));
    painter.setPen(pen(theme::leaf, Qt::DotLine));
    painter.setBrush(Qt::NoBrush);
    if (!free.empty()) painter.drawRect(to_rect(free));
    return image;
}

} // namespace

ArrangePart::ArrangePart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    auto* r = row("May cover");
    may_cover_ = new QSpinBox(this);
    may_cover_->setObjectName("may-cover");
    may_cover_->setRange(0, 100);
    may_cover_->setSuffix(" % of the cut");
    may_cover_->setAccessibleName("How much of the cut photos and rooms may cover");
    may_cover_->setToolTip("How much of the cut photos and rooms may cover when they are arranged");
    connect(may_cover_, &QSpinBox::valueChanged, this, [this](int v) {
        document_.change("How much of the cut may be covered",
                         [&](Project& p) { p.set_out.may_cover = v / 100.0; });
    });
    r->addWidget(may_cover_);
    r->addStretch(1);
    r = row(QString());
    r->addWidget(button(Act::Arrange, "Arrange photos"));
    cuts_move_ = new QCheckBox("Cuts may move", this);
    cuts_move_->setToolTip("The cuts may go to the middle, an edge or a corner, all together");
    r->addWidget(cuts_move_);
    r->addStretch(1);
    says_ = line("arranged");
    list_ = new QListWidget(this);
    list_->setObjectName("arrangements");
    list_->setAccessibleName("Arrangements");
    list_->setToolTip("Choosing one puts it on the page; the first row is the page as it was");
    list_->setIconSize({arranged_side, arranged_side});
    list_->setWordWrap(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->hide();
    connect(list_, &QListWidget::currentRowChanged, this, &ArrangePart::put_on_page);
    column_->addWidget(list_);
    connect(&document, &Document::project_changed, this, &ArrangePart::refresh_if_shown);
}

void ArrangePart::ask() {
    says_->setText("Trying arrangements.");
    says_->show();
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) { ask_of(std::move(plan)); });
}

void ArrangePart::ask_of(std::shared_ptr<const Plan> plan) {
    const quint64 number = ++asked_;
    const auto job = [this, p = *plan->of, plan, move = cuts_move_->isChecked(), textures = state_.textures(),
                      number](Planner& planner, const StopToken& stop) {
        const auto found = arranged_pages(p, *plan, move, stop);
        std::vector<QImage> pictures;
        if (found) {
            pictures.push_back(picture_of(p, *plan, *textures, {}));
            for (const ArrangedPage& page : found->found) {
                const auto shapes = planner.shapes(page.project);
                pictures.push_back(
                    picture_of(page.project, shapes ? *shapes : *plan, *textures, page.arrangement.free));
            }
        }
        return std::function<void()>([this, p, found, pictures, number] {
            if (number != asked_) return;
            if (!found) {
                says_->setText(words(sentence(found.error().message)));
                return;
            }
            pages_ = {p};
            show(*found, pictures);
        });
    };
    worker_.think_of_page(this, job, [this, number] {
        if (number == asked_) says_->setText("The page has changed meanwhile. Ask again.");
    });
}

void ArrangePart::show(const ArrangedPages& pages, const std::vector<QImage>& pictures) {
    const QSignalBlocker quiet(list_);
    list_->clear();
    drag_ = document_.new_drag();
    const auto icon = [&](std::size_t i) {
        const QPixmap pixmap = QPixmap::fromImage(pictures[i]);
        QIcon out(pixmap);
        out.addPixmap(pixmap, QIcon::Selected); // not tinted
        return out;
    };
    list_->addItem(new QListWidgetItem(icon(0), "As it is now"));
    for (std::size_t i = 0; i < pages.found.size(); ++i) {
        pages_.push_back(pages.found[i].project);
        list_->addItem(new QListWidgetItem(icon(i + 1), words(pages.found[i].in_words)));
    }
    if (pages.found.empty()) pages_.clear();
    list_->setFixedHeight(list_->count() * (arranged_side + 8) + 6);
    says_->setText(words(pages.in_words));
    refresh();
}

void ArrangePart::put_on_page(int row) {
    if (row < 0 || row >= static_cast<int>(pages_.size())) return;
    document_.edit("Arrange the photos", pages_[static_cast<std::size_t>(row)], drag_);
}

int ArrangePart::row_of_now() const {
    const auto now = std::find(pages_.begin(), pages_.end(), document_.project());
    return now == pages_.end() ? -1 : static_cast<int>(now - pages_.begin());
}

void ArrangePart::refresh() {
    const QSignalBlocker quiet(may_cover_);
    const QSignalBlocker quiet_list(list_);
    may_cover_->setValue(static_cast<int>(std::lround(100 * document_.project().set_out.may_cover)));
    const int row = row_of_now();
    // Arrangements are about the page they were found for; undo brings them back.
    list_->setVisible(row >= 0);
    if (row >= 0) list_->setCurrentRow(row);
    says_->setVisible(!says_->text().isEmpty() && (row >= 0 || pages_.empty()));
    lay_out_now(this);
}

} // namespace zesty
