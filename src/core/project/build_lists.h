#pragma once
// What has to be on the table: papers and what each sheet yields, adhesives, foam, acetate, fillings,
// letters, embellishments; what is done by hand; what is missing. In words and the page's units.

#include "core/build/progress.h"
#include "core/project/planner.h"

#include <string>
#include <vector>

namespace zesty {

struct ListLine {
    std::string what;     ///< "Gull Print, sheet 1"
    std::string how_much; ///< "14 in"; may be empty
    std::string note;     ///< "6 patches; 4 x 11 in of it stays"; may be empty
};
struct BuildList {
    std::string name; ///< "Papers"
    std::vector<ListLine> lines;
};

/// Those that have something on them, in the order of the work.
std::vector<BuildList> build_lists(const Project& project, const Plan& plan);

/// How a trimmer is set, sheet by sheet: for base, frame and what is cut by hand of photo mats and layers.
std::vector<std::string> trimmer_settings(const Project& project, const Plan& plan);

/// What is packed for each sitting, by BuildNow's sittings: what its steps need, each thing once.
struct PackingList {
    int sitting = 0;
    bool away = false;
    double work = 0; ///< minutes
    std::vector<std::string> things;
    std::vector<std::size_t> steps; ///< in their order
};
std::vector<PackingList> packing_lists(const std::vector<BuildStep>& steps, const BuildNow& now,
                                       const BuildDecisions& decided);

/// A paper of which one more sheet would help: patches that have no place without it, and with it.
struct OneMoreSheet {
    std::string paper; ///< its name
    double width = 0;
    double height = 0;
    std::size_t short_now = 0;
    std::size_t short_then = 0;
};
/// Every paper that is short is tried with one more of its largest sheets, by planning the page anew.
std::vector<OneMoreSheet> one_more_sheet(const Project& project, const Plan& plan, Planner& planner,
                                         const StopToken& stop = {});

} // namespace zesty
