#include "app/bench/colour_families.h"

#include <QPixmap>

namespace zesty {

void offer_families(ChoiceBox<std::optional<Rgb>>& box, std::size_t how_many) {
    for (std::size_t i = 0; i < how_many; ++i) {
        const auto& [name, c] = colour_families[i];
        QPixmap dot(12, 12);
        dot.fill(QColor(c.r, c.g, c.b));
        box.offer(name, c, QIcon(dot));
    }
}

} // namespace zesty
