#include "app/setout/bundle_view.h"

#include "app/bench/pass_focus.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "io/paint/textures.h"

#include <QLabel>
#include <QListWidget>
#include <QPainter>
#include <QVBoxLayout>

namespace zesty {

namespace {
constexpr int drawing_side = 150; ///< px, of a picture
} // namespace

BundleView::BundleView(BenchState& state, QWidget* parent) : QWidget(parent), state_(state) {
    setObjectName("bundle");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(24, 16, 24, 12);
    title_ = new QLabel(this);
    title_->setProperty("title", true);
    column->addWidget(title_);
    auto* hint =
        new QLabel("The first one is on the page. Double click another, or press Return on it, to take "
                   "it instead. Escape goes to the page.",
                   this);
    hint->setProperty("quiet", true);
    hint->setWordWrap(true);
    column->addWidget(hint);
    list_ = new QListWidget(this);
    list_->setAccessibleName("Drawings of the bundle");
    list_->setViewMode(QListView::IconMode);
    list_->setResizeMode(QListView::Adjust);
    list_->setMovement(QListView::Static);
    list_->setUniformItemSizes(true);
    list_->setWordWrap(true);
    list_->setIconSize({drawing_side, drawing_side});
    list_->setGridSize({drawing_side + 36, drawing_side + 60});
    column->addWidget(list_, 1);
    pass_focus(this, [this] { return list_; });
    connect(list_, &QListWidget::itemActivated, this,
            [this](const QListWidgetItem* item) { take(list_->row(item)); });
    connect(&state, &BenchState::shown_instead_changed, this, &BundleView::show_drawings);
}

QImage BundleView::picture_of(const DrawingFile& file) {
    QImage image(QSize(drawing_side, drawing_side) * theme::fineness, QImage::Format_ARGB32_Premultiplied);
    image.setDevicePixelRatio(theme::fineness);
    image.fill(Qt::transparent);
    const auto cut = read_cut(file.drawing);
    if (!cut) return image;
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    const double scale = (drawing_side - 8) / std::max({cut->box.width(), cut->box.height(), 1e-9});
    const Point middle = cut->box.centre();
    painter.translate(drawing_side / 2.0 - middle.x * scale, drawing_side / 2.0 - middle.y * scale);
    painter.scale(scale, scale);
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme::ink);
    for (const Piece& piece : cut->pieces) painter.drawPath(to_path(piece.outline));
    return image;
}

void BundleView::show_drawings() {
    list_->clear();
    const auto& bundle = state_.bundle();
    if (!bundle) return;
    title_->setText(QString("%1 holds %2 drawings").arg(bundle->title).arg(bundle->drawings.size()));
    for (const ShownBundle::Drawing& d : bundle->drawings) {
        auto* item = new QListWidgetItem(QPixmap::fromImage(d.picture),
                                         d.name + "\n" + counted(d.openings, "opening", "openings"));
        item->setTextAlignment(Qt::AlignHCenter | Qt::AlignTop);
        item->setToolTip(d.name);
        list_->addItem(item);
    }
    list_->setCurrentRow(0);
}

void BundleView::take(int row) {
    const auto bundle = state_.bundle();
    if (!bundle || row < 0 || row >= static_cast<int>(bundle->drawings.size())) return;
    state_.show_page();
    if (row > 0) emit taken(bundle->drawings[static_cast<std::size_t>(row)].file);
}

} // namespace zesty
