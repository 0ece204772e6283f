#pragma once
// A colour that a person picks.

#include "core/stash/colour.h"

#include <QString>
#include <optional>

class QWidget;

namespace zesty {

/// Nothing where no other is wanted. `title` says what it is the colour of.
std::optional<Rgb> pick_colour(QWidget* parent, Rgb now, const QString& title);

} // namespace zesty
