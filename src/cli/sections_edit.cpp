#include "cli/sections_edit.h"

#include "cli/command.h"
#include "cli/typed.h"
#include "core/project/drawn_line.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/sections/grouping.h"
#include "io/project_file.h"

#include <algorithm>
#include <iostream>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

class SectionsEdit {
public:
    SectionsEdit(const SectionsArgs& args, Project& project, Planner& planner)
        : a_(args), p_(project), planner_(planner) {}

    Result<void> run() {
        for (auto step :
             {&SectionsEdit::divisions, &SectionsEdit::groups, &SectionsEdit::choices, &SectionsEdit::rules})
            if (auto r = (this->*step)(); !r) return r;
        return {};
    }

private:
    Result<void> look() {
        auto plan = shapes_with_cut(planner_, p_);
        if (!plan) return tl::make_unexpected(plan.error());
        plan_ = std::move(*plan);
        return {};
    }

    /// "3,5-7" as spots; "base" is the bare base.
    Result<std::vector<Spot>> typed_spots(const std::string& option, const std::string& text) const {
        if (text == "base") return std::vector<Spot>{base_spot};
        const auto numbers = typed_numbers(option, text, static_cast<int>(plan_.sections.spots.size()));
        if (!numbers) return tl::make_unexpected(numbers.error());
        return plan_.spots_of(*numbers);
    }

    Result<void> divisions() {
        const bool of_the_base = std::any_of(a_.divide.begin(), a_.divide.end(),
                                             [](const std::string& t) { return t.starts_with("base:"); });
        // The bare base needs no cut.
        if (auto r = look(); !r && !of_the_base) return r;
        for (const std::string& text : a_.undivide) {
            const auto spots = typed_spots("--undivide", text);
            if (!spots) return tl::make_unexpected(spots.error());
            zesty::undivide(p_, *spots);
        }
        for (const std::string& text : a_.divide) {
            // 7:bands:4, 7:line:30, 7:grid:3x2, base:rays:8:15
            const auto parts = split(text, ':');
            const auto kind = parts.size() > 1 ? named<Division::Kind>(parts[1]) : std::nullopt;
            if (!kind)
                return fail(ErrorKind::BadInput, "--divide: '" + text +
                                                     "' is not like 7:bands:4, 7:line:30, "
                                                     "7:grid:3x2, 7:rings:3 or base:rays:8");
            const auto spots = typed_spots("--divide", parts[0]);
            if (!spots) return tl::make_unexpected(spots.error());
            Division d;
            d.kind = *kind;
            if (auto r = read_division(d, parts); !r) return r;
            if (a_.about.empty()) {
                zesty::divide(p_, *spots, d);
                continue;
            }
            if (d.kind == Division::Kind::Bands || d.kind == Division::Kind::Grid)
                return fail(ErrorKind::BadInput,
                            "--about: bands and grids fill their opening, whatever point");
            const auto at = typed_point("--about", a_.about, "give x,y on the page", 3000);
            if (!at) return tl::make_unexpected(at.error());
            for (const Spot spot : *spots) {
                const auto o = std::find(plan_.sections.spots.begin(), plan_.sections.spots.end(), spot);
                const int opening =
                    o == plan_.sections.spots.end() ? -1 : static_cast<int>(o - plan_.sections.spots.begin());
                zesty::divide(p_, {spot}, about_place(p_, plan_, opening, d, *at));
            }
        }
        return look();
    }

    static Result<void> read_division(Division& d, const std::vector<std::string>& parts) {
        const auto turn = [&](std::size_t i) -> Result<void> {
            if (parts.size() > i + 1)
                return fail(ErrorKind::BadInput,
                            "--divide: there is nothing that ':" + parts[i + 1] + "' could say");
            if (parts.size() <= i) return {};
            const auto deg = typed_number("--divide", parts[i], turn_limits);
            if (!deg) return tl::make_unexpected(deg.error());
            d.turn_deg = *deg;
            return {};
        };
        if (d.kind == Division::Kind::Line) return turn(2);
        if (parts.size() > 2) {
            const auto counts = split(parts[2], 'x');
            const auto count = typed_numbers("--divide", counts[0], most_parts);
            if (!count) return tl::make_unexpected(count.error());
            d.count = count->front() + 1;
            if (counts.size() > (d.kind == Division::Kind::Grid ? 2 : 1))
                return fail(ErrorKind::BadInput, "--divide: '" + parts[2] + "' is not a count");
            if (counts.size() > 1) {
                const auto rows = typed_numbers("--divide", counts[1], most_parts / d.count);
                if (!rows) return tl::make_unexpected(rows.error());
                d.rows = rows->front() + 1;
            }
        }
        return turn(3);
    }

