#include "core/match/match.h"

#include "core/match/annealing.h"
#include "core/match/forced.h"
#include "core/match/joined.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <limits>

namespace zesty {

namespace {

/// Part of a stock that patches usually fill; the nesting corrects it.
constexpr double first_guess_of_yield = 0.7;
constexpr int rounds = 6;                   ///< of choosing and learning in an attempt
constexpr int most_attempts = 10;           ///< from a new start while something is short or alike
constexpr std::size_t most_repairs = 160;   ///< nestings spent on repairs in an attempt
constexpr std::size_t enough_layings = 400; ///< nestings after which nothing is attempted anew

/// How good an answer is, in the order of what counts.
struct Rank {
    int short_sections = std::numeric_limits<int>::max();
    std::size_t alike = 0;
    double cost = 0;
    auto operator<=>(const Rank&) const = default;
};

class Matcher {
public:
    Matcher(const MatchJob& job, Capacity& capacity, const StopToken& stop, const Progress& progress)
        : job_(job), capacity_(capacity), stop_(stop), progress_(progress), cost_(job), random_(job.seed),
          all_possible_(papers_that_fit()), possible_(all_possible_), draft_(job, cost_, possible_),
          annealing_(draft_, job, cost_, room_, random_) {
        for (std::size_t p = 0; p < job.stash.papers.size(); ++p)
            room_.push_back(capacity.stock_area(static_cast<int>(p)) * first_guess_of_yield);
    }

    Assignment run() {
        const std::vector<int> given = draft_.papers();
        std::vector<int> best = started_from(given);
        const bool improves = best != given;
        Rank best_rank;
        const std::size_t least = least_alike(job_, cost_, all_possible_);
        const std::size_t last = capacity_.layings() + static_cast<std::size_t>(job_.effort * enough_layings);
        for (int attempt = 0; attempt < most_attempts; ++attempt) {
            if (attempt > 0 && (stopped(stop_) || capacity_.layings() > last)) break;
            // A new start every other time; between them the best so far is shaken.
            const bool afresh = attempt % 2 == (improves ? 1 : 0);
            choose_among(attempt);
            draft_.assign_all(allowed_now(afresh ? given : best));
            if (attempt > 0) probe_rooms();
            choose(afresh, attempt);
            tell(attempt + 0.6, "making room");
            place_the_short();
            tell(attempt + 0.8, "parting neighbours");
            // Where each place is to have its tone, the same paper side by side is better than the opposite.
            const bool tones_first = job_.style.drift > 0.5;
            if (!tones_first) part_neighbours();
            const Rank rank{count_short(), tones_first ? 0 : draft_.alike().size(),
                            cost_.total(draft_.papers())};
            if (rank < best_rank) {
                best_rank = rank;
                best = draft_.papers();
            }
            if (best_rank.short_sections == 0 && best_rank.alike <= least) break;
        }
        draft_.assign_all(best);
        return {draft_.papers(), draft_.alike(), cost_.total(draft_.papers()), !stopped(stop_)};
    }

private:
    /// What the job starts from, as far as it may still be chosen.
    std::vector<int> started_from(const std::vector<int>& given) const {
        std::vector<int> out = given;
        if (job_.start.empty()) return out;
        for (int s : draft_.free())
            if (draft_.can(s, job_.start[s])) out[s] = job_.start[s];
        return out;
    }

    /// The first attempt is mostly the last: it gets most of the gauge.
    void tell(double attempts, const char* what) const {
        if (progress_) progress_(1 - std::pow(0.3, attempts), what);
    }

    /// Papers that must not meet divide a page between them, which small steps do not find: where a first
    /// attempt leaves sections without paper, one of each such pair is left out, in turns.
    void choose_among(int attempt) {
        if (job_.apart.empty()) return;
        possible_ = all_possible_;
        if (attempt == 0) return;
        for (auto& faces : possible_) {
            std::vector<int> fewer = faces;
            std::erase_if(fewer, [&](int f) {
                for (std::size_t k = 0; k < job_.apart.size(); ++k) {
                    const bool second = static_cast<unsigned>(attempt - 1) >> (k % 3) & 1;
                    if (cost_.paper_of(f) == (second ? job_.apart[k].first : job_.apart[k].second))
                        return true;
                }
                return false;
            });
            if (!fewer.empty()) faces = std::move(fewer);
        }
    }

    std::vector<int> allowed_now(std::vector<int> papers) const {
        for (int s : draft_.free())
            if (!draft_.can(s, papers[s])) papers[s] = -1;
        return papers;
    }

    std::vector<std::vector<int>> papers_that_fit() {
        std::vector<std::vector<int>> out(job_.sections.size());
        for (std::size_t s = 0; s < job_.sections.size(); ++s) {
            const MatchSection& section = job_.sections[s];
            if (!section.backed || section.given >= 0) continue;
            const auto& faces = cost_.faces();
            for (int f = 0; f < static_cast<int>(faces.size()) && !stopped(stop_); ++f)
                if (std::find(section.never.begin(), section.never.end(), faces[f].paper) ==
                        section.never.end() &&
                    std::all_of(section.patches.begin(), section.patches.end(), [&](int patch) {
                        return capacity_.fits_alone(patch, faces[f].paper, faces[f].side);
                    }))
                    out[s].push_back(f);
        }
        return out;
    }

