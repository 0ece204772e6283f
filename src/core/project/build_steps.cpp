#include "core/project/build_steps.h"

#include "core/dress/layers.h"
#include "core/dress/wet.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

// Minutes, of a household that nobody has timed yet.
constexpr double loading = 2;  ///< a cutting mat or sheet
constexpr double trimming = 4; ///< a base, or a strip
constexpr double gutting = 6;  ///< a window by knife and ruler
constexpr double lifting_a_piece = 0.3;
constexpr double wetting = 6;
constexpr double laying_out = 12;
constexpr double mounting = 5; ///< a cut or a photo
constexpr double a_letter = 0.5;
constexpr double an_embellishment = 1;
constexpr double writing_a_word = 0.12;
constexpr double a_hole = 0.2; ///< pierced and sewn

// Usual waits.
constexpr double glue_holds = 5;
constexpr double acetate_holds = 15;
constexpr double primer_dries = 15;
constexpr double ink_on_paper_dries = 3;

constexpr const char* knife = "Cut away from the hand, on a mat, against a metal ruler; cap the blade.";
constexpr const char* machine = "Keep hands off the machine while it runs.";

double dries_for(WetKind kind) {
    switch (kind) {
    case WetKind::Ink:
        return 15;
    case WetKind::Splatter:
        return 10;
    case WetKind::Paste:
        return 60;
    case WetKind::Paint:
        break;
    }
    return 20;
}

class Steps {
public:
    Steps(const Project& project, const Plan& plan) : project_(project), plan_(plan) {}

    std::vector<BuildStep> all() {
        stock();
        backing();
        wet_work();
        stitching();
        dry_run();
        mount();
        dressing();
        finish();
        return std::move(out_);
    }

private:
    using After = std::vector<std::size_t>;

    std::size_t add(std::string what, double hands, After after, double dries = 0, std::string caution = {}) {
        std::sort(after.begin(), after.end());
        after.erase(std::unique(after.begin(), after.end()), after.end());
        out_.push_back({std::move(what), {hands, dries, std::move(after)}, std::move(caution)});
        return out_.size() - 1;
    }
    static void join(After& all, const After& more) { all.insert(all.end(), more.begin(), more.end()); }
    double machine_minutes(double length_mm, std::size_t contours) const {
        const Pace& pace = project_.sections.pace;
        return (length_mm / pace.blade + static_cast<double>(contours) * pace.blade_lift) / 60;
    }

    /// Frame and base, the cuts, patches and pieces of Dress.
    void stock() {
        const Page& page = project_.set_out.page;
        if (plan_.set_out.frame.window && page.gut)
            gutted_.push_back(add("Cut the middle out of the frame paper, before the base is glued on it",
                                  gutting, {}, 0, knife));
        if (page.framed())
            based_.push_back(
                add("Trim the base", trimming * static_cast<double>(page.leaves().size()), {}, 0, knife));
        if (plan_.sections.cut && !project_.set_out.cuts.empty()) {
            const CutFile& cut = *plan_.sections.cut;
            const double scale = plan_.set_out.whole.scale;
            const std::size_t run = add(
                "Cut the " + std::string(project_.set_out.cuts.size() == 1 ? "cut" : "cuts") + " by machine",
                loading, {}, machine_minutes(cut.cut_length * scale, cut.openings.size() + cut.pieces.size()),
                machine);
            std::string lift = "Lift the cut gently off the mat";
            if (!plan_.sections.inserts.empty())
                lift += ", and leave loose pieces there until they are wanted";
            cut_.push_back(add(lift, 1 + lifting_a_piece * static_cast<double>(cut.pieces.size()), {run}));
        }
        for (const UsedSheet& used : plan_.sheets.used) patches_from(used);
        for (const DressPiece& piece : plan_.dress.pieces)
            pieces_[{piece.photo, piece.layer}].push_back(add("Cut " + piece.what, trimming, {}, 0, knife));
    }

