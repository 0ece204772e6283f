// How plain patches are: corners of a patch over corners of its opening, both simplified to 0.15 mm, and
// notches in patches of openings that have none. Every drawing named is set out on a 12 x 12 in page with a
// border of 3/4 in.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "io/drawing_import.h"

#include <cstdio>
#include <map>

namespace zesty {

namespace {

constexpr double seen = 0.15;

Ring plain(const Ring& ring) {
    return simplified({ring, {}}, seen).outer;
}

struct Counted {
    int corners = 0;
    int notches = 0; ///< corners that turn inwards by more than 10 degrees
    int sharp = 0;   ///< corners of less than 60 degrees
};

Counted counted(const Ring& full) {
    const Ring ring = plain(full);
    Counted out{static_cast<int>(ring.size()), 0, 0};
    const double way = signed_area(ring) > 0 ? 1 : -1;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point before = ring[i] - ring[(i + ring.size() - 1) % ring.size()];
        const Point after = ring[(i + 1) % ring.size()] - ring[i];
        const double turn = way * std::atan2(cross(before, after), dot(before, after)) * 180 / M_PI;
        out.notches += turn < -10;
        out.sharp += turn > 120;
    }
    return out;
}

struct Sum {
    int patches = 0, notched = 0, notches = 0, smooth = 0;
    double ratio = 0, worst = 0;
};

void measure(const char* path, Sum& all, bool each) {
    auto drawing = drawing_file(path);
    if (!drawing) return;
    Project p;
    p.set_out.drawings.push_back(*drawing);
    p.set_out.cuts.push_back(
        {.id = 0, .drawing = 0, .place = sized({}, SizeRule::Margin, 19.05), .left_out = {}});
    p.set_out.next_cut = 1;
    const auto plan = Planner().shapes(p);
    if (!plan || !(*plan).sections.cut) return;
    for (const Patch& patch : plan->sections.patches) {
        const Ring edge = transformed(plan->sections.cut->openings[patch.opening].outline.outer,
                                      plan->set_out.whole.to_page);
        const Counted opening = counted(edge);
        const Counted made = counted(patch.outline.outer);
        const double ratio = double(made.corners) / (opening.corners + opening.sharp);
        ++all.patches;
        all.ratio += ratio;
        all.worst = std::max(all.worst, ratio);
        if (opening.notches == 0) {
            ++all.smooth;
            all.notched += made.notches > 0;
            all.notches += made.notches;
        }
        if (each)
            std::printf("  %s %d: %d corners (%d sharp), patch %d, notches %d of %d, lip %.2f\n", path,
                        patch.opening + 1, opening.corners, opening.sharp, made.corners, made.notches,
                        opening.notches, patch.lip);
    }
}

} // namespace

} // namespace zesty

int main(int argc, char** argv) {
    zesty::Sum all;
    const bool each = argc > 1 && std::string(argv[1]) == "--each";
    for (int i = each ? 2 : 1; i < argc; ++i) zesty::measure(argv[i], all, each);
    std::printf("%d patches, corners %.2f times those of their openings on average, %.2f at worst; "
                "%d of %d patches of openings without a notch have one, %d in all\n",
                all.patches, all.ratio / std::max(all.patches, 1), all.worst, all.notched, all.smooth,
                all.notches);
}
