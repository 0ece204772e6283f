#include "core/match/match.h"

#include "core/match/cost.h"

#include <algorithm>
#include <numeric>
#include <random>

namespace zesty {

namespace {

/// Part of a stock that patches usually fill; the nesting corrects it.
constexpr double first_guess_of_yield = 0.7;
constexpr double overdraft = 4000;
constexpr int rounds = 6;
constexpr std::size_t most_repairs = 160; ///< nestings spent on repairs

class Matcher {
public:
    Matcher(const MatchJob& job, Capacity& capacity, const StopToken& stop, const Progress& progress)
        : job_(job), capacity_(capacity), stop_(stop), progress_(progress), cost_(job), random_(job.seed) {
        const int papers = static_cast<int>(job.stash.papers.size());
        for (int p = 0; p < papers; ++p) room_.push_back(capacity.stock_area(p) * first_guess_of_yield);
        possible_.resize(job.sections.size());
        for (std::size_t s = 0; s < job.sections.size(); ++s) {
            const MatchSection& section = job.sections[s];
            if (!section.backed) continue;
            if (section.given >= 0) continue;
            for (int p = 0; p < papers && !stopped(stop_); ++p)
                if (std::all_of(section.patches.begin(), section.patches.end(),
                                [&](int patch) { return capacity_.fits_alone(patch, p); }))
                    possible_[s].push_back(p);
            if (!possible_[s].empty()) free_.push_back(static_cast<int>(s));
        }
    }

    Assignment run() {
        paper_.assign(job_.sections.size(), -1);
        for (std::size_t s = 0; s < paper_.size(); ++s)
            if (job_.sections[s].backed) paper_[s] = job_.sections[s].given;
        start();
        std::vector<int> best = paper_;
        double best_short = std::numeric_limits<double>::infinity();
        for (int round = 0; round < rounds && !stopped(stop_); ++round) {
            if (progress_) progress_(0.1 + 0.6 * round / rounds, "choosing papers");
            anneal(round == 0 ? 60 : 12);
            const double missing = learn_from_nesting();
            if (missing < best_short) {
                best_short = missing;
                best = paper_;
            }
            if (missing == 0) break;
        }
        paper_ = best;
        if (progress_) progress_(0.75, "making room");
        place_the_short();
        if (progress_) progress_(0.85, "parting neighbours");
        part_neighbours();
        Assignment out;
        out.paper = paper_;
        for (std::size_t i = 0; i < job_.neighbours.size(); ++i) {
            const Neighbours& n = job_.neighbours[i];
            if (paper_[n.a] >= 0 && paper_[n.a] == paper_[n.b]) out.alike.push_back(static_cast<int>(i));
        }
        out.cost = cost_.total(paper_);
        out.complete = !stopped(stop_);
        return out;
    }

private:
    // --- choosing by area -------------------------------------------------------------------------------

    double over(int paper) const {
        const double excess = area_[paper] - room_[paper];
        return excess <= 0 ? 0 : overdraft * excess / (1000 + room_[paper]) + 200;
    }

    double paper_cost(int paper) const { return cost_.share(area_[paper], uses_[paper]) + over(paper); }

    void count() {
        area_.assign(room_.size(), 0);
        uses_.assign(room_.size(), 0);
        for (std::size_t s = 0; s < paper_.size(); ++s)
            if (paper_[s] >= 0) add(static_cast<int>(s), paper_[s], 1);
    }

    void add(int section, int paper, int sign) {
        if (paper < 0) return;
        area_[paper] += sign * job_.sections[section].area;
        uses_[paper] += sign;
    }

    /// Largest first, each to the paper that costs least just then.
    void start() {
        count();
        std::vector<int> order = free_;
        std::stable_sort(order.begin(), order.end(),
                         [&](int a, int b) { return job_.sections[a].area > job_.sections[b].area; });
        for (int s : order) {
            double least = 0;
            int best = -1;
            for (int p : possible_[s])
                if (const double c = change(s, p); c < least) {
                    least = c;
                    best = p;
                }
            if (best >= 0) assign(s, best);
        }
    }

    /// What giving the section another paper would change.
    double change(int section, int paper) {
        const int old = paper_[section];
        if (old == paper) return 0;
        const double before = cost_.local(section, old, paper_) + (old >= 0 ? paper_cost(old) : 0) +
                              (paper >= 0 ? paper_cost(paper) : 0);
        add(section, old, -1);
        add(section, paper, 1);
        const double after = cost_.local(section, paper, paper_) + (old >= 0 ? paper_cost(old) : 0) +
                             (paper >= 0 ? paper_cost(paper) : 0);
        add(section, paper, -1);
        add(section, old, 1);
        return after - before;
    }

