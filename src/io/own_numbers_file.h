#pragma once
// The household's own numbers (zesty-numbers/1), kept in the user's data folder beside the stash.

#include "core/project/own_numbers.h"
#include "core/result.h"

#include <QString>

namespace zesty {

QString own_numbers_path();

/// The usual numbers where there is no such file.
Result<OwnNumbers> read_own_numbers(const QString& path);
/// Atomic; the folder is made where it is missing.
Result<void> write_own_numbers(const OwnNumbers& own, const QString& path);

} // namespace zesty
