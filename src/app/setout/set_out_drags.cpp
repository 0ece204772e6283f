#include "app/setout/set_out_drags.h"

#include "app/page/page_view.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "core/setout/sizing.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double snap_reach = 9;    ///< px, to a contour that is measured from
constexpr double corner_reach = 14; ///< px

Photo* photo_in_hand(const BenchState& state, Project& project) {
    const int i = state.in_hand().photo(project);
    return i < 0 ? nullptr : &project.set_out.photos[static_cast<std::size_t>(i)];
}

class MoveCutDrag final : public EditingDrag {
public:
    using EditingDrag::EditingDrag;
    void move(QPointF to) override {
        edit("Move the cut", [&](Project& p) {
            if (PlacedCut* cut = state().in_hand().placed(p)) cut->place.shift = cut->place.shift + moved(to);
        });
    }
};

class SizeCutDrag final : public EditingDrag {
public:
    SizeCutDrag(const PageHands& hands, QPointF from, const SetOut& now)
        : EditingDrag(hands, from), width_(now.ruled.x), middle_(hands.map()(now.cut_box.centre())),
          reach_(std::max(1.0, distance_to(from))) {}
    void move(QPointF to) override {
        edit("Size the cut", [&](Project& p) {
            PlacedCut* cut = state().in_hand().placed(p);
            if (!cut) return;
            cut->place = sized(cut->place, SizeRule::Width,
                               std::clamp(width_ * distance_to(to) / reach_, least_cut, greatest_cut));
        });
    }

private:
    double distance_to(QPointF p) const { return std::hypot(p.x() - middle_.x(), p.y() - middle_.y()); }
    double width_;
    QPointF middle_;
    double reach_;
};

class MovePhotoDrag final : public EditingDrag {
public:
    using EditingDrag::EditingDrag;
    void move(QPointF to) override {
        edit("Move the photo", [&](Project& p) {
            if (Photo* photo = photo_in_hand(state(), p)) photo->centre = photo->centre + moved(to);
        });
    }
};

/// Draws a part of a photo; a click takes the one there away.
class PartOfPhotoDrag final : public EditingDrag {
public:
    PartOfPhotoDrag(const PageHands& hands, QPointF from, PartsOfPhoto parts)
        : EditingDrag(hands, from), parts_(parts) {}
    void move(QPointF to) override {
        if (is_click(to)) return;
        edit(parts_ == &Photo::hidden_parts ? "Mark a part to be hidden" : "Protect an area",
             [&](Project& p) {
                 Photo* photo = photo_in_hand(state(), p);
                 if (!photo) return;
                 if (const auto part = part_between(*photo, map().back(from_), map().back(to)))
                     (photo->*parts_).push_back(*part);
             });
    }
    void release(QPointF to) override {
        if (!is_click(to)) return;
        document().change(parts_ == &Photo::hidden_parts ? "Remove a part to be hidden"
                                                         : "Remove protected area",
                          [&](Project& p) {
                              Photo* photo = photo_in_hand(state(), p);
                              const int part = photo ? part_at(*photo, parts_, map().back(to)) : -1;
                              if (part >= 0) (photo->*parts_).erase((photo->*parts_).begin() + part);
                          });
    }

private:
    bool is_click(QPointF to) const { return (to - from_).manhattanLength() < least_gesture; }
    PartsOfPhoto parts_;
};

/// Which parts of photos a tool is for; null for none.
PartsOfPhoto parts_for(PageTools::Tool tool) {
    return tool == PageTools::Tool::Protect  ? &Photo::protected_parts
           : tool == PageTools::Tool::ToHide ? &Photo::hidden_parts
                                             : nullptr;
}

class MeasureDrag final : public PageDrag {
public:
    using PageDrag::PageDrag;
    void move(QPointF to) override {
        const Plan& plan = hands_.plan();
        state().tools().measure(snapped(*plan.sections.cut, plan.set_out.whole.to_page, map().back(from_),
                                        map().back(to), snap_reach / map().scale));
    }
};

/// Takes the topmost cut there in hand, the one already in hand first.
bool take_cut_at(const PageHands& hands, QPointF at) {
    const Project& project = hands.document.project();
    const auto& each = hands.plan().set_out.each;
    const auto over = [&](std::size_t i) {
        return i < each.size() && hands.map().rect(each[i].cut_box).contains(at);
    };
    const int now = hands.state.in_hand().cut(project);
    if (now >= 0 && over(static_cast<std::size_t>(now))) {
        hands.state.in_hand().take_cut(project.set_out.cuts[static_cast<std::size_t>(now)].id);
        return true;
    }
    for (std::size_t i = project.set_out.cuts.size(); i-- > 0;)
        if (over(i)) {
            hands.state.in_hand().take_cut(project.set_out.cuts[i].id);
            return true;
        }
    return false;
}