    void assign(int section, int paper) {
        add(section, paper_[section], -1);
        paper_[section] = paper;
        add(section, paper, 1);
    }

    double uniform() { return static_cast<double>(random_()) / 4294967296.0; }

    void anneal(double heat) {
        if (free_.empty()) return;
        count();
        const int n = static_cast<int>(free_.size());
        const int steps = 4000 + 400 * n;
        for (int k = 0; k < steps; ++k) {
            if ((k & 1023) == 0 && stopped(stop_)) return;
            const double t = heat * std::pow(0.002, static_cast<double>(k) / steps);
            const int s = free_[random_() % n];
            if (random_() % 4 != 0) {
                const auto& choices = possible_[s];
                const int p = choices[random_() % choices.size()];
                const double d = change(s, p);
                if (d <= 0 || uniform() < std::exp(-d / t)) assign(s, p);
            } else {
                exchange(s, free_[random_() % n], t);
            }
        }
        // Cold: take every single improvement there is.
        for (bool better = true; better && !stopped(stop_);) {
            better = false;
            for (int s : free_)
                for (int p : possible_[s])
                    if (change(s, p) < -1e-9) {
                        assign(s, p);
                        better = true;
                    }
        }
    }

    void exchange(int s, int u, double t) {
        const int p = paper_[s];
        const int q = paper_[u];
        if (s == u || p == q || !can(s, q) || !can(u, p)) return;
        const double first = change(s, q);
        assign(s, q);
        const double d = first + change(u, p);
        if (d <= 0 || uniform() < std::exp(-d / t))
            assign(u, p);
        else
            assign(s, p);
    }

    bool can(int section, int paper) const {
        return paper < 0 || std::find(possible_[section].begin(), possible_[section].end(), paper) !=
                                possible_[section].end();
    }

    // --- what really fits -------------------------------------------------------------------------------

    std::vector<int> patches_on(int paper, int without = -1, int with = -1) const {
        std::vector<int> out;
        for (std::size_t s = 0; s < paper_.size(); ++s) {
            const int i = static_cast<int>(s);
            if ((paper_[s] == paper && i != without) || i == with)
                out.insert(out.end(), job_.sections[s].patches.begin(), job_.sections[s].patches.end());
        }
        return out;
    }

    bool fits(int paper, int without, int with) {
        double area = job_.sections[with].area;
        for (std::size_t s = 0; s < paper_.size(); ++s)
            if (paper_[s] == paper && static_cast<int>(s) != without) area += job_.sections[s].area;
        if (area > capacity_.stock_area(paper)) return false;
        return capacity_.lay(paper, patches_on(paper, without, with), 4, stop_).complete();
    }

    /// Nests every paper; where it does not all fit, less is put on it next time. Returns the missing area.
    double learn_from_nesting() {
        double missing = 0;
        for (std::size_t p = 0; p < room_.size() && !stopped(stop_); ++p) {
            const PaperNest& n =
                capacity_.lay(static_cast<int>(p), patches_on(static_cast<int>(p)), 4, stop_);
            if (n.complete()) continue;
            missing += std::max(area_[p] - n.placed_area, 1.0);
            room_[p] = std::min(room_[p] * 0.95, n.placed_area);
        }
        return missing;
    }

    /// Sections of which a patch found no place, largest first; they lose their paper unless it was given.
    std::vector<int> take_back_the_short() {
        std::vector<int> out;
        for (std::size_t p = 0; p < room_.size(); ++p) {
            while (!stopped(stop_)) {
                const PaperNest& n =
                    capacity_.lay(static_cast<int>(p), patches_on(static_cast<int>(p)), 4, stop_);
                if (n.complete()) break;
                int loser = -1;
                for (std::size_t s = 0; s < paper_.size(); ++s) {
                    if (paper_[s] != static_cast<int>(p) || job_.sections[s].given >= 0) continue;
                    const auto& own = job_.sections[s].patches;
                    for (int u : n.result.unplaced)
                        if (std::find(own.begin(), own.end(), n.patches[u]) != own.end())
                            loser = static_cast<int>(s);
                }
                if (loser < 0) break;
                out.push_back(loser);
                assign(loser, -1);
            }
        }
        return out;
    }

