#pragma once
// Choosing by area: simulated annealing over a draft, with a guess of how much each paper holds.

#include "core/match/draft.h"

#include <random>

namespace zesty {

class Annealing {
public:
    /// `room`: by paper, what is believed to fit on it, mm2; read anew by every run.
    Annealing(Draft& draft, const MatchJob& job, const Cost& cost, const std::vector<double>& room,
              std::mt19937& random);

    /// Largest first, each to the paper that costs least just then.
    void fill();
    /// Ends where no change of a single section is an improvement, or when told to stop.
    void run(double heat, const StopToken& stop);
    /// The best of several runs where there are so few sections that they cost nothing.
    void run_often(double heat, const StopToken& stop);

private:
    double total() const;
    double over(int paper, double area) const;
    double paper_cost(int paper, const Share& share) const;
    double change(int section, int paper) const;
    void descend(const StopToken& stop);
    bool exchange(int a, int b, double t);
    void exchange_chain(int section, int paper, double t);
    double uniform() { return static_cast<double>(random_()) / 4294967296.0; }

    Draft& draft_;
    const MatchJob& job_;
    const Cost& cost_;
    const std::vector<double>& room_;
    std::mt19937& random_;
    std::vector<char> in_chain_;
};

} // namespace zesty
