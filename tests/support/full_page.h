#pragma once
// Random pages with everything on them.

#include "core/project/project.h"

namespace zesty::testing {

/// The same for the same seed: up to three cuts on a page or a spread, with frames, a divided base, photos
/// with mats, all treatments and methods, layers, titles of all kinds of letters, embellishments, wet work,
/// stitching, pins, habits, sittings and own steps, most of it from a stash of a dozen papers.
Project full_page(unsigned seed);

} // namespace zesty::testing
