#pragma once
// Nesting jobs with more pieces than go on their sheets.

#include "core/sheets/nest.h"
#include "support/between.h"

#include <random>

namespace zesty::testing {

/// Triangles, bent quadrilaterals, stars and blobs, some way off the origin.
Polygon some_piece(std::mt19937& random);

/// A sheet and an offcut with a hole in it, and as much in pieces as they are large.
NestJob tight_job(unsigned seed, bool turned_freely);

/// Of the pieces that found a place, mm2.
double area_placed(const NestJob& job, const NestResult& result);

/// The same pieces in the same places.
void expect_same(const std::vector<NestPlacement>& a, const std::vector<NestPlacement>& b);

} // namespace zesty::testing
