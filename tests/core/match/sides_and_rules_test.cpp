#include "core/geometry/measure.h"
#include "core/match/alternatives.h"
#include "core/match/cost.h"
#include "core/match/proposals.h"
#include "core/project/edits.h"
#include "core/project/hand_edits.h"
#include "core/project/match_job.h"
#include "core/project/planner.h"
#include "core/sheets/fixes.h"
#include "core/stash/new_paper.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::five_papers;
using testing::page_with;
using testing::paper;

namespace {

Plan taken(Planner& planner, Project& p) {
    const auto shapes = planner.shapes(p);
    const auto a = planner.propose(p, false);
    EXPECT_TRUE(shapes && a);
    p = with_papers(p, *shapes, *a);
    auto plan = planner.plan(p, {}, {}, true);
    EXPECT_TRUE(plan);
    return *plan;
}

std::string chosen(const Project& p, int section) {
    return p.match.choice(Spot(section)).paper;
}

} // namespace

TEST(Sides, ASlantedScrapFitsOnlyWithTheRightSideUp) {
    Stash stash;
    stash.papers.push_back(paper("a", {1, 2, 3}, 10, 0, Pattern::Stripe, Direction::Fixed));
    stash.papers[0].sheets = {{{{{0, 0}, {60, 0}, {60, 20}, {20, 60}, {0, 60}}, {}}, 1, true}};
    stash.papers[0].back = PaperFace{{9, 9, 9}, "", Pattern::Stripe, Direction::Fixed};
    Patch patch;
    patch.outline = {{{0, 0}, {58, 0}, {58, 19}, {19, 58}, {0, 58}}, {}};
    patch.area = area(patch.outline);
    const std::vector<Patch> patches{patch};
    const std::vector<Sheet> sheets = sheets_of(stash);
    Capacity capacity;
    capacity.use(stash, sheets, patches, 0.5, 1);
    EXPECT_TRUE(capacity.fits_alone(0, 0, Side::A));
    EXPECT_FALSE(capacity.fits_alone(0, 0, Side::B)) << "turned over, its corner is on the other side";
}

TEST(Sides, BothSidesShareTheSheetsAndLookDifferent) {
    Stash s;
    s.papers = {paper("a", {200, 60, 50}, 304.8, 2)};
    s.papers[0].back = PaperFace{{40, 90, 160}, "", Pattern::Solid, Direction::Free};
    Project p = page_with(2, 4, 3, s);
    Planner planner(testing::laid_before());
    const Plan plan = taken(planner, p);
    EXPECT_TRUE(plan.papers.alike.empty() || plan.papers.alike.size() < plan.sections.neighbours.size() / 2);
    const auto b =
        std::count(plan.papers.side_of_section.begin(), plan.papers.side_of_section.end(), Side::B);
    EXPECT_GT(b, 2);
    EXPECT_LT(b, static_cast<long>(plan.sections.all.size()) - 2);
    EXPECT_TRUE(plan.sheets.short_patches.empty());
    testing::expect_laid_as_planned(p, plan);
}

TEST(Rules, SameAsFollowsAndNeverIsObeyed) {
    for (unsigned seed = 1; seed <= static_cast<unsigned>(testing::long_rounds(8)); ++seed) {
        Project p = page_with(seed, 5, 3, five_papers());
        PaperChoice follows;
        follows.same_as = Spot(0);
        p.match.choose(Spot(7), follows);
        p.match.choose(Spot(11), follows);
        PaperChoice picky;
        picky.never = {"a", "b", "c"};
        p.match.choose(Spot(4), picky);
        Planner planner(testing::laid_before());
        const Plan plan = taken(planner, p);
        EXPECT_FALSE(chosen(p, 0).empty());
        EXPECT_EQ(chosen(p, 7), chosen(p, 0));
        EXPECT_EQ(chosen(p, 11), chosen(p, 0));
        EXPECT_TRUE(chosen(p, 4) == "d" || chosen(p, 4) == "e");
        EXPECT_TRUE(plan.papers.alike.empty());
    }
}

