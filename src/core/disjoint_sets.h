#pragma once
// Which of many things hang together, pair by pair (B. A. Galler, M. J. Fischer, "An improved equivalence
// algorithm", Communications of the ACM 7, 1964).

#include <algorithm>
#include <numeric>
#include <vector>

namespace zesty {

class DisjointSets {
public:
    explicit DisjointSets(std::size_t count) : root_(count) { std::iota(root_.begin(), root_.end(), 0); }

    /// The least member of its set.
    int root(int member) {
        while (root_[member] != member) member = root_[member] = root_[root_[member]];
        return member;
    }
    void join(int a, int b) {
        a = root(a);
        b = root(b);
        root_[std::max(a, b)] = std::min(a, b);
    }

private:
    std::vector<int> root_;
};

} // namespace zesty