    void join(const std::vector<Spot>& spots) {
        const std::string out = stay_out(plan_, zesty::group(p_, spots));
        if (!out.empty()) std::cerr << out << "\n";
    }

    Result<void> groups() {
        for (const std::string& text : a_.ungroup) {
            const auto spots = typed_spots("--ungroup", text);
            if (!spots) return tl::make_unexpected(spots.error());
            zesty::ungroup(p_, *spots);
        }
        if (!a_.by.empty()) {
            const auto kind = typed_word<GroupRule::Kind>("--by", a_.by);
            if (!kind) return tl::make_unexpected(kind.error());
            if (a_.count && *kind != GroupRule::Kind::Sizes && *kind != GroupRule::Kind::Bands &&
                *kind != GroupRule::Kind::Rings)
                return fail(ErrorKind::BadInput,
                            "--count: there is nothing to count in grouping by " + a_.by);
            if (!a_.centre.empty() && *kind != GroupRule::Kind::Rings)
                return fail(ErrorKind::BadInput, "--centre: only rings have one");
            GroupRule rule{*kind, a_.count.value_or(3), p_.set_out.page.whole().centre()};
            if (!a_.centre.empty()) {
                const auto at = typed_point("--centre", a_.centre, "give x,y on the page", 3000);
                if (!at) return tl::make_unexpected(at.error());
                rule.centre = *at;
            }
            for (const auto& g : groups_by(rule, *plan_.sections.cut, plan_.set_out.whole.to_page,
                                           plan_.sections.cut_of_opening, {}))
                join(plan_.spots_of(g));
        }
        if (!a_.lasso_box.empty()) {
            const auto b = typed_lengths("--group-in", a_.lasso_box, -3000, 3000);
            if (!b) return tl::make_unexpected(b.error());
            if (b->size() != 4)
                return fail(ErrorKind::BadInput, "--group-in: give x,y,x,y of two corners on the page");
            const Ring ring{{(*b)[0], (*b)[1]}, {(*b)[2], (*b)[1]}, {(*b)[2], (*b)[3]}, {(*b)[0], (*b)[3]}};
            join(plan_.spots_of(inside_outline(*plan_.sections.cut, plan_.set_out.whole.to_page, ring)));
        }
        for (const std::string& text : a_.group) {
            const auto spots = typed_spots("--group", text);
            if (!spots) return tl::make_unexpected(spots.error());
            join(*spots);
        }
        return {};
    }

    /// Reads what stands after the colon and sets it for the sections named before it.
    template <class Read, class Set>
    Result<void> each(const char* option, const std::vector<std::string>& texts, Read read, Set set) {
        for (const std::string& text : texts) {
            const For typed = typed_for(text);
            const auto spots = typed_spots(option, typed.which);
            if (!spots) return tl::make_unexpected(spots.error());
            const auto value = read(typed.what);
            if (!value) return tl::make_unexpected(value.error());
            change_sections(p_, *spots, [&](SectionChoice& c) { set(c, *value); });
        }
        return {};
    }

    static Result<Treatment> read_treatment(const std::string& what) {
        return typed_word<Treatment>("--treat", what);
    }

    static Result<int> read_order(const std::string& what) {
        const auto n = typed_numbers("--order", what, 1'000'000);
        if (!n) return tl::make_unexpected(n.error());
        return n->front() + 1;
    }

    /// Nothing for "page": what the whole page has.
    static Result<std::optional<BackingMethod>> read_method(const std::string& what) {
        if (what == "page") return std::optional<BackingMethod>{};
        const auto method = read_page_method(what);
        if (!method) return tl::make_unexpected(method.error());
        return std::optional(*method);
    }

    static Result<BackingMethod> read_page_method(const std::string& what) {
        return typed_word<BackingMethod>("--method", what);
    }

    static Result<double> read_lip(const std::string& what) {
        const auto lip = typed_length("--lip", what, 0, 50);
        if (!lip) return tl::make_unexpected(lip.error());
        if (!*lip) return fail(ErrorKind::BadInput, "--lip: a length is missing");
        return **lip;
    }

