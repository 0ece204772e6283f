#pragma once
// Pages, plans and openings as tests want them.

#include "core/project/planner.h"

namespace zesty::testing {

/// What any test has laid: the next that begins with the same page need not lay it again. Not for tests of
/// what a planner that knows nothing says.
const std::shared_ptr<NestMemory>& laid_before();

/// The same, laid in a hurry: for whoever asks what is laid, not how close.
const std::shared_ptr<NestMemory>& laid_in_a_hurry();

/// A page with this drawing alone.
Project project_of(const Drawing& drawing);

/// The plan without sheets; the test fails when there is none.
Plan shapes_of(const Project& project);

/// Every placed patch lies on its sheet as the plan says, apart from the others, mirrored where side B shows.
void expect_laid_as_planned(const Project& project, const Plan& plan);

/// Square solid sheets.
Paper stock_paper(const std::string& id, Rgb colour, double side, int count);

/// The same of any kind.
Paper paper(const std::string& id, Rgb colour, double side, int count, Pattern pattern = Pattern::Solid,
            Direction direction = Direction::Free);

/// Plenty of five solid papers that nobody would confuse, "a" to "e".
Stash five_papers();

/// A lattice of so many openings with these papers.
Project page_with(unsigned seed, int columns, int rows, Stash stash);

/// The first of that code; null when there is none. It lives as long as the plan.
const Finding* finding_in(const Plan& plan, Code code);

Polygon opening_on_page(const Plan& plan, int opening);

/// Openings of random blobs, concave ones too, and lattices, without what lies in them.
std::vector<Polygon> random_openings(unsigned seed, std::size_t count, double least_area = 100);

} // namespace zesty::testing
