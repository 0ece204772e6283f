#include "core/stash/colour_words.h"

#include <array>
#include <cmath>

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

} // namespace zesty
