// The budgets of the program, measured: ./run bench

#include "core/build/progress.h"
#include "core/geometry/measure.h"
#include "core/project/build_steps.h"
#include "core/project/cutting_jobs.h"
#include "core/project/edits.h"
#include "core/project/fitting.h"
#include "core/project/planner.h"
#include "core/setout/photo_fit.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"
#include "io/svg/svg_reader.h"
#include "support/between.h"
#include "support/demo.h"
#include "support/lattice.h"

#include <QGuiApplication>
#include <benchmark/benchmark.h>
#include <chrono>
#include <random>
#include <sstream>
#include <sys/resource.h>

namespace zesty {
namespace {

/// A lattice with `nodes` nodes in `openings` wavy openings, as a drawing program would write it.
std::string big_svg(int nodes, int columns) {
    std::ostringstream out;
    const double cell = 280.0 / columns;
    const int each = nodes / (columns * columns);
    out << "<svg xmlns='http://www.w3.org/2000/svg' width='300mm' height='300mm' viewBox='0 0 300 300'>"
        << "<path fill-rule='evenodd' d='M0 0H300V300H0Z";
    for (int r = 0; r < columns; ++r)
        for (int c = 0; c < columns; ++c) {
            for (int k = 0; k < each; ++k) {
                const double a = 2 * M_PI * k / each;
                const double s = cell * (0.36 + 0.04 * std::sin(9 * a + r + c));
                out << (k == 0 ? "M" : "L") << 10 + (c + 0.5) * cell + s * std::cos(a) << ' '
                    << 10 + (r + 0.5) * cell + s * std::sin(a);
            }
            out << "Z";
        }
    out << "'/></svg>";
    return out.str();
}

Project project_of(const Drawing& drawing) {
    Project p;
    set_only_cut(p, std::make_shared<const DrawingFile>(DrawingFile{"x.svg", "", drawing}));
    return p;
}

std::shared_ptr<const Stash> stash_of(int papers) {
    Stash s;
    std::mt19937 random(1);
    for (int i = 0; i < papers; ++i)
        s.papers.push_back({"p" + std::to_string(i),
                            "P",
                            {static_cast<std::uint8_t>(random()), static_cast<std::uint8_t>(random()),
                             static_cast<std::uint8_t>(random())},
                            "",
                            Pattern::Solid,
                            Direction::Free,
                            {{{testing::rectangle(0, 0, 152.4, 152.4), {}}, 3, false}}});
    return std::make_shared<const Stash>(std::move(s));
}

void read_200000_nodes(benchmark::State& state) {
    const QByteArray svg = QByteArray::fromStdString(big_svg(200'000, static_cast<int>(state.range(0))));
    std::size_t openings = 0;
    for (auto _ : state) {
        const auto cut = read_cut(*read_svg(svg));
        openings = cut->openings.size();
    }
    rusage usage{};
    getrusage(RUSAGE_SELF, &usage);
    state.counters["openings"] = static_cast<double>(openings);
    state.counters["peak_MB"] = static_cast<double>(usage.ru_maxrss) / 1024;
}
BENCHMARK(read_200000_nodes)->Arg(5)->Arg(20)->Arg(44)->Unit(benchmark::kMillisecond);

/// A size is dragged: everything but papers and sheets, made anew for each size.
void recompute_while_sizing(benchmark::State& state) {
    std::mt19937 random(2);
    const int columns = static_cast<int>(state.range(0));
    Project p = project_of(testing::random_lattice(random, columns, columns, 2.5));
    Planner planner;
    (void)planner.shapes(p);
    double margin = 10;
    std::size_t patches = 0;
    for (auto _ : state) {
        p.set_out.cuts.front().place.length = margin += 0.01;
        patches = planner.shapes(p)->sections.patches.size();
    }
    state.counters["patches"] = static_cast<double>(patches);
}
BENCHMARK(recompute_while_sizing)->Arg(11)->Arg(17)->Arg(32)->Unit(benchmark::kMillisecond);

void plan_from_scratch_without_nesting(benchmark::State& state) {
    std::mt19937 random(2);
    const Project p = project_of(testing::random_lattice(random, 11, 11, 2.5));
    for (auto _ : state) {
        Planner planner;
        benchmark::DoNotOptimize(planner.shapes(p));
    }
}
BENCHMARK(plan_from_scratch_without_nesting)->Unit(benchmark::kMillisecond);

/// The same page under every backing method; meeting and overlapping lips.
void recompute_by_method(benchmark::State& state) {
    std::mt19937 random(2);
    Project p = project_of(testing::random_lattice(random, 11, 11, 2.5));
    p.sections.backing.method = static_cast<BackingMethod>(state.range(0));
    p.sections.backing.lips = static_cast<LipMode>(state.range(1));
    Planner planner;
    double margin = 10;
    for (auto _ : state) {
        p.set_out.cuts.front().place.length = margin += 0.01;
        benchmark::DoNotOptimize(planner.shapes(p));
    }
    state.SetLabel(std::string(key_of(p.sections.backing.method)) + (state.range(1) ? ", overlapping" : ""));
}
BENCHMARK(recompute_by_method)
    ->ArgsProduct({benchmark::CreateDenseRange(0, static_cast<int>(words_of<BackingMethod>.size()) - 1, 1),
                   {0, 1}})
    ->Unit(benchmark::kMillisecond);

void ladder_of_121_openings(benchmark::State& state) {
    std::mt19937 random(2);
    const Project p = project_of(testing::random_lattice(random, 11, 11, 2.5));
    Planner planner;
    for (auto _ : state) benchmark::DoNotOptimize(planner.ladder(p, 0, 50, 305, 13));
}
BENCHMARK(ladder_of_121_openings)->Unit(benchmark::kMillisecond);

/// The largest print in each of 200 random openings, half of them concave; the longest is what counts.
void photo_in_200_openings(benchmark::State& state) {
    std::mt19937 random(3);
    std::vector<Polygon> openings;
    while (openings.size() < 200) {
        const auto cut = read_cut(random() % 2 ? testing::random_blobs(random, 9)
                                               : testing::random_lattice(random, 3, 3, 3));
        for (const Opening& o : cut->openings)
            if (openings.size() < 200 && o.area > 100) openings.push_back(o.outline);
    }
    double longest = 0;
    for (auto _ : state)
        for (std::size_t i = 0; i < openings.size(); ++i) {
            const auto from = std::chrono::steady_clock::now();
            benchmark::DoNotOptimize(largest_inside(openings[i], 1,
                                                    i % 3 == 0   ? 1.5
                                                    : i % 3 == 1 ? 1
                                                                 : 4.0 / 3));
            const std::chrono::duration<double, std::milli> took = std::chrono::steady_clock::now() - from;
            longest = std::max(longest, took.count());
        }
    state.counters["longest_ms"] = longest;
}
BENCHMARK(photo_in_200_openings)->Unit(benchmark::kMillisecond);

void match_sections(benchmark::State& state) {
    std::mt19937 random(3);
    const int columns = static_cast<int>(state.range(0));
    Project p = project_of(testing::random_lattice(random, columns, columns, 2.5));
    p.stash = stash_of(static_cast<int>(state.range(1)));
    for (auto _ : state) {
        Planner planner;
        benchmark::DoNotOptimize(planner.propose(p, false));
    }
}
BENCHMARK(match_sections)->Args({5, 8})->Args({11, 20})->Args({17, 40})->Unit(benchmark::kMillisecond);

void nest_100_patches_first_answer(benchmark::State& state) {
    std::mt19937 random(4);
    const auto cut = read_cut(testing::random_lattice(random, 10, 10, 2.5));
    NestJob job;
    job.attempts = 1;
    for (const Opening& o : cut->openings) job.pieces.push_back({{o.outline.outer, {}}, true, {}, {}});
    job.sheets.push_back({{testing::rectangle(0, 0, 304.8, 304.8), {}}, 0});
    std::size_t placed = 0;
    for (auto _ : state) placed = nest(job).placements.size();
    state.counters["placed"] = static_cast<double>(placed);
    state.counters["of"] = static_cast<double>(job.pieces.size());
}
BENCHMARK(nest_100_patches_first_answer)->Unit(benchmark::kMillisecond);

/// More pieces than fit, made for the kind: 0 kites on small sheets, 1 leaves on one sheet, 2 both on offcuts
/// with holes, 3 kites that may only be turned by quarters.
NestJob crowded_job(int kind) {
    std::mt19937 random(21);
    const auto between = [&](double least, double most) { return testing::between(random, least, most); };
    const auto kite = [&] {
        const double h = between(20, 60);
        const double w = between(15, 40);
        const double at = h * between(0.15, 0.85);
        return Ring{{0, 0}, {w / 2, at}, {0, h}, {-w * between(0.3, 0.7), at}};
    };
    const auto leaf = [&] {
        Ring out;
        const double l = between(18, 55);
        const double w = between(5, 12);
        const double bend = between(-6, 6);
        for (int side : {1, -1})
            for (int i = 0; i < 12; ++i) {
                const double t = side > 0 ? i / 12.0 : 1 - i / 12.0;
                const double s = std::sin(M_PI * t);
                out.push_back({l * t, bend * s + side * w / 2 * s});
            }
        return out;
    };
    NestJob job;
    job.attempts = 2;
    job.refinements = 1'000'000;
    if (kind == 1)
        job.sheets = {{{testing::rectangle(0, 0, 304.8, 304.8), {}}, 0}};
    else if (kind == 2)
        for (int i = 0; i < 6; ++i)
            job.sheets.push_back(
                {{{{0, 0}, {between(90, 150), 4}, {between(80, 150), between(90, 150)}, {3, 120}},
                  {testing::polygon({45, 45}, between(8, 18), 24)}},
                 0});
    else
        for (int i = 0; i < 3; ++i) job.sheets.push_back({{testing::rectangle(0, 0, 152.4, 152.4), {}}, 0});
    double left = 0;
    for (const NestSheet& s : job.sheets) left += 0.95 * area(s.outline);
    while (left > 0) {
        NestPiece piece;
        piece.outline.outer = kind == 1 || (kind == 2 && random() % 2) ? leaf() : kite();
        if (kind == 3) {
            piece.any_rotation = false;
            piece.rotations_deg = {0, 90, 180, 270};
        }
        left -= area(piece.outline);
        job.pieces.push_back(std::move(piece));
    }
    return job;
}

/// What share of the paper is used after so many seconds.
void nest_density(benchmark::State& state) {
    const NestJob job = crowded_job(static_cast<int>(state.range(0)));
    double paper = 0;
    for (const NestSheet& s : job.sheets) paper += area(s.outline);
    double used = 0;
    for (auto _ : state) {
        const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(state.range(1));
        const NestResult result = nest(job, [&] { return std::chrono::steady_clock::now() > end; });
        if (!verify(job, result).empty()) state.SkipWithError("not sound");
        used = 0;
        for (const NestPlacement& p : result.placements) used += area(job.pieces[p.piece].outline);
    }
    static constexpr const char* kinds[] = {"kites", "leaves", "offcuts", "kites by quarters"};
    state.SetLabel(kinds[state.range(0)]);
    state.counters["density_percent"] = 100 * used / paper;
}
BENCHMARK(nest_density)->ArgsProduct({{0, 1, 2, 3}, {1, 10}})->Iterations(1)->Unit(benchmark::kMillisecond);

void paint_the_demo_page(benchmark::State& state) {
    const Project p = *open_project(demo::project());
    Planner planner;
    const Plan plan = *planner.plan(p);
    const Textures textures(p);
    QImage image(480, 480, QImage::Format_RGB32);
    for (auto _ : state) {
        QPainter painter(&image);
        painter.scale(480 / 304.8, 480 / 304.8);
        paint_page(painter, p, plan, textures);
    }
}
BENCHMARK(paint_the_demo_page)->Unit(benchmark::kMillisecond);

Project dressed_demo() {
    return *open_project(demo::file("kite-hill-dressed.zesty"));
}

/// The dressed demo made anew after its photo was moved a little.
template <class Make> void while_a_photo_is_dragged(benchmark::State& state, Make make) {
    Project project = dressed_demo();
    Planner planner;
    (void)make(planner, project);
    for (auto _ : state) {
        project.set_out.photos[0].centre.x += 0.1;
        benchmark::DoNotOptimize(make(planner, project));
    }
}

void facts_while_a_photo_is_dragged(benchmark::State& state) {
    while_a_photo_is_dragged(state, [](Planner& planner, const Project& p) { return planner.shapes(p); });
}
BENCHMARK(facts_while_a_photo_is_dragged)->Unit(benchmark::kMillisecond);

/// A photo is dragged over a lattice of so many openings each way.
void facts_while_a_photo_is_dragged_over_a_lattice(benchmark::State& state) {
    std::mt19937 random(2);
    const int columns = static_cast<int>(state.range(0));
    Project p = project_of(testing::random_lattice(random, columns, columns, 2.5));
    Photo photo;
    photo.centre = {100, 100};
    p.set_out.photos.push_back(photo);
    Planner planner;
    (void)planner.shapes(p);
    std::size_t openings = 0;
    for (auto _ : state) {
        p.set_out.photos[0].centre.x += 0.1;
        openings = planner.shapes(p)->sections.cut->openings.size();
    }
    state.counters["openings"] = static_cast<double>(openings);
}
BENCHMARK(facts_while_a_photo_is_dragged_over_a_lattice)->Arg(17)->Arg(32)->Unit(benchmark::kMillisecond);

void plan_while_a_photo_is_dragged(benchmark::State& state) {
    while_a_photo_is_dragged(state, [](Planner& planner, const Project& p) { return planner.plan(p); });
}
BENCHMARK(plan_while_a_photo_is_dragged)->Unit(benchmark::kMillisecond);

void paint_the_dressed_page(benchmark::State& state) {
    const Project project = dressed_demo();
    const auto plan = Planner().plan(project);
    const Textures textures(project);
    QImage image(620, 620, QImage::Format_ARGB32_Premultiplied);
    // As the window does while a photo is dragged: the cut stays as it is.
    PaintedCuts cuts;
    PageLook look;
    look.cuts = &cuts;
    for (auto _ : state) {
        QPainter painter(&image);
        painter.scale(620 / 304.8, 620 / 304.8);
        paint_page(painter, project, *plan, textures, look);
    }
}
BENCHMARK(paint_the_dressed_page)->Unit(benchmark::kMillisecond);

void what_fits_a_place(benchmark::State& state) {
    const Project project = dressed_demo();
    const auto plan = Planner().shapes(project);
    for (auto _ : state) benchmark::DoNotOptimize(where_it_fits(project, *plan, "brass-dot"));
}
BENCHMARK(what_fits_a_place)->Unit(benchmark::kMillisecond);

void timetable_of_sixty_steps(benchmark::State& state) {
    std::mt19937 random(60);
    std::vector<TimedStep> steps(60);
    for (std::size_t i = 0; i < steps.size(); ++i) {
        steps[i].hands = 1 + static_cast<double>(random() % 30);
        if (random() % 3 == 0) steps[i].dries = static_cast<double>(random() % 60);
        steps[i].machine = random() % 5 == 0;
        for (std::size_t k = 0; k < i; ++k)
            if (random() % 31 == 0) steps[i].after.push_back(k);
    }
    for (auto _ : state) benchmark::DoNotOptimize(timetable(steps, 2));
}
BENCHMARK(timetable_of_sixty_steps)->Unit(benchmark::kMillisecond);

void steps_of_the_dressed_demo(benchmark::State& state) {
    const Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner().plan(project);
    for (auto _ : state) {
        const auto steps = build_steps(project, plan);
        benchmark::DoNotOptimize(build_now(steps, project.build, 1'796'000'000));
    }
}
BENCHMARK(steps_of_the_dressed_demo)->Unit(benchmark::kMillisecond);

void cutting_jobs_of_the_dressed_demo(benchmark::State& state) {
    const Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner().plan(project);
    for (auto _ : state) benchmark::DoNotOptimize(cutting_jobs(project, plan, mats_of(project, plan)));
}
BENCHMARK(cutting_jobs_of_the_dressed_demo)->Unit(benchmark::kMillisecond);

} // namespace
} // namespace zesty

/// Letters are painted with fonts, which want an application.
int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    const QGuiApplication application(argc, argv);
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    benchmark::Shutdown();
}
