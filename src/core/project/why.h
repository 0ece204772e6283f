#pragma once
// Why a section has its paper, and what else it could have, in words.

#include "core/match/alternatives.h"
#include "core/match/match.h"
#include "core/match/proposals.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

struct OtherPaper {
    Face face;
    std::string words; ///< two or three: "just as well", "no room", "beside it in 7"
    bool room = false;
    bool never = false;
    double worse = 0;
};

struct WhyPaper {
    std::string paper; ///< "Hedge Stripe, side A"; empty without one
    std::vector<std::string> reasons;
    std::vector<OtherPaper> others; ///< the best first
};

/// The job, and the choices made of it, must be of this project and plan.
WhyPaper why_paper(const Project& project, const Plan& plan, const MatchJob& job, const Choices& choices,
                   int section);

/// Reasons for a whole proposal, a few words each: what it makes of scraps, neighbours and colours.
std::vector<std::string> why_page(const Project& project, const Plan& plan);

} // namespace zesty
