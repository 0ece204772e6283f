#pragma once
// What a layout that holds all leaves for others: room for the pieces they want, and large rectangles.

#include "core/sheets/nest.h"

namespace zesty {

/// Says where there is room for later pieces beside what lies. Where all pieces lie and `rounds` is above 0
/// they are moved, on the sheets that are in use, to make room for more; `dense` says that a first layout
/// would not hold all, and then for larger rectangles too. Never less room than beside `result` as it is;
/// every piece stays laid. The same seed and rounds give the same answer unless told to stop.
NestResult with_room(const NestJob& job, NestResult result, int rounds, bool dense, const StopToken& stop);

/// The largest upright rectangle left on each sheet beside pieces and later pieces, to a millimetre; empty
/// on sheets with no piece.
std::vector<Box> rectangles_left(const NestJob& job, const NestResult& result);

} // namespace zesty
