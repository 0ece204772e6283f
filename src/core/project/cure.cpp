#include "core/project/cure.h"

#include "core/project/findings.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

constexpr int rounds = 3;
constexpr NudgeLimits small_moves{8, 96};
// A page of many hundred openings takes a tenth of a second for each place, and longer for each plan.
constexpr int most_cure_places = 4000;
constexpr int most_cure_plans = 100;

/// How many findings there are of each kind.
std::map<Code, int> counted(const Plan& plan) {
    std::map<Code, int> out;
    for (const Finding& f : plan.findings) ++out[f.code];
    return out;
}

bool nothing_new(const std::map<Code, int>& before, const Plan& after) {
    const auto now = counted(after);
    return std::all_of(now.begin(), now.end(), [&](const auto& code) {
        const auto was = before.find(code.first);
        return code.second <= (was == before.end() ? 0 : was->second);
    });
}

void note_move(std::vector<DressMove>& moves, const DressMove& move) {
    const auto same = std::find_if(moves.begin(), moves.end(), [&](const DressMove& m) {
        return m.what == move.what && m.index == move.index;
    });
    if (same == moves.end())
        moves.push_back(move);
    else
        same->by = same->by + move.by;
}

} // namespace

void MoveOnPage::operator()(Project& project) const {
    const auto i = static_cast<std::size_t>(move.index);
    if (move.index < 0) return;
    if (move.what == Lying::Photo && i < project.set_out.photos.size())
        project.set_out.photos[i].centre = project.set_out.photos[i].centre + move.by;
    if (move.what == Lying::Layer && i < project.dress.layers.size())
        project.dress.layers[i].centre = project.dress.layers[i].centre + move.by;
}

Result<Cure> cure_coverage(const Project& project, const Shapes& shapes, const StopToken& stop,
                           const Progress& progress) {
    Cure out{project, {}, 0, 0};
    auto plan = shapes(project);
    if (!plan) return tl::make_unexpected(plan.error());
    out.faults_before = out.faults_left = Nudging(dress_now(project, *plan)).faults();
    if (out.faults_before == 0)
        return fail(ErrorKind::NothingToDo, "no slivers are left, and nothing covers a protected part");
    int places = 0;
    int planned_so_far = 0;
    const StopToken enough = [&] {
        if (++places > most_cure_places || planned_so_far >= most_cure_plans) out.looked_everywhere = false;
        return !out.looked_everywhere || stopped(stop);
    };
    for (int round = 0; round < rounds && out.faults_left > 0 && out.looked_everywhere; ++round) {
        const std::size_t before_round = out.faults_left;
        const auto movers = Nudging(dress_now(out.project, *plan)).movers();
        for (std::size_t m = 0; m < movers.size() && out.faults_left > 0 && out.looked_everywhere; ++m) {
            if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
            if (progress)
                progress((static_cast<double>(m) / static_cast<double>(movers.size()) + round) / rounds,
                         "looking for small moves");
            const DressNow now = dress_now(out.project, *plan);
            const Nudging nudging(now);
            const auto known = counted(*plan);
            std::optional<Plan> planned;
            const auto move = nudging.smallest(
                movers[m], {},
                [&](const DressMove& tried) {
                    Project moved = out.project;
                    MoveOnPage{tried}(moved);
                    ++planned_so_far;
                    auto made = shapes(moved);
                    if (!made || !nothing_new(known, *made)) return false;
                    if (Nudging(dress_now(moved, *made)).faults() >= out.faults_left) return false;
                    planned = std::move(*made);
                    return true;
                },
                enough);
            if (!move) continue;
            MoveOnPage{*move}(out.project);
            plan = std::move(*planned);
            note_move(out.moves, *move);
            out.faults_left = Nudging(dress_now(out.project, *plan)).faults();
        }
        if (out.faults_left == before_round) break;
    }
    if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
    return out;
}

void offer_small_moves(const Project& project, Plan& plan) {
    const bool any = std::any_of(plan.findings.begin(), plan.findings.end(),
                                 [](const Finding& f) { return f.code == Code::Sliver; });
    if (!any) return;
    const DressNow now = dress_now(project, plan);
    const Nudging nudging(now);
    const auto movers = nudging.movers();
    if (movers.empty()) return;
    const auto move = nudging.smallest(movers.front(), small_moves);
    if (!move) return;
    for (Finding& f : plan.findings) {
        if (f.code != Code::Sliver) continue;
        const auto& all = plan.dress.coverage.openings;
        const auto covered = std::find_if(
            all.begin(), all.end(), [&](const CoveredOpening& c) { return c.opening == f.openings.front(); });
        const bool by_it =
            covered != all.end() && std::any_of(covered->by.begin(), covered->by.end(), [&](int i) {
                const LyingThing& thing = nudging.pile()[static_cast<std::size_t>(i)];
                const Lying what = thing.what == Lying::Mat ? Lying::Photo : thing.what;
                return what == move->what && thing.index == move->index;
            });
        if (by_it) f.fixes.emplace_back(label_of(*move, now), MoveOnPage{*move});
    }
}

} // namespace zesty
