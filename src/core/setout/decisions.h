#pragma once
// What a person decides at Set out: the page, the cuts on it, the photos, and the cutting mat. Millimetres.

#include "core/cutfile/drawing_file.h"
#include "core/limits.h"
#include "core/setout/cutting_mat.h"
#include "core/setout/own_numbers.h"
#include "core/setout/page.h"
#include "core/setout/photo.h"
#include "core/setout/placed_cut.h"
#include "core/setout/rooms.h"
#include "core/setout/sketch.h"
#include "core/shared.h"

#include <vector>

namespace zesty {

struct SetOutDecisions {
    Page page;
    std::vector<Shared<DrawingFile>> drawings; ///< none is null
    std::vector<PlacedCut> cuts;               ///< lowest first
    std::vector<Photo> photos;                 ///< lowest first
    CuttingMat cutting_mat;
    NarrowestBars bars;
    UsualSizes usual;
    std::vector<RoomWanted> rooms; ///< to be kept free, or found out about
    double may_cover = 0.3;        ///< share of the cuts that photos may cover when they are arranged
    Sketch sketch;
    std::string date = {}; ///< of the page, as 2026-05-17; empty for none
    int next_cut = 0;      ///< id of the next cut: above every id that has been in use
    bool operator==(const SetOutDecisions&) const = default;

    const PlacedCut* cut_by_id(int id) const; ///< null when there is none
};

} // namespace zesty
