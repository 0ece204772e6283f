#include "core/match/moods.h"

#include "core/match/pattern_room.h"
#include "core/stash/variation.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double drift_by = 0.6;
constexpr double usual_yield = 0.55; ///< of a sheet, that patches take
constexpr double weight_of_tie = 0.35;
constexpr double clearly_another = 9; ///< of face distances: papers that are not just alike
constexpr double full_chroma = 55;    ///< of a colour that is strong
constexpr double very_busy = 30;      ///< of the colours within an opening, root mean square in Lab
constexpr double nearly_as_good = 0.12;
constexpr double grey_below = 8;  ///< chroma of a colour that has no hue to speak of
constexpr double near_photo = 40; ///< delta E 2000 at which a paper has nothing of a photo's colour
constexpr double least_photo_share = 0.02;

struct Colours {
    double chroma = 0; ///< the mean
    double warm = 0;   ///< share of colours that are
    double cool = 0;
};

Colours spread_of(const PaperFace& face) {
    Colours out;
    double all = 0;
    for (const PaletteColour& c : palette_or_colour(face)) {
        const Lab lab = to_lab(c.colour);
        const double chroma = chroma_of(lab);
        all += c.share;
        out.chroma += c.share * chroma;
        if (chroma < grey_below) continue;
        const double hue = std::remainder(std::atan2(lab.b, lab.a) * 180 / M_PI - 40, 360);
        (std::abs(hue) <= 70 ? out.warm : out.cool) += c.share;
    }
    all = std::max(all, 1e-9);
    return {out.chroma / all, out.warm / all, out.cool / all};
}

double near_a_photo(const PaperFace& face, const std::vector<PaletteColour>& photo) {
    double best = near_photo;
    for (const PaletteColour& c : palette_or_colour(face))
        for (const PaletteColour& p : photo) {
            const Lab lab = to_lab(p.colour);
            // Small strong accents are what papers pick up.
            if (p.share < least_photo_share || chroma_of(lab) < grey_below) continue;
            best = std::min(best, difference(to_lab(c.colour), lab) + 8 * (1 - std::min(1.0, 4 * c.share)));
        }
    return 1 - best / near_photo;
}

/// How far the colours of a palette lie from their mean, root mean square in Lab.
double spread_of_palette(const PaperFace& face) {
    Lab mean;
    double all = 0;
    double squares = 0;
    for (const PaletteColour& c : palette_or_colour(face)) {
        const Lab lab = to_lab(c.colour);
        all += c.share;
        mean = {mean.l + c.share * lab.l, mean.a + c.share * lab.a, mean.b + c.share * lab.b};
        squares += c.share * (lab.l * lab.l + lab.a * lab.a + lab.b * lab.b);
    }
    all = std::max(all, 1e-9);
    return std::sqrt(
        std::max(0.0, squares / all - (mean.l * mean.l + mean.a * mean.a + mean.b * mean.b) / (all * all)));
}

double liking_of_face(Mood mood, const PaperFace& face, const std::vector<PaletteColour>& photo,
                      double radius) {
    const Colours c = spread_of(face);
    const double strong = std::min(1.0, c.chroma / full_chroma);
    switch (mood) {
    case Mood::WithPhoto:
        return near_a_photo(face, photo);
    case Mood::Quiet:
        return std::max(0.0, 1 - strong - 0.6 * busyness(face, radius));
    case Mood::Bold:
        return std::min(1.0, 0.65 * strong + 0.5 * busyness(face, radius));
    case Mood::Warm:
        return std::max(0.0, c.warm - 0.8 * c.cool);
    case Mood::Cool:
        return std::max(0.0, c.cool - 0.8 * c.warm);
    default:
        return 0.5;
    }
}

int usual_count(Mood mood) {
    switch (mood) {
    case Mood::FewPapers:
        return 4;
    case Mood::ManyPapers:
        return 1000;
    case Mood::AsAsked:
    case Mood::FromHere:
    case Mood::ScrapsFirst:
        return 8;
    default:
        return 6;
    }
}

