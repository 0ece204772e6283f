#include "cli/set_out_page.h"

#include "cli/typed.h"
#include "core/project/edits.h"

#include <QDate>

namespace zesty::cli {

namespace {

Result<void> sizes(const SetOutArgs& a, Page& page) {
    if (!a.page.empty()) {
        const auto typed = typed_page(a.page);
        if (!typed) return tl::make_unexpected(typed.error());
        page.width = typed->width;
        page.height = typed->height;
    }
    if (a.spread) page.spread = true;
    if (a.single) page.spread = false;
    if (a.second == "same") {
        page.second_width = page.second_height = 0;
    } else if (!a.second.empty()) {
        const auto second = typed_size("--second", a.second, page_side_limits.least, page_side_limits.most);
        if (!second) return tl::make_unexpected(second.error());
        page.spread = true;
        page.second_width = second->x;
        page.second_height = second->y;
    }
    const auto gap = typed_length("--gap", a.gap, page_length_limits.least, page_length_limits.most);
    if (!gap) return tl::make_unexpected(gap.error());
    if (*gap) page.gap = **gap;
    return {};
}

Result<void> frame(const SetOutArgs& a, Page& page) {
    if (a.strips) page.frame = FrameKind::Strips;
    if (a.whole_frame) page.frame = FrameKind::Whole;
    const auto lip =
        typed_length("--glue-lip", a.glue_lip, page_length_limits.least, page_length_limits.most);
    if (!lip) return tl::make_unexpected(lip.error());
    if (*lip) page.glue_lip = **lip;
    if (a.window == "none") {
        page.window_width = page.window_height = 0;
    } else if (!a.window.empty()) {
        const auto window = typed_size("--window", a.window, page_side_limits.least, page_side_limits.most);
        if (!window) return tl::make_unexpected(window.error());
        page.window_width = window->x;
        page.window_height = window->y;
    }
    if (a.reveal.empty()) return {};
    const auto r = typed_lengths("--reveal", a.reveal, page_length_limits.least, page_length_limits.most);
    if (!r) return tl::make_unexpected(r.error());
    if (r->size() != 1 && r->size() != 4)
        return fail(ErrorKind::BadInput, "--reveal: give one length, or left,top,right,bottom");
    page.reveal = r->size() == 1 ? Sides::even(r->front()) : Sides{(*r)[0], (*r)[1], (*r)[2], (*r)[3]};
    return {};
}

} // namespace

Result<void> edit_page(const SetOutArgs& a, Project& p) {
    Page& page = p.set_out.page;
    const Page before = page;
    if (auto r = sizes(a, page); !r) return r;
    if (page.width == before.width && page.height == before.height) keep_places(p, before);
    if (auto r = frame(a, page); !r) return r;
    if (!a.units.empty()) {
        const auto units = typed_word<Units>("--units", a.units);
        if (!units) return tl::make_unexpected(units.error());
        p.units = *units;
    }
    if (a.date == "none") {
        p.set_out.date.clear();
    } else if (!a.date.empty()) {
        if (!QDate::fromString(QString::fromStdString(a.date), Qt::ISODate).isValid())
            return fail(ErrorKind::BadInput, "--date: '" + a.date + "' is not a day such as 2026-05-17");
        p.set_out.date = a.date;
    }
    if (!a.mat.empty()) {
        const auto mat =
            typed_size("--cutting-mat", a.mat, cutting_mat_limits.least, cutting_mat_limits.most);
        if (!mat) return tl::make_unexpected(mat.error());
        p.set_out.cutting_mat.width = mat->x;
        p.set_out.cutting_mat.height = mat->y;
    }
    struct Of {
        const char* option;
        const std::string& typed;
        std::string& id;
    };
    for (const Of& paper : {Of{"--frame-paper", a.frame_paper, page.frame_paper},
                            Of{"--side-paper", a.side_paper, page.side_paper},
                            Of{"--base-paper", a.base_paper, page.base_paper}}) {
        if (paper.typed.empty()) continue;
        if (paper.typed != "none" && (!p.stash || p.stash->find(paper.typed) < 0))
            return fail(ErrorKind::BadInput,
                        std::string(paper.option) + ": there is no paper '" + paper.typed + "' in the stash");
        paper.id = paper.typed == "none" ? "" : paper.typed;
    }
    return {};
}

} // namespace zesty::cli
