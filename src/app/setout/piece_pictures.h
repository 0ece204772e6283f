#pragma once
// Small pictures of what can be picked of a cut. May be made on any thread.

#include "core/project/planner.h"

#include <QImage>

namespace zesty {

inline constexpr int picture_side = 44; ///< px

/// Each piece as large as its picture allows; pale where it is among those left out.
std::vector<QImage> pictures_of_pieces(const Pickable& all, const std::vector<int>& left_out);
/// Each layer within the whole drawing; pale where `used` names layers and it is not one of them.
std::vector<QImage> pictures_of_layers(const Pickable& all, const std::vector<std::string>& used);

} // namespace zesty
