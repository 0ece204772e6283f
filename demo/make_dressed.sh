#!/usr/bin/env bash
# Kite Hill dressed: photos on mats and foam, a torn hill, splatters, a title along the tail, journaling and
# embellishments; the first arrangement is put aside.
# Makes demo/kite-hill-dressed.zesty anew from demo/kite-hill.zesty; needs a build.
source "$(dirname "$0")/making.sh"
stash=$work/kite-hill.stash
page=$work/page.zesty

put --import demo/kite-hill-stash.json
put --add harbour-card --name "Harbour Card" --colour "#2d5a7b" --sheet 8.5x11in*2
put --add straw-card --name "Straw Card" --colour "#e9c46a" --sheet 8.5x11in
python3 demo/make_things.py
put --import demo/kite-hill-things.json
put --letters "cork:stickers:13mm:AAABBCDDEEEEFGHIJKLMNNOOPQRSTUVWWYZ" --thing-name "Cork" --thing-colour "#2d5a7b"
put --letters "chalk:dies:16mm:ABCDEFGHIJKLMNOPQRSTUVWXYZ" --thing-name "Chalk capitals" --thing-colour "#7a4a2e"
put --letters "stamp:stamps:11mm:ABCDEFGHIJKLMNOPQRSTUVWXYZ" --thing-name "Small stamp" --thing-colour "#26242b"

keep_things demo/kite-hill-things.json

cp demo/kite-hill.zesty "$page"
set_out --photo 4x6in --photo-size 6x4in --photo-at 8.35,3.1 --photo-turn 4 --photo-name "Kite day" \
    --photo-picture demo/photos/kite-day.png --date 2026-10-12
set_out --photo 2.5x2.5in --photo-at 9.9,6.9 --photo-turn -4 --photo-name "Mia"
dress --of-photo 1 --add-photo-mat straw-card --photo-mat-border 1/16in
dress --of-photo 1 --add-photo-mat harbour-card --photo-mat-border 3/16in --gut-photo-mat
dress --of-photo 2 --add-photo-mat straw-card --photo-mat-border 1/8in
dress --add-layer hill --layer-paper harbour-card --layer-size 10x1.4in --layer-at 6,11.05 --layer-name "The hill"
dress --title "Windy uphill" --title-letters cork --title-on circle --title-at 3.75,6.15 --title-radius 4in
dress --title-on circle --title-from 152 --title-sweep -86
dress --write "The string sang. Mia ran, the kite did not want to come down." --at 1.85,1.5 --size 2.1x1.5in --line-height 7mm
dress --put red-bow --put-at 11,5.15 --put-turn 20
dress --put cloud --put-at 7.6,6.1
dress --put cloud --put-at 1.4,4.6
dress --put straw-button --put-at 8.55,8.5
dress --put brass-dot --put-at 11.2,8.6
dress --put brass-dot --put-at 7.55,6.95
dress --put-aside "All flat"
dress --wet splatter --wet-name "Gusts" --wet-shape circle --wet-at 7.6,6.6 --wet-size 2.8in --wet-colour "#7fa9bd"
dress --hold photo:1=normal --hold photo:2=thin
dress --hold embellishment:1=tip --foot 200
cp "$page" demo/kite-hill-dressed.zesty
chmod 644 demo/kite-hill-dressed.zesty
