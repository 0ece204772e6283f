#include "core/match/cost.h"

#include "core/match/pattern_room.h"
#include "core/match/pattern_turn.h"
#include "core/stash/variation.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double weight_unassigned = 1000;
constexpr double weight_apart = 4000;
constexpr double weight_alike = 100;
constexpr double weight_similar = 20;
constexpr double weight_share = 40;
constexpr double weight_pattern = 6;
constexpr double weight_large_pattern = 14; ///< of which a small opening shows nothing
constexpr double weight_across = 5;
constexpr double weight_lonely = 2;
constexpr double weight_even = 0.3;
constexpr double weight_around = 3;
constexpr double weight_near = 10;
constexpr double weight_near_colour = 4;
constexpr double weight_tone = 60;
constexpr double far_off = 0.35; ///< of the way from light to dark
constexpr double times_far_off = 4;
constexpr double quite_another_tone = 0.15; ///< of the same
constexpr double weight_behind = 15;
constexpr double weight_photo = 12;
constexpr double weight_new_sheet = 4;
constexpr double weight_use_up = 30;
constexpr double most_used_up = 0.5; ///< of the page: no paper is to cover more for being used up
constexpr double weight_spare = 80;
constexpr double weight_tie = 15;
constexpr double weight_unseen = 10;        ///< a kind of pattern that has room on the page and is not used
constexpr double near_reach = 0.35;         ///< of the diagonal around all sections
constexpr double looks_alike_below = 10;    ///< delta E 2000
constexpr double one_colour_below = 18;     ///< delta E 2000: much of it in one spot is too much
constexpr double stands_out_from = 16;      ///< delta E 2000
constexpr double swallowed_below = 12;      ///< delta E 2000
constexpr double quite_another_colour = 60; ///< delta E 2000
constexpr double yield = 0.7;               ///< of a sheet, that patches take at best
constexpr int enough_ties = 3;
constexpr double one_way_below = 8;  ///< degrees: stripes that differ less run the same way
constexpr double quite_across = 45;  ///< degrees
constexpr double maybe_across = 0.5; ///< as a share, where stripes may be turned as they fit
constexpr double half_of_it = 2;     ///< a colour with half of what lies behind counts as all of it
constexpr double quarter_of_it = 4;  ///< the same of a photo

/// The share of `colours` that is hardly told from a colour of `ground`; of that a colour counts by `whole`
/// times its share, at most altogether.
double lost_on(const std::vector<PaletteColour>& colours, const std::vector<PaletteColour>& ground,
               double within, double whole) {
    double sum = 0;
    double shares = 0;
    for (const PaletteColour& c : colours) {
        double most = 0;
        for (const PaletteColour& g : ground)
            most = std::max(most,
                            std::min(1.0, whole * g.share) *
                                std::max(0.0, 1 - difference(to_lab(c.colour), to_lab(g.colour)) / within));
        sum += c.share * most;
        shares += c.share;
    }
    return shares > 0 ? sum / shares : 0;
}

} // namespace

Cost::Cost(const MatchJob& job)
    : job_(job), faces_(faces_of(job.stash)), count_(faces_.size()), next_(job.sections.size()) {
    for (std::size_t i = 0; i < job.neighbours.size(); ++i) {
        const Neighbours& n = job.neighbours[i];
        next_[n.a].emplace_back(n.b, static_cast<int>(i));
        next_[n.b].emplace_back(n.a, static_cast<int>(i));
    }
    for (const Face& f : faces_) {
        looks_.push_back(job.stash.papers[f.paper].face(f.side));
        lab_.push_back(to_lab(looks_.back().colour));
        room_.push_back(pattern_room(looks_.back()));
        striped_.push_back(looks_.back().pattern == Pattern::Stripe);
    }
    total_area_ = 1e-9;
    for (const MatchSection& s : job.sections) total_area_ += s.area;
    fair_share_ = 1.0 / std::clamp<double>(static_cast<double>(job.stash.papers.size()), 1, 7);
    compare_faces();
    find_near();
    find_pulls();
    find_contrast();
    find_own();
}

