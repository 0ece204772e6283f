#pragma once
// A drawing is read in a process of its own first: one that would take too long or too much memory ends that
// process, and the window goes on.

#include "core/result.h"

#include <QString>

namespace zesty {

/// `zesty inspect`, which knows how long and with how much memory it may read.
struct DrawingReader {
    QString program = {};     ///< empty for the one that was installed with the window
    int patience_ms = 60'000; ///< for one that does not even give up
};

/// Nothing where the drawing can be read and cut, else what its reader says. `square` is the side of the
/// square beside a scanned cut, mm, 0 for none. Waits; not for the window's thread.
Result<void> tried_out(const QString& path, double square, const DrawingReader& reader = {});

} // namespace zesty
