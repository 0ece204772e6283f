#include "core/dress/balance.h"

#include "core/dress/writing.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr double hang_together = mm_per_inch;
constexpr double same_accent = 14;  ///< delta E 2000 within which two colours count as one
constexpr double strong = 25;       ///< chroma of an accent
constexpr double many_of_one = 0.6; ///< share of one kind from which on it is too many
constexpr std::size_t few = 4;      ///< embellishments up to which kinds are nobody's matter
constexpr double level_within = 8;  ///< mm
constexpr double near_equal = 0.1;  ///< of the larger of two clusters

double gap_between(const Polygon& a, const Polygon& b) {
    return gap(a.outer, b.outer).distance;
}

std::vector<Cluster> clusters_of(const std::vector<EmbellishmentFacts>& all) {
    std::vector<std::size_t> group(all.size());
    for (std::size_t i = 0; i < all.size(); ++i) group[i] = i;
    for (std::size_t i = 0; i < all.size(); ++i)
        for (std::size_t j = 0; j < i; ++j) {
            if (!all[i].known || !all[j].known || group[i] == group[j]) continue;
            if (!bounds(all[i].outline).grown(hang_together).meets(bounds(all[j].outline)) ||
                gap_between(all[i].outline, all[j].outline) > hang_together)
                continue;
            const std::size_t from = group[i];
            for (std::size_t& g : group)
                if (g == from) g = group[j];
        }
    std::map<std::size_t, Cluster> clusters;
    for (std::size_t i = 0; i < all.size(); ++i) {
        if (!all[i].known) continue;
        Cluster& c = clusters[group[i]];
        const double size = area(all[i].outline);
        c.members.push_back(static_cast<int>(i));
        c.centre = c.centre + bounds(all[i].outline).centre() * size;
        c.area += size;
    }
    std::vector<Cluster> out;
    for (auto& [g, c] : clusters) {
        if (c.area > 0) c.centre = c.centre * (1 / c.area);
        out.push_back(std::move(c));
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const Cluster& a, const Cluster& b) { return a.area > b.area; });
    return out;
}

double angle_at(Point at, Point a, Point b) {
    const Point u = a - at;
    const Point v = b - at;
    return std::abs(std::atan2(cross(u, v), dot(u, v))) * 180 / M_PI;
}

void look_at_triangle(const DressNow& now, BalanceFacts& out) {
    if (out.clusters.size() < 3) return;
    for (int i = 0; i < 3; ++i) out.triangle.push_back(out.clusters[static_cast<std::size_t>(i)].centre);
    for (std::size_t i = 0; i < 3; ++i)
        out.angles_deg.push_back(
            angle_at(out.triangle[i], out.triangle[(i + 1) % 3], out.triangle[(i + 2) % 3]));
    for (std::size_t i = 0; i < now.page.photos.size(); ++i)
        if (contains(Ring(out.triangle), now.page.photos[i].centre)) out.around_photo = static_cast<int>(i);
}

/// How much of what lies on the base lies in each quarter.
void weigh_quarters(const DressNow& now, const std::vector<LyingThing>& pile, BalanceFacts& out) {
    const Box page = now.page.page.whole();
    const Point middle = page.centre();
    const Box parts[4] = {{page.x0, page.y0, middle.x, middle.y},
                          {middle.x, page.y0, page.x1, middle.y},
                          {page.x0, middle.y, middle.x, page.y1},
                          {middle.x, middle.y, page.x1, page.y1}};
    double sum = 0;
    for (std::size_t q = 0; q < 4; ++q) {
        Region there;
        for (const LyingThing& thing : pile)
            for (const Polygon& p : thing.outline)
                if (bounds(p).meets(parts[q]))
                    if (const auto part = clipped(p, parts[q]))
                        there.insert(there.end(), part->begin(), part->end());
        const auto joined = unite(there);
        out.quarters[q] = joined ? area(*joined) : 0;
        sum += out.quarters[q];
    }
    for (double& q : out.quarters) q = sum > 0 ? q / sum : 0;
}

