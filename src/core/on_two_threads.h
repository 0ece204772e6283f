#pragma once
// Work on many things that do not depend on each other.

#include <cstddef>
#include <future>

namespace zesty {

/// Calls work(i) for every i below n, the odd ones on a second thread. What it touches for one i must not be
/// touched for another.
template <class Work> void on_two_threads(std::size_t n, const Work& work) {
    const auto part = [&](std::size_t from) {
        for (std::size_t i = from; i < n; i += 2) work(i);
    };
    if (n < 2) {
        part(0);
        return;
    }
    auto odd = std::async(std::launch::async, part, std::size_t{1});
    part(0);
    odd.get();
}

} // namespace zesty
