#pragma once
// How long work is told to stop. The core has no clock: whoever has one decides when the token says stop.

#include <functional>

namespace zesty {

/// Says "stop" when it returns true. Called often, possibly from another thread than the one that made it;
/// an empty token never stops.
using StopToken = std::function<bool()>;

/// Told how far a long job is, 0 to 1, with a few words about what is being done.
using Progress = std::function<void(double fraction, const char* what)>;

inline bool stopped(const StopToken& stop) {
    return stop && stop();
}

} // namespace zesty
