#include "core/project/own_numbers.h"

namespace zesty {

const std::vector<OwnNumberRow>& own_number_rows() {
    using enum NumberKind;
    static constexpr char bars[] = "Narrowest bar for";
    static constexpr char sizes[] = "Usual sizes";
    static constexpr char pace[] = "Own pace";
    using N = OwnNumbers&;
    static const std::vector<OwnNumberRow> rows{
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
        {"mat-gap", sizes, "Gap on the cutting mat", Length, cutting_mat_gap_limits,
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
    return rows;
}

} // namespace zesty