    bool spent() const { return stopped(stop_) || capacity_.layings() - repairs_from_ > most_repairs; }

    void place_the_short() {
        count();
        repairs_from_ = capacity_.layings();
        take_back_the_short();
        std::vector<int> waiting;
        for (int s : free_)
            if (paper_[s] < 0) waiting.push_back(s);
        std::stable_sort(waiting.begin(), waiting.end(),
                         [&](int a, int b) { return job_.sections[a].area > job_.sections[b].area; });
        for (int s : waiting)
            if (!settle(s)) make_room_for(s);
    }

    /// Papers for a section, least cost first, by what they would change.
    std::vector<int> by_cost(int section) {
        std::vector<std::pair<double, int>> ranked;
        for (int p : possible_[section])
            if (p != paper_[section]) ranked.emplace_back(cost_.local(section, p, paper_), p);
        std::sort(ranked.begin(), ranked.end());
        std::vector<int> out;
        for (const auto& r : ranked) out.push_back(r.second);
        return out;
    }

    bool settle(int section) {
        for (int p : by_cost(section)) {
            if (spent()) return false;
            if (fits(p, -1, section)) {
                assign(section, p);
                return true;
            }
        }
        return false;
    }

    /// Somebody else moves away so that the section fits.
    void make_room_for(int section) {
        for (int p : by_cost(section))
            for (int other : free_) {
                if (spent()) return;
                if (paper_[other] != p || job_.sections[other].area < 0.3 * job_.sections[section].area)
                    continue;
                if (!fits(p, other, section)) continue;
                for (int q : by_cost(other)) {
                    if (spent()) return;
                    if (q == p || !fits(q, -1, other)) continue;
                    assign(other, q);
                    assign(section, p);
                    return;
                }
            }
    }

    // --- neighbours alike -------------------------------------------------------------------------------

    bool clashes(int section, int paper) const {
        for (const auto& [other, index] : cost_.next(section))
            if (paper_[other] == paper) return true;
        return false;
    }

    void part_neighbours() {
        repairs_from_ = capacity_.layings();
        for (const Neighbours& n : job_.neighbours) {
            if (paper_[n.a] < 0 || paper_[n.a] != paper_[n.b]) continue;
            if (move_away(n.a) || move_away(n.b) || trade(n.a) || trade(n.b)) continue;
        }
    }

    bool is_free(int section) const {
        return job_.sections[section].given < 0 && job_.sections[section].backed &&
               !possible_[section].empty();
    }

    bool move_away(int section) {
        if (!is_free(section)) return false;
        for (int p : by_cost(section)) {
            if (spent()) return false;
            if (clashes(section, p) || !fits(p, -1, section)) continue;
            assign(section, p);
            return true;
        }
        return false;
    }

    bool trade(int section) {
        if (!is_free(section)) return false;
        const int p = paper_[section];
        std::vector<int> others = free_;
        std::stable_sort(others.begin(), others.end(), [&](int a, int b) {
            return std::abs(job_.sections[a].area - job_.sections[section].area) <
                   std::abs(job_.sections[b].area - job_.sections[section].area);
        });
        for (int other : others) {
            if (spent()) return false;
            const int q = paper_[other];
            if (q < 0 || q == p || !can(section, q) || !can(other, p)) continue;
            paper_[section] = paper_[other] = -1;
            const bool clean = !clashes(section, q) && !clashes(other, p);
            paper_[section] = p;
            paper_[other] = q;
            if (!clean || !fits(q, other, section) || !fits(p, section, other)) continue;
            assign(section, q);
            assign(other, p);
            return true;
        }
        return false;
    }

    const MatchJob& job_;
    Capacity& capacity_;
    const StopToken& stop_;
    const Progress& progress_;
    Cost cost_;
    std::mt19937 random_;
    std::vector<double> room_; ///< what we believe fits on each paper, mm2
    std::vector<std::vector<int>> possible_;
    std::vector<int> free_;
    std::vector<int> paper_;
    std::vector<double> area_;
    std::vector<int> uses_;
    std::size_t repairs_from_ = 0;
};

} // namespace

double cost_of(const MatchJob& job, const std::vector<int>& paper) {
    return Cost(job).total(paper);
}

Assignment match(const MatchJob& job, Capacity& capacity, const StopToken& stop, const Progress& progress) {
    return Matcher(job, capacity, stop, progress).run();
}

} // namespace zesty
