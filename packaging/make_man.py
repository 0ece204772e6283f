#!/usr/bin/env python3
"""Man pages from what the programs say of themselves, so that no option is described twice.
make_man.py ZESTY VERSION OUT: one page for `zesty`, one for each of its commands, and those that are written by hand."""

import gzip
import pathlib
import re
import subprocess
import sys

zesty, version, out = sys.argv[1], sys.argv[2], pathlib.Path(sys.argv[3])
here = pathlib.Path(__file__).resolve().parent


def escaped(text):
    text = text.replace("\\", "\\e").replace("-", "\\-")
    return re.sub(r"^([.'])", r"\\&\1", text, flags=re.M)


def said(*arguments):
    return subprocess.run([zesty, *arguments, "--help"], capture_output=True, text=True, check=True).stdout


def write(name, text):
    data = text.encode()
    # No name and no time in it: the same page is the same file.
    with open(out / f"{name}.1.gz", "wb") as file, gzip.GzipFile("", "wb", 9, file, 0) as packed:
        packed.write(data)


def head(name, about, synopsis):
    return (f'.TH "{name.upper()}" "1" "" "Zesty Panel {version}" "User Commands"\n.SH NAME\n'
            f"{escaped(name)} \\- {escaped(about)}\n.SH SYNOPSIS\n.B {escaped(synopsis)}\n")


def options(help_text):
    """What stands in groups as `--name TYPE   words`, with words that go on below them."""
    groups, name, entry = {}, None, None
    for line in help_text.splitlines():
        if re.match(r"^\S.*:$", line):
            name, entry = line[:-1], None
            groups.setdefault(name, [])
        elif name and (found := re.match(r"^  (\S.*?)(?:  +(\S.*))?$", line)) and not line.startswith("    "):
            entry = [found[1], found[2] or ""]
            groups[name].append(entry)
        elif entry and line.strip():
            entry[1] = (entry[1] + " " + line.strip()).strip()
    return groups


def sections(help_text):
    body = ""
    for group, entries in options(help_text).items():
        if not entries:
            continue
        body += f".SH {escaped(group.upper())}\n"
        for flags, words in entries:
            body += f".TP\n.B {escaped(flags)}\n{escaped(words) or escaped('(see the guide)')}\n"
    return body


def tail(*others):
    return (".SH EXIT STATUS\n0: done. 1: done, and what came of it has problems. 2: bad input, with one line that says "
            "what and where; nothing was changed.\n.SH SEE ALSO\n" + ", ".join(f".BR {escaped(o)} (1)".replace(".BR ", "")
                                                                              for o in others) + "\n")


out.mkdir(parents=True, exist_ok=True)
main = said()
commands = [entry for group, entries in options(main).items() if group == "Subcommands" for entry in entries]
write("zesty", head("zesty", "plan a page built around a cut file, from the command line", "zesty COMMAND [options]")
      + sections(main) + tail("zesty-panel", "zesty-cutter", *(f"zesty-{name}" for name, _ in commands)))
for name, about in commands:
    text = said(name)
    usage = next((line.split("zesty ", 1)[-1].removeprefix("Usage: ") for line in text.splitlines() if line.startswith("Usage")),
                 f"{name} [options]")
    write(f"zesty-{name}", head(f"zesty-{name}", about[:1].lower() + about[1:], "zesty " + usage.split("zesty ")[-1])
          + sections(text) + tail("zesty", "zesty-panel"))
for page in sorted(here.glob("*.1")):
    write(page.stem, page.read_text().replace("@VERSION@", version))
