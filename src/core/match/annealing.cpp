#include "core/match/annealing.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double overdraft = 4000;
constexpr double added_up = 1e-6; ///< mm2: areas are added and taken away again, and room is often just full
constexpr int most_sweeps = 1000;
constexpr double cold = 0.002; ///< of the first heat
constexpr std::size_t longest_chain = 60;
constexpr std::size_t most_for_pairs = 100;
constexpr std::size_t few_sections = 60; ///< run once; half as many twice
constexpr std::size_t most_runs = 8;
constexpr int often_enough = 3; ///< that runs come to the same best answer

} // namespace

Annealing::Annealing(Draft& draft, const MatchJob& job, const Cost& cost, const std::vector<double>& room,
                     std::mt19937& random)
    : draft_(draft), job_(job), cost_(cost), room_(room), random_(random), in_chain_(job.sections.size(), 0) {
}

double Annealing::over(int paper, double area) const {
    const double excess = area - room_[paper];
    return excess <= added_up ? 0 : overdraft * excess / (1000 + room_[paper]) + 200;
}

double Annealing::paper_cost(int paper, const Share& share) const {
    return cost_.paper_share(paper, share) + over(paper, share.area);
}

/// What giving the section another paper would change.
double Annealing::change(int section, int paper) const {
    const int old = draft_.paper(section);
    if (old == paper) return 0;
    const double a = job_.sections[section].area;
    const Point pull = cost_.pull(section);
    double d = cost_.local(section, paper, draft_.papers()) - cost_.local(section, old, draft_.papers());
    const auto moved = [&](const Share& now, int sign) {
        Share then = now;
        then.add(a, pull, sign);
        return then;
    };
    for (const auto& [face, sign] : {std::pair{old, -1}, std::pair{paper, 1}}) {
        if (face < 0) continue;
        const Share& now = draft_.share(face);
        d += cost_.share(moved(now, sign)) - cost_.share(now);
        // Turning a paper over takes no more of it.
        if (old >= 0 && paper >= 0 && cost_.paper_of(old) == cost_.paper_of(paper)) continue;
        const Share& all = draft_.paper_share(cost_.paper_of(face));
        d += paper_cost(cost_.paper_of(face), moved(all, sign)) - paper_cost(cost_.paper_of(face), all);
    }
    return d;
}

void Annealing::fill() {
    std::vector<int> order = draft_.free();
    std::stable_sort(order.begin(), order.end(),
                     [&](int a, int b) { return job_.sections[a].area > job_.sections[b].area; });
    for (int s : order) {
        double least = 0;
        int best = -1;
        for (int p : draft_.possible(s))
            if (const double c = change(s, p); c < least) {
                least = c;
                best = p;
            }
        if (best >= 0) draft_.assign(s, best);
    }
}

void Annealing::run(double heat, const StopToken& stop) {
    const auto& free = draft_.free();
    if (free.empty()) return;
    draft_.assign_all(draft_.papers());
    const int n = static_cast<int>(free.size());
    const int steps = 4000 + 400 * n;
    const double cooling = std::pow(cold, 1.0 / steps);
    double t = heat;
    for (int k = 0; k < steps; ++k, t *= cooling) {
        if ((k & 1023) == 0 && stopped(stop)) return;
        const int s = free[random_() % n];
        const auto& choices = draft_.possible(s);
        const unsigned kind = random_() % 16;
        // Too little paper is part of the choice: which section goes without.
        const int p = kind == 5 ? -1 : choices[random_() % choices.size()];
        if (kind < 4) {
            exchange(s, free[random_() % n], t);
            continue;
        }
        if (kind == 4) {
            exchange_chain(s, p, t);
            continue;
        }
        const double d = change(s, p);
        if (d <= 0 || uniform() < std::exp(-d / t)) draft_.assign(s, p);
    }
    descend(stop);
}

double Annealing::total() const {
    double sum = cost_.total(draft_.papers());
    for (std::size_t p = 0; p < room_.size(); ++p)
        sum += over(static_cast<int>(p), draft_.paper_share(static_cast<int>(p)).area);
    return sum;
}

void Annealing::run_often(double heat, const StopToken& stop) {
    const std::size_t runs =
        std::clamp<std::size_t>(few_sections / std::max<std::size_t>(draft_.free().size(), 1), 1, most_runs);
    run(heat, stop);
    std::vector<int> best = draft_.papers();
    double least = total();
    int found = 1;
    for (std::size_t k = 1; k < runs && found < often_enough && !stopped(stop); ++k) {
        run(heat, stop);
        const double now = total();
        if (now < least - 1e-9)
            found = 1;
        else if (now < least + 1e-9)
            ++found;
        if (now >= least) continue;
        least = now;
        best = draft_.papers();
    }
    draft_.assign_all(best);
}

/// Until neither a change nor, with few sections, an exchange is an improvement.
void Annealing::descend(const StopToken& stop) {
    const auto& free = draft_.free();
    int sweeps = 0;
    for (bool better = true; better && sweeps < most_sweeps && !stopped(stop); ++sweeps) {
        better = false;
        for (int s : free)
            for (int p : draft_.possible(s))
                if (change(s, p) < -1e-9) {
                    draft_.assign(s, p);
                    better = true;
                }
        if (better || free.size() > most_for_pairs) continue;
        for (int a : free)
            for (int b : free)
                if (a < b) better = exchange(a, b, 0) || better;
    }
}

/// True for an improvement; a worsening is taken with the chance that heat `t` gives it.
bool Annealing::exchange(int a, int b, double t) {
    const int p = draft_.paper(a);
    const int q = draft_.paper(b);
    if (a == b || p == q || !draft_.can(a, q) || !draft_.can(b, p)) return false;
    const double first = change(a, q);
    draft_.assign(a, q);
    const double d = first + change(b, p);
    if (t > 0 ? d <= 0 || uniform() < std::exp(-d / t) : d < -1e-9)
        draft_.assign(b, p);
    else
        draft_.assign(a, p);
    return d < -1e-9;
}

/// The sections on either paper that hang together with this one change papers with each other: neighbours
/// that differed still do (A. B. Kempe's chains).
void Annealing::exchange_chain(int section, int paper, double t) {
    const int own = draft_.paper(section);
    if (own < 0 || own == paper) return;
    std::vector<int> chain{section};
    std::fill(in_chain_.begin(), in_chain_.end(), 0);
    in_chain_[section] = 1;
    for (std::size_t i = 0; i < chain.size(); ++i) {
        const int now = draft_.paper(chain[i]);
        const int then = now == own ? paper : own;
        if (draft_.possible(chain[i]).empty() || !draft_.can(chain[i], then)) return;
        if (chain.size() > longest_chain) return;
        for (const auto& [next, index] : cost_.next(chain[i]))
            if (draft_.paper(next) == then && !in_chain_[next]) {
                in_chain_[next] = 1;
                chain.push_back(next);
            }
    }
    double d = 0;
    const auto turn = [&](int s) { return draft_.paper(s) == own ? paper : own; };
    for (int s : chain) {
        const int to = turn(s);
        d += change(s, to);
        draft_.assign(s, to);
    }
    if (d <= 0 || uniform() < std::exp(-d / t)) return;
    for (int s : chain) draft_.assign(s, turn(s));
}

} // namespace zesty
