#include "core/cutfile/layers.h"

#include <algorithm>

namespace zesty {

namespace {

std::string colour_key(const Shape& s) {
    return "colour " + s.colour;
}
std::string group_key(const Shape& s) {
    return "group " + s.group;
}

std::vector<std::string> different(const Drawing& drawing, std::string (*key)(const Shape&)) {
    std::vector<std::string> out;
    for (const Shape& s : drawing.shapes)
        if (std::string k = key(s); std::find(out.begin(), out.end(), k) == out.end())
            out.push_back(std::move(k));
    return out;
}

} // namespace

std::vector<std::string> layers_of(const Drawing& drawing) {
    auto by_colour = different(drawing, colour_key);
    if (by_colour.size() > 1) return by_colour;
    auto by_group = different(drawing, group_key);
    return by_group.size() > 1 ? by_group : std::vector<std::string>{};
}

Drawing on_layers(const Drawing& drawing, const std::vector<std::string>& keys) {
    if (keys.empty()) return drawing;
    Drawing out = drawing;
    std::erase_if(out.shapes, [&](const Shape& s) {
        return std::find(keys.begin(), keys.end(), colour_key(s)) == keys.end() &&
               std::find(keys.begin(), keys.end(), group_key(s)) == keys.end();
    });
    return out;
}

} // namespace zesty
