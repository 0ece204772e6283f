// zesty: the program without a window. Exit codes: 0 done, 1 done with problems, 2 bad input.

#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/quiet.h"
#include "io/edge.h"

#include <algorithm>
#include <csignal>
#include <iostream>
#include <new>
#include <sys/resource.h>

#ifndef ZESTY_VERSION
#define ZESTY_VERSION "unknown"
#endif

namespace zesty::cli {

namespace {

constexpr rlim_t most_memory = 2UL << 30;
constexpr double longest_answer = 120; ///< s, beyond what an answer is given by --seconds

/// The command that was asked for; an exit code where there is none to run.
struct Asked {
    std::function<int()> run;
    int code = done;
    std::shared_ptr<CLI::App> program; ///< what was typed, asked by `run`
};

Asked asked_for(int argc, char** argv) {
    const auto owned = std::make_shared<CLI::App>("Plans a page built around a cut file.");
    CLI::App& program = *owned;
    program.set_version_flag("--version", std::string("zesty ") + ZESTY_VERSION);
    program.require_subcommand(1);
    auto& rows = command_rows();
    std::sort(rows.begin(), rows.end(), [](const auto& a, const auto& b) { return a.place < b.place; });
    std::vector<std::pair<CLI::App*, std::function<int()>>> commands;
    for (const CommandRow& row : rows) commands.push_back(row.add(program));
    try {
        program.parse(argc, argv);
    } catch (const CLI::Success& e) {
        return {{}, program.exit(e), {}};
    } catch (const CLI::ParseError& e) {
        return {{}, complain(std::string(e.what()) + " (zesty --help lists what there is)"), {}};
    }
    for (const auto& [command, run] : commands)
        if (command->parsed()) return {run, done, owned};
    return {{}, bad_input, {}};
}

int run_bounded(const std::function<int()>& run) {
    try {
        return run();
    } catch (const std::bad_alloc&) {
        return complain("this takes more than the 2 GB of memory that are given to it; nothing is changed");
    }
}

} // namespace

} // namespace zesty::cli

int main(int argc, char** argv) {
    using namespace zesty::cli;
    for (int i = 1; i < argc; ++i)
        if (!zesty::is_text(argv[i]))
            return complain("argument " + std::to_string(i) + " is not text in UTF-8");
    keep_libraries_quiet();
    std::signal(SIGXFSZ, SIG_IGN);
    const rlimit memory{most_memory, most_memory};
    setrlimit(RLIMIT_AS, &memory);
    const Asked asked = asked_for(argc, argv);
    int code = asked.code;
    if (asked.run) code = run_bounded(asked.run);
    if (!std::cout.flush()) return complain("standard output cannot be written; there may be no space left");
    return code;
}