    void patches_from(const UsedSheet& used) {
        if (used.patches.empty()) return;
        const Sheet& sheet = plan_.papers.sheets[static_cast<std::size_t>(used.sheet)];
        double length = 0;
        for (const int p : used.patches)
            length += perimeter(plan_.sections.patches[static_cast<std::size_t>(p)].on_sheet());
        const std::string what =
            "Cut " + count_of(used.patches.size(), "patch", "patches") + " from " + sheet.id;
        const After after = sheet.kind == SheetKind::Gutted ? gutted_ : After{};
        patches_.push_back(add(what, loading, after, machine_minutes(length, used.patches.size()), machine));
    }

    void backing() {
        if (plan_.sections.patches.empty()) return;
        After after = patches_;
        join(after, cut_);
        backed_.push_back(
            add("Back the openings, " + count_of(plan_.sections.patches.size(), "patch", "patches"),
                std::max(1.0, plan_.sections.backing_minutes), after, glue_holds));
        if (!plan_.sections.inserts.empty())
            backed_.push_back(add("Glue " +
                                      count_of(plan_.sections.inserts.size(), "loose piece", "loose pieces") +
                                      " into their openings",
                                  static_cast<double>(plan_.sections.inserts.size()), backed_, glue_holds));
        for (const Shaker& shaker : plan_.sections.shakers) {
            const std::string at = "opening " + std::to_string(shaker.opening + 1);
            const std::size_t acetate = add("Glue acetate behind " + at, 3, cut_, acetate_holds);
            backed_.push_back(add("Set the foam walls, fill and close the shaker of " + at, 8,
                                  {acetate, backed_.front()}, glue_holds,
                                  "Small parts stay away from small children."));
        }
    }

    void wet_work() {
        std::vector<std::size_t> zones;
        for (std::size_t i = 0; i < project_.dress.wet.size(); ++i) {
            const WetZone& zone = project_.dress.wet[i];
            const std::string name = name_of(zone, i);
            After after;
            if (zone.primer)
                after.push_back(add("Prime the place of " + name, wetting / 2, {}, primer_dries));
            for (const WetPair& pair : plan_.dress.wet_pairs)
                if (pair.second == static_cast<int>(i))
                    after.push_back(zones[static_cast<std::size_t>(pair.first)]);
            zones.push_back(add("Put " + name + " on the base", wetting, after, dries_for(zone.kind),
                                "Fresh air, and the label's own advice; its drying time wins over ours."));
        }
        join(based_, zones);
    }

    void stitching() {
        for (const StitchingFacts& s : plan_.dress.stitchings)
            based_.push_back(add("Pierce and sew " +
                                     count_of(static_cast<std::size_t>(s.holes), "hole", "holes") +
                                     " along the base",
                                 2 + a_hole * s.holes, based_, 0, "Pierce on a soft mat; mind the needle."));
    }

    void dry_run() {
        After after = backed_;
        join(after, cut_);
        join(after, based_);
        join(after, gutted_);
        for (const auto& [of, pieces] : pieces_) join(after, pieces);
        laid_ = add("Lay everything out dry, look, and move it before anything is glued", laying_out, after);
    }

    /// Photos that slide behind first, then the cuts, then what lies on them.
    void mount() {
        After behind{laid_};
        for (std::size_t i = 0; i < project_.set_out.photos.size(); ++i)
            if (!project_.set_out.photos[i].on_top) behind.push_back(photo(i, {laid_}));
        for (std::size_t i = 0; i < project_.dress.layers.size(); ++i)
            if (project_.dress.layers[i].place == LayerPlace::UnderCuts) behind.push_back(layer(i, {laid_}));
        for (std::size_t c = 0; c < project_.set_out.cuts.size(); ++c) {
            const bool foam = raised(Lying::Cut, static_cast<int>(c));
            const std::string which =
                project_.set_out.cuts.size() == 1 ? "the cut" : "cut " + std::to_string(c + 1);
            mounted_.push_back(add((foam ? "Put foam behind " + which + ", and set it on the base"
                                         : "Glue " + which + " on the base") +
                                       (behind.size() > 1 ? ", with what is tucked behind it" : ""),
                                   mounting + (foam ? mounting : 0), behind, foam ? 0 : glue_holds));
        }
        if (mounted_.empty()) mounted_ = behind;
    }

