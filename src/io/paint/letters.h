#pragma once
// The shapes letters have in pictures, and how wide they usually are. Needs a QGuiApplication.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "io/paint/textures.h"

#include <QPainter>
#include <QPainterPath>

namespace zesty {

/// How wide a letter or word of the shipped typeface is whose capitals are so high; mm.
double usual_letter_width(const std::string& letter, double height);

/// The letters with their usual room to either side, so wide and with capitals so high, on their feet at the
/// origin; mm.
QPainterPath letter_path(const std::string& letters, double width, double height);

/// A title with its label. Letters that are missing are only outlined.
void paint_title(QPainter& painter, const Stash& stash, const PageTitle& title, const TitleFacts& facts);

/// Embellishments as they are seen, with rim and shadow.
void paint_embellishments(QPainter& painter, const Stash& stash, const Project& project,
                          const Textures& textures);
/// One of them about the origin, with its picture, or in its colour without one.
void paint_embellishment(QPainter& painter, const Embellishment& thing, const QImage& picture,
                         const Mounting& held = {});

} // namespace zesty
