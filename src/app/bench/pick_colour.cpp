#include "app/bench/pick_colour.h"

#include <QColorDialog>

namespace zesty {

std::optional<Rgb> pick_colour(QWidget* parent, Rgb now, const QString& title) {
    const QColor picked = QColorDialog::getColor(QColor(now.r, now.g, now.b), parent, title);
    if (!picked.isValid()) return std::nullopt;
    return Rgb{static_cast<std::uint8_t>(picked.red()), static_cast<std::uint8_t>(picked.green()),
               static_cast<std::uint8_t>(picked.blue())};
}

} // namespace zesty