    bool raised(Lying what, int index) const {
        return std::any_of(plan_.dress.heights.raised.begin(), plan_.dress.heights.raised.end(),
                           [&](const RaisedThing& r) { return r.what == what && r.index == index; });
    }

    std::size_t photo(std::size_t i, After after) {
        const Photo& of = project_.set_out.photos[i];
        const std::string name = name_of(of, i);
        const bool foam = raised(Lying::Photo, static_cast<int>(i));
        if (!of.mats.empty()) {
            After matted = pieces_[{static_cast<int>(i), -1}];
            matted.push_back(laid_);
            after.push_back(add("Glue " + name + " on its photo " + (of.mats.size() == 1 ? "mat" : "mats"),
                                2.0 * static_cast<double>(of.mats.size()), matted, glue_holds));
        }
        return add((foam ? "Set " + name + " on foam" : "Glue " + name) +
                       std::string(of.on_top ? "" : " where the cut will lie over it"),
                   mounting, after, foam ? 0 : glue_holds);
    }

    void dressing() {
        After last = mounted_;
        for (std::size_t i = 0; i < project_.dress.layers.size(); ++i)
            if (project_.dress.layers[i].place != LayerPlace::UnderCuts) last.push_back(layer(i, mounted_));
        for (std::size_t i = 0; i < project_.set_out.photos.size(); ++i)
            if (project_.set_out.photos[i].on_top) last.push_back(photo(i, mounted_));
        for (const TitleFacts& t : plan_.dress.titles)
            if (!t.letters.empty())
                last.push_back(add("Lay out the title on something movable, then put it down",
                                   2 + a_letter * static_cast<double>(t.letters.size()), last));
        if (const std::size_t n = project_.dress.embellishments.size(); n > 0)
            last.push_back(add("Put on " + count_of(n, "embellishment", "embellishments"),
                               an_embellishment * static_cast<double>(n), last, glue_holds));
        int words = 0;
        for (const WritingFacts& w : plan_.dress.writings) words += w.words;
        if (words > 0)
            last.push_back(add("Write the journaling, about " + std::to_string(words) + " words",
                               3 + writing_a_word * words, mounted_, ink_on_paper_dries));
        dressed_ = std::move(last);
    }

    std::size_t layer(std::size_t i, After after) {
        join(after, pieces_[{-1, static_cast<int>(i)}]);
        return add("Glue " + name_of(project_.dress.layers[i], i), 2, after, glue_holds);
    }

    void finish() {
        if (project_.set_out.page.framed())
            dressed_.push_back(add("Mount the base on its frame", mounting, dressed_, glue_holds));
        if (project_.dress.frame.how != LateFraming::None)
            dressed_.push_back(add(project_.dress.frame.how == LateFraming::Trimmed
                                       ? "Trim the page to its marks and mount it on the frame"
                                       : "Glue the strips of the frame over the edges",
                                   trimming + mounting, dressed_, glue_holds, knife));
        add("Write down what was used, and put the leftovers back", 5, dressed_);
    }

    const Project& project_;
    const Plan& plan_;
    std::vector<BuildStep> out_;
    After gutted_, cut_, patches_, backed_, based_, mounted_, dressed_;
    std::map<std::pair<int, int>, After> pieces_; ///< by photo and layer: its pieces are cut
    std::size_t laid_ = 0;
};

} // namespace

std::vector<BuildStep> build_steps(const Project& project, const Plan& plan) {
    return Steps(project, plan).all();
}

std::vector<TimedStep> times_of(const std::vector<BuildStep>& steps) {
    std::vector<TimedStep> out;
    for (const BuildStep& s : steps) out.push_back(s.time);
    return out;
}

} // namespace zesty
