#pragma once
// Random cut files for tests: a frame with a bar along every edge of a random pattern.

#include "core/cutfile/cut_file.h"
#include "core/setout/placed_cut.h"

#include <random>

namespace zesty::testing {

/// A Drawing of one even-odd shape made of these rings.
Drawing drawing_of(std::vector<Ring> rings);

Ring rectangle(double x0, double y0, double x1, double y1);
/// A circle of `n` corners.
Ring polygon(Point centre, double radius, int n, double turn = 0);

/// A grid of `columns` x `rows` bent quadrilaterals with bars of `bar` mm at their narrowest or more, 250 mm
/// wide. Some openings hold an insert.
Drawing random_lattice(std::mt19937& random, int columns, int rows, double bar);

/// Names of the openings of a cut that is alone on its page.
std::vector<Spot> spots_of(const CutFile& cut);

/// `shapes` rounded blobs, some hollow (concave), apart from each other, in one sheet.
Drawing random_blobs(std::mt19937& random, int shapes);

} // namespace zesty::testing
