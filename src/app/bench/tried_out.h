#pragma once
// A file is read in a process of its own first: one that would take too long or too much memory ends that
// process, and the window goes on.

#include "core/result.h"

#include <QString>

namespace zesty {

/// `zesty inspect`, which knows how long and with how much memory it may read.
struct TrialReader {
    QString program = {};     ///< empty for the one that was installed with the window
    int patience_ms = 90'000; ///< for one that does not even give up
};

enum class TriedAs { Cut, Page, Picture, Papers };

/// Nothing where the file can be read as that, else what its reader says. `square` is the side of the square
/// beside a scanned cut, mm, 0 for none. Waits; not for the window's thread. A page is not refused because
/// there is nobody to try it out: what is saved opens.
Result<void> tried_out(const QString& path, TriedAs as, double square = 0, const TrialReader& reader = {});

/// What `read` gives where the file can be read as that.
template <class Read> auto read_as(const QString& path, TriedAs as, const Read& read) -> decltype(read()) {
    if (const auto tried = tried_out(path, as); !tried) return tl::make_unexpected(tried.error());
    return read();
}

} // namespace zesty
