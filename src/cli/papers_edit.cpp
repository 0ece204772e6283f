#include "cli/papers_edit.h"

#include "cli/command.h"
#include "cli/stash_add.h"
#include "cli/typed.h"
#include "core/project/edits.h"

#include <algorithm>
#include <cstdlib>
#include <map>

namespace zesty::cli {

namespace {

class PapersEdit {
public:
    PapersEdit(const PapersArgs& args, Project& project, Planner& planner)
        : a_(args), p_(project), planner_(planner) {}

    Result<void> run() {
        auto plan = shapes_with_cut(planner_, p_);
        if (!plan) return tl::make_unexpected(plan.error());
        plan_ = std::move(*plan);
        for (auto step : {&PapersEdit::sections, &PapersEdit::followers, &PapersEdit::whole_papers,
                          &PapersEdit::patterns, &PapersEdit::colours, &PapersEdit::pins})
            if (auto r = (this->*step)(); !r) return r;
        return {};
    }

private:
    Result<std::vector<Spot>> typed_sections(const std::string& option, const std::string& text) const {
        const auto numbers = typed_numbers(option, text, static_cast<int>(plan_.sections.spots.size()));
        if (!numbers) return tl::make_unexpected(numbers.error());
        std::vector<Spot> out;
        for (int o : *numbers) out.push_back(plan_.sections.all[plan_.sections.of_opening[o]].id);
        return out;
    }

    Result<int> typed_paper(const std::string& option, const std::string& id) const {
        const int paper = p_.stash ? p_.stash->find(id) : -1;
        if (paper < 0) return fail(ErrorKind::BadInput, option + ": there is no paper \"" + id + "\"");
        return paper;
    }

    template <class Change>
    Result<void> each(const std::string& option, const std::string& numbers, Change change) {
        if (numbers.empty()) return {};
        const auto spots = typed_sections(option, numbers);
        if (!spots) return tl::make_unexpected(spots.error());
        change_sections(p_, *spots, change);
        return {};
    }

    Result<void> give(const std::string& text) {
        const auto parts = split(text, ':');
        if (parts.size() < 2 || parts.size() > 3 || (parts.size() == 3 && parts[2] != "A" && parts[2] != "B"))
            return fail(ErrorKind::BadInput,
                        "--give: '" + text + "' is not like 4,5:hedge-stripe or 4:gull:B");
        const auto paper = typed_paper("--give", parts[1]);
        if (!paper) return tl::make_unexpected(paper.error());
        const Side side = parts.size() == 3 && parts[2] == "B" ? Side::B : Side::A;
        if (!p_.stash->papers[*paper].has(side))
            return fail(ErrorKind::BadInput, "--give: \"" + parts[1] + "\" has no side B");
        const auto spots = typed_sections("--give", parts[0]);
        if (!spots) return tl::make_unexpected(spots.error());
        give_paper(p_, *spots, parts[1], side);
        return {};
    }

    Result<void> rule_out(const char* option, const std::string& text, bool out) {
        const For f = typed_for(text);
        for (const std::string& id : split(f.what, ',')) {
            if (const auto paper = typed_paper(option, id); !paper) return tl::make_unexpected(paper.error());
            const auto r = each(option, f.which, [&](PaperChoice& c) {
                std::erase(c.never, id);
                if (out) c.never.push_back(id);
                std::sort(c.never.begin(), c.never.end());
            });
            if (!r) return r;
        }
        return {};
    }

    Result<void> sections() {
        for (const std::string& text : a_.give)
            if (auto r = give(text); !r) return r;
        for (const std::string& text : a_.never)
            if (auto r = rule_out("--never", text, true); !r) return r;
        for (const std::string& text : a_.allow)
            if (auto r = rule_out("--allow", text, false); !r) return r;
        if (auto r = each("--take-away", a_.take,
                          [](PaperChoice& c) {
                              c.paper.clear();
                              c.side = Side::A;
                              c.locked = false;
                          });
            !r)
            return r;
        if (auto r = each("--lock", a_.keep, [](PaperChoice& c) { c.locked = !c.paper.empty(); }); !r)
            return r;
        return each("--unlock", a_.loose, [](PaperChoice& c) { c.locked = false; });
    }

    Result<void> followers() {
        for (const auto& [option, list, facing] :
             {std::tuple{"--same-as", &a_.same_as, false}, std::tuple{"--facing", &a_.facing, true}})
            for (const std::string& text : *list) {
                const For f = typed_for(text);
                const auto leader = typed_sections(option, f.what);
                if (!leader) return tl::make_unexpected(leader.error());
                const auto r = each(option, f.which, [&, facing = facing](PaperChoice& c) {
                    c.same_as = leader->front();
                    c.facing = facing;
                });
                if (!r) return r;
            }
        return each("--own", a_.own, [](PaperChoice& c) {
            c.same_as.reset();
            c.facing = false;
        });
    }

