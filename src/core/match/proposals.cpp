#include "core/match/proposals.h"

#include <algorithm>
#include <tuple>
#include <utility>

namespace zesty {

namespace {

constexpr double clearly = 0.25;        ///< of the sections, where papers have to be shared
constexpr double most_in_common = 0.5;  ///< of the papers
constexpr double effort_for_more = 0.3; ///< the first is what was asked for
constexpr int takes_of_one_mood = 6;
constexpr std::ptrdiff_t always_made = 3; ///< however few are asked for

struct Take {
    Mood mood;
    unsigned seed;
};

std::vector<Take> takes(const MatchJob& job, const ProposalWish& wish) {
    std::vector<Take> out;
    if (wish.mood || !wish.papers.empty()) {
        for (unsigned k = 0; k < takes_of_one_mood; ++k)
            out.push_back({wish.mood.value_or(Mood::AnotherTake), job.seed + k});
        return out;
    }
    out.push_back({Mood::AsAsked, job.seed});
    if (!job.start.empty()) out.push_back({Mood::FromHere, job.seed});
    if (!job.photo_colours.empty()) out.push_back({Mood::WithPhoto, job.seed + 1});
    out.push_back({job.style.drift > 0.5 ? Mood::MoreScatter : Mood::MoreDrift, job.seed});
    unsigned k = 2;
    for (const Mood mood :
         {Mood::Bold, Mood::Quiet, Mood::ScrapsFirst, Mood::Warm, Mood::Cool, Mood::FewPapers})
        out.push_back({mood, job.seed + k++});
    return out;
}

std::set<int> papers_of(const std::vector<Face>& faces, const std::vector<int>& assigned) {
    std::set<int> out;
    for (const int f : assigned)
        if (f >= 0) out.insert(faces[f].paper);
    return out;
}

/// Makes one after the other and keeps those that are different.
class Proposing {
public:
    Proposing(const MatchJob& job, Capacity& capacity, const ProposalWish& wish)
        : job_(job), capacity_(capacity), wish_(wish), faces_(faces_of(job.stash)) {}

    /// Half of an answer is worth having only when there is no other: false then.
    bool add(const Take& take, const StopToken& stop, const Progress& progress) {
        const bool first = kept_.empty() && made_.empty();
        MatchJob one = job_;
        one.style = style_for(take.mood, job_.style);
        one.seed = take.seed;
        if (take.mood != Mood::FromHere) one.start.clear();
        if (!first) one.effort = effort_for_more;
        Assignment got = attempt(one, take, stop, progress);
        if (!first && !got.complete) return false;
        keep({take.mood, one.style, std::move(got)});
        return true;
    }

    std::vector<Proposal> take_best(int count) {
        // Where the drawer holds too few papers for different ones, others of them are dealt differently; the
        // very same only where nothing else is left to choose from.
        for (const bool same : {false, true})
            for (Proposal& p : made_)
                if (static_cast<int>(kept_.size()) <
                        (same ? std::min(count, static_cast<int>(always_made)) : count) &&
                    !p.assignment.paper.empty() && unlike_all(p) && (same || of_other_papers(p)))
                    kept_.push_back(std::exchange(p, {}));
        const auto rank = [&](const Proposal& p) {
            const bool against = p.mood == Mood::MoreScatter || p.mood == Mood::MoreDrift;
            return std::tuple(missing(p.assignment), against, p.assignment.alike.size(),
                              cost_of(job_, p.assignment.paper));
        };
        // Of one mood the first ones suit it best. Those that are always made are ranked, others follow: a
        // number means the same however many are asked for.
        if (!wish_.mood)
            std::stable_sort(kept_.begin(),
                             kept_.begin() + std::min<std::ptrdiff_t>(always_made, std::ssize(kept_)),
                             [&](const Proposal& a, const Proposal& b) { return rank(a) < rank(b); });
        return std::move(kept_);
    }
    int count() const { return static_cast<int>(kept_.size()); }

private:
    int missing(const Assignment& a) const {
        int out = 0;
        for (std::size_t s = 0; s < job_.sections.size(); ++s)
            out += job_.sections[s].backed && a.paper[s] < 0;
        return out;
    }

    /// With the papers of the mood; with more of them where these are not enough.
    Assignment attempt(const MatchJob& job, const Take& take, const StopToken& stop,
                       const Progress& progress) {
        constexpr int more = 4;
        Assignment best;
        for (int round = 0; round < 3; ++round) {
            const bool all = round == 2;
            const std::set<int> papers = wish_.papers.empty()
                                             ? papers_for(take.mood, job, capacity_, taken_, round * more)
                                             : wish_.papers;
            Assignment got = match(all ? job : restricted(job, papers), capacity_, stop, progress);
            const auto rank = [&](const Assignment& a) { return std::pair(missing(a), a.alike.size()); };
            if (round == 0 || rank(got) < rank(best)) best = std::move(got);
            if (missing(best) == 0 && best.alike.size() <= alike_by_need_ + 1) break;
            if (stopped(stop)) break;
        }
        if (kept_.empty()) alike_by_need_ = best.alike.size();
        return best;
    }

