#pragma once
// What of an element is painted: the cascade of attributes, style sheets and inheritance.

#include "core/cutfile/drawing.h"
#include "io/svg/style_sheet.h"

#include <functional>

namespace zesty::svg {

struct Style {
    std::string fill = "black";
    std::string stroke = "none";
    std::string colour = "black";
    std::string fill_opacity = "1";
    std::string stroke_opacity = "1";
    std::string clip_rule = "nonzero";
    std::string fill_rule = "nonzero";
    bool visible = true;
    // Not inherited:
    bool displayed = true;
    bool opaque = true; ///< false at opacity 0
    std::string clip_path;
    std::string mask;
};

/// The style of an element under a parent of style `parent`.
Style cascade(const Style& parent, const Node& node, const Declarations& sheet);

/// True when the paint leaves anything on the page. `has_paint(id)` says whether a gradient or pattern of
/// that id exists.
bool paints(const std::string& paint, const std::string& opacity, const std::string& colour,
            const std::function<bool(const std::string&)>& has_paint);

/// One name for all ways of writing a colour: "#rrggbb" where it is one, else the paint itself.
std::string colour_name(const std::string& paint, const std::string& current);

/// The id in "url(#id)", or empty.
std::string reference(const std::string& url);

} // namespace zesty::svg
