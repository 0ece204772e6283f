#include "io/svg/viewport.h"

#include "io/svg/numbers.h"

#include <algorithm>

namespace zesty::svg {

Result<Viewport> size_of_root(const Node& root, bool& said) {
    Viewport view{100, 100};
    Numbers box(root.get("viewBox"));
    box.next();
    box.next();
    const auto vw = box.next();
    const auto vh = box.next();
    if (vh && *vw > 0 && *vh > 0) view = {*vw, *vh};
    const auto w = parse_length(root.get("width"), view.width);
    const auto h = parse_length(root.get("height"), view.height);
    if (!w || !h) return tl::make_unexpected(w ? h.error() : w.error());
    const auto given = [](const std::optional<Length>& l) { return l && !l->percent && l->px > 0; };
    said = given(*w) || given(*h);
    if (given(*w) && given(*h)) return Viewport{(*w)->px, (*h)->px};
    if (given(*w)) return Viewport{(*w)->px, view.height * (*w)->px / view.width};
    if (given(*h)) return Viewport{view.width * (*h)->px / view.height, (*h)->px};
    return view;
}

Result<Transform> fit_view_box(const Node& node, double w, double h, Viewport& inner) {
    inner = {w, h};
    if (!node.has("viewBox")) return Transform{};
    Numbers in(node.get("viewBox"));
    double v[4];
    for (double& x : v) {
        const auto n = in.next();
        if (!n)
            return in.nonsense()
                       ? Result<Transform>(fail(ErrorKind::BadInput, "the viewBox '" + node.get("viewBox") +
                                                                         "' is not made of numbers"))
                       : Result<Transform>(Transform{});
        x = *n;
    }
    if (v[2] <= 0 || v[3] <= 0) return Transform{};
    inner = {v[2], v[3]};
    const std::string& how = node.get("preserveAspectRatio");
    double sx = w / v[2];
    double sy = h / v[3];
    double tx = 0;
    double ty = 0;
    if (how.find("none") == std::string::npos) {
        const double s = how.find("slice") != std::string::npos ? std::max(sx, sy) : std::min(sx, sy);
        sx = sy = s;
        const auto share = [&](const char* low, const char* high) {
            return how.find(low) != std::string::npos ? 0.0 : how.find(high) != std::string::npos ? 1.0 : 0.5;
        };
        tx = (w - v[2] * s) * share("xMin", "xMax");
        ty = (h - v[3] * s) * share("YMin", "YMax");
    }
    return Transform{sx, 0, 0, sy, tx - v[0] * sx, ty - v[1] * sy};
}

} // namespace zesty::svg