    Result<void> choices() {
        if (auto r = each(
                "--name", a_.name, [](const std::string& what) { return Result<std::string>(what); },
                [](SectionChoice& c, const std::string& name) { c.name = name; });
            !r)
            return r;
        if (auto r = each("--treat", a_.treat, read_treatment,
                          [](SectionChoice& c, Treatment t) { c.treatment = t; });
            !r)
            return r;
        if (auto r = each("--order", a_.order, read_order, [](SectionChoice& c, int n) { c.order = n; }); !r)
            return r;
        return lips_and_methods();
    }

    /// These are for the whole page when no section is named.
    Result<void> lips_and_methods() {
        for (const std::string& text : a_.method) {
            const For typed = typed_for(text);
            if (typed.which.empty()) {
                const auto method = read_page_method(typed.what);
                if (!method) return tl::make_unexpected(method.error());
                p_.sections.backing.method = *method;
            } else if (auto r = each("--method", {text}, read_method,
                                     [](SectionChoice& c, std::optional<BackingMethod> s) { c.method = s; });
                       !r) {
                return r;
            }
        }
        for (const std::string& text : a_.lip) {
            const For typed = typed_for(text);
            if (typed.which.empty()) {
                const auto lip = read_lip(typed.what);
                if (!lip) return tl::make_unexpected(lip.error());
                p_.sections.lip = *lip;
            } else if (auto r =
                           each("--lip", {text}, read_lip, [](SectionChoice& c, double lip) { c.lip = lip; });
                       !r) {
                return r;
            }
        }
        return {};
    }

    /// "3,7:overlap": the bars between these openings, or all of one; "page" as everywhere else.
    Result<void> bars() {
        for (const std::string& text : a_.bars) {
            const For typed = typed_for(text);
            const auto lips = typed.what == "page" ? p_.sections.backing.lips : named<LipMode>(typed.what);
            if (!lips)
                return fail(ErrorKind::BadInput, "--bars: '" + text + "' is not like 3,7:overlap or 3:meet");
            const auto openings =
                typed_numbers("--bars", typed.which, static_cast<int>(plan_.sections.spots.size()));
            if (!openings) return tl::make_unexpected(openings.error());
            const auto named = plan_.bars_among(*openings);
            if (named.empty())
                return fail(ErrorKind::NothingToDo, "--bars: there is no bar between " + typed.which);
            set_bars(p_.sections, named, *lips);
        }
        return {};
    }

    Result<void> rules() {
        BackingRules& rules = p_.sections.backing;
        if (!a_.lips.empty()) {
            const auto lips = named<LipMode>(a_.lips);
            if (!lips)
                return fail(ErrorKind::BadInput, "--lips: '" + a_.lips + "' is neither meet nor overlap");
            rules.lips = *lips;
        }
        if (auto r = bars(); !r) return r;
        const auto foam = typed_length("--foam", a_.foam, 0.5, 50);
        const auto clearance = typed_length("--clearance", a_.clearance, 0, 10);
        if (!foam) return tl::make_unexpected(foam.error());
        if (!clearance) return tl::make_unexpected(clearance.error());
        if (*foam) rules.foam_width = **foam;
        if (*clearance) rules.inlay_clearance = **clearance;
        if (a_.punch_on_top) rules.punch_on_top = true;
        if (a_.punch_behind) rules.punch_on_top = false;
        if (auto r = each(
                "--punched", a_.punched,
                [](const std::string& what) -> Result<std::optional<bool>> {
                    if (what == "page") return std::optional<bool>{};
                    if (what == "on-top" || what == "behind") return std::optional(what == "on-top");
                    return fail(ErrorKind::BadInput,
                                "--punched: '" + what + "' is not one of on-top, behind, page");
                },
                [](SectionChoice& c, std::optional<bool> on_top) { c.punch_on_top = on_top; });
            !r)
            return r;
        if (a_.punches.empty()) return {};
        auto punches = typed_lengths("--punches", a_.punches, 1, 999);
        if (!punches) return tl::make_unexpected(punches.error());
        std::sort(punches->begin(), punches->end());
        rules.punches = *punches;
        return {};
    }

    const SectionsArgs& a_;
    Project& p_;
    Planner& planner_;
    Plan plan_;
};

} // namespace

Result<void> edit_sections(const SectionsArgs& args, Project& project, Planner& planner) {
    return SectionsEdit(args, project, planner).run();
}

} // namespace zesty::cli
