#pragma once
// The clock the core does not have.

#include "core/stop.h"

#include <chrono>

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

} // namespace zesty::cli