    Result<void> whole_papers() {
        for (const auto& [option, list, apart] :
             {std::tuple{"--apart", &a_.apart, true}, std::tuple{"--together", &a_.together, false}})
            for (const std::string& text : *list) {
                const auto pair = split(text, ',');
                if (pair.size() != 2 || pair[0] == pair[1])
                    return fail(ErrorKind::BadInput,
                                std::string(option) + ": give two papers with a comma between them");
                for (const std::string& id : pair)
                    if (const auto paper = typed_paper(option, id); !paper)
                        return tl::make_unexpected(paper.error());
                keep_apart(p_.match, pair[0], pair[1], apart);
            }
        for (const std::string& text : a_.role)
            if (auto r = role(text); !r) return r;
        if (!a_.base_paper.empty()) {
            if (a_.base_paper != "none")
                if (const auto paper = typed_paper("--base-paper", a_.base_paper); !paper)
                    return tl::make_unexpected(paper.error());
            p_.set_out.page.base_paper = a_.base_paper == "none" ? "" : a_.base_paper;
        }
        if (!a_.cut_paper.empty())
            if (auto r = cut_paper(); !r) return r;
        for (const auto& [option, text, colour] :
             {std::tuple{"--cut-colour", &a_.cut_colour, &PlacedCut::colour},
              std::tuple{"--edge-colour", &a_.edge_colour, &PlacedCut::edge}})
            if (auto r = colour_of_cut(option, *text, colour); !r) return r;
        if (a_.gut || a_.no_gut) p_.set_out.page.gut = a_.gut;
        if (a_.under_photos || a_.not_under_photos) p_.set_out.page.under_photos = a_.under_photos;
        return {};
    }

    Result<void> role(const std::string& text) {
        const auto parts = split(text, ':');
        if (parts.size() != 2)
            return fail(ErrorKind::BadInput, "--role: '" + text + "' is not like hedge-stripe:tie");
        if (const auto paper = typed_paper("--role", parts[0]); !paper)
            return tl::make_unexpected(paper.error());
        if (parts[1] == "none") {
            p_.match.roles.erase(parts[0]);
            return {};
        }
        const auto role = typed_word<PaperRole>("--role", parts[1]);
        if (!role) return fail(role.error().kind, role.error().message + ", none");
        p_.match.roles[parts[0]] = *role;
        return {};
    }

    Result<void> cut_paper() {
        const For f = typed_for(a_.cut_paper);
        const auto cuts = typed_numbers("--cut-paper", f.which.empty() ? "1" : f.which,
                                        static_cast<int>(p_.set_out.cuts.size()));
        if (!cuts) return tl::make_unexpected(cuts.error());
        if (f.what != "none")
            if (const auto paper = typed_paper("--cut-paper", f.what); !paper)
                return tl::make_unexpected(paper.error());
        for (int c : *cuts) p_.set_out.cuts[c].paper = f.what == "none" ? "" : f.what;
        return {};
    }

    /// "1:muted teal", "#2f7f86", "2:none".
    Result<void> colour_of_cut(const char* option, const std::string& text,
                               std::optional<Rgb> PlacedCut::*colour) {
        if (text.empty()) return {};
        const For f = typed_for(text);
        const auto cuts =
            typed_numbers(option, f.which.empty() ? "1" : f.which, static_cast<int>(p_.set_out.cuts.size()));
        if (!cuts) return tl::make_unexpected(cuts.error());
        std::optional<Rgb> wanted;
        if (f.what != "none") {
            const auto typed = typed_colour(option, f.what);
            if (!typed) return tl::make_unexpected(typed.error());
            wanted = *typed;
        }
        for (const int c : *cuts) p_.set_out.cuts[static_cast<std::size_t>(c)].*colour = wanted;
        return {};
    }

    Result<void> patterns() {
        if (!a_.slants.empty()) {
            const auto parts = split(a_.slants, ':');
            const bool free = parts[0] == "free";
            if (!free && parts[0] != "parallel" && parts[0] != "facing")
                return fail(ErrorKind::BadInput,
                            "--slants: '" + a_.slants + "' is not like parallel:35, facing:35 or free");
            p_.match.slants.rule = free                     ? SlantRule::AsTheyFit
                                   : parts[0] == "parallel" ? SlantRule::Parallel
                                                            : SlantRule::Facing;
            if (parts.size() > 1) {
                const auto deg = typed_number("--slants", parts[1], {-360, 360});
                if (!deg) return tl::make_unexpected(deg.error());
                p_.match.slants.angle_deg = *deg;
            }
        }
        for (const std::string& text : a_.slant)
            if (auto r = print_number("--slant", text, -360, 360,
                                      [](PatternWish& w, double n) { w.slant_deg = n; });
                !r)
                return r;
        for (const std::string& text : a_.tone)
            if (auto r = print_number("--tone", text, 0, 1, [](PatternWish& w, double n) { w.tone = n; }); !r)
                return r;
        for (const std::string& text : a_.motif) {
            const For f = typed_for(text);
            const auto at = typed_size("--motif", f.what, 0, 3000);
            if (!at) return tl::make_unexpected(at.error());
            if (auto r = each("--motif", f.which,
                              [&](PaperChoice& c) {
                                  c.pattern.motif = MotifAnchor{*at, {}};
                              });
                !r)
                return r;
        }
        if (auto r = each("--run-on", a_.run_on, [](PaperChoice& c) { c.pattern.run_on = true; }); !r)
            return r;
        return each("--reset-pattern", a_.reset_pattern, [](PaperChoice& c) { c.pattern = {}; });
    }