void Cost::compare_faces() {
    clash_.assign(count_ * count_, 0);
    crowd_.assign(count_ * count_, 0);
    apart_.assign(count_ * count_, 0);
    const double differ = job_.style.weights.differ;
    const auto distances = job_.distances ? job_.distances : distances_of(looks_);
    for (std::size_t a = 0; a < count_; ++a)
        for (std::size_t b = 0; b < count_; ++b) {
            const std::size_t i = a * count_ + b;
            // That neighbours are not the very same paper is wanted however little their looks count.
            clash_[i] = a == b ? weight_alike
                               : differ * weight_similar *
                                     std::max(0.0, 1 - distances->look(a, b) / looks_alike_below);
            crowd_[i] = a == b ? 1
                               : weight_near_colour / weight_near *
                                     std::max(0.0, 1 - distances->colour(a, b) / one_colour_below);
            for (const auto& [p, q] : job_.apart) {
                const std::pair pair{faces_[a].paper, faces_[b].paper};
                if (pair == std::pair{p, q} || pair == std::pair{q, p}) apart_[i] = 1;
            }
            if (apart_[i]) clash_[i] = weight_apart;
        }
}

void Cost::find_near() {
    near_.resize(job_.sections.size());
    const double weight = weight_near * (1 - job_.style.drift) * job_.style.weights.spread;
    Box box;
    for (const MatchSection& s : job_.sections) box.add(s.at);
    const double reach = near_reach * box.diagonal();
    if (weight <= 0 || reach <= 0) return;
    for (std::size_t a = 0; a < near_.size(); ++a)
        for (std::size_t b = a + 1; b < near_.size(); ++b) {
            const double d = distance(job_.sections[a].at, job_.sections[b].at);
            if (d >= reach) continue;
            near_[a].emplace_back(static_cast<int>(b), weight * (1 - d / reach));
            near_[b].emplace_back(static_cast<int>(a), weight * (1 - d / reach));
        }
}

void Cost::find_pulls() {
    Box box;
    for (const MatchSection& s : job_.sections) box.add(s.at);
    const Point focus = job_.focus.value_or(box.empty() ? Point{} : box.centre());
    for (const MatchSection& s : job_.sections) {
        const Point way = s.at - focus;
        const double l = length(way);
        pull_.push_back(l > 1e-9 ? way * (1 / l) : Point{});
    }
}

void Cost::find_own() {
    double light = 0;
    double dark = 100;
    for (const Lab& l : lab_) {
        light = std::max(light, l.l);
        dark = std::min(dark, l.l);
    }
    for (const Lab& l : lab_) tone_.push_back(light > dark ? (light - l.l) / (light - dark) : 0.5);
    own_.assign(job_.sections.size() * count_, 0);
    for (std::size_t s = 0; s < job_.sections.size(); ++s) {
        if (!job_.sections[s].backed) continue;
        for (std::size_t f = 0; f < count_; ++f)
            for (const CostTerm& t : own_terms(static_cast<int>(s), static_cast<int>(f)))
                own_[s * count_ + f] += t.amount;
    }
}

/// What speaks against a face in a section, whatever the others have.
std::vector<CostTerm> Cost::own_terms(int section, int face) const {
    const MatchSection& s = job_.sections[section];
    const MatchWeights& w = job_.style.weights;
    std::vector<CostTerm> out;
    const auto add = [&](CostTerm::Kind kind, double amount) {
        if (amount > 0) out.push_back({kind, amount});
    };
    if (job_.style.drift > 0) {
        // An ombre has every tone between its ends: it is cut where the wanted one is.
        const bool any_tone = looks_[face].pattern == Pattern::Ombre && !s.wanted;
        const double off = s.wanted ? std::min(1.0, difference(lab_[face], *s.wanted) / quite_another_colour)
                           : any_tone ? 0
                                      : std::abs(tone_[face] - s.tone);
        // The nearest tone is taken before a neighbour is made to differ, and the opposite never.
        const double too_far = std::max(0.0, off - far_off);
        add(CostTerm::Kind::Tone, weight_tone * job_.style.drift * (off + times_far_off * too_far));
    }
    if (const double room = room_[face]; s.radius < room) {
        const bool large = looks_[face].pattern == Pattern::Large || looks_[face].pattern == Pattern::Picture;
        add(CostTerm::Kind::Pattern,
            w.pattern * (large ? weight_large_pattern : weight_pattern) * (1 - s.radius / room));
    }
    double mat = 0;
    for (const MatBeside& m : s.mats) mat = std::max(mat, against(face, m.face, m.gap));
    add(CostTerm::Kind::Mat, mat);
    add(CostTerm::Kind::Behind, w.behind * weight_behind * fade(s, face));
    add(CostTerm::Kind::Photo, w.photo * weight_photo * s.beside_photo * swallow_[face]);
    return out;
}

