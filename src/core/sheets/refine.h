#pragma once
// More of a job laid than a first answer has: pieces that found no place are put where they overlap least,
// others taken off for them, and the crowd is separated. What does not come apart is put back as it was.

#include "core/sheets/nest.h"

namespace zesty {

/// Tries for `rounds` on two threads, or until nothing is left to lay or it is told to stop. Never less
/// placed than before; every result is sound. The same seed and rounds give the same answer.
NestResult refined(const NestJob& job, const NestResult& start, int rounds, const StopToken& stop,
                   const Progress& progress);

} // namespace zesty
