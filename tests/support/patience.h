#pragma once
// Tests wait for what surely comes, however slow the machine; how fast it comes is for benchmarks to say.

namespace zesty {

inline constexpr int patience_ms = 300'000; ///< then something hangs

} // namespace zesty
