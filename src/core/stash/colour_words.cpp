#include "core/stash/colour_words.h"

#include <array>
#include <cctype>
#include <cmath>
#include <utility>
#include <vector>

namespace zesty {

namespace {

constexpr double colourless = 6; ///< chroma below which there is no hue to speak of
constexpr double dull = 28;      ///< chroma
constexpr double vivid = 66;     ///< chroma

struct ColourName {
    const char* word;
    bool says_it_all; ///< how light or dull it is, too
};

/// What a hue is called where it is light, of medium lightness, and dark.
struct HueNames {
    double up_to_deg; ///< hue angle
    ColourName light, medium, dark;
};

constexpr double light_from = 66;
constexpr double dark_below = 40;

constexpr std::array hues{HueNames{20, {"pink", true}, {"rose", false}, {"crimson", true}},
                          HueNames{48, {"coral", true}, {"red", false}, {"red", false}},
                          HueNames{75, {"peach", true}, {"orange", false}, {"brown", true}},
                          HueNames{100, {"yellow", false}, {"ochre", true}, {"brown", true}},
                          HueNames{135, {"lime", false}, {"olive", true}, {"olive", false}},
                          HueNames{175, {"green", false}, {"green", false}, {"green", false}},
                          HueNames{225, {"aqua", true}, {"teal", false}, {"teal", false}},
                          HueNames{275, {"sky blue", true}, {"blue", false}, {"blue", false}},
                          HueNames{298, {"light blue", true}, {"blue", false}, {"navy", true}},
                          HueNames{330, {"lavender", true}, {"purple", false}, {"purple", false}},
                          HueNames{345, {"pink", true}, {"magenta", false}, {"purple", false}},
                          HueNames{360, {"pink", true}, {"rose", false}, {"crimson", true}}};

const char* without_hue(double lightness) {
    if (lightness < 18) return "black";
    if (lightness < 40) return "dark grey";
    if (lightness < 72) return "grey";
    return lightness < 92 ? "light grey" : "white";
}

ColourName named_by_hue(const Lab& c, double chroma, double hue_deg) {
    const bool warm = hue_deg >= 48 && hue_deg < 110;
    if (warm && chroma < 34 && c.l >= 50) return {c.l >= 86 ? "cream" : "tan", true};
    if (warm && hue_deg < 75 && chroma > 50 && c.l >= dark_below) return {"orange", false};
    for (const HueNames& h : hues)
        if (hue_deg < h.up_to_deg) return c.l >= light_from ? h.light : c.l < dark_below ? h.dark : h.medium;
    return hues.front().medium;
}

/// What else people call them.
constexpr std::array<std::pair<const char*, const char*>, 20> synonyms{
    {{"gray", "grey"},      {"silver", "light grey"}, {"charcoal", "dark grey"}, {"ivory", "cream"},
     {"beige", "tan"},      {"kraft", "tan"},         {"gold", "ochre"},         {"mustard", "ochre"},
     {"rust", "red"},       {"brick", "red"},         {"burgundy", "crimson"},   {"maroon", "crimson"},
     {"salmon", "coral"},   {"violet", "purple"},     {"plum", "purple"},        {"lilac", "lavender"},
     {"turquoise", "teal"}, {"mint", "pale green"},   {"navy blue", "navy"},     {"chocolate", "brown"}}};

struct Called {
    Rgb colour;
    Lab lab;
    std::string words;
};

std::vector<Called> named_colours() {
    std::vector<Called> out;
    for (int r = 0; r < 256; r += 17)
        for (int g = 0; g < 256; g += 17)
            for (int b = 0; b < 256; b += 17) {
                const Rgb c{static_cast<std::uint8_t>(r), static_cast<std::uint8_t>(g),
                            static_cast<std::uint8_t>(b)};
                out.push_back({c, to_lab(c), colour_words(c)});
            }
    return out;
}

/// Colours all over the cube with their words; named once, as fields ask with every letter typed.
const std::vector<Called>& many_colours() {
    static const std::vector<Called> all = named_colours();
    return all;
}

/// The one nearest the middle of those that `which` agrees to, the middle moved by `shift`.
template <class Which>
std::optional<Rgb> middle_of(const std::vector<Called>& colours, Which which, const Lab& shift,
                             double chroma) {
    Lab sum;
    double count = 0;
    for (const Called& c : colours)
        if (which(c)) {
            sum = {sum.l + c.lab.l, sum.a + c.lab.a, sum.b + c.lab.b};
            ++count;
        }
    if (count == 0) return {};
    const Lab wanted{sum.l / count + shift.l, sum.a / count * chroma, sum.b / count * chroma};
    const Called* best = nullptr;
    double least = 0;
    for (const Called& c : colours) {
        const double d = std::hypot(c.lab.l - wanted.l, c.lab.a - wanted.a, c.lab.b - wanted.b);
        if (which(c) && (!best || d < least)) {
            best = &c;
            least = d;
        }
    }
    return best->colour;
}

std::string plain(std::string_view words) {
    std::string out;
    for (const char c : words) {
        const auto u = static_cast<unsigned char>(c);
        if (!std::isspace(u))
            out += static_cast<char>(std::tolower(u));
        else if (!out.empty() && out.back() != ' ')
            out += ' ';
    }
    while (!out.empty() && out.back() == ' ') out.pop_back();
    for (const auto& [said, meant] : synonyms)
        if (out == said)
            return meant;
        else if (const std::string tail = std::string(" ") + said; out.ends_with(tail))
            return out.substr(0, out.size() - tail.size() + 1) + meant;
    return out;
}

} // namespace

std::string colour_words(Rgb colour) {
    const Lab c = to_lab(colour);
    const double chroma = std::hypot(c.a, c.b);
    if (chroma < colourless) return without_hue(c.l);
    const double angle = std::atan2(c.b, c.a) * 180 / M_PI;
    const ColourName name = named_by_hue(c, chroma, angle < 0 ? angle + 360 : angle);
    if (name.says_it_all) return name.word;
    const char* how = c.l < 32                  ? "dark "
                      : c.l > 80 && chroma < 45 ? "pale "
                      : chroma < dull           ? "muted "
                      : chroma > vivid          ? "bright "
                                                : "";
    return std::string(how) + name.word;
}

std::optional<Rgb> colour_called(std::string_view words) {
    if (const auto typed = parse_colour(words)) return typed;
    const std::string wanted = plain(words);
    const std::vector<Called>& colours = many_colours();
    const auto same = [&](const Called& c) { return c.words == wanted; };
    if (const auto found = middle_of(colours, same, {}, 1)) return found;
    const auto space = wanted.find(' ');
    if (space == std::string::npos) {
        // "teal" alone: however dull it is.
        const auto of_that_name = [&](const Called& c) { return c.words.ends_with(" " + wanted); };
        return middle_of(colours, of_that_name, {}, 1);
    }
    const std::string how = wanted.substr(0, space), name = wanted.substr(space + 1);
    const auto of_that_name = [&](const Called& c) {
        return c.words == name || c.words.ends_with(" " + name);
    };
    if (how == "dark" || how == "deep") return middle_of(colours, of_that_name, {-18, 0, 0}, 1);
    if (how == "pale" || how == "light") return middle_of(colours, of_that_name, {18, 0, 0}, 0.8);
    if (how == "muted" || how == "dusty") return middle_of(colours, of_that_name, {}, 0.55);
    if (how == "bright" || how == "vivid") return middle_of(colours, of_that_name, {}, 1.4);
    return {};
}

} // namespace zesty
