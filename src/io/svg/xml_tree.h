#pragma once
// The elements of an SVG file as a tree, read with limits so that no file can exhaust the machine.

#include "core/result.h"

#include <QByteArray>
#include <memory>
#include <string>
#include <unordered_map>
#include <vector>

namespace zesty::svg {

struct Node {
    std::string name; ///< without prefix
    std::vector<std::pair<std::string, std::string>> attributes;
    std::string text;
    std::vector<Node> children;

    /// Empty when there is none.
    const std::string& get(const char* attribute) const;
    bool has(const char* attribute) const { return !get(attribute).empty(); }
};

struct Tree {
    Node root;
    std::unordered_map<std::string, const Node*> by_id;
    std::string style; ///< all style sheets, in order
};

/// At most 2,000,000 elements, 800 deep; entities expand to a few thousand characters at most.
/// The tree must not be moved after reading: by_id points into it.
Result<std::unique_ptr<Tree>> read_tree(const QByteArray& xml);

} // namespace zesty::svg
