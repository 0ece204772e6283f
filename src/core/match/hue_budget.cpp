#include "core/match/hue_budget.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace zesty {

namespace {

constexpr double hue_from = 14;     ///< chroma from which a colour has a hue to speak of
constexpr double accent_from = 35;  ///< chroma of an accent
constexpr double most_of_one = 0.4; ///< of the coloured area
constexpr double most_with_base = 0.6;
constexpr double small_share = 0.12;       ///< of the coloured area, for an accent
constexpr std::size_t fewest_sections = 6; ///< a page of fewer has no balance to speak of
constexpr std::array families{"pink", "red", "orange", "yellow", "green", "teal", "blue", "purple"};
constexpr std::array quarters{"upper left", "upper right", "lower left", "lower right"};

/// Where each family begins, in degrees of hue in CIELAB; pink runs over the end to where red begins.
constexpr std::array begins{335.0, 10.0, 45.0, 75.0, 105.0, 170.0, 225.0, 295.0};

int family_of(const Lab& c) {
    const double hue = std::fmod(std::atan2(c.b, c.a) * 180 / M_PI + 360, 360);
    for (std::size_t f = families.size() - 1; f > 0; --f)
        if (hue >= begins[f] && hue < begins[0]) return static_cast<int>(f);
    return 0;
}

struct Family {
    double area = 0;   ///< of patches
    double base = 0;   ///< of base and frame
    double accent = 0; ///< of strong colours among the patches
    std::array<double, quarters.size()> by_quarter{};
    std::vector<int> openings;
};

class Budget {
public:
    explicit Budget(const PapersNow& now) : now_(now) {
        add_patches();
        add_ground();
    }

    std::vector<Finding> run() {
        std::vector<Finding> out;
        if (now_.sections.all.size() < fewest_sections || patches_ <= 0) return out;
        for (std::size_t f = 0; f < families.size(); ++f) {
            const Family& family = all_[f];
            if (family.area <= 0) continue;
            const double share = family.area / patches_;
            const double with_base = (family.area + family.base) / std::max(1e-9, patches_ + ground_);
            if (family.base > 0 && with_base > most_with_base)
                out.push_back(too_much(f, with_base, Code::HueWithBase));
            else if (share > most_of_one && kinds() > 1)
                out.push_back(too_much(f, share, Code::HueBudget));
            else if (family.accent > 0.5 * family.area && share < small_share)
                one_quarter(f, out);
        }
        return out;
    }

private:
    void add(const std::vector<PaletteColour>& palette, double area, int opening) {
        for (const PaletteColour& c : palette) {
            const Lab lab = to_lab(c.colour);
            const double chroma = chroma_of(lab);
            if (chroma < hue_from) continue;
            Family& family = all_[static_cast<std::size_t>(family_of(lab))];
            const double own = area * c.share;
            if (opening < 0) {
                family.base += own;
                ground_ += own;
                continue;
            }
            family.area += own;
            patches_ += own;
            if (chroma >= accent_from) family.accent += own;
            const Point at = middle_of(now_.sections, now_.set_out, opening);
            family.by_quarter[static_cast<std::size_t>(quarter_of(at))] += own;
            if (c.share >= 0.3 &&
                std::find(family.openings.begin(), family.openings.end(), opening) == family.openings.end())
                family.openings.push_back(opening);
        }
    }

    void add_patches() {
        const double scale = now_.set_out.scale * now_.set_out.scale;
        for (std::size_t s = 0; s < now_.sections.all.size(); ++s) {
            if (now_.papers.of_section[s] < 0) continue;
            const auto palette = palette_or_colour(
                now_.stash.papers[now_.papers.of_section[s]].face(now_.papers.side_of_section[s]));
            for (const int o : now_.sections.all[s].openings) {
                const double hidden = static_cast<std::size_t>(o) < now_.sections.covered.size()
                                          ? now_.sections.covered[static_cast<std::size_t>(o)]
                                          : 0;
                add(palette, (1 - hidden) * scale * area(now_.sections.cut->openings[o].outline), o);
            }
        }
    }

