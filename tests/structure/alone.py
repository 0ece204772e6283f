#!/usr/bin/env python3
"""Whether each source includes what it uses of ours. Several sources are compiled at once where everything is
tested, and one lends its includes to the next there: what is built for a package, one source at a time, would not
compile. Looks for types that are used and free functions and constants that are called, while no header that the
source includes, directly or not, has them. Overloads, members and templates that are chosen by type are beyond
it. Prints what is missing, one line each, and fails then."""

import pathlib
import re
import sys

root = pathlib.Path(__file__).resolve().parents[2]
words = re.compile(r"[A-Za-z_]\w*")
# As in check.py; a name that a part may not use is another thing of that name.
may_use = {"core": ["core"], "devices": ["core", "devices"], "io": ["core", "io"], "app": ["core", "io", "devices", "app"],
           "cli": ["core", "io", "devices", "cli"]}
# A name after one of these is not declared there.
no_types = {"return", "else", "case", "co_return", "new", "throw", "not", "and", "or", "delete", "typename", "operator"}


def stripped(text):
    """Without comments and what stands in quotes."""
    text = re.sub(r'R"(\w*)\((?:.|\n)*?\)\1"', '""', text)
    text = re.sub(r"^#(?:pragma|include <)[^\n]*", "", text, flags=re.M)
    return re.sub(r'//[^\n]*|/\*(?:.|\n)*?\*/|"(?:\\.|[^"\\\n])*"|(?<!\d)\'(?:\\.|[^\'\\\n])\'',
                  lambda m: '""' if m[0][0] == '"' else " ", text)


def own_includes(text):
    return re.findall(r'^#include "([^"]+)"', text, re.M)


def types_of(header):
    """Types with a body, and other names for types."""
    return set(re.findall(r"^(?:template <[^\n]*> )?(?:class|struct|enum class|enum)\s+(\w+)[^;{(]*\{", header, re.M)
               + re.findall(r"^(?:template <[^\n]*> )?using (\w+) =", header, re.M))


def values_of(header):
    """Free functions and constants: what begins at the left edge."""
    out = set()
    for line in header.splitlines():
        if not line or line[0] in " #}/" or re.match(r"(template <.*> )?(class|struct|enum|using|namespace|concept)\b", line):
            continue
        if m := re.match(r"[\w:<>,&*\[\]\s]*?[\w>&*\]]\s+[&*]*(\w+)\s*(\(|=|\{|;)", line):
            out.add(m[1])
    return out - {"operator"}


def declared_in(text, name):
    """Whether a source has a thing of that name itself: a local, a parameter, a member, a function, a value of an enum."""
    before = [m[1] for m in re.finditer(rf"([\w>\]&*]+)[&*]*\s+[&*]*{name}\b", text)]
    if any(b not in no_types and b not in ("&&", "||", "&", "*") for b in before):
        return True
    bound = rf"auto[&\s]*\[[^\]]*\b{name}\b"
    one_of_several = rf"^\s+(?!return\b)[\w:<>]+[&*]? [^;]*,\s*{name}(?:\s=[^;=][^;]*|,[^;]*)?;"
    return re.search(rf"{bound}|{one_of_several}|enum [^{{;]*\{{[^}}]*\b{name}\b", text, re.M) is not None


class Sources:
    def __init__(self, texts):
        self.includes = {path: own_includes(text) for path, text in texts.items()}
        self.texts = {path: stripped(text) for path, text in texts.items()}
        self.words = {path: set(words.findall(text)) for path, text in self.texts.items()}
        self.where, self.types = {}, set()
        for path, text in self.texts.items():
            if path.endswith(".h"):
                found = types_of(text)
                self.types |= found
                for name in found | values_of(text):
                    self.where.setdefault(name, set()).add(path)

    def path_of(self, name, user):
        """Headers are named from src, or from the folder of the tests or the one that uses them."""
        for base in ("src", "tests", str(pathlib.PurePosixPath(user).parent), user.split("/")[0]):
            if (path := str(pathlib.PurePosixPath(base) / name)) in self.texts:
                return path
        return None

    def seen_from(self, path):
        seen, todo = set(), [path]
        while todo:
            here = todo.pop()
            if here not in seen:
                seen.add(here)
                todo += [p for p in (self.path_of(n, here) for n in self.includes[here]) if p]
        return seen

    def places(self, name, user):
        """Headers that have a name and that its user may include at all."""
        folder = user.split("/")
        if folder[0] != "src":
            return self.where[name]
        return {p for p in self.where[name] if p.split("/")[0] == "src" and p.split("/")[1] in may_use.get(folder[1], [])}

    def missing(self, path):
        text, seen = self.texts[path], self.seen_from(path)
        known = set().union(*(self.words[p] for p in seen if p != path)) if len(seen) > 1 else set()
        inner = rf"(?:class|struct|enum)\s+%s\b[^;{{(]*\{{"
        for name in sorted(self.words[path] & self.where.keys()):
            places = self.places(name, path)
            if not places or places & seen or any(re.search(inner % name, self.texts[p]) for p in seen if name in self.words[p]):
                continue
            if name in self.types:
                used = re.search(rf"(?<![.>\w])(?<!class )(?<!struct )\b{name}\b(?!\s*[*&;,>=])", text)
                if name in known:  # announced by a header, which is enough where it is only passed on
                    used = re.search(rf"(?<![.>\w:])\b{name}(\{{|\(|::| [a-z]\w*[;{{ (])", text)
            else:
                used = None if name in known else re.search(rf"(?<![.>:\w])(?<!zesty::)\b{name}(?=\(|\b(?!\s*[(:]))", text)
            if used and not declared_in(text, name):
                yield f"{path} uses {name} without {' or '.join(sorted(places))}"


def every_text():
    out = {}
    for folder in ("src", "tests", "bench", "docs"):
        for p in sorted((root / folder).rglob("*")):
            if p.suffix in (".h", ".cpp"):
                out[str(p.relative_to(root))] = p.read_text()
    return out


def finds_what_is_wrong():
    """A check that can find nothing would be worse than none."""
    def missing(using):
        kite = "struct Kite {\n    int bows;\n};\nKite kite_of(int bows);\ninline constexpr int most_bows = 9;\n"
        texts = {"src/core/kite.h": kite, "src/core/by_way.h": '#include "core/kite.h"\n',
                 "src/core/said.h": "struct Kite;\n", "src/core/a.cpp": using}
        return list(Sources(texts).missing("src/core/a.cpp"))

    assert len(missing("Kite kite;\n")) == 1
    assert len(missing("int f() { return kite_of(most_bows).bows; }\n")) == 2
    assert len(missing("int f() {\n    return most_bows;\n}\n")) == 1
    assert len(missing("int f(int a) {\n    return g(a, most_bows, a);\n}\n")) == 1
    assert len(missing('#include "core/said.h"\nvoid f() { Kite{1}; }\n')) == 1
    assert not missing('#include "core/kite.h"\nKite kite;\n')
    assert not missing('#include "core/by_way.h"\nint f() { return kite_of(most_bows).bows; }\n')
    assert not missing('#include "core/said.h"\nvoid f(const Kite& kite);\n')
    assert not missing("int kite_of(int);\nint f() { return kite_of(1); }\n")
    assert not missing("// Kite kite;\nconst char* f() { return \"kite_of(most_bows)\"; }\n")


finds_what_is_wrong()
sources = Sources(every_text())
found = [line for path in sources.texts for line in sources.missing(path)]
for line in found:
    print(line)
print(f"{len(sources.texts)} files looked at, {len(found)} names missing")
sys.exit(1 if found else 0)
