// Writes one paper after another into a stash and says so after each: to be killed while it does.
// stash_writer DATABASE FIRST

#include "io/stash_store.h"

#include <cstdio>
#include <cstdlib>

int main(int argc, char** argv) {
    using namespace zesty;
    if (argc < 3) return 2;
    auto store = StashStore::open(argv[1]);
    if (!store) return 1;
    for (int i = std::atoi(argv[2]);; ++i) {
        Stash one;
        Paper paper;
        paper.id = "w" + std::to_string(i);
        paper.name = std::string(20000, 'x');
        paper.sheets.push_back({{{{0, 0}, {100, 0}, {100, 100}, {0, 100}}, {}}, 1, false});
        one.papers.push_back(paper);
        if (!store->put(one)) return 1;
        std::printf("%d\n", i);
        std::fflush(stdout);
    }
}
