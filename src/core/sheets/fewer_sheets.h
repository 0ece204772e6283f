#pragma once
// A sheet saved: what lies on the one that is missed least is laid on the others, if it goes there.

#include "core/sheets/nest.h"

namespace zesty {

/// Closes one sheet after the other, the highest rank and the emptiest first, as long as everything that was
/// placed stays placed. Sheets with pinned pieces stay open. `rounds` as in refined().
NestResult with_fewer_sheets(const NestJob& job, NestResult result, int rounds, const StopToken& stop);

} // namespace zesty
