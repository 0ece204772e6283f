#pragma once
// The sheets of the Sheets waypoint as cards: where they stand, and how they are painted beside a small page.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "io/paint/textures.h"

#include <QPainter>

namespace zesty {

inline constexpr double between_cards = 12; ///< px

/// Where a sheet is drawn: pixels from sheet millimetres.
struct SheetCard {
    int used = 0; ///< into Plan::used_sheets
    QRectF card;
    double scale = 1;
    QPointF origin;
};

/// Cards in a grid, each sheet as large as its card allows: a scrap must be as readable as a full sheet. The
/// number of columns is the one that draws the sheets largest; very many go on below the room.
std::vector<SheetCard> cards_for(const Plan& plan, double width, double height);

struct SheetScene {
    Project project;
    std::shared_ptr<const Plan> plan;
    std::shared_ptr<const Textures> textures;
    std::vector<SheetCard> cards; ///< already scrolled
    QRectF visible;
    QRectF page;
};

/// On any thread.
void paint_scene(QPainter& painter, const SheetScene& scene);

} // namespace zesty
