#pragma once
// What the window is looking at: nothing here is saved, and nothing here is computed. Views listen to its
// signals, and to those of its parts, and never to each other.

#include "app/bench/in_drawer.h"
#include "app/bench/in_hand.h"
#include "app/bench/offers.h"
#include "app/bench/page_tools.h"
#include "app/bench/swatch_pictures.h"
#include "core/sheets/cutting_mats.h"

#include <QImage>
#include <QObject>
#include <QPointer>
#include <QStringList>
#include <functional>
#include <optional>
#include <set>

namespace zesty {

enum class Waypoint { SetOut, Sections, Papers, Sheets, Dress, Build, Keep };
inline constexpr int waypoints = 7;

/// Cuts as they lie on the cutting mat, on show instead of the page.
struct ShownCuttingMats {
    QString title;
    std::shared_ptr<const CutFile> cut;
    std::vector<InsertLabel> labels;
    std::vector<std::vector<OnCuttingMat>> mats;
    CuttingMat size;
    QStringList names = {}; ///< by mat: what it is cut from; empty where that is plain
};

/// The drawings of a bundle, on show instead of the page until one is taken.
struct ShownBundle {
    struct Drawing {
        QString name;
        Shared<DrawingFile> file;
        std::size_t openings = 0;
        QImage picture;
    };
    QString title;
    std::vector<Drawing> drawings; ///< the first is on the page
};

class BenchState : public QObject {
    Q_OBJECT
public:
    explicit BenchState(QObject* parent = nullptr);

    // The parts, owned here.
    Offers& offers() const { return *offers_; }
    InHand& in_hand() const { return *in_hand_; }
    PageTools& tools() const { return *tools_; }
    InDrawer& drawer() const { return *drawer_; }

    Waypoint waypoint() const { return waypoint_; }
    /// The plan on show: the offer's while there is one. Null until the first is ready.
    const Plan* plan() const { return shared_plan().get(); }
    const std::shared_ptr<const Plan>& shared_plan() const;
    /// That of what is decided.
    std::shared_ptr<const Plan> own_plan() const { return plan_; }
    /// Runs `job` with a plan of what is decided now: at once, or when that is there, unless the asker has
    /// gone or asked for another by then. Its project is Plan::of.
    void when_planned(QObject* asker, std::function<void(std::shared_ptr<const Plan>)> job);
    /// Something has been decided since the plan was made; or no plan could be made of it.
    void plan_is_stale() { plan_is_current_ = false; }
    void no_plan() { waiting_.clear(); }
    bool plan_is_current() const { return plan_is_current_; }
    const std::shared_ptr<const Textures>& textures() const { return textures_; }
    /// What setting the cut in hand out came to; null until there is a plan with it.
    const SetOut* set_out_in_hand(const Project& project) const;
    const std::set<int>& selected() const { return selected_; }
    int hovered() const { return hovered_; }
    const std::shared_ptr<const ShownCuttingMats>& cutting_mats() const {
        return mats_;
    } ///< null while the page is on show
    const std::shared_ptr<const ShownBundle>& bundle() const { return bundle_; } ///< the same

    SwatchPictures& swatch_pictures() const { return *swatch_pictures_; }

    void go_to(Waypoint waypoint);
    void show_plan(std::shared_ptr<const Plan> plan, std::shared_ptr<const Textures> textures);
    void select(std::set<int> openings);
    void hover(int opening);
    void show_cutting_mats(std::shared_ptr<const ShownCuttingMats> mats);
    void show_bundle(std::shared_ptr<const ShownBundle> bundle);
    /// Whatever was on show instead of the page goes.
    void show_page();
    /// The offer's plan becomes the plan on show; returns the offer's project. There must be an offer.
    Project take_offer();

signals:
    void waypoint_changed();
    void plan_changed();
    void selection_changed();
    void hover_changed();
    void shown_instead_changed();

private:
    Offers* offers_;
    InHand* in_hand_;
    PageTools* tools_;
    InDrawer* drawer_;
    SwatchPictures* swatch_pictures_;
    Waypoint waypoint_ = Waypoint::SetOut;
    struct Waiting {
        QPointer<QObject> asker;
        std::function<void(std::shared_ptr<const Plan>)> job;
    };
    void run_waiting();

    std::shared_ptr<const Plan> plan_;
    bool plan_is_current_ = false;
    std::vector<Waiting> waiting_;
    std::shared_ptr<const Textures> textures_ = std::make_shared<const Textures>();
    std::set<int> selected_;
    int hovered_ = -1;
    std::shared_ptr<const ShownCuttingMats> mats_;
    std::shared_ptr<const ShownBundle> bundle_;
};

} // namespace zesty
