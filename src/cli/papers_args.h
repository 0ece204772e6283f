#pragma once

#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// Changes what Papers decides, then says which paper is where, what else is proposed, and why.
struct PapersArgs {
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project;
    std::string out;
    // Papers of sections
    std::vector<std::string> give, never, allow, same_as, facing;
    std::string take, keep, loose, own;
    // Papers as a whole
    std::vector<std::string> apart, together, role;
    std::string base_paper, cut_paper;
    bool gut = false, no_gut = false, under_photos = false, not_under_photos = false;
    // Prints
    std::vector<std::string> slant, tone, motif;
    std::string slants, run_on, reset_pattern;
    // Colours
    std::optional<double> drift;
    std::string light, map, zones;
    std::vector<std::string> weight;
    // Places on the sheets
    std::vector<std::string> pin;
    std::string unpin;
    // Room on them for later
    std::vector<std::string> reserve_for, reserve_size;
    std::string stop_reserving;
    // Questions
    int proposals = 0;
    int take_proposal = 0;
    std::string proposal_pictures, why, mood, like_papers, cut_colour, edge_colour;
    double seconds = 20;
    std::optional<unsigned> seed;
    bool json = false;
};

} // namespace zesty::cli