    /// What of base and frame is seen beside cut, patches and photos, roughly.
    void add_ground() {
        const Box page = now_.page.whole();
        double left = page.width() * page.height();
        for (const Photo& p : now_.photos) left -= p.width * (p.round ? p.width : p.height);
        const double scale = now_.set_out.scale * now_.set_out.scale;
        for (const Piece& p : now_.sections.cut->pieces) left -= scale * area(p.outline);
        for (std::size_t s = 0; s < now_.sections.all.size(); ++s)
            if (now_.papers.of_section[s] >= 0)
                for (const int o : now_.sections.all[s].openings)
                    left -= scale * area(now_.sections.cut->openings[o].outline);
        const int base = now_.stash.find(now_.page.base_paper);
        if (base >= 0 && left > 0) add(palette_or_colour(now_.stash.papers[base].face(Side::A)), left, -1);
    }

    int quarter_of(Point at) const {
        const Box page = now_.page.whole();
        return (at.x > page.centre().x ? 1 : 0) + (at.y > page.centre().y ? 2 : 0);
    }

    std::size_t kinds() const {
        return static_cast<std::size_t>(
            std::count_if(all_.begin(), all_.end(), [](const Family& f) { return f.area > 0; }));
    }

    Finding too_much(std::size_t f, double share, Code code) const {
        const Family& family = all_[f];
        const auto most = static_cast<std::size_t>(
            std::max_element(family.by_quarter.begin(), family.by_quarter.end()) - family.by_quarter.begin());
        std::vector<int> there;
        for (const int o : family.openings)
            if (quarter_of(middle_of(now_.sections, now_.set_out, o)) == static_cast<int>(most))
                there.push_back(o);
        Finding out{.code = code,
                    .title = std::string("Much ") + families[f] + ": " + percent(share) + " of the colour",
                    .message = (code == Code::HueWithBase ? "With the base, m" : "M") +
                               std::string("ost of it is at the ") + quarters[most],
                    .openings = there};
        out.message += there.empty() ? "." : "; another paper at " + numbers(there) + " would lighten it.";
        if (!there.empty()) out.where = middle_of(now_.sections, now_.set_out, there.front());
        return out;
    }

    void one_quarter(std::size_t f, std::vector<Finding>& out) const {
        const Family& family = all_[f];
        const auto in =
            std::count_if(family.by_quarter.begin(), family.by_quarter.end(), [](double a) { return a > 0; });
        if (in != 1 || family.openings.empty()) return;
        const int own = quarter_of(middle_of(now_.sections, now_.set_out, family.openings.front()));
        const int across = 3 - own;
        std::vector<int> places;
        for (const Section& s : now_.sections.all) {
            const int o = s.openings.front();
            if (takes_paper(s.treatment) && quarter_of(middle_of(now_.sections, now_.set_out, o)) == across &&
                places.size() < 3)
                places.push_back(o);
        }
        if (places.empty()) return;
        out.push_back({.code = Code::OneQuarter,
                       .title = std::string("All the ") + families[f] + " is at the " +
                                quarters[static_cast<std::size_t>(own)],
                       .message = "Using it once more at the " +
                                  std::string(quarters[static_cast<std::size_t>(across)]) + ", as at " +
                                  numbers(places) + ", would balance it.",
                       .where = middle_of(now_.sections, now_.set_out, family.openings.front()),
                       .openings = family.openings});
    }

    const PapersNow& now_;
    std::array<Family, families.size()> all_;
    double patches_ = 0; ///< coloured area of patches
    double ground_ = 0;  ///< of base and frame
};

} // namespace

std::vector<Finding> hue_findings(const PapersNow& now) {
    return Budget(now).run();
}

} // namespace zesty