    MatchJob restricted(MatchJob job, const std::set<int>& papers) const {
        for (MatchSection& s : job.sections) {
            if (!s.backed || s.given >= 0) continue;
            for (std::size_t p = 0; p < job.stash.papers.size(); ++p)
                if (!papers.contains(static_cast<int>(p))) s.never.push_back(static_cast<int>(p));
        }
        for (std::size_t p = 0; p < job.papers.size(); ++p)
            job.papers[p].feature = job.papers[p].feature && papers.contains(static_cast<int>(p));
        std::set<Pattern> kinds;
        for (const int p : papers)
            if (!job.papers.empty() && kinds.insert(job.stash.papers[p].pattern).second)
                job.papers[p].feature = true;
        return job;
    }

    void keep(Proposal p) {
        // What comes out short where another does not is no choice.
        const int short_of = missing(p.assignment);
        if (std::any_of(kept_.begin(), kept_.end(),
                        [&](const Proposal& k) { return missing(k.assignment) < short_of; }))
            return;
        const bool other_papers = std::all_of(kept_.begin(), kept_.end(), [&](const Proposal& k) {
            return common_papers(faces_, p.assignment.paper, k.assignment.paper) <= most_in_common;
        });
        if (!kept_.empty() && !(other_papers && unlike_all(p))) {
            // What is wanted alike is only to be dealt differently.
            if (!wish_.papers.empty() && unlike_all(p))
                kept_.push_back(std::move(p));
            else
                made_.push_back(std::move(p));
            return;
        }
        for (const int paper : papers_of(faces_, p.assignment.paper)) taken_.insert(paper);
        kept_.push_back(std::move(p));
    }

    bool of_other_papers(const Proposal& p) const {
        const std::set<int> papers = papers_of(faces_, p.assignment.paper);
        return std::none_of(kept_.begin(), kept_.end(), [&](const Proposal& k) {
            return papers_of(faces_, k.assignment.paper) == papers;
        });
    }

    bool unlike_all(const Proposal& p) const {
        return std::all_of(kept_.begin(), kept_.end(), [&](const Proposal& k) {
            return unlikeness(job_, p.assignment.paper, k.assignment.paper) >= clearly;
        });
    }

    const MatchJob& job_;
    Capacity& capacity_;
    const ProposalWish& wish_;
    std::vector<Face> faces_;
    std::vector<Proposal> kept_;
    std::vector<Proposal> made_; ///< too much like the kept ones in their papers
    std::set<int> taken_;        ///< papers of the kept ones
    std::size_t alike_by_need_ = 0;
};

} // namespace

double unlikeness(const MatchJob& job, const std::vector<int>& a, const std::vector<int>& b) {
    int free = 0;
    int other = 0;
    for (std::size_t s = 0; s < job.sections.size(); ++s) {
        if (!job.sections[s].backed || job.sections[s].given >= 0) continue;
        ++free;
        other += a[s] != b[s];
    }
    return free ? static_cast<double>(other) / free : 0;
}

double common_papers(const std::vector<Face>& faces, const std::vector<int>& a, const std::vector<int>& b) {
    const std::set<int> one = papers_of(faces, a);
    const std::set<int> other = papers_of(faces, b);
    const auto both = std::count_if(one.begin(), one.end(), [&](int p) { return other.contains(p); });
    return static_cast<double>(both) /
           static_cast<double>(std::max<std::size_t>(1, std::min(one.size(), other.size())));
}

std::vector<Proposal> proposals(const MatchJob& job, Capacity& capacity, int count, const ProposalWish& wish,
                                const StopToken& stop, const Progress& progress) {
    Proposing proposing(job, capacity, wish);
    const std::vector<Take> all = takes(job, wish);
    const int made = std::max(count, static_cast<int>(always_made));
    for (std::size_t t = 0; t < all.size() && proposing.count() < made; ++t) {
        if (t > 0 && stopped(stop)) break;
        const Progress part = [&](double f, const char* what) {
            if (progress) progress((static_cast<double>(t) + f) / static_cast<double>(all.size()), what);
        };
        if (!proposing.add(all[t], stop, part)) break;
    }
    std::vector<Proposal> best = proposing.take_best(made);
    if (static_cast<int>(best.size()) > count) best.resize(static_cast<std::size_t>(count));
    return best;
}

} // namespace zesty
