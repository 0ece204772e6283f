#include "core/project/apply_fix.h"

#include "core/project/edits.h"
#include "core/project/ways_out.h"

namespace zesty {

namespace {

struct Apply {
    Project& p;
    const Plan& plan;

    void operator()(std::monostate) const {}
    void operator()(const GivePaper& g) const {
        change_sections(p, {g.section}, [&](PaperChoice& c) {
            c.paper = g.paper;
            c.side = g.side;
            c.locked = true;
        });
    }
    void operator()(const SetLip& l) const { p.sections.lip = l.lip; }
    void operator()(const SetMargin& m) const {
        for (PlacedCut& c : p.set_out.cuts)
            if (c.id == m.cut) {
                c.place.rule = SizeRule::Margin;
                c.place.length = m.margin;
            }
    }
    void operator()(const SetReveal& r) const { p.set_out.page.reveal = r.reveal; }
    void operator()(const SetGlueLip& l) const { p.set_out.page.glue_lip = l.lip; }
    void operator()(const MovePhoto& m) const {
        if (m.photo < static_cast<int>(p.set_out.photos.size())) p.set_out.photos[m.photo].centre = m.centre;
    }
    void operator()(const SetTreatment& t) const {
        change_sections(p, {t.section}, [&](SectionChoice& c) { c.treatment = t.treatment; });
    }
    void operator()(const SetSectionLip& l) const {
        change_sections(p, l.sections, [&](SectionChoice& c) { c.lip = l.lip; });
    }
    void operator()(const SetMethod& s) const {
        change_sections(p, {s.section}, [&](SectionChoice& c) { c.method = s.method; });
    }
    void operator()(const ScaleCuts& s) const { scale_cuts(p, plan, s.by); }
    void operator()(const GutFrame&) const { p.set_out.page.gut = true; }
    void operator()(const Unpin& u) const { p.sheets.pins.erase(u.opening); }
    void operator()(const EndRunOn& e) const {
        change_sections(p, {e.section}, [](PaperChoice& c) { c.pattern.run_on = false; });
    }
    void operator()(const StopReserving& f) const {
        std::erase_if(p.sheets.reserved,
                      [&](const ReservedPiece& w) { return w.page == f.page && w.paper == f.paper; });
    }
};

} // namespace

void apply_fix(Project& project, const Plan& plan, const Fix& fix) {
    std::visit(Apply{project, plan}, fix);
}

} // namespace zesty