void find_emptiest(const DressNow& now, const std::vector<LyingThing>& pile,
                   const std::vector<TitleFacts>& titles, BalanceFacts& out) {
    Region rooms;
    for (const Writing& w : now.decided.writings)
        if (const Polygon room = outline_of(on_page(w, now.page)); !room.outer.empty()) rooms.push_back(room);
    for (const Polygon& p : free_base(now, pile, titles, rooms)) {
        const auto circle = largest_circle(p, 1);
        if (!circle || circle->radius <= out.emptiest_radius) continue;
        out.emptiest = circle->centre;
        out.emptiest_radius = circle->radius;
    }
}

void look_at_accents(const DressNow& now, BalanceFacts& out) {
    std::vector<std::pair<Rgb, std::vector<int>>> accents;
    for (std::size_t i = 0; i < now.decided.embellishments.size(); ++i) {
        const Embellishment* of = now.stash.embellishment(now.decided.embellishments[i].id);
        if (!of || chroma_of(to_lab(of->colour)) < strong) continue;
        const auto same = std::find_if(accents.begin(), accents.end(), [&](const auto& a) {
            return difference(to_lab(a.first), to_lab(of->colour)) < same_accent;
        });
        if (same == accents.end())
            accents.push_back({of->colour, {static_cast<int>(i)}});
        else
            same->second.push_back(static_cast<int>(i));
    }
    for (auto& [colour, places] : accents) {
        // A paper or letters of the colour are its echo.
        bool echoed = places.size() > 1;
        for (std::size_t p = 0; p < now.papers.uses.size() && !echoed; ++p)
            if (now.papers.uses[p].sections > 0)
                for (const PaletteColour& c : palette_or_colour(now.stash.papers[p].face(Side::A)))
                    echoed = echoed ||
                             (c.share > 0.1 && difference(to_lab(c.colour), to_lab(colour)) < same_accent);
        for (const PhotoColours& photo : now.photo_colours)
            for (const PaletteColour& c : photo.palette)
                echoed = echoed || difference(to_lab(c.colour), to_lab(colour)) < same_accent;
        if (!echoed) out.lone_accents.push_back(places.front());
    }
}

void look_at_kinds(const DressNow& now, BalanceFacts& out) {
    std::map<std::string, int> kinds;
    int all = 0;
    for (const PlacedEmbellishment& e : now.decided.embellishments)
        if (const Embellishment* of = now.stash.embellishment(e.id)) {
            ++kinds[key_of(of->kind)];
            ++all;
        }
    if (all < static_cast<int>(few) + 1) return;
    for (const auto& [kind, count] : kinds)
        if (count > many_of_one * all) {
            out.many_kind = kind;
            out.many_count = count;
        }
}

/// Two clusters want a third where there is most room: of what is left in the stash, what comes nearest to a
/// colour of theirs and has room there.
void suggest_third(const DressNow& now, BalanceFacts& out) {
    constexpr std::size_t most_suggested = 3;
    if (out.clusters.size() != 2 || out.emptiest_radius <= 0) return;
    out.suggested = out.emptiest;
    std::map<std::string, int> used;
    std::vector<Lab> there;
    for (const PlacedEmbellishment& e : now.decided.embellishments) {
        ++used[e.id];
        if (const Embellishment* of = now.stash.embellishment(e.id)) there.push_back(to_lab(of->colour));
    }
    std::vector<std::pair<double, std::string>> fit;
    for (const Embellishment& e : now.stash.embellishments) {
        const auto around = smallest_circle_around(e.outline.outer);
        if (e.count <= used[e.id] || !around || around->radius > out.emptiest_radius) continue;
        double nearest = std::numeric_limits<double>::infinity();
        for (const Lab& c : there) nearest = std::min(nearest, difference(c, to_lab(e.colour)));
        fit.emplace_back(nearest, e.id);
    }
    std::sort(fit.begin(), fit.end());
    for (std::size_t i = 0; i < fit.size() && i < most_suggested; ++i)
        out.suggested_things.push_back(fit[i].second);
}

