#include "io/svg/xml_tree.h"

#include <QXmlStreamReader>
#include <memory>

namespace zesty::svg {

namespace {

constexpr std::size_t most_elements = 2'000'000;
constexpr std::size_t deepest = 800;

/// "svg:path" is path, "xlink:href" is href; other prefixes belong to editors.
std::string local(QStringView qualified, bool& foreign) {
    const auto colon = qualified.indexOf(u':');
    if (colon < 0) return qualified.toString().toStdString();
    const QStringView prefix = qualified.left(colon);
    foreign = prefix != u"svg" && prefix != u"xlink";
    return qualified.mid(colon + 1).toString().toStdString();
}

void index(const Node& node, Tree& tree) {
    std::vector<const Node*> open{&node};
    while (!open.empty()) {
        const Node* n = open.back();
        open.pop_back();
        if (const std::string& id = n->get("id"); !id.empty()) tree.by_id.try_emplace(id, n);
        for (auto it = n->children.rbegin(); it != n->children.rend(); ++it) open.push_back(&*it);
    }
}

} // namespace

const std::string& Node::get(const char* attribute) const {
    static const std::string none;
    for (const auto& [key, value] : attributes)
        if (key == attribute) return value;
    return none;
}

Result<std::unique_ptr<Tree>> read_tree(const QByteArray& data) {
    QXmlStreamReader xml(data);
    xml.setNamespaceProcessing(false);
    auto tree = std::make_unique<Tree>();
    Node top;
    std::vector<Node*> stack{&top};
    std::size_t elements = 0;
    int foreign_depth = 0;
    while (!xml.atEnd()) {
        switch (xml.readNext()) {
        case QXmlStreamReader::StartElement: {
            bool foreign = false;
            std::string name = local(xml.qualifiedName(), foreign);
            if (foreign || foreign_depth > 0) {
                ++foreign_depth;
                break;
            }
            if (++elements > most_elements)
                return fail(ErrorKind::TooLarge, "the drawing has more than 2,000,000 elements");
            if (stack.size() > deepest)
                return fail(ErrorKind::TooLarge, "the drawing nests groups more than 800 deep");
            Node& node = stack.back()->children.emplace_back();
            node.name = std::move(name);
            for (const QXmlStreamAttribute& a : xml.attributes()) {
                bool other = false;
                std::string key = local(a.qualifiedName(), other);
                if (!other) node.attributes.emplace_back(std::move(key), a.value().toString().toStdString());
            }
            stack.push_back(&node);
            break;
        }
        case QXmlStreamReader::EndElement:
            if (foreign_depth > 0) {
                --foreign_depth;
            } else {
                if (stack.back()->name == "style") tree->style += stack.back()->text + "\n";
                stack.pop_back();
            }
            break;
        case QXmlStreamReader::Characters:
            if (foreign_depth == 0 && stack.back()->name == "style")
                stack.back()->text += xml.text().toString().toStdString();
            break;
        default:
            break;
        }
    }
    if (xml.hasError() && xml.error() != QXmlStreamReader::PrematureEndOfDocumentError)
        return fail(ErrorKind::BadInput, "this is not a readable SVG drawing: line " +
                                             std::to_string(xml.lineNumber()) + ": " +
                                             xml.errorString().toStdString());
    if (xml.hasError()) return fail(ErrorKind::BadInput, "the SVG drawing is cut short");
    if (top.children.empty() || top.children.front().name != "svg")
        return fail(ErrorKind::BadInput, "this is not an SVG drawing");
    tree->root = std::move(top.children.front());
    index(tree->root, *tree);
    return tree;
}

} // namespace zesty::svg