    template <class Set>
    Result<void> print_number(const char* option, const std::string& text, double least, double most,
                              Set set) {
        const For f = typed_for(text);
        const auto n = typed_number(option, f.what, {least, most});
        if (!n) return tl::make_unexpected(n.error());
        return each(option, f.which, [&](PaperChoice& c) { set(c.pattern, *n); });
    }

    Result<void> colours() {
        if (a_.drift) p_.match.style.drift = *a_.drift;
        if (!a_.light.empty()) {
            const auto deg = typed_light(a_.light);
            if (!deg) return tl::make_unexpected(deg.error());
            p_.match.style.light_deg = *deg;
        }
        if (!a_.map.empty()) {
            const auto map = typed_word<ToneMap>("--map", a_.map);
            if (!map) return tl::make_unexpected(map.error());
            p_.match.style.map = *map;
        }
        if (!a_.zones.empty()) {
            std::vector<Rgb> zones;
            for (const std::string& text : split(a_.zones, ',')) {
                const auto colour = parse_colour(text);
                if (!colour)
                    return fail(ErrorKind::BadInput, "--zones: '" + text + "' does not look like #rrggbb");
                zones.push_back(*colour);
            }
            p_.match.style.zones = std::move(zones);
        }
        for (const std::string& text : a_.weight) {
            const auto parts = split(text, ':');
            MatchWeights& w = p_.match.style.weights;
            const std::map<std::string, double*> all{{"differ", &w.differ},   {"spread", &w.spread},
                                                     {"pattern", &w.pattern}, {"behind", &w.behind},
                                                     {"photo", &w.photo},     {"thrift", &w.thrift}};
            const auto which = all.find(parts[0]);
            if (which == all.end() || parts.size() != 2)
                return fail(ErrorKind::BadInput, "--weight: '" + text +
                                                     "' is not like spread:1.5; there are differ, spread, "
                                                     "pattern, behind, photo and thrift");
            const auto n = typed_number("--weight", parts[1], {0, 2});
            if (!n) return tl::make_unexpected(n.error());
            *which->second = *n;
        }
        return {};
    }

    Result<void> pins() {
        if (a_.unpin == "all") p_.sheets.pins.clear();
        if (!a_.unpin.empty() && a_.unpin != "all") {
            const auto numbers =
                typed_numbers("--unpin", a_.unpin, static_cast<int>(plan_.sections.spots.size()));
            if (!numbers) return tl::make_unexpected(numbers.error());
            for (int o : *numbers) p_.sheets.pins.erase(plan_.sections.spots[o]);
        }
        if (a_.pin.empty()) return {};
        const auto laid = planner_.plan(p_);
        if (!laid) return tl::make_unexpected(laid.error());
        for (const std::string& text : a_.pin)
            if (auto r = pin(text, *laid); !r) return r;
        return {};
    }

    Result<void> pin(const std::string& text, const Plan& laid) {
        const auto parts = split(text, ':');
        const auto numbers = typed_numbers("--pin", parts[0], static_cast<int>(laid.sections.spots.size()));
        if (!numbers) return tl::make_unexpected(numbers.error());
        for (int o : *numbers) {
            const int patch = laid.patch_of(o);
            if (parts.size() == 1) {
                if (patch < 0 || laid.sheets.placed[patch].sheet < 0)
                    return fail(ErrorKind::BadInput,
                                "--pin: " + std::to_string(o + 1) + " has no place to be pinned to");
                const PlacedPatch& at = laid.sheets.placed[patch];
                p_.sheets.pins[laid.sections.spots[o]] = {laid.papers.sheets[at.sheet].id, at.rotation_deg,
                                                          at.shift};
                continue;
            }
            if (parts.size() != 4)
                return fail(ErrorKind::BadInput, "--pin: '" + text + "' is not like 4 or 4:gull#1:90:120,40");
            const auto turn = typed_number("--pin", parts[2], {-360, 360});
            if (!turn) return tl::make_unexpected(turn.error());
            const auto shift = typed_point("--pin", parts[3], "give x,y on the sheet", 10000);
            if (!shift) return tl::make_unexpected(shift.error());
            if (std::none_of(laid.papers.sheets.begin(), laid.papers.sheets.end(),
                             [&](const Sheet& s) { return s.id == parts[1]; }))
                return fail(ErrorKind::BadInput, "--pin: there is no sheet \"" + parts[1] + "\"");
            p_.sheets.pins[laid.sections.spots[o]] = {parts[1], *turn, *shift};
        }
        return {};
    }

    const PapersArgs& a_;
    Project& p_;
    Planner& planner_;
    Plan plan_;
};

} // namespace

Result<void> edit_papers(const PapersArgs& args, Project& project, Planner& planner) {
    return PapersEdit(args, project, planner).run();
}

} // namespace zesty::cli
