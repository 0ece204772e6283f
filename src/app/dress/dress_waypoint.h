#pragma once
// Dress in the window: the page as it will be, with mats, layers and words, and what lies on what.

#include "app/bench/panel_part.h"
#include "app/bench/waypoint_view.h"
#include "app/dress/cover_part.h"
#include "app/dress/frame_part.h"
#include "app/dress/height_part.h"
#include "app/dress/layers_part.h"
#include "app/dress/letters_part.h"
#include "app/dress/look_part.h"
#include "app/dress/mats_part.h"
#include "app/dress/stitching_part.h"
#include "app/dress/things_part.h"
#include "app/dress/title_part.h"
#include "app/dress/variants_part.h"
#include "app/dress/wet_part.h"
#include "app/dress/words_part.h"

namespace zesty {

class DressWaypoint final : public WaypointView {
    Q_OBJECT
public:
    DressWaypoint(const BenchParts& bench, QObject* parent);

    QString name() const override { return "Dress"; }
    QString answer(const Project& project, const Plan& plan) const override;
    /// A piece of paper that no sheet has.
    bool in_trouble(const Plan& plan) const override;
    QWidget* panel() const override { return panel_; }
    void paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                       const Plan& plan) const override;
    bool shows_selection() const override { return false; }
    QString hint() const override {
        return "Drag photos, layers and journaling to where you want them; the arrow keys push what is in "
               "hand.";
    }
    Seen seen() const override;
    std::unique_ptr<PageDrag> press(const PageHands& hands, const PagePress& press) const override;
    bool push(const PageHands& hands, Point way, bool more) const override;

private:
    enum Part {
        Wet,
        Mats,
        Layers,
        Things,
        Title,
        Letters,
        Words,
        Stitches,
        Height,
        Cover,
        Frame,
        Look,
        Variants
    };
    void make() override;
    void connect_actions();
    void connect_held(); ///< wet work, heights, arrangements
    void show_part(Part part);
    bool held_instead(Lying what, std::size_t index) const;
    std::unique_ptr<PageDrag> press_writing(const PageHands& hands, QPointF at) const;
    std::unique_ptr<PageDrag> press_title(const PageHands& hands, QPointF at) const;
    std::unique_ptr<PageDrag> press_thing(const PageHands& hands, QPointF at) const;
    std::unique_ptr<PageDrag> press_wet(const PageHands& hands, QPointF at) const;
    std::unique_ptr<PageDrag> press_layer(const PageHands& hands, QPointF at, bool on_top) const;

    PanelOfParts* panel_ = nullptr;
    MatsPart* mats_ = nullptr;
    LayersPart* layers_ = nullptr;
    ThingsPart* things_ = nullptr;
    TitlePart* title_ = nullptr;
    StitchingPart* stitching_ = nullptr;
    CoverPart* cover_ = nullptr;
    WordsPart* words_ = nullptr;
    LookPart* look_ = nullptr;
    WetPart* wet_ = nullptr;
    HeightPart* height_ = nullptr;
    FramePart* frame_ = nullptr;
    VariantsPart* variants_ = nullptr;
};

} // namespace zesty