TEST(Rules, PapersThatMustNotMeetNeverDo) {
    for (unsigned seed = 1; seed <= static_cast<unsigned>(testing::rounds(3)); ++seed) {
        Stash s = five_papers();
        s.papers.resize(3);
        Project p = page_with(seed, 4, 4, s);
        keep_apart(p.match, "b", "a", true);
        EXPECT_EQ(p.match.apart.front(), (std::pair<std::string, std::string>{"a", "b"}));
        Planner planner(testing::laid_before());
        const Plan plan = taken(planner, p);
        for (const Neighbours& n : plan.sections.neighbours) {
            const std::set<int> pair{plan.papers.of_section[n.a], plan.papers.of_section[n.b]};
            EXPECT_NE(pair, (std::set<int>{0, 1}));
        }
    }
}

TEST(Rules, RolesShiftWhatIsUsed) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    const auto used = [](std::optional<PaperRole> role, const std::string& id) {
        std::vector<long> count(5, 0);
        for (const unsigned seed : {5U, 6U, 7U}) {
            Project p = page_with(seed, 6, 4, five_papers());
            if (role) p.match.roles[id] = *role;
            Planner planner(testing::laid_before());
            const Plan plan = taken(planner, p);
            for (std::size_t k = 0; k < count.size(); ++k)
                count[k] += std::count(plan.papers.of_section.begin(), plan.papers.of_section.end(),
                                       static_cast<int>(k));
        }
        return count;
    };
    const auto plain = used({}, "");
    // One that is used most can only be used less, one that is used least only more.
    const auto most = static_cast<std::size_t>(std::max_element(plain.begin(), plain.end()) - plain.begin());
    const auto least = static_cast<std::size_t>(std::min_element(plain.begin(), plain.end()) - plain.begin());
    const auto id = [](std::size_t k) { return std::string(1, static_cast<char>('a' + k)); };
    EXPECT_LT(used(PaperRole::Spare, id(most))[most], plain[most]);
    EXPECT_GT(used(PaperRole::UseUp, id(least))[least], plain[least]);
    EXPECT_GE(used(PaperRole::Tie, id(least))[least], 9);
}

TEST(Rules, StripesSideBySideRunTheSameWayWhereTheyCan) {
    Stash s;
    s.papers = {paper("a", {200, 60, 50}, 304.8, 3, Pattern::Stripe, Direction::Half),
                paper("b", {60, 120, 70}, 304.8, 3, Pattern::Stripe, Direction::Half),
                paper("c", {230, 200, 90}, 304.8, 3, Pattern::Stripe, Direction::Half),
                paper("d", {120, 90, 170}, 304.8, 3, Pattern::Stripe, Direction::Half)};
    s.papers[2].angle_deg = s.papers[3].angle_deg = 90;
    const auto across = [&](double weight, unsigned seed) {
        Project p = page_with(seed, 5, 4, s);
        p.match.style.weights.pattern = weight;
        Planner planner(testing::laid_before());
        const Plan plan = taken(planner, p);
        return std::count_if(
            plan.sections.neighbours.begin(), plan.sections.neighbours.end(), [&](const Neighbours& n) {
                return (plan.papers.of_section[n.a] < 2) != (plan.papers.of_section[n.b] < 2);
            });
    };
    long heeded = 0;
    long ignored = 0;
    for (unsigned seed = 1; seed <= static_cast<unsigned>(testing::long_rounds(8)); ++seed) {
        heeded += across(2, seed);
        ignored += across(0, seed);
    }
    EXPECT_LT(heeded, 0.9 * static_cast<double>(ignored));

    // Where all are asked to run one way there is nothing to weigh.
    Project p = page_with(1, 2, 1, s);
    Planner planner(testing::laid_before());
    const auto cost = [&](int left, int right) {
        MatchJob job = match_job(p, *planner.shapes(p), false);
        job.style.weights = {0, 0, 1, 0, 0, 0};
        return cost_of(job, {left, right});
    };
    EXPECT_GT(cost(0, 2), cost(0, 1) + 1);
    p.match.slants = {SlantRule::Parallel, 30};
    EXPECT_NEAR(cost(0, 2), cost(0, 1), 1e-9);
    // Papers that may be turned any way can be laid so, or not.
    p.match.slants = {};
    s.papers[2].direction = Direction::Free;
    p.stash = std::make_shared<Stash>(s);
    EXPECT_GT(cost(0, 2), cost(0, 1) + 1);
}

