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

std::vector<Layer> counted_by(const Drawing& drawing, std::string (*key)(const Shape&)) {
    std::vector<Layer> out;
    for (const Shape& s : drawing.shapes) {
        const std::string k = key(s);
        const auto known = std::find_if(out.begin(), out.end(), [&](const Layer& l) { return l.key == k; });
        if (known == out.end())
            out.push_back({k, 1});
        else
            ++known->shapes;
    }
    return out;
}

} // namespace

std::vector<Layer> layers_of(const Drawing& drawing) {
    auto by_colour = counted_by(drawing, colour_key);
    if (by_colour.size() > 1) return by_colour;
    auto by_group = counted_by(drawing, group_key);
    return by_group.size() > 1 ? by_group : std::vector<Layer>{};
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