/// How much of a side is lost on what lies behind and around: its colours by their shares. Where the opening
/// shows the pattern, what is not lost marks it.
double Cost::fade(const MatchSection& section, int face) const {
    double most = 0;
    for (const auto& ground : section.behind) {
        const auto at = std::find(grounds_.begin(), grounds_.end(), ground) - grounds_.begin();
        most = std::max(most, fades_[static_cast<std::size_t>(at) * count_ + face]);
    }
    return most * (1 - share_seen(looks_[face].variation, section.radius) * (1 - most));
}

void Cost::find_contrast() {
    for (const MatchSection& s : job_.sections)
        for (const auto& ground : s.behind)
            if (std::find(grounds_.begin(), grounds_.end(), ground) == grounds_.end())
                grounds_.push_back(ground);
    for (const auto& ground : grounds_)
        for (const PaperFace& face : looks_)
            fades_.push_back(lost_on(palette_or_colour(face), ground, stands_out_from, half_of_it));
    for (const PaperFace& face : looks_) {
        double most = 0;
        for (const PaletteColour& c : job_.photo_colours)
            most = std::max(most, std::min(1.0, quarter_of_it * c.share) *
                                      lost_on(palette_or_colour(face), {{c.colour, 1}}, swallowed_below, 1));
        swallow_.push_back(most);
    }
}

double Cost::unassigned(int section) const {
    return weight_unassigned * (1 + job_.sections[section].area / total_area_);
}

/// A wide bar keeps two papers apart better than a narrow one; what must not meet, meets across any.
double Cost::against(int face, int other, double width) const {
    const std::size_t i = face * count_ + other;
    return clash_[i] * (apart_[i] ? 1 : 1 - 0.5 * width / neighbour_limit);
}

/// From 0, quite another tone, to 1.
double Cost::sameness(int section, int other, int face) const {
    const MatchSection& a = job_.sections[section];
    const MatchSection& b = job_.sections[other];
    if (job_.style.drift <= 0 || looks_[face].pattern != Pattern::Ombre || a.wanted || b.wanted) return 1;
    return std::max(0.0, 1 - std::abs(a.place_tone - b.place_tone) / quite_another_tone);
}

double Cost::beside(int section, int face, int other, int other_face, double width) const {
    const double clash = against(face, other_face, width);
    return face == other_face ? clash * sameness(section, other, face) : clash;
}

/// The way stripes will run on the page in that section; nothing where that is left to the nesting.
std::optional<double> Cost::run_of(int section, int face) const {
    if (job_.sections[section].slant_deg) return job_.sections[section].slant_deg;
    if (looks_[face].direction == Direction::Free) return std::nullopt;
    return slant_of_turn(looks_[face], faces_[face].side, 0);
}

/// Stripes side by side are to run the same way.
double Cost::across(int section, int face, int other, int other_face) const {
    if (!striped_[face] || !striped_[other_face]) return 0;
    const double weight = job_.style.weights.pattern * weight_across;
    const auto a = run_of(section, face);
    const auto b = run_of(other, other_face);
    if (!a || !b) return weight * maybe_across;
    const double off = std::abs(std::remainder(*a - *b, 180));
    return off < one_way_below ? 0 : weight * std::min(1.0, off / quite_across);
}

double Cost::local(int section, int paper, const std::vector<int>& assigned) const {
    if (paper < 0) return unassigned(section);
    double sum = own_[section * count_ + paper];
    for (const auto& [other, index] : next_[section])
        if (const int q = assigned[other]; q >= 0)
            sum += beside(section, paper, other, q, job_.neighbours[index].width) +
                   across(section, paper, other, q);
    for (const auto& [other, weight] : near_[section])
        if (const int q = assigned[other]; q >= 0) sum += weight * crowd_[paper * count_ + q];
    return sum;
}

