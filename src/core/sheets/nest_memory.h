#pragma once
// Layings that have been worked out before, so that what is asked for again is there at once: by another plan
// of the same page, by a way out that is tried anew, by another window.

#include "core/sheets/nest.h"

#include <cstdint>
#include <deque>
#include <memory>
#include <mutex>
#include <optional>
#include <unordered_map>

namespace zesty {

/// Of everything in a job that an answer depends on.
std::uint64_t hash_of(const NestJob& job);

/// May be used on several threads at once.
class NestMemory {
public:
    NestMemory() = default;
    /// Tries no more than so many orders, and so many rounds of refinement, for whom a first answer will do.
    NestMemory(int most_attempts, int most_refinements)
        : most_attempts_(most_attempts), most_refinements_(most_refinements) {}

    /// nest(), or what it said of the same job before; an answer that was cut short is not remembered.
    NestResult nest(const NestJob& job, const StopToken& stop);

private:
    static constexpr std::size_t most = 1000; ///< of answers; the oldest go first
    std::optional<int> most_attempts_;
    std::optional<int> most_refinements_;
    std::mutex mutex_;
    std::unordered_map<std::uint64_t, std::shared_ptr<const NestResult>> known_;
    std::deque<std::uint64_t> order_;
};

} // namespace zesty
