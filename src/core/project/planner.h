#pragma once
// The pipeline: Project to Plan, stage by stage. Each stage is recomputed only when something it depends on
// has changed since the last call. One planner serves one thread at a time.

#include "core/project/dress_pieces.h"
#include "core/project/ladder.h"
#include "core/project/memo.h"
#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/project/why.h"
#include "core/sections/advice.h"
#include "core/sections/backing.h"
#include "core/sections/hidden.h"
#include "core/setout/compose.h"
#include "core/setout/copies.h"
#include "core/setout/cut_parts.h"

#include <memory>

namespace zesty {

/// A proposal with what comes of taking it.
struct OfferedPage {
    Project project;
    std::shared_ptr<const Plan> plan;
    Mood mood = Mood::AsAsked;
    std::vector<std::string> reasons;
};

/// One mood, or more like a page by its papers.
struct MoodWish {
    std::optional<Mood> mood = {};
    std::set<std::string> papers = {}; ///< ids
};

/// The pieces and layers of a drawing, in its coordinates.
struct Pickable {
    std::shared_ptr<const CutFile> pieces; ///< of the layers the cut uses, those left out among them
    std::vector<std::string> layers;       ///< of the drawing
    std::vector<std::shared_ptr<const CutFile>> of_layer;
};
/// The one whose material is at a place, or round it; the smallest of several, and -1 for none.
int piece_at(const Pickable& all, Point in_drawing);
/// The uppermost layer there.
int layer_at(const Pickable& all, Point in_drawing);

class Planner {
public:
    Planner() = default;
    /// Layings are looked up there first; several planners may share one.
    explicit Planner(std::shared_ptr<NestMemory> memory) : capacity_(std::move(memory)) {}

    /// The patches of so many pages, those asked for last; of one at first. What is remembered is of the size
    /// of the drawings.
    void remember(std::size_t most);

    /// Drawing to patches: what changes while a size is dragged. The sheets of the plan stay empty.
    Result<Plan> shapes(const Project& project);

    /// No further than the patches and the stock they can be cut from: what a trial of laying them asks.
    /// Nothing is dressed and nothing is found.
    Result<Plan> patches(const Project& project);

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
                                               const StopToken& stop = {}, const Progress& progress = {},
                                               const MoodWish& wish = {});
    /// Why the section has its paper and what else it could have.
    Result<WhyPaper> why(const Project& project, int section, const StopToken& stop = {});

    /// What other sizes would do to one cut (index into Project::cuts), openings treated as they are now.
    Result<std::vector<Rung>> ladder(const Project& project, int cut, double least, double greatest,
                                     int count, const StopToken& stop = {});
    /// The whole page backed by each of the methods, exceptions put aside; in the order of BackingMethod.
    Result<std::vector<MethodFigures>> compare_methods(const Project& project, const StopToken& stop = {});
    /// How many pieces the layers of one cut have, those left out among them.
    Result<int> piece_count(const Project& project, int cut);
    /// What of the drawing one cut uses, in the drawing's coordinates.
    Result<std::shared_ptr<const CutFile>> cut_alone(const Project& project, int cut);
    /// What one cut could use of its drawing.
    Result<Pickable> pickable(const Project& project, int cut);
    /// How one cut lies when its size and place go by its whole drawing: exactly where it lies now.
    Result<CutPlacement> by_whole_drawing(const Project& project, int cut);
    /// Where copies of one cut go, as in_ring() and in_row() have it.
    Result<std::vector<CutPlacement>> ring_of_copies(const Project& project, int cut, const CopyRing& ring);
    Result<std::vector<CutPlacement>> row_of_copies(const Project& project, int cut, const CopyRow& row);

private:
    struct ComposedBy {
        std::vector<std::shared_ptr<const CutPart>> parts;
        Page page;
        Units units = Units::Inches;
        std::vector<PlacedCut> cuts;
        NarrowestBars bars;
        bool operator==(const ComposedBy&) const = default;
    };
    struct SpreadBy {
        std::shared_ptr<const CutFile> cut;
        std::map<Spot, Division> divisions;
        std::vector<PlacedCut> cuts;
        Page page;
        bool operator==(const SpreadBy&) const = default;
    };
    struct Spread {
        Spots spots;
        std::vector<InsertLabel> inserts;
    };
    struct BackedBy {
        std::shared_ptr<const CutFile> cut;
        Transform to_page;
        Box page;
        std::vector<BackingWish> wishes;
        BackingRules rules;
        SharedBars bars;
        bool operator==(const BackedBy&) const = default;
    };

    struct BarsBy {
        std::shared_ptr<const CutFile> cut;
        double scale = 1;
        bool operator==(const BarsBy&) const = default;
    };

    struct Patched {
        Plan plan;
        const Spots* spots = nullptr; ///< until spread_ changes; null where nothing is cut or divided
    };

    Result<Patched> patched(const Project& project);
    Result<const Composition*> composed(const Project& project);
    Result<const Spread*> spread(const Project& project, const Composition& composed);
    Result<void> back(const Project& project, const Composition& composed, const Spots& spots, Plan& plan);
    Result<void> count_stock(const Project& project, Plan& plan);
    void use_capacity(const Project& project, const Plan& plan);
    Result<Plan> ready_to_choose(const Project& project);
    /// What is to be chosen, with the distances of the papers remembered.
    MatchJob job_for(const Project& project, const Plan& plan, bool keep_chosen);

    // The stages in their order, each with the last answers it gave.
    CutParts parts_;
    Memo<ComposedBy, Composition> composed_;
    Memo<SpreadBy, Spread> spread_;
    Memo<BackedBy, Backing> backing_;
    Memo<BarsBy, std::shared_ptr<const std::vector<BarPlace>>> bar_places_;
    Memo<DressCutting, std::vector<DressPlace>> dress_places_;
    Memo<std::vector<PaperFace>, std::shared_ptr<const FaceDistances>> distances_;
    Memo<PhotosSeen, std::vector<PhotoColours>> photo_colours_;
    Capacity capacity_;
    std::unique_ptr<Planner> trials_; ///< for ways out of a shortage, so that they leave what is known alone
};

/// The project with what match proposed, papers of sections given by hand left alone.
Project with_papers(const Project& project, const Plan& plan, const Assignment& assignment);

} // namespace zesty