bool take_photo_at(const PageHands& hands, QPointF pixel) {
    const auto& photos = hands.document.project().set_out.photos;
    const Point at = hands.map().back(pixel);
    for (std::size_t i = photos.size(); i-- > 0;)
        if (contains(matted_outline(photos[i]).outer, at)) {
            hands.state.in_hand().take_photo(static_cast<int>(i));
            return true;
        }
    return false;
}

} // namespace

namespace {

/// Draws a box of the sketch; a click takes the one there away.
class SketchBoxDrag final : public EditingDrag {
public:
    SketchBoxDrag(const PageHands& hands, QPointF from, SketchRole role)
        : EditingDrag(hands, from), role_(role) {}
    void move(QPointF to) override {
        if ((to - from_).manhattanLength() < least_gesture) return;
        edit("Draw a box of the sketch", [&](Project& p) {
            if (p.set_out.sketch.boxes.size() >= most_sketch_boxes) return;
            Box box;
            box.add(map().back(from_));
            box.add(map().back(to));
            p.set_out.sketch.boxes.push_back({role_, box});
        });
    }
    void release(QPointF to) override {
        if ((to - from_).manhattanLength() >= least_gesture) return;
        document().change("Remove a box of the sketch", [&](Project& p) {
            auto& boxes = p.set_out.sketch.boxes;
            const Point at = map().back(to);
            for (std::size_t i = boxes.size(); i-- > 0;)
                if (boxes[i].box.contains(at)) {
                    boxes.erase(boxes.begin() + static_cast<std::ptrdiff_t>(i));
                    return;
                }
        });
    }

private:
    SketchRole role_;
};

} // namespace

std::unique_ptr<PageDrag> begin_sketch_box(const PageHands& hands, QPointF at, SketchRole role) {
    return std::make_unique<SketchBoxDrag>(hands, at, role);
}

bool over_corner(const PageHands& hands, QPointF at) {
    const Plan* plan = hands.state.plan();
    if (!plan || !plan->sections.cut) return false;
    const SetOut* in_hand = hands.state.set_out_in_hand(hands.document.project());
    if (!in_hand) return false;
    const Box& b = in_hand->cut_box;
    for (const Point c : {Point{b.x0, b.y0}, Point{b.x1, b.y0}, Point{b.x0, b.y1}, Point{b.x1, b.y1}})
        if ((hands.map()(c) - at).manhattanLength() < corner_reach) return true;
    return false;
}

std::unique_ptr<PageDrag> begin_moving_photo(const PageHands& hands, QPointF at) {
    if (!take_photo_at(hands, at)) return nullptr;
    return std::make_unique<MovePhotoDrag>(hands, at);
}

std::unique_ptr<PageDrag> begin_setting_out(const PageHands& hands, QPointF at) {
    if (hands.state.tools().tool() == PageTools::Tool::Measure)
        return hands.plan().sections.cut ? std::make_unique<MeasureDrag>(hands, at) : nullptr;
    const bool corner = hands.state.in_hand().photo(hands.document.project()) < 0 && over_corner(hands, at);
    const auto& rooms = hands.document.project().set_out.rooms;
    for (std::size_t r = rooms.size(); !corner && r-- > 0;)
        if (rooms[r].box().contains(hands.map().back(at)))
            return std::make_unique<MovePointDrag>(hands, at, "Move the room", [r](Project& p) {
                const bool there = r < p.set_out.rooms.size() && p.set_out.rooms[r].centre;
                return there ? &*p.set_out.rooms[r].centre : nullptr;
            });
    if (!corner && take_photo_at(hands, at)) {
        if (const PartsOfPhoto parts = parts_for(hands.state.tools().tool()))
            return std::make_unique<PartOfPhotoDrag>(hands, at, parts);
        return std::make_unique<MovePhotoDrag>(hands, at);
    }
    if (!corner && !take_cut_at(hands, at)) return nullptr;
    const SetOut* in_hand = hands.state.set_out_in_hand(hands.document.project());
    if (!in_hand) return nullptr;
    if (corner) return std::make_unique<SizeCutDrag>(hands, at, *in_hand);
    return std::make_unique<MoveCutDrag>(hands, at);
}

void push_in_hand(const PageHands& hands, Point way, bool more) {
    const bool photo = hands.state.in_hand().photo(hands.document.project()) >= 0;
    const PartsOfPhoto parts = parts_for(hands.state.tools().tool());
    if (photo && parts) {
        const bool hide = parts == &Photo::hidden_parts;
        hands.document.change(hide ? "Hide another part" : "Protect another area", [&](Project& p) {
            Photo& one = *photo_in_hand(hands.state, p);
            one = with_part_moved(one, parts, more ? Point{} : way, more ? way : Point{});
        });
        return;
    }
    hands.document.change(photo ? "Move the photo" : "Move the cut", [&](Project& p) {
        PlacedCut* cut = hands.state.in_hand().placed(p);
        if (!photo && !cut) return;
        Point& at = photo ? photo_in_hand(hands.state, p)->centre : cut->place.shift;
        at = at + way * (more ? 4 : 1);
    });
}

} // namespace zesty
