#pragma once
// The commands of `zesty`. Each returns the exit code: 0 done, 1 done with problems found, 2 bad input with
// one line on standard error.

#include <optional>
#include <string>

namespace zesty::cli {

inline constexpr int done = 0;
inline constexpr int problems = 1;
inline constexpr int bad_input = 2;

struct Inspect {
    std::string cut;
    std::string width;
    bool json = false;
};
int run(const Inspect& args);

struct New {
    std::string cut;
    std::string page = "12x12in";
    std::string margin;
    std::string width;
    std::string height;
    std::string reveal;
    std::string lip;
    double turn_deg = 0;
    bool mirrored = false;
    std::string stash;
    std::string out;
};
int run(const New& args);

struct PlanArgs {
    std::string project;
    std::optional<unsigned> seed;
    double seconds = 10;
    bool json = false;
};
int run(const PlanArgs& args);

struct Nest {
    std::string job;
    unsigned seed = 1;
    double seconds = 1;
    bool json = false;
};
int run(const Nest& args);

struct Export {
    std::string project;
    std::string out;
    std::string paper = "a4";
};
int run(const Export& args);

/// Prints the one line and returns 2.
int complain(const std::string& message);

} // namespace zesty::cli
