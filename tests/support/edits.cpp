#include "support/edits.h"

#include "core/project/edits.h"
#include "core/project/later.h"
#include "core/project/planner.h"
#include "core/project/variants.h"
#include "core/setout/photos.h"
#include "support/between.h"
#include "support/build_edits.h"
#include "support/pages.h"

namespace zesty::testing {

namespace {

int below(std::mt19937& random, int n) {
    return static_cast<int>(random() % static_cast<unsigned>(n));
}

PlacedCut& some_cut(Project& p, std::mt19937& random) {
    return p.set_out.cuts[random() % p.set_out.cuts.size()];
}

Spot some_opening(const Project& p, std::mt19937& random, int openings) {
    return {p.set_out.cuts[random() % p.set_out.cuts.size()].id, below(random, openings)};
}

void set_out_edit(Project& p, std::mt19937& random) {
    switch (below(random, 9)) {
    case 0:
        some_cut(p, random).place = {SizeRule::Width, between(random, 60, 320), 0, false, {}};
        break;
    case 1:
        some_cut(p, random).place.turn_deg = between(random, -180, 180);
        break;
    case 2:
        some_cut(p, random).place.mirrored ^= true;
        break;
    case 3:
        some_cut(p, random).place.shift = {between(random, -90, 90), between(random, -90, 90)};
        break;
    case 4:
        p.set_out.page.reveal = below(random, 2) ? Sides::even(between(random, 0, 20)) : Sides{};
        break;
    case 5:
        p.set_out.page.spread ^= true;
        break;
    case 6:
        if (p.set_out.cuts.size() < 3) copy_cut(p, some_cut(p, random).id, below(random, 2) != 0, {40, 0});
        break;
    case 7:
        if (p.set_out.cuts.size() > 1) remove_cut(p, some_cut(p, random).id);
        break;
    default:
        if (p.set_out.photos.size() < 3)
            p.set_out.photos.push_back({"",
                                        between(random, 40, 150),
                                        between(random, 40, 150),
                                        below(random, 4) == 0,
                                        {between(random, 0, 300), between(random, 0, 300)},
                                        between(random, -20, 20),
                                        below(random, 2) != 0,
                                        {}});
        else
            p.set_out.photos.clear();
    }
}

void sections_edit(Project& p, std::mt19937& random, int openings) {
    const Spot spot = some_opening(p, random, openings);
    SectionChoice c = p.sections.choice(p.sections.section_of(spot));
    switch (below(random, 10)) {
    case 8:
        p.sections.backing.lips = static_cast<LipMode>(below(random, 2));
        break;
    case 9: {
        const Spot other{spot.cut, below(random, openings)};
        if (other.opening != spot.opening)
            set_bars(p.sections, {std::minmax(spot, other)}, static_cast<LipMode>(below(random, 2)));
        p.set_out.cutting_mat.width = between(random, 100, 300);
        p.match.style = {between(random, 0, 1), between(random, -180, 180)};
        break;
    }
    case 0:
        c.treatment = static_cast<Treatment>(below(random, count_of_values<Treatment>));
        p.sections.choose(p.sections.section_of(spot), c);
        break;
    case 1:
        c.lip = between(random, 0.5, 6);
        p.sections.choose(p.sections.section_of(spot), c);
        break;
    case 2:
        c.method = static_cast<BackingMethod>(below(random, count_of_values<BackingMethod>));
        p.sections.choose(p.sections.section_of(spot), c);
        break;
    case 3:
        p.sections.backing.method = static_cast<BackingMethod>(below(random, count_of_values<BackingMethod>));
        break;
    case 4:
        group(p, {spot, some_opening(p, random, openings), some_opening(p, random, openings)});
        break;
    case 5:
        ungroup(p, {spot});
        break;
    case 6:
        divide(p, {below(random, 6) == 0 ? base_spot : spot},
               {static_cast<Division::Kind>(below(random, 5)),
                2 + below(random, 3),
                2,
                between(random, -90, 90),
                {between(random, 0.2, 0.8), between(random, 0.2, 0.8)}});
        break;
    default:
        undivide(p, {spot, base_spot});
    }
}

void papers_edit(Project& p, std::mt19937& random, int openings) {
    const Spot spot = some_opening(p, random, openings);
    PaperChoice c = p.match.choice(p.sections.section_of(spot));
    const auto some_paper = [&] {
        return p.stash && !p.stash->papers.empty() ? p.stash->papers[random() % p.stash->papers.size()].id
                                                   : std::string("none");
    };
    switch (below(random, 10)) {
    case 8:
        reserve_size(p, some_paper(), {between(random, 10, 80), between(random, 10, 80)});
        break;
    case 0:
        c.paper = some_paper();
        c.side = static_cast<Side>(below(random, 2));
        break;
    case 1:
        c.same_as = some_opening(p, random, openings);
        c.facing = below(random, 2) != 0;
        break;
    case 2:
        c.pattern = {between(random, -90, 90), between(random, 0, 1), std::nullopt, below(random, 2) != 0};
        break;
    case 3:
        c.pattern.motif = MotifAnchor{{between(random, 0, 90), between(random, 0, 90)}, {}};
        break;
    case 4:
        keep_apart(p.match, some_paper(), some_paper(), below(random, 2) != 0);
        p.match.roles[some_paper()] = static_cast<PaperRole>(below(random, 3));
        break;
    case 5:
        p.match.slants = {static_cast<SlantRule>(below(random, 3)), between(random, -90, 90)};
        p.match.style.map = static_cast<ToneMap>(below(random, 3));
        break;
    case 6:
        p.sheets.pins[spot] = {some_paper() + "#1", between(random, -90, 90), {between(random, 0, 200), 40}};
        break;
    case 7:
        p.sheets.pins.clear();
        c.pattern = {};
        break;
    default:
        some_cut(p, random).paper = below(random, 2) ? some_paper() : "";
        p.set_out.page.base_paper = below(random, 2) ? some_paper() : "";
        p.set_out.page.under_photos ^= true;
    }
    p.match.choose(p.sections.section_of(spot), c);
}

} // namespace

namespace {

/// Mats and layers.
void paper_of_dress_edit(Project& p, std::mt19937& random) {
    const auto some_paper = [&] {
        return p.stash && !p.stash->papers.empty() && below(random, 3)
                   ? p.stash->papers[random() % p.stash->papers.size()].id
                   : std::string();
    };
    if (below(random, 2) && !p.set_out.photos.empty()) {
        Photo& photo = p.set_out.photos[random() % p.set_out.photos.size()];
        if (below(random, 4) == 0) return photo.mats.clear();
        PhotoMat mat;
        mat.paper = some_paper();
        mat.side = static_cast<Side>(below(random, 2));
        mat.border = between(random, 0, 20);
        mat.shift = {between(random, -9, 9), between(random, -9, 9)};
        mat.span = static_cast<MatSpan>(below(random, count_of_values<MatSpan>));
        mat.torn = below(random, 2) != 0;
        mat.see_through = below(random, 3) == 0;
        mat.gut = below(random, 2) != 0;
        photo.mats.push_back(mat);
        return;
    }
    if (below(random, 3) == 0) {
        if (p.dress.titles.size() > 1) return p.dress.titles.clear();
        PageTitle title;
        title.text = below(random, 2) ? "windy uphill" : "";
        if (below(random, 2)) title.sets = {"cork", "stamp"};
        title.path.on = static_cast<TitleOn>(below(random, count_of_values<TitleOn>));
        title.path.centre = {between(random, -50, 400), between(random, -50, 400)};
        title.path.opening = some_opening(p, random, 12);
        title.path.length = between(random, 5, 300);
        title.path.start = between(random, 0, 1);
        title.path.offset = between(random, -20, 20);
        title.path.sweep_deg = between(random, -360, 360);
        title.spacing = between(random, -10, 20);
        title.block = below(random, 2) != 0;
        title.label = below(random, 2) != 0;
        p.dress.titles.push_back(title);
        p.dress.stitchings = {{static_cast<Stitch>(below(random, 2)), below(random, 2) != 0, true, true, true,
                               between(random, 1, 40), between(random, 1, 20), between(random, 0, 9)}};
        if (p.dress.embellishments.size() < 4)
            p.dress.embellishments.push_back({below(random, 2) ? "brass-dot" : "",
                                              {between(random, -50, 400), 50},
                                              between(random, -180, 180)});
        return;
    }
    if (p.dress.layers.size() > 2) return p.dress.layers.clear();
    PaperLayer layer;
    layer.name = below(random, 2) ? "the hill" : "";
    layer.shape = static_cast<LayerShape>(below(random, count_of_values<LayerShape>));
    layer.paper = some_paper();
    layer.centre = {between(random, -50, 400), between(random, -50, 400)};
    layer.width = between(random, 1, 320);
    layer.height = between(random, 1, 60);
    layer.turn_deg = between(random, -180, 180);
    layer.edge = static_cast<BaseEdge>(below(random, count_of_values<BaseEdge>));
    layer.inset = between(random, 0, 40);
    layer.torn = below(random, 2) != 0;
    layer.place = static_cast<LayerPlace>(below(random, count_of_values<LayerPlace>));
    p.dress.layers.push_back(layer);
}

/// How things are held, wet work, a late frame, arrangements.
void hold_edit(Project& p, std::mt19937& random) {
    const auto some = [&]() -> Mounting {
        return {static_cast<Mount>(below(random, count_of_values<Mount>)), between(random, -360, 360)};
    };
    switch (below(random, 6)) {
    case 0:
        for (PlacedCut& cut : p.set_out.cuts) cut.held = some();
        for (Photo& photo : p.set_out.photos) photo.held = some();
        break;
    case 1:
        for (PaperLayer& layer : p.dress.layers) layer.held = some();
        for (PageTitle& title : p.dress.titles) title.held = some();
        for (PlacedEmbellishment& e : p.dress.embellishments) e.held = some();
        break;
    case 2: {
        if (p.dress.wet.size() > 2) return p.dress.wet.clear();
        WetZone zone;
        zone.kind = static_cast<WetKind>(below(random, count_of_values<WetKind>));
        zone.shape = static_cast<WetShape>(below(random, count_of_values<WetShape>));
        zone.centre = {between(random, -50, 400), between(random, -50, 400)};
        zone.width = between(random, 2, 200);
        zone.height = between(random, 2, 200);
        zone.cut = below(random, 3);
        zone.margin = between(random, 0, 40);
        zone.primer = below(random, 2) != 0;
        p.dress.wet.push_back(zone);
        break;
    }
    case 3:
        p.dress.frame.how = static_cast<LateFraming>(below(random, count_of_values<LateFraming>));
        for (double& corner : p.dress.frame.corners) corner = between(random, 0, 160);
        p.dress.frame.paper =
            p.stash && !p.stash->papers.empty() && below(random, 2) ? p.stash->papers[0].id : "";
        break;
    case 4:
        if (below(random, 2) || p.variants.empty())
            (void)keep_variant(p, "Arrangement " + std::to_string(below(random, 3)));
        else
            restore_variant(p, random() % p.variants.size());
        break;
    default:
        if (p.dress.free_parts.size() > 2) p.dress.free_parts.clear();
        p.dress.free_parts.push_back(
            {{between(random, 0, 300), between(random, 0, 300)}, between(random, 2, 60)});
        p.dress.album_takes = between(random, 0.5, 12);
    }
}

/// Words, rooms with places, papers.
void dress_edit(Project& p, std::mt19937& random) {
    switch (below(random, 10)) {
    case 7:
    case 8:
    case 9:
        hold_edit(p, random);
        break;
    case 4:
    case 5:
    case 6:
        paper_of_dress_edit(p, random);
        break;
    case 0:
        if (p.dress.writings.size() < 3) p.dress.writings.emplace_back();
        break;
    case 1:
        for (Writing& w : p.dress.writings) {
            w.shape = static_cast<WritingShape>(below(random, count_of_values<WritingShape>));
            w.text = below(random, 2) ? "wind \xC3\xBC"
                                        "ber the hill\nkites"
                                      : "";
            w.centre = {between(random, -50, 400), between(random, -50, 400)};
            w.line_height = between(random, 2, 12);
            w.sweep_deg = between(random, 5, 360);
        }
        break;
    case 2:
        if (p.set_out.rooms.size() < 3)
            p.set_out.rooms.push_back({static_cast<RoomFor>(below(random, 3)), between(random, 5, 90),
                                       between(random, 5, 90), Point{between(random, 0, 300), 50}});
        break;
    default:
        p.dress.writings.clear();
        p.set_out.rooms.clear();
    }
}

/// What the rest of the window and the command line do: shadows, pieces, protected parts, locks,
/// reservations, fixes.
void further_edit(Project& p, std::mt19937& random, int openings) {
    const Spot spot = some_opening(p, random, openings);
    if (below(random, 3) == 0) return dress_edit(p, random);
    switch (below(random, 10)) {
    case 0:
        if (p.set_out.cuts.size() < 3) add_shadow(p, some_cut(p, random).id, between(random, 0.2, 20));
        break;
    case 1:
        some_cut(p, random).left_out = below(random, 2) ? std::vector<int>{1} : std::vector<int>{};
        break;
    case 2:
        some_cut(p, random).pieces_from_paper ^= true;
        break;
    case 3:
        for (Photo& photo : p.set_out.photos)
            if (const auto part = part_between(photo, photo.centre, photo.centre + Point{20, 15}))
                photo.protected_parts.push_back(*part);
        break;
    case 4:
        give_paper(p, {spot}, below(random, 3) ? "barley" : "", static_cast<Side>(below(random, 2)));
        break;
    case 5:
        lock_papers(p, {spot}, below(random, 2) != 0);
        break;
    case 6:
        reserve_for(p, {{"Tram Terrace", "barley", Side::A, {ring_of(Box{0, 0, 30, 40}), {}}}});
        break;
    case 7:
        stop_reserving_for_pages(p);
        break;
    case 8:
        std::swap(p.set_out.cuts.front(), p.set_out.cuts.back());
        break;
    default:
        if (const auto plan = Planner(laid_in_a_hurry()).plan(p); plan && !plan->findings.empty()) {
            const Finding& f = plan->findings[random() % plan->findings.size()];
            if (!f.fixes.empty()) f.fixes[random() % f.fixes.size()].apply(p);
        }
    }
}

} // namespace

void random_edit(Project& project, std::mt19937& random, int openings) {
    switch (random() % 5) {
    case 4:
        if (random() % 4 == 0)
            keep_edit(project, random);
        else
            build_edit(project, random);
        break;
    case 0:
        set_out_edit(project, random);
        break;
    case 1:
        sections_edit(project, random, openings);
        break;
    case 2:
        papers_edit(project, random, openings);
        break;
    default:
        further_edit(project, random, openings);
    }
}

} // namespace zesty::testing