    // --- choosing by area, learning from the nesting ----------------------------------------------------

    void choose(bool afresh, int attempt) {
        annealing_.fill();
        std::vector<int> best = draft_.papers();
        double best_missing = std::numeric_limits<double>::infinity();
        for (int round = 0; round < rounds && !stopped(stop_); ++round) {
            tell(attempt + 0.6 * round / rounds, "choosing papers");
            if (round == 0 && afresh)
                annealing_.run_often(60, stop_);
            else
                annealing_.run(12, stop_);
            const double missing = learn_from_nesting();
            if (missing < best_missing) {
                best_missing = missing;
                best = draft_.papers();
            }
            if (missing == 0) break;
        }
        draft_.assign_all(best);
    }

    bool all_fit_on(int paper, PaperNest const*& nest) {
        nest = &capacity_.lay(paper, draft_.patches_on(paper), 4, stop_);
        return nest->complete();
    }

    /// Nests every paper; where it does not all fit, less is put on it next time. Returns the missing area.
    double learn_from_nesting() {
        double missing = 0;
        const PaperNest* nest = nullptr;
        for (int p = 0; p < static_cast<int>(room_.size()) && !stopped(stop_); ++p) {
            if (all_fit_on(p, nest)) {
                room_[p] = std::max(room_[p], draft_.paper_share(p).area);
                continue;
            }
            missing += std::max(draft_.paper_share(p).area - nest->placed_area, 1.0);
            room_[p] = std::min(room_[p] * 0.95, nest->placed_area);
        }
        return missing;
    }

    /// What did not fit in one arrangement may fit in another.
    void probe_rooms() {
        for (std::size_t p = 0; p < room_.size(); ++p)
            room_[p] = std::min(room_[p] * 1.06, capacity_.stock_area(static_cast<int>(p)));
    }

    int count_short() const {
        const auto& free = draft_.free();
        return static_cast<int>(
            std::count_if(free.begin(), free.end(), [&](int s) { return draft_.paper(s) < 0; }));
    }

    // --- repairs, with the nesting as judge -------------------------------------------------------------

    /// Whether section `with` can have the face when section `without`, which is on the same paper, goes.
    bool fits(int face, int without, int with) {
        if (draft_.forbidden(with, face)) return false;
        const auto [paper, side] = cost_.faces()[face];
        double area = draft_.paper_share(paper).area + job_.sections[with].area;
        if (without >= 0) area -= job_.sections[without].area;
        // Turned over, it goes from one side of the paper to the other.
        if (draft_.paper(with) >= 0 && cost_.paper_of(draft_.paper(with)) == paper)
            area -= job_.sections[with].area;
        if (area > capacity_.stock_area(paper)) return false;
        return capacity_.lay(paper, draft_.patches_on(paper, without, with, side), 4, stop_).complete();
    }

    bool same_paper(int face, int other) const { return cost_.paper_of(face) == cost_.paper_of(other); }

    bool spent() const {
        return stopped(stop_) ||
               static_cast<double>(capacity_.layings() - repairs_from_) > job_.effort * most_repairs;
    }

    /// A section of which a patch found no place, not given by hand; -1 for none.
    int loser_of(int paper, const PaperNest& nest) const {
        int loser = -1;
        for (int s : draft_.free()) {
            if (draft_.paper(s) < 0 || cost_.paper_of(draft_.paper(s)) != paper) continue;
            const auto& own = job_.sections[s].patches;
            for (int u : nest.result.unplaced)
                if (std::find(own.begin(), own.end(), nest.patches[u].patch) != own.end()) loser = s;
        }
        return loser;
    }

    void take_back_the_short() {
        const PaperNest* nest = nullptr;
        for (int p = 0; p < static_cast<int>(room_.size()); ++p)
            while (!stopped(stop_) && !all_fit_on(p, nest)) {
                const int loser = loser_of(p, *nest);
                if (loser < 0) break;
                draft_.assign(loser, -1);
            }
        part_the_forbidden();
    }

    /// Rather no paper than two side by side that must not meet.
    void part_the_forbidden() {
        for (int s : draft_.free())
            if (draft_.paper(s) >= 0 && draft_.forbidden(s, draft_.paper(s))) draft_.assign(s, -1);
    }

    void place_the_short() {
        repairs_from_ = capacity_.layings();
        take_back_the_short();
        std::vector<int> waiting;
        for (int s : draft_.free())
            if (draft_.paper(s) < 0) waiting.push_back(s);
        std::stable_sort(waiting.begin(), waiting.end(),
                         [&](int a, int b) { return job_.sections[a].area > job_.sections[b].area; });
        for (int s : waiting)
            if (!settle(s)) make_room_for(s);
    }