TEST(Rules, TheBestOfAllAssignmentsIsFoundWithRulesToo) {
    for (unsigned seed = 1; seed <= static_cast<unsigned>(testing::rounds(24)); ++seed) {
        Stash s = five_papers();
        s.papers.resize(2 + seed % 2);
        s.papers[0].back = PaperFace{{250, 240, 220}, "", Pattern::Solid, Direction::Free};
        Project p = page_with(seed, 3, 2, s);
        p.match.style.drift = (seed % 3) / 2.0;
        p.match.style.weights.thrift = seed % 2;
        if (seed % 4 == 0) keep_apart(p.match, "a", "b", true);
        if (seed % 3 == 0) p.match.roles["b"] = static_cast<PaperRole>(seed % 9 / 3);
        if (seed % 5 == 0) p.match.choices[Spot(3)].same_as = Spot(1);
        Planner planner(testing::laid_before());
        const auto shapes = planner.shapes(p);
        const auto a = planner.propose(p, false);
        ASSERT_TRUE(shapes && a);
        const MatchJob job = match_job(p, *shapes, false);
        const Cost cost(job);
        const int faces = static_cast<int>(faces_of(*p.stash).size());
        const int n = static_cast<int>(job.sections.size());
        double best = std::numeric_limits<double>::infinity();
        std::vector<int> face(n, 0);
        for (long code = 0; code < std::lround(std::pow(faces, n)); ++code) {
            for (long c = code, k = 0; k < n; ++k, c /= faces) face[k] = static_cast<int>(c % faces);
            if (seed % 5 == 0 && face[3] != face[1]) continue;
            best = std::min(best, cost.total(face));
        }
        EXPECT_LE(cost_of(job, a->paper), best * 1.01 + 1e-6) << "seed " << seed;
    }
}

TEST(Proposals, AreClearlyDifferentBestFirstAndTheSameForASeed) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    Project p = page_with(8, 6, 4, five_papers());
    Planner planner(testing::laid_before());
    const auto some = planner.proposals(p, false, 4);
    ASSERT_TRUE(some);
    ASSERT_GE(some->size(), 3u);
    const MatchJob job = match_job(p, *planner.shapes(p), false);
    const auto faces = [&](const OfferedPage& o) {
        std::vector<int> out;
        for (std::size_t s = 0; s < o.plan->sections.all.size(); ++s)
            out.push_back(face_of(*p.stash, o.plan->papers.of_section[s], o.plan->papers.side_of_section[s]));
        return out;
    };
    double before = 0;
    for (std::size_t i = 0; i < some->size(); ++i) {
        EXPECT_FALSE((*some)[i].reasons.empty());
        testing::expect_laid_as_planned((*some)[i].project, *(*some)[i].plan);
        for (std::size_t k = 0; k < i; ++k)
            EXPECT_GE(unlikeness(job, faces((*some)[i]), faces((*some)[k])), 0.25);
        const double cost = cost_of(job, faces((*some)[i]));
        EXPECT_GE(cost, before) << "all of these have every section and nothing alike";
        before = cost;
    }
    const auto again = Planner(testing::laid_before()).proposals(p, false, 4);
    ASSERT_TRUE(again);
    ASSERT_EQ(again->size(), some->size());
    for (std::size_t i = 0; i < some->size(); ++i)
        EXPECT_EQ((*again)[i].plan->papers.of_section, (*some)[i].plan->papers.of_section);
    Project next = (*some)[1].project;
    const auto better = planner.proposals(next, false, 4);
    ASSERT_TRUE(better);
    EXPECT_TRUE(std::any_of(better->begin(), better->end(),
                            [](const OfferedPage& o) { return o.mood == Mood::FromHere; }));
}

