#pragma once
// What the window is looking at: nothing here is saved, and nothing here is computed. Views listen to its
// signals and never to each other.

#include "app/bench/worker.h"
#include "core/sheets/cutting_mats.h"

#include <QObject>
#include <QStringList>
#include <map>
#include <optional>
#include <set>

namespace zesty {

enum class Waypoint { SetOut, Sections, Papers, Sheets };
inline constexpr int waypoints = 4;

/// A proposal: nothing is decided until it is taken.
struct Offer {
    Project project;
    std::shared_ptr<const Plan> plan;
    QString idea;
    QStringList reasons;
};

/// Cuts as they lie on the cutting mat, on show instead of the page.
struct ShownCuttingMats {
    QString title;
    std::shared_ptr<const CutFile> cut;
    std::vector<InsertLabel> labels;
    std::vector<std::vector<OnCuttingMat>> mats;
    CuttingMat size;
};

class BenchState : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    Waypoint waypoint() const { return waypoint_; }
    /// The plan on show: the offer's while there is one. Null until the first is ready.
    const Plan* plan() const { return offer() ? offer()->plan.get() : plan_.get(); }
    std::shared_ptr<const Plan> own_plan() const { return plan_; }
    std::shared_ptr<const Plan> shared_plan() const { return offer() ? offer()->plan : plan_; }
    const Textures& textures() const { return *textures_; }
    std::shared_ptr<const Textures> shared_textures() const { return textures_; }
    const std::set<int>& selected() const { return selected_; }
    int hovered() const { return hovered_; }
    int picked() const { return picked_; } ///< paper in the drawer, or -1
    /// The cut that sizes, turns and moves are for: index into the project's cuts, -1 without cuts.
    int cut_in_hand(const Project& project) const;
    /// The same cut for changing; null without cuts.
    PlacedCut* in_hand(Project& project) const;
    /// The photo that moves and turns are for instead: index into the project's photos, or -1.
    int photo_in_hand(const Project& project) const;
    /// What setting it out came to; null until there is a plan with it.
    const SetOut* set_out_in_hand(const Project& project) const;
    /// The proposal on show, if there is one.
    const Offer* offer() const { return offers_.empty() ? nullptr : &offers_[shown_offer_]; }
    const std::vector<Offer>& offers() const { return offers_; }
    int shown_offer() const { return offers_.empty() ? -1 : static_cast<int>(shown_offer_); }
    /// All of them are on show in place of the page.
    bool side_by_side() const { return side_by_side_ && !offers_.empty(); }
    /// Up to which part of the page's width the proposal is on show, what is decided right of it; nothing
    /// when the two are not compared.
    std::optional<double> compared_at() const { return offers_.empty() ? std::nullopt : compared_at_; }
    /// What the proposal is compared with: another one, or null for what is decided.
    const Offer* compared_with() const {
        return compared_with_ >= 0 && compared_with_ < static_cast<int>(offers_.size())
                   ? &offers_[compared_with_]
                   : nullptr;
    }
    int compared_with_number() const { return compared_with() ? compared_with_ : -1; }
    /// What other pages have reserved of a paper, mm2.
    double reserved(const std::string& paper) const {
        const auto at = reserved_.areas.find(paper);
        return at == reserved_.areas.end() ? 0 : at->second;
    }
    /// The pieces that these are for.
    const std::vector<ReservedPiece>& wanted_elsewhere() const { return reserved_.pieces; }
    /// The side of a paper that shows in the drawer, and that is given.
    Side side_up(int paper) const { return turned_.contains(paper) ? Side::B : Side::A; }
    /// A distance measured on the page, if one is on show.
    const std::optional<std::pair<Point, Point>>& measured() const { return measured_; }
    const std::shared_ptr<const ShownCuttingMats>& cutting_mats() const {
        return mats_;
    } ///< null while the page is on show
    /// What a drag on the page means besides its usual meaning.
    enum class Tool { None, Measure, DivideByLine, Protect, MovePattern };
    Tool tool() const { return tool_; }

    void go_to(Waypoint waypoint);
    void show_plan(std::shared_ptr<const Plan> plan, std::shared_ptr<const Textures> textures);
    void select(std::set<int> openings);
    void hover(int opening);
    void pick(int paper);
    void take_in_hand(int cut_id);
    void take_photo(int photo);
    /// The thing after the one in hand: every cut, then every photo, then from the start.
    void take_next(const Project& project);
    void measure(std::optional<std::pair<Point, Point>> between);
    void set_tool(Tool tool);
    void show_cutting_mats(std::shared_ptr<const ShownCuttingMats> mats);
    void set_offers(std::vector<Offer> offers); ///< the first is on show, all side by side
    void show_offer(int offer);
    void show_side_by_side(bool all);
    void compare_at(std::optional<double> part);
    void compare_with(int offer); ///< -1 for what is decided
    void turn_over(int paper);
    void show_reserved(Reserved by_others);
    /// The offer's plan becomes the plan on show; returns the offer's project. There must be an offer.
    Project take_offer();

signals:
    void waypoint_changed();
    void plan_changed();
    void reserved_changed();
    void selection_changed();
    void hover_changed();
    void picked_changed();
    void in_hand_changed();
    void measured_changed();
    void offer_changed();
    void compared_changed();
    void cutting_mats_changed();
    void tool_changed();

private:
    Waypoint waypoint_ = Waypoint::SetOut;
    std::shared_ptr<const Plan> plan_;
    std::shared_ptr<const Textures> textures_ = std::make_shared<const Textures>();
    std::set<int> selected_;
    int hovered_ = -1;
    int picked_ = -1;
    int in_hand_ = 0;        ///< id of a cut
    int photo_in_hand_ = -1; ///< before the cut
    std::vector<Offer> offers_;
    std::size_t shown_offer_ = 0;
    bool side_by_side_ = false;
    std::optional<double> compared_at_;
    int compared_with_ = -1;
    std::set<int> turned_;
    Reserved reserved_;
    std::optional<std::pair<Point, Point>> measured_;
    Tool tool_ = Tool::None;
    std::shared_ptr<const ShownCuttingMats> mats_;
};

} // namespace zesty