/// Chooses the papers of one proposal.
class Choosing {
public:
    Choosing(Mood mood, const MatchJob& job, Capacity& capacity, const std::set<int>& taken)
        : mood_(mood), job_(job), capacity_(capacity), distances_(job.distances) {
        for (const MatchSection& s : job.sections) {
            if (!s.backed || s.given >= 0) continue;
            free_.push_back(&s);
            needed_ += s.area / usual_yield;
        }
        const double radius = usual_radius();
        for (std::size_t p = 0; p < job.stash.papers.size(); ++p) {
            const bool used = taken.contains(static_cast<int>(p));
            const MatchPaper* known = job.papers.empty() ? nullptr : &job.papers[p];
            double score = liking(mood, job.stash.papers[p], job.photo_colours, radius);
            if (mood == Mood::ScrapsFirst && known) score = known->scraps > 0 ? 1 : 0.2;
            if (known && known->role == PaperRole::UseUp) score += 0.5;
            if (known && known->role == PaperRole::Tie) score += 1;
            if (known && known->role == PaperRole::Spare) score -= 0.5;
            score_.push_back(score - (used ? 2 : 0));
        }
        gather_round_one();
    }

    /// `most`: of a large page; a small one shows fewer, so that they come back.
    std::set<int> run(int most) {
        const int count = std::min(most, std::max(3, 2 + static_cast<int>(free_.size()) / 3));
        if (tie_ >= 0) add_best([this](int p) { return p == tie_; });
        add_one_of_each_kind(std::max(2, (2 * count) / 3));
        while (static_cast<int>(chosen_.size()) < count)
            if (!add_best([](int) { return true; })) break;
        while (stock_ < needed_)
            if (!add_best([](int) { return true; })) break;
        for (const MatchSection* s : free_)
            while (choices_for(*s) < 2)
                if (!add_best([&](int p) { return holds(*s, p); })) break;
        return chosen_;
    }

private:
    /// A pattern that holds several colours ties a page together, and the others take up its colours. Which
    /// one, of those the mood likes, is left to the page, so that not every page looks the same.
    void gather_round_one() {
        std::vector<int> ties;
        double best = 0;
        for (std::size_t p = 0; p < score_.size(); ++p) {
            const Paper& paper = job_.stash.papers[p];
            if (paper.pattern == Pattern::Solid || paper.palette.size() < 3 ||
                !has_stock(static_cast<int>(p)))
                continue;
            best = std::max(best, score_[p]);
            ties.push_back(static_cast<int>(p));
        }
        std::erase_if(ties, [&](int p) { return score_[static_cast<std::size_t>(p)] < best - 0.2; });
        if (ties.empty()) return;
        tie_ = ties[page_number() % ties.size()];
        const auto& colours = job_.stash.papers[static_cast<std::size_t>(tie_)].palette;
        for (std::size_t p = 0; p < score_.size(); ++p)
            score_[p] += weight_of_tie * near_a_photo(job_.stash.papers[p].face(Side::A), colours);
    }

    /// Of the openings that are to have paper, the one in the middle by size.
    double usual_radius() const {
        std::vector<double> all;
        for (const MatchSection* s : free_) all.push_back(s->radius);
        if (all.empty()) return 0;
        const auto middle = all.begin() + static_cast<std::ptrdiff_t>(all.size() / 2);
        std::nth_element(all.begin(), middle, all.end());
        return *middle;
    }

    /// Another one for another page, the same for the same.
    unsigned page_number() const {
        double area = 0;
        for (const MatchSection* s : free_) area += s->area + s->radius;
        return job_.seed + static_cast<unsigned>(std::lround(area)) % 9973;
    }

    bool has_stock(int paper) const { return capacity_.stock_area(paper) > 0; }

    bool holds(const MatchSection& s, int paper) const {
        return std::find(s.never.begin(), s.never.end(), paper) == s.never.end() &&
               std::all_of(s.patches.begin(), s.patches.end(),
                           [&](int patch) { return capacity_.fits_alone(patch, paper); });
    }

    int choices_for(const MatchSection& s) const {
        return static_cast<int>(
            std::count_if(chosen_.begin(), chosen_.end(), [&](int p) { return holds(s, p); }));
    }

    /// What it would add that the chosen ones do not look like already.
    double worth(int paper) const {
        double nearest = clearly_another;
        if (distances_)
            for (const int other : chosen_) nearest = std::min(nearest, distances_->look(paper, other));
        return score_[static_cast<std::size_t>(paper)] - 0.6 * (1 - nearest / clearly_another);
    }

