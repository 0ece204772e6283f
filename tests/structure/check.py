#!/usr/bin/env python3
"""Whether the sources are built as docs/architecture.md says: which folder may use which, no circles of
includes, and nothing too long to be read. Prints what is not, one line each, and fails then."""

import pathlib
import re
import sys

root = pathlib.Path(__file__).resolve().parents[2]

# What each part may use, besides itself.
parts = {"core": [], "devices": ["core"], "io": ["core"], "app": ["core", "io", "devices"], "cli": ["core", "io", "devices"]}
longest_file = 400
longest_function = 60


def sources(folder):
    return sorted(p for p in (root / folder).rglob("*") if p.suffix in (".h", ".cpp"))


def included(text):
    return re.findall(r'^#include "([^"]+)"', text, re.M)


def of_order(path, names, texts):
    """Includes that go the wrong way."""
    here = path.split("/")
    for name in names:
        there = name.split("/")
        if there[0] != here[0] and there[0] not in parts[here[0]]:
            yield f"src/{path} uses {name}: {here[0]} must not know {there[0]}"
    if here[0] == "core" and re.search(r"^#include <(Q[A-Z]|fstream|filesystem|chrono)", texts[path], re.M):
        yield f"src/{path} uses Qt, files or a clock, which the core must not"
    if re.search(r"^#include <(geos|geos_c)", texts[path], re.M) and here[:2] != ["core", "geometry"]:
        yield f"src/{path} uses GEOS outside core/geometry"


def folders_of_core(graph):
    """Which folder of the core uses which."""
    out = {}
    for path, names in graph.items():
        for name in names:
            here, there = path.split("/"), name.split("/")
            if here[0] == there[0] == "core" and len(here) == len(there) == 3 and here[1] != there[1]:
                out.setdefault(here[1], set()).add(there[1])
    return out


def circles(graph):
    """One line for each node that reaches itself."""
    state = {}

    def visit(node, trail):
        state[node] = "open"
        for other in graph.get(node, []):
            if state.get(other) == "open":
                yield "a circle of includes: " + " -> ".join(trail[trail.index(other):] + [other])
            elif other not in state:
                yield from visit(other, trail + [other])
        state[node] = "done"

    for node in graph:
        if node not in state:
            yield from visit(node, [node])


def long_functions(name, text):
    """What begins at the left edge and ends with a brace there; namespaces and types do not count."""
    begin, head = None, ""
    for number, line in enumerate(text.splitlines(), 1):
        if line and not line[0].isspace() and line[0] not in "#/}":
            begin, head = number, line
        if line == "}" and begin is not None:
            if not re.match(r"(namespace|class|struct|enum|template)\b", head) and number - begin >= longest_function:
                yield f"{name}:{begin} is a function of {number - begin + 1} lines"
            begin = None


def check():
    texts = {str(p.relative_to(root / "src")): p.read_text() for p in sources("src")}
    graph = {path: [n for n in included(text) if n in texts] for path, text in texts.items()}
    found = list(circles(graph)) + list(circles(folders_of_core(graph)))
    for path, text in texts.items():
        found += of_order(path, graph[path], texts)
        if text.count("\n") > longest_file:
            found.append(f"src/{path} has {text.count(chr(10))} lines")
        found += long_functions("src/" + path, text)
    for p in sources("tests") + sources("bench") + sources("docs"):
        if p.read_text().count("\n") > longest_file:
            found.append(f"{p.relative_to(root)} has {p.read_text().count(chr(10))} lines")
        found += long_functions(str(p.relative_to(root)), p.read_text())
    return found, len(texts)


def finds_what_is_wrong():
    """A check that can find nothing would be worse than none."""
    assert len(list(of_order("core/setout/a.h", [], {"core/setout/a.h": "#include <QString>\n"}))) == 1
    one_way = {"core/sheets/a.h": ["core/setout/b.h"], "core/setout/b.h": []}
    assert not list(circles(folders_of_core(one_way)))
    assert len(list(circles(folders_of_core(one_way | {"core/setout/c.h": ["core/sheets/d.h"]})))) == 1
    assert len(list(of_order("io/a.h", ["app/b.h"], {"io/a.h": "#include <geos_c.h>\n"}))) == 2
    assert len(list(circles({"a": ["b"], "b": ["c"], "c": ["a"]}))) == 1
    assert not list(circles({"a": ["b", "c"], "b": ["c"], "c": []}))
    assert len(list(long_functions("a", "void f() {\n" + "    g();\n" * 59 + "}\n"))) == 1
    assert not list(long_functions("a", "void f() {\n" + "    g();\n" * 58 + "}\n"))


finds_what_is_wrong()
found, how_many = check()
for line in found:
    print(line)
print(f"{how_many} files looked at, {len(found)} not as they should be")
sys.exit(1 if found else 0)