    /// Papers for a section, least cost first.
    std::vector<int> by_cost(int section) const {
        std::vector<std::pair<double, int>> ranked;
        for (int p : draft_.possible(section))
            if (p != draft_.paper(section)) ranked.emplace_back(cost_.local(section, p, draft_.papers()), p);
        std::sort(ranked.begin(), ranked.end());
        std::vector<int> out;
        for (const auto& r : ranked) out.push_back(r.second);
        return out;
    }

    bool settle(int section) {
        for (int p : by_cost(section)) {
            if (spent()) return false;
            if (fits(p, -1, section)) {
                draft_.assign(section, p);
                return true;
            }
        }
        return false;
    }

    /// Somebody else moves away so that the section fits.
    void make_room_for(int section) {
        for (int p : by_cost(section))
            for (int other : draft_.free()) {
                if (spent()) return;
                if (draft_.paper(other) != p || job_.sections[other].area < 0.3 * job_.sections[section].area)
                    continue;
                if (!fits(p, other, section)) continue;
                for (int q : by_cost(other)) {
                    if (spent()) return;
                    if (same_paper(p, q) || !fits(q, -1, other)) continue;
                    draft_.assign(other, q);
                    draft_.assign(section, p);
                    return;
                }
            }
    }

    // --- neighbours alike -------------------------------------------------------------------------------

    void part_neighbours() {
        repairs_from_ = capacity_.layings();
        for (int i : draft_.alike()) {
            const Neighbours& n = job_.neighbours[i];
            if (draft_.paper(n.a) != draft_.paper(n.b)) continue; // parted by an earlier change
            if (move_away(n.a) || move_away(n.b) || trade(n.a) || trade(n.b) || give_way(n.a) ||
                give_way(n.b))
                continue;
        }
    }

    bool is_free(int section) const { return !possible_[section].empty(); }

    bool move_away(int section) {
        if (!is_free(section)) return false;
        for (int p : by_cost(section)) {
            if (spent()) return false;
            if (draft_.clashes(section, p) || !fits(p, -1, section)) continue;
            draft_.assign(section, p);
            return true;
        }
        return false;
    }

    /// Exchanges papers with a section of about the same size.
    bool trade(int section) {
        if (!is_free(section)) return false;
        const int p = draft_.paper(section);
        std::vector<int> others = draft_.free();
        const double area = job_.sections[section].area;
        std::stable_sort(others.begin(), others.end(), [&](int a, int b) {
            return std::abs(job_.sections[a].area - area) < std::abs(job_.sections[b].area - area);
        });
        for (int other : others) {
            if (spent()) return false;
            const int q = draft_.paper(other);
            if (q < 0 || same_paper(p, q) || !draft_.can(section, q) || !draft_.can(other, p)) continue;
            draft_.assign(section, -1);
            draft_.assign(other, -1);
            const bool clean = !draft_.clashes(section, q) && !draft_.clashes(other, p);
            draft_.assign(section, p);
            draft_.assign(other, q);
            if (!clean || !fits(q, other, section) || !fits(p, section, other)) continue;
            draft_.assign(section, q);
            draft_.assign(other, p);
            return true;
        }
        return false;
    }

    /// Goes without paper in place of a section that has none and can have one without a clash.
    bool give_way(int section) {
        if (!is_free(section)) return false;
        const int own = draft_.paper(section);
        for (int other : draft_.free()) {
            if (draft_.paper(other) >= 0) continue;
            draft_.assign(section, -1);
            for (int p : by_cost(other)) {
                if (spent()) break;
                if (draft_.clashes(other, p) || !fits(p, -1, other)) continue;
                draft_.assign(other, p);
                return true;
            }
            draft_.assign(section, own);
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
    std::vector<std::vector<int>> all_possible_;
    std::vector<std::vector<int>> possible_; ///< without what is not to be tried in this attempt
    Draft draft_;
    Annealing annealing_;
    std::size_t repairs_from_ = 0;
};

} // namespace

double cost_of(const MatchJob& job, const std::vector<int>& paper) {
    assert(paper.size() == job.sections.size());
    const Joined units = joined(job);
    return Cost(units.job).total(units.shrunk(paper));
}

Assignment match(const MatchJob& job, Capacity& capacity, const StopToken& stop, const Progress& progress) {
    assert(job.papers.empty() || job.papers.size() == job.stash.papers.size());
    assert(job.start.empty() || job.start.size() == job.sections.size());
    const Joined units = joined(job);
    Assignment out = Matcher(units.job, capacity, stop, progress).run();
    out.paper = units.spread(out.paper);
    out.alike.clear();
    for (std::size_t i = 0; i < job.neighbours.size(); ++i) {
        const Neighbours& n = job.neighbours[i];
        // Those that are alike by decision are as they should be.
        if (units.of[n.a] != units.of[n.b] && out.paper[n.a] >= 0 && out.paper[n.a] == out.paper[n.b])
            out.alike.push_back(static_cast<int>(i));
    }
    return out;
}

} // namespace zesty
