#pragma once
// Rooms to find, whether all fits, and photos into openings, as the command line asks for them.

#include "cli/set_out_args.h"
#include "core/project/planner.h"

#include <nlohmann/json.hpp>
#include <ostream>

namespace zesty::cli {

Result<void> edit_rooms(const SetOutArgs& args, Project& project);
Result<void> edit_sketch(const SetOutArgs& args, Project& project);
Result<void> take_photo_way(const SetOutArgs& args, Project& project, Planner& planner);
Result<nlohmann::json> photo_ways_json(const SetOutArgs& args, const Project& project, const Plan& plan,
                                       std::ostream& out);
Result<void> arrange_page(const SetOutArgs& args, Project& project, Planner& planner);
Result<nlohmann::json> arrangements_json(const Project& project, const Plan& plan, bool cuts_move,
                                         std::ostream& out);
Result<void> put_photos_into_openings(const SetOutArgs& args, Project& project, Planner& planner);
Result<nlohmann::json> all_fit_json(const Project& project, const Plan& plan, std::ostream& out);

} // namespace zesty::cli
