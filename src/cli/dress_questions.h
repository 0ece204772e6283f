#pragma once
// What is asked of a dressed page on the command line, answered for people and for programs.

#include "cli/dress_args.h"
#include "core/project/fitting.h"
#include "core/project/variants.h"

#include <nlohmann/json.hpp>
#include <optional>

namespace zesty::cli {

/// Of what was asked; nothing of the rest.
struct DressAnswers {
    std::optional<std::vector<std::pair<std::string, TitleFacts>>> letter_sets; ///< by id of the set
    std::optional<FreePlace> place;
    std::vector<FittingThing> fits_there; ///< at that place
    std::optional<std::vector<FittingPlace>> fits_where;
    std::optional<std::vector<VariantFigures>> arrangements;
};

Result<DressAnswers> dress_answers(const DressArgs& args, const Project& project, const Plan& plan,
                                   Planner& planner);
void say_answers(const DressAnswers& answers, const Project& project);
/// Puts each under its own name beside what Dress comes to.
void add_answers(const DressAnswers& answers, nlohmann::json& to);

} // namespace zesty::cli
