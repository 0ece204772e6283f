#!/usr/bin/env bash
# Tram Terrace and Seed Swap, dressed: makes their pages anew from what make_companions.py has drawn; needs a build.
source "$(dirname "$0")/making.sh"

begin() { # name
    stash=$work/$1.stash
    page=$work/$1.zesty
    put --import "demo/$1-stash.json"
    put --import "demo/$1-things.json"
}
finish() { # name and title
    keep_things "demo/$1-things.json"
    python3 - "$page" "$2" <<'END'
import json
import sys
import zipfile

with zipfile.ZipFile(sys.argv[1]) as z:
    files = {n: z.read(n) for n in z.namelist()}
page = json.loads(files["project.json"])
page["title"] = sys.argv[2]
files["project.json"] = json.dumps(page, indent=1).encode()
with zipfile.ZipFile(sys.argv[1], "w", zipfile.ZIP_DEFLATED) as z:
    for name, data in sorted(files.items()):
        z.writestr(zipfile.ZipInfo(name, (2000, 1, 1, 0, 0, 0)), data, zipfile.ZIP_DEFLATED)
END
    set_out --units in
    cp "$page" "demo/$1.zesty"
    chmod 644 "demo/$1.zesty"
}

python3 demo/make_companions.py

# Four trams on a hill of bricks: cut twice and flipped, one raised on foam, the photo tucked behind another.
begin tram-terrace
put --letters "enamel:stickers:15mm:AAABCDEEEFGHIKLMNNOOPRRRSSTTUWY" --thing-name "Enamel letters" --thing-colour "#22304a"
put --letters "ink:stamps:9mm:ABCDEFGHIJKLMNOPQRSTUVWXYZ" --thing-name "Ink stamps" --thing-colour "#26242b"
quietly $zesty new demo/tram-terrace.svg --page 12x12in --width 5in --out "$page"
set_out --base-paper fog-card --reveal 1/4in --frame-paper midnight-card --date 2026-11-07
set_out --at 3.35,3.1
set_out --facing
set_out --at 8.6,4.45
set_out --cut 1 --copy
set_out --at 3.5,7.2 --turn -3
set_out --facing
set_out --at 8.55,7.65 --turn 2
sections --by twins
set_out --photo "Tram stop:4x6" --photo-size 6x4in --photo-at 8.3,2.5 --photo-turn -3 --photo-picture demo/photos/tram-stop.png --behind
set_out --photo "Nell:2.5x2.5" --photo-size 2.5x2.5in --photo-at 2.1,9.7 --photo-turn 4
papers --proposals 3 --take-proposal 1
dress --of-photo 1 --add-photo-mat lamp-yellow --photo-mat-border 1/16in || true
dress --of-photo 2 --add-photo-mat signal-red --photo-mat-border 1/8in
dress --add-layer strip --layer-paper midnight-card --layer-size 11.5x0.7in --layer-at 6,10.9 --layer-name "The street"
dress --wet splatter --wet-name "Drizzle" --wet-shape circle --wet-at 6,5.6 --wet-size 3in --wet-colour "#5d7fa3"
dress --title "Last tram up" --title-letters enamel --title-on line --title-at 7.8,10.15 --title-length 6.6in
dress --write "We missed two, and then it came round the bend with all its lamps on." --at 4.9,9.35 --size 2.3x0.8in --line-height 5.5mm
dress --put day-ticket --put-at 3.1,11.0 --put-turn -8
dress --put brass-bell --put-at 1.1,5.2
dress --put red-lamp --put-at 1.0,1.2
dress --put red-lamp --put-at 11.3,6.2
dress --put red-lamp --put-at 4.05,10.2
dress --hold cut:2=normal --hold photo:2=thin --hold embellishment:1=tip
finish tram-terrace "Tram Terrace"

# A spread: the same tray of seeds on both pages, mirrored, small photos behind the round openings.
begin seed-swap
put --letters "seedling:stickers:18mm:AABCDEEEFGHILMNOPPRSSTTUWW" --thing-name "Seedling letters" --thing-colour "#3f6b3a"
put --letters "cork-dies:dies:14mm:ABCDEFGHIJKLMNOPQRSTUVWXYZ" --thing-name "Cork dies" --thing-colour "#8b6a43"
quietly $zesty new demo/seed-swap.svg --page 12x12in --width 8.4in --out "$page"
set_out --spread --gap 0.1in --base-paper oat-card --date 2026-04-18
set_out --at 5,7
set_out --facing
set_out --at 19.1,5
set_out --photo "First leaves:3x3" --photo-size 3x3in --photo-at 10.2,2.2 --photo-turn -4 --photo-picture demo/photos/first-leaves.png
set_out --photo "Seedlings:3x3" --photo-size 3x3in --photo-at 14.2,9.9 --photo-turn 3 --photo-picture demo/photos/seedlings.png
sections --by twins
papers --proposals 3 --take-proposal 1
dress --of-photo 1 --add-photo-mat leaf-card --photo-mat-border 1/8in
dress --of-photo 2 --add-photo-mat leaf-card --photo-mat-border 1/8in
dress --of-photo 2 --add-photo-mat oat-card --photo-mat-border 1/8in
dress --add-layer tape --layer-edge bottom --layer-size 12x0.4in --layer-inset 1/4in --layer-name "Washi"
dress --title "Seed swap" --title-letters seedling --title-on line --title-at 4.4,1.5 --title-length 6.4in
dress --write "Forty kinds of beans on one table. We went home with pockets full, and half of them had no names." --at 20.4,10.5 --size 4.4x1.6in --line-height 7mm
dress --wet ink --wet-name "Sun" --wet-shape circle --wet-at 22,1.2 --wet-size 2.2in --wet-colour "#f0b84a"
dress --put marigold-bloom --put-at 11.1,4.6
dress --put marigold-bloom --put-at 13.2,1.3
dress --put marigold-bloom --put-at 17,10.4 --put-turn 15
dress --put pea-pod --put-at 10.6,8.4 --put-turn 80
dress --put wooden-button --put-at 13,2.4
dress --put wooden-button --put-at 10.4,11
dress --put name-tag --put-at 14.2,7.4 --put-turn -6
dress --hold photo:1=normal --hold photo:2=normal
dress --stitch running --stitch-sides top --stitch-inset 1/4in --thread "#8b6a43"
finish seed-swap "Seed Swap"
