#pragma once
// The pipeline: Project to Plan, stage by stage. Each stage is recomputed only when something it depends on
// has changed since the last call. One planner serves one thread at a time.

#include "core/project/plan.h"
#include "core/project/why.h"

#include <tuple>

namespace zesty {

/// A proposal with what comes of taking it.
struct OfferedPage {
    Project project;
    std::shared_ptr<const Plan> plan;
    Idea idea = Idea::AsAsked;
    std::vector<std::string> reasons;
};

class Planner {
public:
    /// Drawing to patches: what changes while a size is dragged. The sheets of the plan stay empty.
    Result<Plan> shapes(const Project& project);

    /// The whole plan: as shapes(), then the papers chosen so far laid on their sheets. `proposed` says that
    /// propose() has already looked for papers for every section, so that what has none found none.
    Result<Plan> plan(const Project& project, const StopToken& stop = {}, const Progress& progress = {},
                      bool proposed = false);

    /// Papers for every section that has none by hand; with `keep_chosen`, only for sections that have none
    /// at all. By section of plan(project). Told to stop, it gives the best so far with `complete` false. An
    /// error of kind NothingToDo when there is nothing to choose for or from.
    Result<Assignment> propose(const Project& project, bool keep_chosen, const StopToken& stop = {},
                               const Progress& progress = {});

    /// Up to `count` that are clearly different, the best first, as proposals() in core/match has them. What
    /// has been worked out when it is told to stop is given.
    Result<std::vector<OfferedPage>> proposals(const Project& project, bool keep_chosen, int count,
                                               const StopToken& stop = {}, const Progress& progress = {});
    /// Why the section has its paper and what else it could have.
    Result<WhyPaper> why(const Project& project, int section, const StopToken& stop = {});

    /// What other sizes would do to one cut (index into Project::cuts), openings treated as they are now.
    Result<std::vector<Rung>> ladder(const Project& project, int cut, double least, double greatest,
                                     int count, const StopToken& stop = {});
    /// The whole page backed by each of the schools, exceptions put aside; in the order of School.
    Result<std::vector<SchoolFigures>> compare_schools(const Project& project, const StopToken& stop = {});
    /// How many pieces the layers of one cut have, those left out among them.
    Result<int> piece_count(const Project& project, int cut);
    /// What of the drawing one cut uses, in the drawing's coordinates.
    Result<std::shared_ptr<const CutFile>> cut_alone(const Project& project, int cut);

private:
    void use_capacity(const Project& project, const Plan& plan);
    Result<Plan> ready_to_choose(const Project& project);
    Result<std::shared_ptr<const CutPart>> part_of(const Project& project, const PlacedCut& cut);
    Result<void> set_out_again(const Project& project);
    Result<void> spread_again(const Project& project);
    Result<void> back_again(const Project& project, Plan& plan);

    /// Drawings read and the parts of them that are used; only what the project uses is kept.
    struct Read {
        std::shared_ptr<const DrawingFile> drawing;
        std::shared_ptr<const CutFile> cut;
        std::map<std::vector<std::string>, std::shared_ptr<const CutFile>> layers;
        /// By layers, pieces left out, whether the whole gives the size, and growth.
        std::map<std::tuple<std::vector<std::string>, std::vector<int>, bool, double>,
                 std::shared_ptr<const CutPart>>
            parts;
    };
    std::vector<Read> read_;
    // The page set out and what for.
    Composition composed_;
    Page composed_page_;
    Units composed_units_ = Units::Inches;
    std::vector<PlacedCut> composed_cuts_;
    std::vector<std::shared_ptr<const CutPart>> composed_parts_;
    // Everything that can be backed, and what for.
    Spots spots_;
    std::vector<InsertLabel> inserts_;
    std::shared_ptr<const CutFile> spots_cut_;
    std::map<Spot, Division> spots_divisions_;
    std::vector<PlacedCut> spots_cuts_;
    Page spots_page_;
    // Patches and what they were made for.
    Backing backing_;
    Transform backing_for_;
    Box backing_page_;
    std::vector<BackingWish> backing_wishes_;
    BackingRules backing_rules_;
    SharedBars backing_bars_;
    std::shared_ptr<const CutFile> backing_cut_;
    Capacity capacity_;
    std::unique_ptr<Planner> trials_; ///< for ways out of a shortage, so that they leave what is known alone
};

/// The project with what match proposed, papers of sections given by hand left alone.
Project with_papers(const Project& project, const Plan& plan, const Assignment& assignment);

} // namespace zesty
