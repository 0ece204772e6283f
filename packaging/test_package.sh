#!/usr/bin/env bash
# The package in a clean root: test_package.sh PACKAGE. Looked at by lintian, installed with nothing but what it depends on,
# and the demo planned, finished and printed from it without a display. As root; the root is made by mmdebstrap.
set -euo pipefail
package=$(realpath "$1")
release=${2:-bookworm}
say() { printf '\033[1m%s\033[0m\n' "$*" >&2; }
need() {
    local missing=()
    for p in "$@"; do dpkg-query -W -f='${Status}' "$p" 2>/dev/null | grep -q "ok installed" || missing+=("$p"); done
    [ ${#missing[@]} -eq 0 ] && return
    say "Installing ${missing[*]}"
    apt-get update -qq
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

need lintian mmdebstrap desktop-file-utils appstream
say "lintian"
lintian --fail-on error --suppress-tags bad-distribution-in-changes-file "$package"
files=$(mktemp -d)
root=$(mktemp -d)
trap 'rm -rf "$files" "$root"' EXIT
dpkg-deb -x "$package" "$files"
say "desktop entry and AppStream"
desktop-file-validate "$files"/usr/share/applications/zesty-panel.desktop
appstreamcli validate --no-net "$files"/usr/share/metainfo/zesty-panel.metainfo.xml

say "A clean $release root with the package and what it depends on"
# The sources of this machine, as it reaches them.
mmdebstrap --variant=apt --include=ca-certificates "$release" "$root" \
    $(ls /etc/apt/sources.list /etc/apt/sources.list.d/*.list /etc/apt/sources.list.d/*.sources 2>/dev/null) >/dev/null
cp "$package" "$root"/tmp/
package=$(basename "$package")
inside() { chroot "$root" env QT_QPA_PLATFORM=offscreen HOME=/root LC_ALL=C.UTF-8 "$@"; }
inside apt-get update -qq
inside apt-get install -y -qq --no-install-recommends "/tmp/$package" >/dev/null

say "The demo from it"
inside sh -euc '
    cd /root
    cp /usr/share/zesty-panel/demo/kite-hill-dressed.zesty page.zesty
    zesty --version
    zesty stash kite.stash --import /usr/share/zesty-panel/demo/kite-hill-stash.json >/dev/null
    zesty stash kite.stash --import /usr/share/zesty-panel/demo/kite-hill-things.json >/dev/null
    zesty plan page.zesty --stash kite.stash >plan.txt || [ $? -eq 1 ]
    zesty export page.zesty --stash kite.stash --out guide >/dev/null || [ $? -eq 1 ]
    test -s guide/guide.pdf
    zesty keep page.zesty --stash kite.stash --finish >/dev/null || [ $? -eq 1 ]
    zesty keep --stash kite.stash --html pages.html
    grep -q "data:image/png" pages.html
    test -s /usr/share/man/man1/zesty-keep.1.gz
    # The window comes up with the demo, and goes on until it is told to stop.
    timeout 5 zesty-panel --stash kite.stash page.zesty && exit 1 || [ $? -eq 124 ]
'
head -2 "$root"/root/plan.txt
say "removing it leaves nothing behind"
inside apt-get purge -y -qq zesty-panel >/dev/null
left=$(cd "$root" && find usr -path '*zesty*' ! -path '*/lintian/*')
[ -z "$left" ] || { echo "left behind: $left" >&2; exit 1; }
say "The package is good."
