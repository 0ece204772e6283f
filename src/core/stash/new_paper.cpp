#include "core/stash/new_paper.h"

#include "core/geometry/lengths.h"

#include <array>
#include <cctype>

namespace zesty {

namespace {

struct Cardstock {
    const char* name;
    Rgb colour;
};

constexpr std::array starter_colours{
    Cardstock{"White", {0xFA, 0xF9, 0xF6}},         Cardstock{"Cream", {0xF6, 0xEC, 0xD2}},
    Cardstock{"Kraft", {0xC4, 0x9A, 0x6C}},         Cardstock{"Light grey", {0xCF, 0xCF, 0xCB}},
    Cardstock{"Slate grey", {0x6E, 0x74, 0x7A}},    Cardstock{"Black", {0x24, 0x23, 0x26}},
    Cardstock{"Butter yellow", {0xF6, 0xDC, 0x7E}}, Cardstock{"Ochre", {0xCF, 0x9F, 0x32}},
    Cardstock{"Peach", {0xF5, 0xBE, 0x98}},         Cardstock{"Orange", {0xE5, 0x7A, 0x32}},
    Cardstock{"Coral", {0xEE, 0x7F, 0x70}},         Cardstock{"Red", {0xC0, 0x30, 0x32}},
    Cardstock{"Crimson", {0x86, 0x22, 0x3C}},       Cardstock{"Pale pink", {0xF4, 0xCB, 0xD3}},
    Cardstock{"Rose", {0xC7, 0x55, 0x7A}},          Cardstock{"Lavender", {0xB9, 0xA8, 0xD8}},
    Cardstock{"Purple", {0x70, 0x45, 0x8C}},        Cardstock{"Sky blue", {0x94, 0xC6, 0xE4}},
    Cardstock{"Blue", {0x35, 0x68, 0xB0}},          Cardstock{"Navy", {0x23, 0x32, 0x5C}},
    Cardstock{"Teal", {0x2B, 0x83, 0x88}},          Cardstock{"Pale green", {0xB5, 0xDB, 0xBC}},
    Cardstock{"Leaf green", {0x4A, 0x90, 0x55}},    Cardstock{"Brown", {0x6A, 0x46, 0x2C}}};

} // namespace

std::string id_from(const std::string& name) {
    std::string out;
    for (const char c : name) {
        const auto u = static_cast<unsigned char>(c);
        if (u < 0x80 && std::isalnum(u))
            out += static_cast<char>(std::tolower(u));
        else if (!out.empty() && out.back() != '-')
            out += '-';
    }
    while (!out.empty() && out.back() == '-') out.pop_back();
    return out.empty() ? "paper" : out;
}

const std::vector<UsualSheet>& usual_sheets() {
    static const std::vector<UsualSheet> all{
        {"12 x 12", 12 * mm_per_inch, 12 * mm_per_inch}, {"8 1/2 x 11", 8.5 * mm_per_inch, 11 * mm_per_inch},
        {"8 x 8", 8 * mm_per_inch, 8 * mm_per_inch},     {"6 x 8", 6 * mm_per_inch, 8 * mm_per_inch},
        {"6 x 6", 6 * mm_per_inch, 6 * mm_per_inch},     {"4 x 6", 4 * mm_per_inch, 6 * mm_per_inch},
        {"3 x 4", 3 * mm_per_inch, 4 * mm_per_inch}};
    return all;
}

Paper paper_of(const NewPaper& typed, const Stash& among) {
    Paper out;
    out.id = free_id(among, id_from(typed.name));
    out.name = typed.name;
    out.colour = typed.colour;
    out.pattern = typed.pattern;
    out.weight = typed.weight;
    out.finish = typed.finish;
    out.kept_in = typed.kept_in;
    const bool turned = typed.pattern == Pattern::Stripe || typed.pattern == Pattern::Ombre;
    out.direction = typed.pattern == Pattern::Picture ? Direction::Fixed
                    : turned                          ? Direction::Half
                                                      : Direction::Free;
    for (const NewSheets& s : typed.sheets)
        if (s.count > 0) out.sheets.push_back({{ring_of(Box{0, 0, s.width, s.height}), {}}, s.count, false});
    return out;
}

Stash with_starter_papers(const Stash& stash) {
    Stash out = stash;
    for (const Cardstock& c : starter_colours) {
        const UsualSheet& whole = usual_sheets().front();
        Paper paper = paper_of(
            {std::string(c.name) + " cardstock", c.colour, Pattern::Solid, {{whole.width, whole.height, 2}}},
            {});
        if (out.find(paper.id) < 0) out.papers.push_back(std::move(paper));
    }
    return out;
}

} // namespace zesty