TEST(Proposals, OfALargeDrawerHaveDifferentPapersEachSuitingItsMood) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    const Stash stash = with_starter_papers({});
    Project p = page_with(8, 6, 4, stash);
    Planner planner(testing::laid_before());
    const auto some = planner.proposals(p, false, 4);
    ASSERT_TRUE(some);
    ASSERT_EQ(some->size(), 4u);
    const auto used = [&](const OfferedPage& o) {
        std::set<int> out(o.plan->papers.of_section.begin(), o.plan->papers.of_section.end());
        out.erase(-1);
        return out;
    };
    std::set<Mood> moods;
    for (std::size_t i = 0; i < some->size(); ++i) {
        EXPECT_TRUE(moods.insert((*some)[i].mood).second);
        EXPECT_TRUE((*some)[i].plan->sheets.short_patches.empty());
        for (std::size_t k = 0; k < i; ++k) {
            const auto a = used((*some)[i]);
            const auto b = used((*some)[k]);
            const auto both = std::count_if(a.begin(), a.end(), [&](int x) { return b.contains(x); });
            EXPECT_LE(2 * static_cast<std::size_t>(both), std::min(a.size(), b.size()));
        }
    }
    const auto mean_liking = [&](const OfferedPage& o, Mood mood) {
        double sum = 0;
        for (const int paper : used(o))
            sum += liking(mood, stash.papers[static_cast<std::size_t>(paper)], {}, 15);
        return sum / static_cast<double>(used(o).size());
    };
    for (const auto& [mood, opposite] :
         {std::pair{Mood::Warm, Mood::Cool}, std::pair{Mood::Cool, Mood::Warm},
          std::pair{Mood::Quiet, Mood::Bold}, std::pair{Mood::Bold, Mood::Quiet}}) {
        const auto asked = planner.proposals(p, false, 2, {}, {}, {mood, {}});
        ASSERT_TRUE(asked && !asked->empty());
        EXPECT_EQ(asked->front().mood, mood);
        EXPECT_GT(mean_liking(asked->front(), mood), mean_liking(asked->front(), opposite) + 0.2)
            << name_of(mood);
    }
    const auto few = planner.proposals(p, false, 1, {}, {}, {Mood::FewPapers, {}});
    ASSERT_TRUE(few);
    EXPECT_LE(used(few->front()).size(), 4u);
    // More like one: its papers, dealt otherwise.
    MoodWish like;
    for (const int paper : used(some->front()))
        like.papers.insert(stash.papers[static_cast<std::size_t>(paper)].id);
    const auto more = planner.proposals(p, false, 3, {}, {}, like);
    ASSERT_TRUE(more);
    ASSERT_GE(more->size(), 2u);
    for (const OfferedPage& o : *more)
        for (const int paper : used(o)) EXPECT_TRUE(used(some->front()).contains(paper));
}

TEST(Proposals, EveryKindOfPatternAppearsWhereThereIsRoom) {
    Stash s = five_papers();
    for (std::size_t k = 0; k < s.papers.size(); ++k) s.papers[k].pattern = Pattern::Solid;
    for (const Pattern kind : {Pattern::Small, Pattern::Large, Pattern::Stripe, Pattern::Ombre}) {
        Paper patterned = s.papers[0];
        patterned.id = patterned.name = name_of(kind);
        patterned.pattern = kind;
        patterned.colour = {static_cast<std::uint8_t>(40 * static_cast<int>(kind)), 90, 160};
        s.papers.push_back(patterned);
    }
    Project p = page_with(5, 4, 32, s);
    Planner planner(testing::laid_before());
    const Plan plan = taken(planner, p);
    std::set<Pattern> seen;
    for (const int paper : plan.papers.of_section)
        if (paper >= 0) seen.insert(s.papers[static_cast<std::size_t>(paper)].pattern);
    EXPECT_EQ(seen.size(), 5u);
}

TEST(Alternatives, AreRankedWithTheirRoomAndTheirReasons) {
    Stash s = five_papers();
    s.papers.push_back(paper("tiny", {10, 200, 200}, 12, 1));
    Project p = page_with(4, 4, 3, s);
    Planner planner(testing::laid_before());
    (void)taken(planner, p);
    PaperChoice c = p.match.choice(Spot(5));
    c.never = {c.paper == "b" ? "c" : "b"};
    const std::string ruled_out = c.never.front();
    p.match.choose(Spot(5), c);
    const auto why = planner.why(p, 5);
    ASSERT_TRUE(why);
    EXPECT_EQ(why->paper, "Paper " + c.paper);
    EXPECT_FALSE(why->reasons.empty());
    ASSERT_EQ(why->others.size(), 5u);
    EXPECT_TRUE(why->others[0].room);
    EXPECT_LE(why->others[0].worse, why->others[1].worse);
    EXPECT_GE(why->others[0].worse, -1) << "a proposal leaves little to better";
    const auto of = [&](const std::string& id) {
        return *std::find_if(why->others.begin(), why->others.end(),
                             [&](const OtherPaper& o) { return p.stash->papers[o.face.paper].id == id; });
    };
    EXPECT_EQ(of("tiny").words, "no room");
    EXPECT_EQ(of(ruled_out).words, "ruled out here");
    EXPECT_EQ(why->others.back().words, "ruled out here");
}

} // namespace zesty
