#pragma once
// What every command of `zesty` has in common. A command is one file: its options beside what it does; it
// registers itself, and main() only asks which there are.

#include "cli/typed.h"
#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/result.h"

#include <CLI/CLI.hpp>
#include <functional>
#include <memory>
#include <set>
#include <string>
#include <vector>

namespace zesty {
class Planner;
}

namespace zesty::cli {

inline constexpr int done = 0;
inline constexpr int problems = 1;  ///< done, and what came of it has problems
inline constexpr int bad_input = 2; ///< nothing is changed; one line on standard error says what and where

/// What a command came to, from its full plan.
int exit_code(const Plan& plan);

/// Prints the one line and returns bad_input.
int complain(const std::string& message);

/// Writes the project to `out`, or back where it came from when that is empty and it has changed. An error of
/// kind NothingToDo where `edits`, the options that were to change it, have left it as it was; `out` is then
/// written all the same.
Result<void> save_changes(const Project& before, const Project& after, const std::string& path,
                          const std::string& out, const std::vector<std::string>& edits);

/// Reads a project, with the papers at hand (cli/at_hand.h); gives up after 10 s.
Result<Project> read_project(const std::string& path);
/// Reads a drawing that can be cut; gives up after 10 s. `square` is the side of the square beside a scan, 0
/// for none, `named` which drawing of a bundle.
Result<Shared<DrawingFile>> read_drawing(const std::string& path, double square, bool light_paper = false,
                                         const std::string& named = {});

/// Adds a command to the program and gives what runs it.
using AddCommand = std::function<std::pair<CLI::App*, std::function<int()>>(CLI::App& program)>;
struct CommandRow {
    int place; ///< in the help
    AddCommand add;
};
std::vector<CommandRow>& command_rows();

/// Options that ask or point at something, and change nothing by themselves.
using Questions = std::set<std::string>;
/// What was typed beyond questions and what all commands have (--json, --out, --stash, --seconds, --seed).
std::vector<std::string> typed_edits(const CLI::App& command, const Questions& questions);

/// A command whose options are `Args`; where these have `edits`, they get what was typed to change the page.
template <class Args> struct Registered {
    Registered(int place, CLI::App* (*add_options)(CLI::App&, Args&), int (*run)(const Args&),
               const Questions& questions = {}) {
        command_rows().push_back({place, [=](CLI::App& program) {
                                      auto args = std::make_shared<Args>();
                                      CLI::App* command = add_options(program, *args);
                                      return std::pair(command, std::function<int()>([=] {
                                                           if constexpr (requires { args->edits; })
                                                               args->edits = typed_edits(*command, questions);
                                                           return run(*args);
                                                       }));
                                  }});
    }
};

/// Openings and patches of a page; an error of kind NothingToDo when nothing is set out on it.
Result<Plan> shapes_with_cut(Planner& planner, const Project& project);

/// Options that can do nothing without another one, and options of which one alone makes sense: exit code 2
/// otherwise.
using OptionPairs = std::vector<std::pair<const char*, const char*>>;
void needs(CLI::App& command, const OptionPairs& pairs);
void either(CLI::App& command, const OptionPairs& pairs);

/// An option that is a number within limits; "nan", "inf" and the like are no numbers.
template <class Number>
CLI::Option* add_number(CLI::App& command, const char* name, Number& to, const char* help, Limits limits) {
    return command.add_option_function<std::string>(
        name,
        [&to, name, limits](const std::string& text) {
            const auto n = typed_number(name, text, limits);
            if (!n) throw CLI::ValidationError(n.error().message);
            to = *n;
        },
        help);
}

} // namespace zesty::cli