std::vector<CostTerm> Cost::terms(int section, int paper, const std::vector<int>& assigned) const {
    std::vector<CostTerm> out = own_terms(section, paper);
    for (const auto& [other, index] : next_[section]) {
        const int q = assigned[other];
        if (q < 0) continue;
        const auto kind = must_not_meet(paper, q) ? CostTerm::Kind::Apart
                          : q == paper            ? CostTerm::Kind::Alike
                                                  : CostTerm::Kind::Similar;
        out.push_back({kind, beside(section, paper, other, q, job_.neighbours[index].width), other});
        out.push_back({CostTerm::Kind::Across, across(section, paper, other, q), other});
    }
    CostTerm near{CostTerm::Kind::Near};
    double most = 0;
    for (const auto& [other, weight] : near_[section]) {
        if (assigned[other] < 0) continue;
        const double one = weight * crowd_[paper * count_ + assigned[other]];
        near.amount += one;
        if (one <= most) continue;
        most = one;
        near.other = other;
    }
    out.push_back(near);
    std::erase_if(out, [](const CostTerm& t) { return t.amount < 1e-9; });
    std::stable_sort(out.begin(), out.end(),
                     [](const CostTerm& a, const CostTerm& b) { return a.amount > b.amount; });
    return out;
}

double Cost::share(const Share& share) const {
    if (share.uses == 0) return 0;
    const double over = std::max(0.0, share.area / total_area_ - fair_share_);
    const double scatter = (1 - job_.style.drift) * job_.style.weights.spread;
    double sum = weight_share * job_.style.weights.spread * over * over * 10;
    if (share.uses < 3) sum += weight_lonely * (3 - share.uses);
    if (share.uses % 2 == 0) sum += weight_even * scatter;
    // Places all round the focus pull it nowhere: three of them are a triangle around it.
    if (share.uses >= 3) sum += weight_around * scatter * length(share.pull) / share.uses;
    return sum;
}

double Cost::paper_share(int paper, const Share& share) const {
    if (job_.papers.empty()) return 0;
    const MatchPaper& p = job_.papers[paper];
    const double from_new = std::max(0.0, share.area / yield - p.scraps);
    double sum = job_.style.weights.thrift * weight_new_sheet * from_new / std::max(p.sheet, 1.0);
    // What others want of it is better taken from another paper.
    const double crowded_out =
        std::min(p.wanted, std::max(0.0, share.area / yield + p.wanted / yield - p.stock));
    sum += weight_spare * crowded_out / total_area_;
    if (p.role == PaperRole::UseUp)
        sum += weight_use_up *
               (1 - std::min(1.0, share.area / std::clamp(yield * p.stock, 1.0, most_used_up * total_area_)));
    if (p.role == PaperRole::Spare)
        sum += weight_spare * share.area / total_area_ + weight_lonely * share.uses;
    if (p.feature && share.uses == 0) sum += job_.style.weights.pattern * weight_unseen;
    if (p.role == PaperRole::Tie) sum += weight_tie * std::max(0, enough_ties - share.uses);
    return sum;
}

double Cost::total(const std::vector<int>& assigned) const {
    double sum = 0;
    std::vector<Share> by_face(count_);
    std::vector<Share> by_paper(job_.stash.papers.size());
    const std::vector<int> alone(assigned.size(), -1);
    for (std::size_t i = 0; i < assigned.size(); ++i) {
        const int s = static_cast<int>(i);
        if (!job_.sections[i].backed) continue;
        // Every pair is met from both sides: count its clash by halves.
        const double with = local(s, assigned[i], assigned);
        if (assigned[i] < 0) {
            sum += with;
            continue;
        }
        const double without = local(s, assigned[i], alone);
        sum += without + (with - without) / 2;
        by_face[assigned[i]].add(job_.sections[i].area, pull_[i], 1);
        by_paper[paper_of(assigned[i])].add(job_.sections[i].area, pull_[i], 1);
    }
    for (const Share& s : by_face) sum += share(s);
    for (std::size_t p = 0; p < by_paper.size(); ++p) sum += paper_share(static_cast<int>(p), by_paper[p]);
    return sum;
}

} // namespace zesty
