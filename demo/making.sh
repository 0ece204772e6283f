# What the scripts that make the demo's pages share; to be sourced. Needs a build.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
zesty=build/bin/zesty
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
export XDG_DATA_HOME=$work QT_QPA_PLATFORM=offscreen

quietly() { # what has problems to tell of ends with 1
    "$@" >"$work/said" 2>&1 || [ $? -eq 1 ] || { cat "$work/said" >&2; echo "$*" >&2; exit 1; }
}
put() { quietly $zesty stash "$stash" "$@"; }
set_out() { quietly $zesty set-out "$page" --stash "$stash" "$@"; }
sections() { quietly $zesty sections "$page" --stash "$stash" "$@"; }
papers() { quietly $zesty papers "$page" --stash "$stash" "$@"; }
dress() { quietly $zesty dress "$page" --stash "$stash" "$@"; }

# A file of embellishments and letters, with the uids that the page knows them by.
keep_things() {
    $zesty stash "$stash" --json >"$work/all.json"
    python3 - "$work/all.json" "$1" <<'END'
import json
import sys

everything = json.load(open(sys.argv[1]))
things = json.load(open(sys.argv[2]))
things["embellishments"] = everything["embellishments"]
things["letters"] = everything["letters"]
open(sys.argv[2], "w").write(json.dumps(things, indent=1) + "\n")
END
}
