#pragma once
// More of a job laid than a first answer has: everything is laid afresh, each piece where it
// touches most (relay.h); then a few neighbours at a time are, and pieces that still found no place are
// squeezed in where they overlap least (squeeze.h).

#include "core/sheets/nest.h"

namespace zesty {

/// Tries for `rounds` on two threads, or until nothing is left to lay or it is told to stop. Never less
/// placed than before; every result is sound. The same seed and rounds give the same answer.
NestResult refined(const NestJob& job, const NestResult& start, int rounds, const StopToken& stop,
                   const Progress& progress);

} // namespace zesty
