#include "core/project/finished.h"

#include "core/project/page_things.h"
#include "core/sentences.h"

#include <algorithm>

namespace zesty {

namespace {

void add_pieces(const Plan& plan, std::vector<std::string>& out) {
    std::size_t mats = 0, layers = 0, frames = 0;
    for (const DressPiece& p : plan.dress.pieces)
        if (!p.placed && !p.paper.empty()) ++(p.of_frame ? frames : p.layer >= 0 ? layers : mats);
    if (mats > 0) out.push_back("paper for " + count_of(mats, "photo mat", "photo mats"));
    if (layers > 0) out.push_back("paper for " + count_of(layers, "layer", "layers"));
    if (frames > 0) out.push_back("paper for " + count_of(frames, "part of the frame", "parts of the frame"));
}

void add_letters_and_things(const Plan& plan, std::vector<std::string>& out) {
    int letters = 0;
    for (const TitleFacts& t : plan.dress.titles)
        for (const auto& [piece, n] : t.missing) letters += n;
    if (letters > 0) out.push_back(count_of(static_cast<std::size_t>(letters), "letter", "letters"));
    int things = 0;
    for (const ShortThing& s : plan.dress.short_embellishments) things += s.used - s.there;
    if (things > 0)
        out.push_back(count_of(static_cast<std::size_t>(things), "embellishment", "embellishments"));
}

std::string openings_in_a_row(const std::vector<int>& openings) {
    std::vector<std::string> numbers;
    for (const int o : openings) numbers.push_back(std::to_string(o + 1));
    return (numbers.size() == 1 ? "opening " : "openings ") + in_a_row(numbers);
}

} // namespace

std::vector<std::string> missing_of(const Project& project, const Plan& plan) {
    std::vector<std::string> out;
    const auto count = [&](Code code) {
        return static_cast<std::size_t>(std::count_if(plan.findings.begin(), plan.findings.end(),
                                                      [&](const Finding& f) { return f.code == code; }));
    };
    const bool words_in_opening =
        std::any_of(plan.sections.all.begin(), plan.sections.all.end(),
                    [](const Section& s) { return s.treatment == Treatment::Words; });
    const bool written = std::any_of(project.dress.writings.begin(), project.dress.writings.end(),
                                     [](const Writing& w) { return !w.text.empty(); });
    if (!written && !words_in_opening) out.emplace_back("journaling");
    int left_over = 0;
    for (const WritingFacts& w : plan.dress.writings) left_over += w.left_over;
    if (left_over > 0)
        out.push_back(count_of(static_cast<std::size_t>(left_over), "word", "words") + " without a place");
    if (project.set_out.date.empty()) out.emplace_back("a date");
    for (const RoomWanted& room : project.set_out.rooms)
        if (!room.centre) out.push_back("a place for a " + std::string(key_of(room.what)));
    if (const auto none = count(Code::NoPaper))
        out.push_back("paper for " + count_of(none, "section", "sections"));
    if (const auto n = count(Code::Short) + count(Code::TooLarge))
        out.push_back("room for " + count_of(n, "patch", "patches"));
    add_pieces(plan, out);
    add_letters_and_things(plan, out);
    return out;
}

std::vector<std::string> still_to_choose(const Project& project, const Plan& plan) {
    std::vector<std::string> out;
    const PageThings things(project, plan);
    std::vector<int> bare, too_large, waiting;
    for (const Patch& p : plan.sections.patches) {
        if (plan.papers.of_section[static_cast<std::size_t>(p.section)] < 0) bare.push_back(p.opening);
        if (things.is_there(p) && things.place_of(p) == PatchPlace::Inside && things.round(p.opening).empty())
            waiting.push_back(p.opening);
    }
    for (const ShortPatch& s : plan.sheets.short_patches)
        if (plan.papers.of_section[static_cast<std::size_t>(s.section)] >= 0)
            too_large.push_back(plan.sections.patches[static_cast<std::size_t>(s.patch)].opening);
    if (!bare.empty()) out.push_back("paper for " + openings_in_a_row(bare));
    if (!too_large.empty())
        out.push_back("another paper for " + openings_in_a_row(too_large) + ", which " +
                      (too_large.size() == 1 ? "does" : "do") + " not fit");
    if (!waiting.empty())
        out.push_back("paper for what lies round " + openings_in_a_row(waiting) +
                      ", cut but not set in without it");
    for (const DressPiece& p : plan.dress.pieces)
        if (!p.placed && !p.paper.empty())
            out.push_back("another paper for " + p.what + ", which does not fit");
    const Page& page = project.set_out.page;
    const auto lacks = [&](const std::string& paper, const char* begins) {
        return !paper.empty() &&
               std::none_of(plan.papers.own.begin(), plan.papers.own.end(),
                            [&](const OwnUse& use) { return use.what.rfind(begins, 0) == 0; }) &&
               project.keep.taken.empty();
    };
    if (page.framed() && lacks(page.frame_paper, page.frame == FrameKind::Whole ? "frame " : "strip "))
        out.emplace_back("another paper for the frame, which does not fit");
    if (lacks(page.base_paper, "base ")) out.emplace_back("another paper for the base, which does not fit");
    return out;
}

} // namespace zesty
