// How things are held, wet work, a frame that comes last and arrangements that are put aside, from the
// command line.

#include "cli/command.h"
#include "cli/dress_args.h"
#include "cli/typed.h"
#include "core/dress/wet.h"
#include "core/project/variants.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"

#include <algorithm>
#include <iostream>

namespace zesty::cli {

namespace {

/// "photo:2=normal": what, its number from 1, and how it is held.
Result<void> hold(const std::string& text, const std::optional<double>& foot, Project& project) {
    const auto equals = text.find('=');
    const auto colon = text.find(':');
    if (equals == std::string::npos || colon == std::string::npos || colon > equals)
        return fail(ErrorKind::BadInput, "--hold: '" + text + "' is not like photo:1=normal");
    const auto how = typed_word<Mount>("--hold", text.substr(equals + 1));
    if (!how) return tl::make_unexpected(how.error());
    const std::string what = text.substr(0, colon);
    const std::string digits = text.substr(colon + 1, equals - colon - 1);
    if (digits.empty() || digits.size() > 4 || digits.find_first_not_of("0123456789") != std::string::npos)
        return fail(ErrorKind::BadInput, "--hold: '" + digits + "' is not a number");
    const std::size_t i = static_cast<std::size_t>(std::stoi(digits)) - 1;
    const auto set = [&](auto& all) -> Result<void> {
        if (i >= all.size()) return only_so_many("--hold", all.size(), what.c_str(), (what + "s").c_str());
        all[i].held.how = *how;
        if (foot) all[i].held.foot_deg = foot_limits.nearest(*foot);
        return {};
    };
    if (what == "cut") return set(project.set_out.cuts);
    if (what == "photo") return set(project.set_out.photos);
    if (what == "layer") return set(project.dress.layers);
    if (what == "title") return set(project.dress.titles);
    if (what == "embellishment") return set(project.dress.embellishments);
    return fail(ErrorKind::BadInput,
                "--hold: '" + what + "' is not one of cut, photo, layer, title and embellishment");
}

Result<void> edit_free_parts(const DressArgs& a, Project& project) {
    if (a.no_free_parts) project.dress.free_parts.clear();
    for (const std::string& text : a.free_parts) {
        const auto parts = split(text, ',');
        if (parts.size() != 3)
            return fail(ErrorKind::BadInput, "--free-part: '" + text + "' is not x,y,radius");
        FreePart part;
        for (const auto& r : {take_length("--free-part", parts[0], place_limits, part.centre.x),
                              take_length("--free-part", parts[1], place_limits, part.centre.y),
                              take_length("--free-part", parts[2], free_part_limits, part.radius)})
            if (!r) return r;
        if (project.dress.free_parts.size() >= most_free_parts)
            return fail(ErrorKind::TooLarge, "--free-part: there are enough of them");
        project.dress.free_parts.push_back(part);
    }
    return {};
}

Result<int> cut_id(const char* option, int number, const Project& project) {
    if (number < 1 || number > static_cast<int>(project.set_out.cuts.size()))
        return only_so_many(option, project.set_out.cuts.size(), "cut", "cuts");
    return project.set_out.cuts[static_cast<std::size_t>(number) - 1].id;
}

Result<void> take_wet(const DressArgs& a, const Project& project, WetZone& zone) {
    if (!a.wet_name.empty()) zone.name = a.wet_name;
    if (!a.wet_shape.empty()) {
        const auto shape = typed_word<WetShape>("--wet-shape", a.wet_shape);
        if (!shape) return tl::make_unexpected(shape.error());
        zone.shape = *shape;
    }
    if (!a.wet_at.empty()) {
        const auto at =
            typed_point("--wet-at", a.wet_at, "give x,y from the top left of the page", place_limits.most);
        if (!at) return tl::make_unexpected(at.error());
        zone.centre = *at;
    }
    if (!a.wet_size.empty()) {
        if (a.wet_size.find('x') == std::string::npos) {
            if (const auto r = take_length("--wet-size", a.wet_size, wet_side_limits, zone.width); !r)
                return r;
            zone.height = zone.width;
        } else {
            const auto size =
                typed_size("--wet-size", a.wet_size, wet_side_limits.least, wet_side_limits.most);
            if (!size) return tl::make_unexpected(size.error());
            zone.width = size->x;
            zone.height = size->y;
        }
    }
    if (!a.wet_colour.empty()) {
        const auto colour = colour_called(a.wet_colour);
        if (!colour) return fail(ErrorKind::BadInput, "--wet-colour: '" + a.wet_colour + "' is not a colour");
        zone.colour = *colour;
    }
    if (a.wet_turn) zone.turn_deg = *a.wet_turn;
    if (a.wet_cut > 0) {
        const auto id = cut_id("--wet-cut", a.wet_cut, project);
        if (!id) return tl::make_unexpected(id.error());
        zone.cut = *id;
    }
    if (!a.wet_primer.empty()) {
        zone.primer = a.wet_primer != "no";
        if (zone.primer)
            if (const auto r =
                    take_length("--wet-primer", a.wet_primer, wet_margin_limits, zone.primer_margin);
                !r)
                return r;
    }
    return take_length("--wet-margin", a.wet_margin, wet_margin_limits, zone.margin);
}

bool says_wet(const DressArgs& a) {
    return !a.wet_name.empty() || !a.wet_shape.empty() || !a.wet_at.empty() || !a.wet_size.empty() ||
           !a.wet_colour.empty() || !a.wet_margin.empty() || !a.wet_primer.empty() || a.wet_turn ||
           a.wet_cut > 0 || a.remove_wet;
}

} // namespace

Result<void> edit_holds(const DressArgs& a, Project& project) {
    for (const std::string& text : a.holds)
        if (const auto r = hold(text, a.foot, project); !r) return r;
    if (const auto r = edit_free_parts(a, project); !r) return r;
    return take_length("--album-takes", a.album_takes, album_limits, project.dress.album_takes);
}

Result<void> edit_wet(const DressArgs& a, Project& project) {
    auto& all = project.dress.wet;
    if (!a.wet.empty()) {
        const auto kind = typed_word<WetKind>("--wet", a.wet);
        if (!kind) return tl::make_unexpected(kind.error());
        if (all.size() >= most_wet_zones) return fail(ErrorKind::TooLarge, "--wet: there is enough of it");
        WetZone fresh;
        fresh.kind = *kind;
        fresh.centre = project.set_out.page.whole().centre();
        all.push_back(fresh);
    }
    if (!says_wet(a)) return {};
    const auto count = static_cast<int>(all.size());
    if (count == 0) return fail(ErrorKind::NothingToDo, "there is no wet work on the page; --wet adds some");
    if (a.wet_number > count)
        return only_so_many("--wet-number", all.size(), "piece of wet work", "pieces of wet work");
    const auto at = all.begin() + (a.wet_number > 0 ? a.wet_number - 1 : count - 1);
    if (a.remove_wet) {
        all.erase(at);
        return {};
    }
    return take_wet(a, project, *at);
}

Result<void> edit_late_frame(const DressArgs& a, Project& project) {
    LateFrame& frame = project.dress.frame;
    if (!a.late_frame.empty()) {
        const auto how = typed_word<LateFraming>("--late-frame", a.late_frame);
        if (!how) return tl::make_unexpected(how.error());
        frame.how = *how;
    }
    if (!a.late_frame_width.empty()) {
        const auto parts = split(a.late_frame_width, ',');
        if (parts.size() != 1 && parts.size() != frame.corners.size())
            return fail(
                ErrorKind::BadInput,
                "--late-frame-width: one width, or four for the corners from the upper left clockwise");
        for (std::size_t i = 0; i < frame.corners.size(); ++i)
            if (const auto r = take_length("--late-frame-width", parts[parts.size() == 1 ? 0 : i],
                                           late_reveal_limits, frame.corners[i]);
                !r)
                return r;
    }
    if (!a.late_frame_paper.empty()) {
        const auto parts = split(a.late_frame_paper, ',');
        if (parts.size() > 2) return fail(ErrorKind::BadInput, "--late-frame-paper: one paper, or two");
        frame.paper = parts[0] == "none" ? std::string() : parts[0];
        frame.side_paper = parts.size() > 1 ? parts[1] : std::string();
    }
    return take_length("--late-frame-lip", a.late_frame_lip, late_lip_limits, frame.lip);
}

Result<void> edit_variants(const DressArgs& a, Project& project) {
    const auto named = [&](const char* option, const std::string& name) -> Result<std::size_t> {
        for (std::size_t i = 0; i < project.variants.size(); ++i)
            if (project.variants[i].name == name) return i;
        return fail(ErrorKind::BadInput, std::string(option) + ": no arrangement is called '" + name + "'");
    };
    if (!a.put_aside.empty())
        if (auto r = keep_variant(project, a.put_aside); !r)
            return fail(r.error().kind, "--put-aside: " + r.error().message);
    if (!a.bring_back.empty()) {
        const auto at = named("--bring-back", a.bring_back);
        if (!at) return tl::make_unexpected(at.error());
        restore_variant(project, *at);
    }
    if (!a.remove_variant.empty()) {
        const auto at = named("--remove-arrangement", a.remove_variant);
        if (!at) return tl::make_unexpected(at.error());
        project.variants.erase(project.variants.begin() + static_cast<std::ptrdiff_t>(*at));
    }
    return {};
}

void say_holds(const Project& project, const Plan& plan) {
    const HeightFacts& h = plan.dress.heights;
    const auto length = [&](double mm) { return format_long(mm, project.units); };
    std::cout << "height: " << format_mm(h.highest) << ", the album takes "
              << format_mm(project.dress.album_takes) << "\n";
    for (const RaisedThing& thing : h.raised) {
        std::cout << "  " << thing.name << ": " << key_of(thing.how) << ", top at " << format_mm(thing.top);
        if (thing.for_shakers) std::cout << ", for its shakers";
        std::cout << "\n";
    }
    for (const FoamTotal& foam : h.foam)
        std::cout << "foam of " << foam.thickness << " mm"
                  << ": " << length(foam.length) << " in strips, "
                  << count_of(static_cast<std::size_t>(foam.pads), "pad", "pads") << "\n";
    if (h.full > 0) std::cout << "foam saved: " << percent(std::max(0.0, 1 - h.planned / h.full)) << "\n";
    for (const GlueUse& use : plan.dress.glue.uses) {
        std::cout << "glue: ";
        if (use.what == Adhesive::Dots)
            std::cout << use.dots << " dots\n";
        else
            std::cout << length(use.length) << " of " << key_of(use.what) << "\n";
    }
    for (const GlueMap& map : plan.dress.glue.cuts)
        if (!map.tucks.empty())
            std::cout << "cut " << map.cut + 1 << ": no glue where " << in_a_row(map.tucks)
                      << (map.tucks.size() == 1 ? " is" : " are") << " tucked\n";
    for (std::size_t i = 0; i < plan.dress.wet.size(); ++i)
        std::cout << name_of(project.dress.wet[i], i) << ": " << percent(plan.dress.wet[i].seen)
                  << " of it seen\n";
    if (plan.dress.frame) {
        std::cout << "late frame: widest even one that spares the photos "
                  << format_length(plan.dress.frame->most_even, project.units) << "\n";
        for (const FramedThing& t : plan.dress.frame->hides)
            std::cout << "  " << t.name << ": " << format_length(t.depth, project.units) << ", "
                      << percent(t.share) << " of it\n";
    }
}

void add_hold_options(CLI::App& c, DressArgs& a) {
    const auto text = [&](const char* group, const char* name, std::string& to, const char* help) {
        c.add_option(name, to, help)->group(group);
    };
    c.add_option("--hold", a.holds,
                 "How something is held: photo:1=normal, cut:1=thin, title:1=glued, layer:2=tip")
        ->group("Height");
    add_number(c, "--foot", a.foot,
               "With --hold ...=tip: where its foot is, in degrees clockwise from the right", foot_limits)
        ->group("Height");
    c.add_option("--free-part", a.free_parts, "A circle without glue and foam: x,y,radius")->group("Height");
    c.add_flag("--no-free-parts", a.no_free_parts, "Removes all of them")->group("Height");
    text("Height", "--album-takes", a.album_takes, "What the album's pocket takes above the base: 5mm");
    text("Wet work", "--wet", a.wet, "Adds paint, ink, splatter or paste");
    c.add_option("--wet-number", a.wet_number, "Which one the options are for, from 1; the last without it")
        ->check(CLI::Range(1, static_cast<int>(most_wet_zones)))
        ->group("Wet work");
    text("Wet work", "--wet-name", a.wet_name, "What it is called");
    text("Wet work", "--wet-shape", a.wet_shape, "box, circle, cut-margin or stencil");
    text("Wet work", "--wet-at", a.wet_at, "Its middle: x,y");
    text("Wet work", "--wet-size", a.wet_size, "Across, or width and height of a box: 3x2in");
    add_number(c, "--wet-turn", a.wet_turn, "Turn of a box or stencil in degrees", turn_limits)
        ->group("Wet work");
    text("Wet work", "--wet-colour", a.wet_colour, "In words or as #9cc4d6");
    c.add_option("--wet-cut", a.wet_cut, "The cut whose margin it is, or that is the stencil, from 1")
        ->check(CLI::Range(1, 1000))
        ->group("Wet work");
    text("Wet work", "--wet-margin", a.wet_margin, "How far beyond the cut: 1/2in");
    text("Wet work", "--wet-primer", a.wet_primer, "Primer under it, so far beyond the colour, or no");
    c.add_flag("--remove-wet", a.remove_wet, "Takes it off the page")->group("Wet work");
    text("Frame", "--late-frame", a.late_frame, "A frame that comes last: trimmed, over or none");
    text("Frame", "--late-frame-width", a.late_frame_width,
         "All round, or at the four corners from the upper left clockwise");
    text("Frame", "--late-frame-paper", a.late_frame_paper,
         "Its paper, and with a comma another for its sides");
    text("Frame", "--late-frame-lip", a.late_frame_lip,
         "What of it lies behind a page that is trimmed: 1/2in");
    text("Arrangements", "--put-aside", a.put_aside, "Puts the page as it is now aside under a name");
    text("Arrangements", "--bring-back", a.bring_back, "The page becomes exactly that arrangement");
    text("Arrangements", "--remove-arrangement", a.remove_variant, "Removes one that was put aside");
    c.add_flag("--compare", a.compare, "Says what every arrangement comes to")->group("Arrangements");
}

} // namespace zesty::cli
