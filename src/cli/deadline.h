#pragma once
// The clock the core does not have.

#include "core/stop.h"

#include <chrono>
#include <memory>
#include <string>

namespace zesty::cli {

class Deadline {
public:
    explicit Deadline(double seconds)
        : start_(Clock::now()),
          end_(start_ + std::chrono::duration_cast<Clock::duration>(std::chrono::duration<double>(seconds))) {
    }
    StopToken token() const {
        return [end = end_] { return Clock::now() >= end; };
    }
    double seconds() const { return std::chrono::duration<double>(Clock::now() - start_).count(); }

private:
    using Clock = std::chrono::steady_clock;
    Clock::time_point start_;
    Clock::time_point end_;
};

inline constexpr double longest_reading = 10;     ///< s
inline constexpr double longest_collecting = 120; ///< s, of many papers with their pictures

/// Ends the program with exit code 2 and one line when it has worked for so many seconds, or is still there
/// after six times as long: a page is not refused because the machine is busy with something else. Nothing is
/// written while one is on watch.
class Watch {
public:
    Watch(const std::string& message, double seconds);
    ~Watch();
    Watch(const Watch&) = delete;
    Watch& operator=(const Watch&) = delete;

private:
    struct Inner;
    std::unique_ptr<Inner> inner_;
};

} // namespace zesty::cli
