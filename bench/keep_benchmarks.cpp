// What Keep costs: finishing a page, and a shelf of five hundred pages over two thousand papers.

#include "core/keep/look_back.h"
#include "core/project/build_steps.h"
#include "core/project/finishing.h"
#include "core/project/planner.h"
#include "io/project_file.h"
#include "io/records_out.h"
#include "io/stash_store.h"
#include "support/demo.h"

#include <QTemporaryDir>
#include <benchmark/benchmark.h>

namespace zesty {
namespace {

std::vector<PageRecord> five_hundred_pages() {
    std::vector<PageRecord> out;
    for (int i = 0; i < 500; ++i) {
        PageFacts facts;
        facts.cuts = {{"kite-hill.svg", 280, 280}};
        for (int p = 0; p < 8; ++p) {
            const int paper = (i * 7 + p * 31) % 2000;
            facts.papers.push_back({"paper-" + std::to_string(paper),
                                    "Hill Paper " + std::to_string(paper),
                                    {static_cast<std::uint8_t>(paper % 256), 90, 120},
                                    true,
                                    false,
                                    1,
                                    1,
                                    2,
                                    9000,
                                    4000,
                                    4500});
            facts.palette.push_back({facts.papers.back().colour, 0.125});
        }
        PageRecord page;
        page.id = page.uid = "page-" + std::to_string(i);
        page.title = "Hill page " + std::to_string(i);
        page.finished = std::to_string(2016 + i % 11) + "-0" + std::to_string(1 + i % 9) + "-15";
        page.notes.story = "Story number " + std::to_string(i);
        page.facts = std::make_shared<const PageFacts>(facts);
        out.push_back(page);
    }
    return out;
}

Stash two_thousand_papers() {
    Stash out;
    for (int i = 0; i < 2000; ++i) {
        Paper paper;
        paper.id = paper.uid = "paper-" + std::to_string(i);
        paper.name = "Hill Paper " + std::to_string(i);
        paper.sheets.push_back({{{{0, 0}, {304.8, 0}, {304.8, 304.8}, {0, 304.8}}, {}}, 2, false});
        out.papers.push_back(paper);
    }
    out.records = five_hundred_pages();
    return out;
}

void finishing_of_the_dressed_demo(benchmark::State& state) {
    const Project project = *open_project(demo::file("kite-hill-dressed.zesty"));
    const Plan plan = *Planner().plan(project);
    const auto steps = build_steps(project, plan);
    for (auto _ : state) benchmark::DoNotOptimize(finishing_of(project, plan, FinishWhat::Everything, steps));
}
BENCHMARK(finishing_of_the_dressed_demo)->Unit(benchmark::kMillisecond);

void search_among_five_hundred_pages(benchmark::State& state) {
    const auto pages = five_hundred_pages();
    for (auto _ : state) benchmark::DoNotOptimize(found_pages(pages, {.words = "hill 250"}));
}
BENCHMARK(search_among_five_hundred_pages)->Unit(benchmark::kMillisecond);

void shelf_and_where_the_paper_went(benchmark::State& state) {
    const Stash stash = two_thousand_papers();
    for (auto _ : state) {
        const auto found = found_pages(stash.records, {});
        benchmark::DoNotOptimize(shelf_of(stash.records, found, ShelfBy::Month));
        benchmark::DoNotOptimize(where_paper_went(stash.records, found, stash));
        benchmark::DoNotOptimize(look_back(stash.records, stash, "2025-11-28"));
    }
}
BENCHMARK(shelf_and_where_the_paper_went)->Unit(benchmark::kMillisecond);

void read_two_thousand_papers_and_five_hundred_pages(benchmark::State& state) {
    const QTemporaryDir dir;
    auto store = StashStore::open(dir.filePath("big.stash"));
    if (!store || !store->put(two_thousand_papers())) return state.SkipWithError("cannot be written");
    for (auto _ : state) benchmark::DoNotOptimize(store->read());
}
BENCHMARK(read_two_thousand_papers_and_five_hundred_pages)->Unit(benchmark::kMillisecond);

} // namespace
} // namespace zesty
