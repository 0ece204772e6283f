#pragma once
// Finishing a page: what it takes out of the stash, by exact shape and count, and what goes back.
// Millimetres; sheets as seen from side A. Whatever is taken is cut from whole sheets of the stock; of each,
// what is used, what goes back and what is lost (the way of the blade, slivers, a branding strip) make up its
// area.

#include "core/build/step.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <string>
#include <vector>

namespace zesty {

/// How much of the page is taken.
enum class FinishWhat {
    Everything,
    WhatIsCut ///< only what steps of Build that are done have cut or put on
};

/// A sheet of the stock that is cut into.
struct SheetFate {
    std::string sheet; ///< id in the plan: "barley#1"
    int paper = 0;     ///< into the stash
    SheetStock stock;  ///< of which it is one
    Region used = {};  ///< what of it goes on the page
    std::vector<SheetStock> back = {};
    double waste = 0;          ///< mm2
    std::string taken_as = {}; ///< what the page calls it from then on: "barley#cut1"
};

struct Finishing {
    std::vector<SheetFate> sheets;
    std::vector<std::pair<std::string, SheetStock>>
        spares;                       ///< by paper: patches that were cut and are not wanted
    std::vector<TakenSheet> taken;    ///< to be added to the page's
    ThingsHad things;                 ///< to be taken
    std::vector<std::string> without; ///< sentences: what the page lacks paper for
    bool nothing() const {
        return sheets.empty() && spares.empty() && things.embellishments.empty() && things.letters.empty();
    }
};

/// What it would take now; what has been taken already is left out. The plan must have its patches on sheets.
Finishing finishing_of(const Project& project, const Plan& plan, FinishWhat what,
                       const std::vector<BuildStep>& steps);

/// Takes and puts back, in the stash at hand as well as in the page's own account. With everything taken the
/// page is finished on that day. What is pinned or ticked off goes by the new numbers of sheets.
void finish(Project& project, const Finishing& finishing, FinishWhat what, const std::string& day);

/// The opposite of everything that was taken for the page: sheets and things come back, scraps that went back
/// are taken out of the stash. A sheet of which a scrap has been used for another page stays taken, with a
/// sentence that says so, and comes back when that page has been put back and this is asked again.
std::vector<std::string> put_back(Project& project);

} // namespace zesty
