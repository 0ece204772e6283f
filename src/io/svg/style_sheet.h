#pragma once
// The part of CSS that drawing programs write into SVG: rules with type, class, id and descendant selectors.

#include "io/svg/xml_tree.h"

#include <map>

namespace zesty::svg {

struct Declared {
    std::string value;
    bool important = false; ///< stands whatever says otherwise later, unless that is important too
};
using Declarations = std::map<std::string, Declared>;

/// Adds a declaration that comes after the others, or is stronger.
void declare(Declarations& all, const std::string& name, const Declared& value);

/// "fill:none; stroke : #fff !important" to its parts.
Declarations parse_declarations(std::string_view text);

class StyleSheet {
public:
    /// What it does not understand (at-rules, pseudo-classes, siblings) it skips.
    explicit StyleSheet(const std::string& css);

    /// What the rules say of the last of `path`, which runs from the root to the element itself.
    Declarations for_element(const std::vector<const Node*>& path) const;
    bool empty() const { return rules_.empty(); }

private:
    struct Compound {
        std::string type;
        std::string id;
        std::vector<std::string> classes;
        bool child_of_previous = false;
    };
    struct Rule {
        std::vector<Compound> selector;
        int specificity = 0;
        std::size_t order = 0;
        Declarations declarations;
    };
    static bool parse_selector(std::string_view text, Rule& rule);
    static bool fits(const Compound& c, const Node& node);
    static bool fits(const Rule& rule, const std::vector<const Node*>& path);

    std::vector<Rule> rules_; ///< weakest first
};

} // namespace zesty::svg
