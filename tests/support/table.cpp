#include "support/table.h"

#include "core/dress/layers.h"
#include "core/dress/wet.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/build_steps.h"
#include "core/project/findings.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "support/footprints.h"

#include <algorithm>

namespace zesty::testing {

namespace {

constexpr double lies_on_from = 2; ///< mm2
constexpr double hair = 1e-6;      ///< min

bool begins(const std::string& text, const std::string& with) {
    return text.rfind(with, 0) == 0;
}

} // namespace

Table::Table(const Project& project, const Plan& plan) : project_(project), plan_(plan) {
    if (project.stash)
        for (const Sheet& s : sheets_of(*project.stash)) know(s.id);
    for (const TakenSheet& s : project.keep.taken) know(s.id);
    for (std::size_t l = 0; l < project.set_out.page.leaves().size(); ++l)
        know("base:" + std::to_string(l + 1));
    const auto footprints = footprints_of(project, plan);
    for (std::size_t i = 0; i < footprints.size(); ++i) {
        wanted_.insert(footprints[i].name);
        if (begins(footprints[i].name, "photo:") || begins(footprints[i].name, "embellishment:"))
            know(footprints[i].name);
        for (std::size_t k = 0; k < i; ++k) {
            const auto shared = intersect(footprints[i].region, footprints[k].region);
            if (footprints[i].name != footprints[k].name && shared && area(*shared) > lies_on_from)
                lies_on_.emplace_back(footprints[i].name, footprints[k].name);
        }
    }
    for (std::size_t p = 0; p < plan.sections.patches.size(); ++p)
        if (plan.sheets.placed[p].sheet >= 0 && has_round_it(plan.sections.patches[p].opening))
            wanted_.insert(patch_name(plan.sections.patches[p]));
    for (const SectionPhoto& photo : plan.sections.photo_sizes) {
        if (!has_round_it(photo.opening)) continue;
        know("print:o" + std::to_string(photo.opening + 1));
        wanted_.insert("print:o" + std::to_string(photo.opening + 1));
    }
    for (const Shaker& s : plan.sections.shakers)
        if (has_round_it(s.opening)) wanted_.insert("acetate:o" + std::to_string(s.opening + 1));
    for (const InsertLabel& l : plan.sections.inserts)
        if (!project.set_out
                 .cuts[static_cast<std::size_t>(
                     plan.sections.cut->pieces[static_cast<std::size_t>(l.piece)].layer)]
                 .pieces_from_paper)
            wanted_.insert("loose:" + l.label);
    for (std::size_t t = 0; t < plan.dress.titles.size(); ++t) {
        // Letters that are bought as they are, stamped or drawn are there; others have to be cut.
        bool to_cut = false;
        for (const TitleLetter& l : plan.dress.titles[t].letters) {
            const LetterSet* set = project.stash ? project.stash->letter_set(l.set) : nullptr;
            to_cut = to_cut ||
                     (!l.missing && set && (set->kind == LetterKind::Cut || set->kind == LetterKind::Dies));
        }
        if (!to_cut) know("letters:" + std::to_string(t + 1));
    }
    const Page& page = project.set_out.page;
    const bool gutted =
        page.framed() && page.frame == FrameKind::Whole && page.gut && plan.set_out.frame.window;
    if (page.framed() && page.frame == FrameKind::Whole && !gutted)
        for (std::size_t l = 0; l < page.leaves().size(); ++l) know("frame:" + std::to_string(l + 1));
}

/// A cut whose pieces come from papers of their own may lack the piece that an opening is in.
bool Table::has_round_it(int opening) const {
    const auto o = static_cast<std::size_t>(opening);
    const SectionFacts& s = plan_.sections;
    if (s.cut_of_opening[o] < 0 || s.spots[o].opening >= first_piece_spot ||
        !project_.set_out.cuts[static_cast<std::size_t>(s.cut_of_opening[o])].pieces_from_paper)
        return true;
    for (std::size_t p = 0; p < s.patches.size(); ++p) {
        const auto of = static_cast<std::size_t>(s.patches[p].opening);
        if (s.spots[of].opening >= first_piece_spot && s.cut->openings[of].piece == s.cut->openings[o].piece)
            return plan_.sheets.placed[p].sheet >= 0;
    }
    return false;
}

void Table::refuse(const BuildStep& step, const std::string& why) {
    violations_.push_back(step.key + " (" + step.what + "): " + why);
}

bool Table::is_fixed(const std::string& name) const {
    const auto at = things_.find(name);
    return at != things_.end() && at->second.fixed;
}

bool Table::is_wet(const std::string& name, double at) const {
    const auto thing = things_.find(name);
    return thing != things_.end() && thing->second.wet_until > at + hair;
}

Table::Thing* Table::there(const BuildStep& step, const std::string& name, double start) {
    const auto at = things_.find(name);
    if (at == things_.end()) {
        refuse(step, name + " is not there");
        return nullptr;
    }
    if (at->second.from > start + hair) refuse(step, name + " is not ready yet");
    // Paint may go beside other paint; whether it may go over it is asked where it is put on.
    if (is_wet(name, start) && step.kind != StepKind::Wet) refuse(step, name + " is wet");
    return &at->second;
}

/// Where the paper of a patch comes from has to be there, and loose.
void Table::check_patch(const BuildStep& step, int patch) {
    const auto i = static_cast<std::size_t>(patch);
    if (plan_.sheets.placed[i].sheet < 0)
        return refuse(step, "there is no paper for " + patch_name(plan_.sections.patches[i]));
    const std::string& id = plan_.papers.sheets[static_cast<std::size_t>(plan_.sheets.placed[i].sheet)].id;
    const auto slash = id.find('/');
    const std::string whole = id.substr(0, slash);
    const auto takes = taken_by(step);
    const auto is_taken = [&](const std::string& name) {
        return std::find(takes.begin(), takes.end(), name) != takes.end();
    };
    if (!is_taken(whole) && !is_taken(id))
        refuse(step, "makes " + patch_name(plan_.sections.patches[i]) + " without " + id);
    if (slash == std::string::npos) return;
    if (begins(id.substr(slash), "/photo"))
        for (const OwnUse& use : plan_.papers.own)
            if (use.is_base && use.sheet == whole) {
                const std::string base = "base:" + use.what.substr(5);
                if (framed_.contains(base)) refuse(step, "cuts from " + base + ", which is on its frame");
                if (worked_on_.contains(base))
                    refuse(step, "cuts from " + base + ", which something is glued on");
                if (!is_taken(base)) refuse(step, "cuts from " + base + " without taking it");
            }
    if (begins(id.substr(slash), "/out")) {
        // In the same loading as its cut, or from what fell out of it.
        const auto made = made_by(step);
        const bool same =
            std::any_of(made.begin(), made.end(), [](const std::string& m) { return begins(m, "cut:"); });
        if (!same && !things_.contains(id)) refuse(step, "cuts from " + id + " before it has dropped out");
    }
    if (begins(id.substr(slash), "/mat")) {
        const auto made = made_by(step);
        const bool same = std::any_of(made.begin(), made.end(), [](const std::string& m) {
            return begins(m, "mat:") || begins(m, "frame:") || begins(m, "layer:");
        });
        if (!same && !things_.contains(id)) refuse(step, "cuts from " + id + " before it has been cut out");
    }
}

void Table::check_makes(const BuildStep& step, const std::string& name, double start) {
    (void)start;
    for (std::size_t p = 0; p < plan_.sections.patches.size(); ++p)
        if (patch_name(plan_.sections.patches[p]) == name) check_patch(step, static_cast<int>(p));
}

void Table::fix(const BuildStep& step, const std::string& name, double end) {
    Thing& thing = things_[name];
    if (thing.fixed) refuse(step, name + " is glued down already");
    thing.fixed = true;
    thing.place = fixed_so_far_++;
    thing.from = std::max(thing.from, end);
    for (const auto& [above, below] : lies_on_) {
        if (below == name && is_fixed(above) && things_[above].place < thing.place)
            refuse(step, name + " should lie under " + above + ", which is glued down");
        if (above == name && !is_fixed(below) && wanted_.contains(below))
            refuse(step, name + " lies on " + below + ", which is not there yet");
    }
    if (begins(name, "cut:")) {
        for (const Shaker& s : plan_.sections.shakers) {
            const int cut = plan_.sections.cut_of_opening[static_cast<std::size_t>(s.opening)];
            if (cut >= 0 &&
                "cut:" + std::to_string(project_.set_out.cuts[static_cast<std::size_t>(cut)].id) == name &&
                !filled_.contains("o" + std::to_string(s.opening + 1)))
                refuse(step, "the shaker of opening " + std::to_string(s.opening + 1) + " is not filled");
        }
    }
}

void Table::play(const BuildStep& step, double start) {
    const double end = start + step.time.hands + step.time.dries;
    done_.insert(step.key);
    std::set<std::string> fixes;
    for (const StepDeed& deed : step.deeds)
        if (deed.deed == Deed::Fixes || deed.deed == Deed::Mats) fixes.insert(deed.thing);
    const auto makes = made_by(step);
    for (const std::string& name : taken_by(step)) {
        Thing* thing = there(step, name, start);
        if (!thing) continue;
        const bool alters = step.kind == StepKind::MachineCut || step.kind == StepKind::HandCut ||
                            step.kind == StepKind::Trim || step.kind == StepKind::Wet ||
                            step.kind == StepKind::Stitch || step.kind == StepKind::Foam;
        if (alters && thing->fixed) refuse(step, name + " is glued down already");
        if (alters && begins(name, "base:") && worked_on_.contains(name))
            refuse(step, "something is glued on " + name);
        if (step.kind == StepKind::MachineCut && trimmed_.contains(name))
            refuse(step, name + " has been trimmed");
    }
    lay_on(step, start, fixes);
    for (const std::string& name : makes) check_makes(step, name, start);
    for (const std::string& name : makes) things_[name].from = std::max(things_[name].from, end);
    for (const std::string& name : fixes)
        if (step.kind != StepKind::Mount || !begins(step.key, "photo-mats:")) fix(step, name, end);
    if (step.kind == StepKind::Wet && !begins(step.key, "ink:")) {
        if (const auto primer = dry_at_.find(step.key + "-primer");
            primer != dry_at_.end() && primer->second > start + hair)
            refuse(step, "its primer is wet");
        dry_at_[step.key] = end;
    }
    for (const std::string& name : wetted_by(step))
        things_[name].wet_until = std::max(things_[name].wet_until, end);
    if (step.kind == StepKind::Trim)
        for (const std::string& name : taken_by(step)) trimmed_.insert(name);
    if (step.kind == StepKind::Frame)
        for (const std::string& name : taken_by(step)) framed_.insert(name);
    look_at_shakers(step, fixes);
}

void Table::lay_on(const BuildStep& step, double start, const std::set<std::string>& fixes) {
    const auto makes = made_by(step);
    for (const std::string& name : laid_on_by(step)) {
        const bool with_it =
            fixes.contains(name) || std::find(makes.begin(), makes.end(), name) != makes.end();
        Thing* thing = with_it ? &things_[name] : there(step, name, start);
        if (!thing || with_it) continue;
        const bool from_behind = step.face_down && begins(name, "cut:");
        if (from_behind && thing->fixed) refuse(step, "the back of " + name + " is glued down");
        if (!from_behind && (begins(name, "cut:") || begins(name, "photo:") || begins(name, "layer:")) &&
            !thing->fixed && fixes.size() > 0 && step.kind != StepKind::LoosePieces)
            refuse(step, name + " is not in its place yet");
        if (begins(name, "base:") && !fixes.empty()) worked_on_.insert(name);
    }
}

void Table::look_at_shakers(const BuildStep& step, const std::set<std::string>& fixes) {
    if (begins(step.key, "shaker:")) {
        const std::string opening = "o" + std::to_string(std::stoi(step.key.substr(7)) + 1);
        if (step.key.find("-walls") != std::string::npos) {
            const auto acetate = things_.find("acetate:" + opening);
            if (acetate == things_.end() || !acetate->second.fixed) refuse(step, "there is no acetate yet");
            filled_.insert(opening);
        }
        if (step.key.find("-close") != std::string::npos && !filled_.contains(opening))
            refuse(step, "it is closed before it is filled");
    }
    for (const std::string& name : fixes)
        for (const Shaker& s : plan_.sections.shakers)
            if (name == "p" + std::to_string(s.opening + 1) &&
                !filled_.contains("o" + std::to_string(s.opening + 1)))
                refuse(step, "its patch closes the shaker before it is filled");
}

void Table::look_at_the_page() {
    for (const std::string& name : wanted_)
        if (!is_fixed(name)) violations_.push_back(name + " is not on the page");
    for (const auto& [name, thing] : things_)
        if (thing.fixed && !wanted_.contains(name) && !begins(name, "label:") && !begins(name, "frame:"))
            violations_.push_back(name + " is on the page, and nobody wanted it");
    for (const OwnUse& use : plan_.papers.own)
        if (use.is_base) {
            const std::string base = "base:" + use.what.substr(5);
            for (const Sheet& s : sheets_of(*project_.stash))
                if (s.id == use.sheet && bounds(s.outline).width() > bounds(use.on_sheet).width() + 0.1 &&
                    !trimmed_.contains(base))
                    violations_.push_back(base + " has not been trimmed to its size");
        }
    for (std::size_t i = 0; i < project_.dress.wet.size(); ++i)
        if (std::none_of(done_.begin(), done_.end(), [&](const std::string& k) {
                return begins(k, "wet:" + name_of(project_.dress.wet[i], i));
            }))
            violations_.push_back("wet work " + std::to_string(i + 1) + " has not been done");
    for (const PlacedCut& cut : project_.set_out.cuts)
        if (cut.edge && !cut.pieces_from_paper && is_fixed("cut:" + std::to_string(cut.id)) &&
            !done_.contains("ink:" + cut.paper))
            violations_.push_back("the edges of cut " + std::to_string(cut.id) + " have not been coloured");
}

std::vector<std::string> played(const Project& project, const Plan& plan, std::size_t ticked) {
    constexpr std::int64_t evening = 1'796'000'000;
    Project page = project;
    Work work = work_now(build_steps(page, plan), page.build, evening, page.seed);
    std::int64_t moment = evening;
    Table table(page, plan);
    std::vector<std::string> out;
    double clock = -1e6;
    for (std::size_t i = 0; i < std::min(ticked, work.steps.size()); ++i) {
        moment += static_cast<std::int64_t>(60 * (work.steps[i].time.hands + work.steps[i].time.dries)) + 1;
        tick_off(page.build.log[work.steps[i].key], moment);
        table.play(work.steps[i], clock);
        clock += work.steps[i].time.hands + work.steps[i].time.dries;
    }
    if (ticked > 0) {
        std::vector<std::string> keys;
        for (std::size_t i = 0; i < std::min(ticked, work.steps.size()); ++i)
            keys.push_back(work.steps[i].key);
        work = work_now(build_steps(page, plan), page.build, moment + 100'000, page.seed);
        for (std::size_t i = 0; i < keys.size(); ++i)
            if (work.steps[i].key != keys[i])
                out.push_back("step " + std::to_string(i + 1) + " has another number since it was done");
    }
    double last = -1e9;
    for (std::size_t i = std::min(ticked, work.steps.size()); i < work.steps.size(); ++i) {
        if (work.now.steps[i].start < last - hair)
            out.push_back("steps are not numbered in the order they are done");
        last = work.now.steps[i].start;
        table.play(work.steps[i], work.now.steps[i].start);
    }
    table.look_at_the_page();
    out.insert(out.end(), table.violations().begin(), table.violations().end());
    return out;
}

} // namespace zesty::testing