/// The smallest angle of the triangle of three places whose smallest angle is largest.
double widest_triangle(const std::vector<Point>& places) {
    double out = 0;
    for (std::size_t a = 0; a < places.size(); ++a)
        for (std::size_t b = a + 1; b < places.size(); ++b)
            for (std::size_t c = b + 1; c < places.size(); ++c)
                out = std::max(out, std::min({angle_at(places[a], places[b], places[c]),
                                              angle_at(places[b], places[c], places[a]),
                                              angle_at(places[c], places[a], places[b])}));
    return out;
}

void look_at_what_comes_back(const DressNow& now, BalanceFacts& out) {
    constexpr std::size_t most_looked_at = 24; // of one kind, as every three of them are
    std::map<std::pair<bool, std::string>, std::vector<Point>> places;
    for (const PlacedEmbellishment& e : now.decided.embellishments) {
        const Embellishment* of = now.stash.embellishment(e.id);
        if (!of) continue;
        places[{false, key_of(of->kind)}].push_back(e.centre);
        places[{true, colour_words(of->colour)}].push_back(e.centre);
    }
    for (auto& [what, all] : places) {
        if (all.size() < 2) continue;
        const int count = static_cast<int>(all.size());
        if (all.size() > most_looked_at) all.resize(most_looked_at);
        out.come_back.push_back({what.second, what.first, count, widest_triangle(all)});
    }
}

} // namespace

BalanceFacts balance_of(const DressNow& now, const std::vector<LyingThing>& pile,
                        const std::vector<EmbellishmentFacts>& embellishments,
                        const std::vector<TitleFacts>& titles) {
    BalanceFacts out;
    out.clusters = clusters_of(embellishments);
    look_at_triangle(now, out);
    weigh_quarters(now, pile, out);
    find_emptiest(now, pile, titles, out);
    look_at_accents(now, out);
    look_at_kinds(now, out);
    suggest_third(now, out);
    look_at_what_comes_back(now, out);
    return out;
}

std::vector<Finding> balance_findings(const DressNow& now, const BalanceFacts& facts) {
    std::vector<Finding> out;
    for (const int i : facts.lone_accents) {
        const Embellishment* of =
            now.stash.embellishment(now.decided.embellishments[static_cast<std::size_t>(i)].id);
        out.push_back(
            {.code = Code::LoneAccent,
             .title = of->name + " is the only " + colour_words(of->colour) + " on the page",
             .message = "An accent that comes back two more times, in a triangle, holds a page together.",
             .where = now.decided.embellishments[static_cast<std::size_t>(i)].centre,
             .swatch = of->colour});
    }
    if (!facts.many_kind.empty())
        out.push_back({.code = Code::ManyAlike,
                       .title = "Many of one kind",
                       .message = std::to_string(facts.many_count) + " of " +
                                  std::to_string(now.decided.embellishments.size()) +
                                  " embellishments are the same kind (" + facts.many_kind +
                                  "); two or three kinds mixed look livelier."});
    if (facts.clusters.size() >= 2) {
        const Cluster& a = facts.clusters[0];
        const Cluster& b = facts.clusters[1];
        if (now.page.page.spread && std::abs(a.centre.y - b.centre.y) < level_within)
            out.push_back({.code = Code::LevelClusters,
                           .title = "Two clusters are level with each other",
                           .message = "Across a spread one higher than the other looks less like a mirror.",
                           .where = a.centre});
        else if (a.area - b.area < near_equal * a.area && a.members.size() > 1)
            out.push_back({.code = Code::LevelClusters,
                           .title = "Two clusters are the same size",
                           .message = "One that leads and others that follow are easier on the eye.",
                           .where = b.centre});
    }
    return out;
}

} // namespace zesty
