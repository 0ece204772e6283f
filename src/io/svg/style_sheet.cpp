#include "io/svg/style_sheet.h"

#include <algorithm>
#include <cctype>
#include <sstream>

namespace zesty::svg {

namespace {

std::string trimmed(std::string_view s) {
    const auto from = s.find_first_not_of(" \t\r\n\f");
    if (from == std::string_view::npos) return {};
    return std::string(s.substr(from, s.find_last_not_of(" \t\r\n\f") - from + 1));
}

std::string without_comments(const std::string& css) {
    std::string out;
    std::size_t at = 0;
    while (true) {
        const auto open = css.find("/*", at);
        out += css.substr(at, open - at);
        if (open == std::string::npos) return out;
        const auto close = css.find("*/", open + 2);
        if (close == std::string::npos) return out;
        at = close + 2;
    }
}

/// The index just behind the brace that closes the one at `open`.
std::size_t behind_block(const std::string& css, std::size_t open) {
    int depth = 0;
    for (std::size_t i = open; i < css.size(); ++i) {
        if (css[i] == '{') ++depth;
        if (css[i] == '}' && --depth == 0) return i + 1;
    }
    return css.size();
}

} // namespace

void declare(Declarations& all, const std::string& name, const Declared& value) {
    const auto [at, fresh] = all.try_emplace(name, value);
    if (!fresh && (value.important || !at->second.important)) at->second = value;
}

Declarations parse_declarations(std::string_view text) {
    Declarations out;
    std::istringstream in{std::string(text)};
    for (std::string part; std::getline(in, part, ';');) {
        const auto colon = part.find(':');
        if (colon == std::string::npos) continue;
        std::string value = part.substr(colon + 1);
        const auto bang = value.find('!');
        const bool important =
            bang != std::string::npos && trimmed(std::string_view(value).substr(bang + 1)) == "important";
        if (bang != std::string::npos) value.resize(bang);
        const std::string name = trimmed(std::string_view(part).substr(0, colon));
        value = trimmed(value);
        if (!name.empty() && !value.empty()) declare(out, name, {value, important});
    }
    return out;
}

StyleSheet::StyleSheet(const std::string& source) {
    const std::string css = without_comments(source);
    std::size_t at = 0;
    std::size_t order = 0;
    while (at < css.size()) {
        const auto open = css.find('{', at);
        if (open == std::string::npos) break;
        const std::string head = trimmed(std::string_view(css).substr(at, open - at));
        const auto next = behind_block(css, open);
        if (!head.empty() && head.front() == '@') {
            const auto semicolon = css.find(';', at);
            at = semicolon < open ? semicolon + 1 : next;
            continue;
        }
        const Declarations declarations =
            parse_declarations(std::string_view(css).substr(open + 1, next - open - 2));
        std::istringstream selectors(head);
        for (std::string one; std::getline(selectors, one, ',');) {
            Rule rule;
            rule.order = order++;
            rule.declarations = declarations;
            if (parse_selector(one, rule)) rules_.push_back(std::move(rule));
        }
        at = next;
    }
    std::stable_sort(rules_.begin(), rules_.end(),
                     [](const Rule& a, const Rule& b) { return a.specificity < b.specificity; });
}

bool StyleSheet::parse_selector(std::string_view text, Rule& rule) {
    if (text.find_first_of("[]:+~()") != std::string_view::npos) return false;
    std::string spaced;
    for (char c : text) spaced += c == '>' ? std::string(" > ") : std::string(1, c);
    std::istringstream in(spaced);
    bool child = false;
    for (std::string word; in >> word;) {
        if (word == ">") {
            child = true;
            continue;
        }
        Compound c;
        c.child_of_previous = child;
        child = false;
        std::size_t i = 0;
        while (i < word.size()) {
            const auto end = std::min(word.find_first_of(".#", i + 1), word.size());
            const std::string part = word.substr(i, end - i);
            if (part[0] == '.') {
                c.classes.push_back(part.substr(1));
                rule.specificity += 100;
            } else if (part[0] == '#') {
                c.id = part.substr(1);
                rule.specificity += 10000;
            } else if (part != "*") {
                c.type = part.substr(0, 4) == "svg|" ? part.substr(4) : part;
                rule.specificity += 1;
            }
            i = end;
        }
        rule.selector.push_back(std::move(c));
    }
    return !rule.selector.empty();
}

bool StyleSheet::fits(const Compound& c, const Node& node) {
    if (!c.type.empty() && c.type != node.name) return false;
    if (!c.id.empty() && c.id != node.get("id")) return false;
    if (c.classes.empty()) return true;
    std::istringstream in(node.get("class"));
    std::vector<std::string> own;
    for (std::string word; in >> word;) own.push_back(word);
    return std::all_of(c.classes.begin(), c.classes.end(), [&](const std::string& wanted) {
        return std::find(own.begin(), own.end(), wanted) != own.end();
    });
}

bool StyleSheet::fits(const Rule& rule, const std::vector<const Node*>& path) {
    auto wanted = rule.selector.rbegin();
    auto at = path.rbegin();
    if (at == path.rend() || !fits(*wanted, **at)) return false;
    bool direct = wanted->child_of_previous;
    ++wanted;
    ++at;
    while (wanted != rule.selector.rend()) {
        if (at == path.rend()) return false;
        if (fits(*wanted, **at)) {
            direct = wanted->child_of_previous;
            ++wanted;
        } else if (direct) {
            return false;
        }
        ++at;
    }
    return true;
}

Declarations StyleSheet::for_element(const std::vector<const Node*>& path) const {
    Declarations out;
    for (const Rule& r : rules_)
        if (fits(r, path))
            for (const auto& [name, value] : r.declarations) declare(out, name, value);
    return out;
}

} // namespace zesty::svg
