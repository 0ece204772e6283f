#pragma once

namespace zesty::cli {

/// What Qt and the libraries would say on standard error goes nowhere: there is one line there, and it is
/// ours.
void keep_libraries_quiet();

} // namespace zesty::cli
