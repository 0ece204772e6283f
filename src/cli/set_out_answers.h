#pragma once
// What `zesty set-out` says of the page. Each function writes its words to `out` and gives the same as JSON.

#include "cli/set_out_args.h"
#include "core/project/planner.h"

#include <nlohmann/json.hpp>
#include <ostream>

namespace zesty::cli {

/// A print and the opening it is for: "7:4x6" or "7:4x6:1/8", split at the colons.
struct PhotoForOpening {
    int opening = 0;
    Polygon outline; ///< of the opening, on the page
    Point size;
    std::optional<double> tuck;
};
Result<PhotoForOpening> typed_photo_size(const std::string& option, const std::vector<std::string>& parts,
                                         const Plan& plan, double least_side);

void print_page(const Project& p, const Plan& plan, std::ostream& out);
/// Everything that is cut for the page on cutting mats, by cardstock, and what still fits.
Result<nlohmann::json> laid_on_cutting_mats(const Project& project, const Plan& plan, std::ostream& out);
void add_page(const Plan& plan, nlohmann::json& out);
Result<nlohmann::json> fitted_photo(const SetOutArgs& a, const Project& p, const Plan& plan,
                                    std::ostream& out);
Result<nlohmann::json> counted_on_cutting_mat(const SetOutArgs& a, const Project& p, Planner& planner,
                                              int cut, std::ostream& out);
Result<nlohmann::json> ladder_json(const Project& p, Planner& planner, int cut, std::ostream& out);

} // namespace zesty::cli
