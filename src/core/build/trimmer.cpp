#include "core/build/trimmer.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double trimmer_blind = 0.05; ///< mm that a trimmer does not see

struct Cut {
    bool across = true;
    double place = 0; ///< on the sheet
};

class Trimming {
public:
    explicit Trimming(const std::vector<Box>& wanted) : wanted_(wanted) {}

    void part(const Box& paper, const std::vector<int>& here) {
        if (here.empty()) {
            if (paper.area() > out_.largest_left.area()) out_.largest_left = paper;
            return;
        }
        const std::vector<Cut> cuts = possible(paper, here);
        if (cuts.empty()) {
            if (here.size() > 1) out_.by_knife.insert(out_.by_knife.end(), here.begin(), here.end());
            return;
        }
        const Cut best = *std::max_element(cuts.begin(), cuts.end(), [&](const Cut& a, const Cut& b) {
            return worth(paper, here, a) < worth(paper, here, b);
        });
        const auto [near, far] = halves(paper, best);
        std::vector<int> in_near, in_far;
        for (const int i : here)
            (near.grown(trimmer_blind).holds(wanted_[static_cast<std::size_t>(i)]) ? in_near : in_far)
                .push_back(i);
        out_.cuts.push_back(
            {paper, best.across, best.place - (best.across ? paper.y0 : paper.x0), in_near.empty()});
        part(near, in_near);
        part(far, in_far);
    }

    TrimPlan done() { return std::move(out_); }

private:
    static std::pair<Box, Box> halves(const Box& paper, const Cut& cut) {
        Box near = paper, far = paper;
        (cut.across ? near.y1 : near.x1) = cut.place;
        (cut.across ? far.y0 : far.x0) = cut.place;
        return {near, far};
    }

    /// Along the edges of what is wanted, through nothing that is.
    std::vector<Cut> possible(const Box& paper, const std::vector<int>& here) const {
        std::vector<Cut> out;
        for (const bool across : {true, false})
            for (const int i : here) {
                const Box& b = wanted_[static_cast<std::size_t>(i)];
                for (const double place : {across ? b.y0 : b.x0, across ? b.y1 : b.x1}) {
                    const double from = across ? paper.y0 : paper.x0;
                    const double to = across ? paper.y1 : paper.x1;
                    if (place < from + trimmer_blind || place > to - trimmer_blind) continue;
                    const bool free = std::none_of(here.begin(), here.end(), [&](int k) {
                        const Box& w = wanted_[static_cast<std::size_t>(k)];
                        return (across ? w.y0 : w.x0) < place - trimmer_blind &&
                               place + trimmer_blind < (across ? w.y1 : w.x1);
                    });
                    if (free) out.push_back({across, place});
                }
            }
        return out;
    }

    /// The largest whole piece of paper that comes off with nothing on it; where none does, fewer cuts are
    /// better: those that part what is wanted evenly.
    double worth(const Box& paper, const std::vector<int>& here, const Cut& cut) const {
        const auto [near, far] = halves(paper, cut);
        int in_near = 0;
        for (const int i : here)
            if (near.grown(trimmer_blind).holds(wanted_[static_cast<std::size_t>(i)])) ++in_near;
        const int all = static_cast<int>(here.size());
        if (in_near == 0) return near.area();
        if (in_near == all) return far.area();
        return static_cast<double>(std::min(in_near, all - in_near)) / all;
    }

    const std::vector<Box>& wanted_;
    TrimPlan out_;
};

} // namespace

TrimPlan trim_plan(const Box& sheet, const std::vector<Box>& wanted) {
    Trimming trimming(wanted);
    std::vector<int> all;
    for (std::size_t i = 0; i < wanted.size(); ++i) all.push_back(static_cast<int>(i));
    trimming.part(sheet, all);
    return trimming.done();
}

} // namespace zesty