    /// Of those that are worth nearly the same, one for this page and another for the next.
    template <class Good> bool add_best(Good good) {
        std::vector<std::pair<double, int>> all;
        for (int p = 0; p < static_cast<int>(score_.size()); ++p)
            if (has_stock(p) && !chosen_.contains(p) && good(p)) all.emplace_back(-worth(p), p);
        if (all.empty()) return false;
        std::sort(all.begin(), all.end());
        const double enough = all.front().first + nearly_as_good;
        std::erase_if(all, [&](const auto& a) { return a.first > enough; });
        const int best = all[(page_number() / 13 + chosen_.size()) % all.size()].second;
        chosen_.insert(best);
        stock_ += capacity_.stock_area(best);
        return true;
    }

    /// Patterns are what papers are bought for: one of each kind that some section shows well.
    void add_one_of_each_kind(int count) {
        std::vector<Pattern> kinds{Pattern::Large, Pattern::Small, Pattern::Stripe, Pattern::Ombre,
                                   Pattern::Picture};
        std::rotate(kinds.begin(), kinds.begin() + page_number() / 7 % kinds.size(), kinds.end());
        for (const Pattern kind : kinds) {
            if (tie_ >= 0 && job_.stash.papers[static_cast<std::size_t>(tie_)].pattern == kind) continue;
            if (static_cast<int>(chosen_.size()) >= count) return;
            if (mood_ == Mood::Quiet && kind == Pattern::Picture) continue;
            add_best([&](int p) {
                const Paper& paper = job_.stash.papers[static_cast<std::size_t>(p)];
                if (paper.pattern != kind || score_[static_cast<std::size_t>(p)] < least_liking())
                    return false;
                const double room = pattern_room(paper.face(Side::A));
                return std::any_of(free_.begin(), free_.end(),
                                   [&](const MatchSection* s) { return s->radius >= room && holds(*s, p); });
            });
        }
    }

    double least_liking() const {
        const bool of_colour = mood_ == Mood::Warm || mood_ == Mood::Cool || mood_ == Mood::WithPhoto;
        return of_colour ? 0.3 : 0.15;
    }

    Mood mood_;
    const MatchJob& job_;
    Capacity& capacity_;
    std::shared_ptr<const FaceDistances> distances_;
    std::vector<double> score_;
    std::vector<const MatchSection*> free_;
    double needed_ = 0;
    double stock_ = 0;
    int tie_ = -1; ///< the pattern that the others gather round
    std::set<int> chosen_;
};

} // namespace

double busyness(const PaperFace& face, double radius) {
    double varies = variation_within(face.variation, radius);
    if (face.variation.empty() && face.pattern != Pattern::Solid && face.pattern != Pattern::Ombre) {
        const double room = pattern_room(face);
        varies = spread_of_palette(face) * (room > 0 ? std::min(1.0, std::sqrt(radius / room)) : 1);
    }
    return std::min(1.0, varies / very_busy);
}

double liking(Mood mood, const Paper& paper, const std::vector<PaletteColour>& photo_colours, double radius) {
    const double front = liking_of_face(mood, paper.face(Side::A), photo_colours, radius);
    return paper.back ? std::max(front, 0.8 * liking_of_face(mood, *paper.back, photo_colours, radius))
                      : front;
}

std::set<int> papers_for(Mood mood, const MatchJob& job, Capacity& capacity, const std::set<int>& taken,
                         int more) {
    return Choosing(mood, job, capacity, taken).run(usual_count(mood) + more);
}

MatchStyle style_for(Mood mood, const MatchStyle& asked) {
    MatchStyle out = asked;
    const auto more = [](double weight, double times) {
        return std::clamp(times * weight, 2.0, weight_limits.most);
    };
    switch (mood) {
    case Mood::WithPhoto:
        out.weights.photo = more(asked.weights.photo, 2);
        break;
    case Mood::Bold:
        out.weights.differ = more(asked.weights.differ, 2);
        out.weights.behind = more(asked.weights.behind, 2);
        break;
    case Mood::ScrapsFirst:
        out.weights.thrift = more(asked.weights.thrift, 4);
        break;
    case Mood::MoreDrift:
        out.drift = std::min(1.0, asked.drift + drift_by);
        break;
    case Mood::MoreScatter:
        out.drift = std::max(0.0, asked.drift - drift_by);
        break;
    default:
        break;
    }
    return out;
}

} // namespace zesty
