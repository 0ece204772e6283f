#include "core/project/own_numbers.h"

namespace zesty {

namespace {

using enum NumberKind;
using N = OwnNumbers&;

std::vector<OwnNumberRow> of_sizes_and_pace() {
    static constexpr char bars[] = "Narrowest bar for";
    static constexpr char sizes[] = "Usual sizes";
    static constexpr char pace[] = "Own pace";
    return {
        {"blade-bar", bars, "the blade", Length, narrowest_bar_limits,
         [](N n) -> double& { return n.bars.blade; }},
        {"glue-bar", bars, "fine-tip glue", Length, narrowest_bar_limits,
         [](N n) -> double& { return n.bars.glue; }},
        {"foam-bar", bars, "foam strips", Length, narrowest_bar_limits,
         [](N n) -> double& { return n.bars.foam; }},
        {"tape-bar", bars, "tape", Length, narrowest_bar_limits, [](N n) -> double& { return n.bars.tape; }},
        {"shadow", sizes, "Shadow, all round", Length, shadow_limits,
         [](N n) -> double& { return n.usual.shadow; }},
        {"grid-gap", sizes, "Gap in a photo grid", Length, grid_gap_limits,
         [](N n) -> double& { return n.usual.grid_gap; }},
        {"photo-overlap", sizes, "Photo behind its opening", Length, photo_overlap_limits,
         [](N n) -> double& { return n.usual.photo_overlap; }},
        {"scan-square", sizes, "Square beside a scan", Length, scan_square_limits,
         [](N n) -> double& { return n.usual.scan_square; }},
        {"cutting-mat-gap", sizes, "Gap on the cutting mat", Length, cutting_mat_gap_limits,
         [](N n) -> double& { return n.cutting_mat.gap; }},
        {"blade-gap", sizes, "Gap between patches", Length, blade_gap_limits,
         [](N n) -> double& { return n.blade_gap; }},
        {"blade-speed", pace, "Machine cuts", Speed, speed_limits,
         [](N n) -> double& { return n.pace.blade; }},
        {"blade-lift", pace, "Machine, each contour", Seconds, seconds_limits,
         [](N n) -> double& { return n.pace.blade_lift; }},
        {"scissors-speed", pace, "Scissors cut", Speed, speed_limits,
         [](N n) -> double& { return n.pace.scissors; }},
        {"pencil-speed", pace, "Pencil traces", Speed, speed_limits,
         [](N n) -> double& { return n.pace.pencil; }},
        {"glue-speed", pace, "Glue runs", Speed, speed_limits, [](N n) -> double& { return n.pace.glue; }},
        {"placing-time", pace, "Laying a patch", Seconds, seconds_limits,
         [](N n) -> double& { return n.pace.placing; }},
        {"punching-time", pace, "Punching a circle", Seconds, seconds_limits,
         [](N n) -> double& { return n.pace.punching; }},
        {"foam-time", pace, "Setting on foam", Seconds, seconds_limits,
         [](N n) -> double& { return n.pace.foam; }},
    };
}

std::vector<OwnNumberRow> of_work() {
    static constexpr char blade[] = "Blade";
    static constexpr char work[] = "Minutes of work";
    static constexpr char waits[] = "Minutes until dry";
    return {
        {"overcut", blade, "Overcut", Length, overcut_limits,
         [](N n) -> double& { return n.cutting.overcut; }, NumbersAbout::Blade},
        {"blade-offset", blade, "Blade tip behind its axis", Length, blade_offset_limits,
         [](N n) -> double& { return n.cutting.blade_offset; }, NumbersAbout::Blade},
        {"loading-minutes", work, "Loading a cutting mat", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.loading; }, NumbersAbout::Build},
        {"trimming-minutes", work, "Trimming a base or strip", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.trimming; }, NumbersAbout::Build},
        {"gutting-minutes", work, "Gutting a frame", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.gutting; }, NumbersAbout::Build},
        {"lifting-minutes", work, "Lifting a piece off the cutting mat", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.lifting; }, NumbersAbout::Build},
        {"wetting-minutes", work, "A place of wet work", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.wetting; }, NumbersAbout::Build},
        {"layout-minutes", work, "Laying everything out dry", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.laying_out; }, NumbersAbout::Build},
        {"mounting-minutes", work, "Mounting a cut or photo", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.mounting; }, NumbersAbout::Build},
        {"letter-minutes", work, "A letter of a title", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.letter; }, NumbersAbout::Build},
        {"embellishment-minutes", work, "An embellishment", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.embellishment; }, NumbersAbout::Build},
        {"word-minutes", work, "Writing a word", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.word; }, NumbersAbout::Build},
        {"stitch-minutes", work, "A stitch", Minutes, minutes_limits,
         [](N n) -> double& { return n.minutes.hole; }, NumbersAbout::Build},
        {"glue-dries", waits, "Glue", Minutes, minutes_limits, [](N n) -> double& { return n.drying.glue; },
         NumbersAbout::Build},
        {"acetate-dries", waits, "Glue on acetate", Minutes, minutes_limits,
         [](N n) -> double& { return n.drying.acetate; }, NumbersAbout::Build},
        {"primer-dries", waits, "Primer", Minutes, minutes_limits,
         [](N n) -> double& { return n.drying.primer; }, NumbersAbout::Build},
        {"paint-dries", waits, "Paint", Minutes, minutes_limits,
         [](N n) -> double& { return n.drying.paint; }, NumbersAbout::Build},
        {"ink-dries", waits, "Ink", Minutes, minutes_limits, [](N n) -> double& { return n.drying.ink; },
         NumbersAbout::Build},
        {"splatter-dries", waits, "Splatters", Minutes, minutes_limits,
         [](N n) -> double& { return n.drying.splatter; }, NumbersAbout::Build},
        {"paste-dries", waits, "Texture paste", Minutes, minutes_limits,
         [](N n) -> double& { return n.drying.paste; }, NumbersAbout::Build},
        {"pen-dries", waits, "Pen", Minutes, minutes_limits, [](N n) -> double& { return n.drying.pen; },
         NumbersAbout::Build},
    };
}

} // namespace

const std::vector<OwnNumberRow>& own_number_rows() {
    static const std::vector<OwnNumberRow> rows = [] {
        std::vector<OwnNumberRow> all = of_sizes_and_pace();
        const std::vector<OwnNumberRow> more = of_work();
        all.insert(all.end(), more.begin(), more.end());
        return all;
    }();
    return rows;
}

} // namespace zesty
