#pragma once
// Cuts nested on the cutting mat: how many of one fit, and where every piece of a page is cut. Millimetres;
// the mat's origin is its top left corner.
//
// Loose pieces stay in the openings they are cut from: they lie where their cut lies.

#include "core/cutfile/cut_file.h"
#include "core/setout/cutting_mat.h"
#include "core/stop.h"

namespace zesty {

/// A piece of the cut file where it is cut.
struct OnCuttingMat {
    int piece = 0; ///< into CutFile::pieces
    int copy = 0;  ///< which of several copies of the cut it belongs to, from 0
    Transform to_cutting_mat;
};

struct CuttingMatLayout {
    std::vector<std::vector<OnCuttingMat>> mats; ///< by mat, fullest first as they were filled
    std::vector<int> too_large;                  ///< pieces that fit on no mat of this size
};

struct CuttingMatCount {
    double size = 0;      ///< longer side of one cut
    int count = 0;        ///< whole cuts that fit together
    bool or_more = false; ///< counting ended there
    CuttingMatLayout layout;
};

/// How many of the cut at each size fit on one mat. `most` ends the counting.
std::vector<CuttingMatCount> fit_on_cutting_mat(const CutFile& cut, const std::vector<double>& sizes,
                                                const CuttingMat& mat, int most, const StopToken& stop);

/// Whether one cut of each of these sizes fits on one mat.
bool fit_together(const CutFile& cut, const std::vector<double>& sizes, const CuttingMat& mat,
                  const StopToken& stop);

/// These pieces and what lies loose in them on as few mats as are found, at the size `to_page` gives them.
CuttingMatLayout lay_on_cutting_mats(const CutFile& cut, const Transform& to_page,
                                     const std::vector<int>& pieces, const CuttingMat& mat,
                                     const StopToken& stop);

/// One more of some pieces beside others on a mat, all laid anew.
struct OneMore {
    std::vector<int> pieces; ///< outer ones; what lies loose in them comes with them
    double factor = 1;       ///< of their size on the page
    double grown = 0;        ///< mm, all round: a shadow
};
bool fits_beside(const CutFile& cut, const Transform& to_page, const std::vector<int>& there,
                 const std::vector<OneMore>& more, const CuttingMat& mat, const StopToken& stop);

} // namespace zesty
