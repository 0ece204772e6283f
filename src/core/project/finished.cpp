#include "core/project/finished.h"

#include "core/sentences.h"

#include <algorithm>

namespace zesty {

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
    if (!written && !words_in_opening) out.emplace_back("no journaling");
    int left_over = 0;
    for (const WritingFacts& w : plan.dress.writings) left_over += w.left_over;
    if (left_over > 0)
        out.push_back(count_of(static_cast<std::size_t>(left_over), "word", "words") + " without a place");
    if (project.set_out.date.empty()) out.emplace_back("no date");
    for (const RoomWanted& room : project.set_out.rooms)
        if (!room.centre) out.push_back("no place for a " + std::string(key_of(room.what)));
    if (const auto none = count(Code::NoPaper))
        out.push_back(count_of(none, "section", "sections") + " without paper");
    if (const auto n = count(Code::Short) + count(Code::TooLarge))
        out.push_back(count_of(n, "patch", "patches") + " short");
    return out;
}

} // namespace zesty
