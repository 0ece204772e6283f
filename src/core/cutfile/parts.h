#pragma once
// A cut of which some pieces are not used: a word dropped, one bow taken alone.

#include "core/cutfile/cut_file.h"

namespace zesty {

struct CutPart {
    CutFile cut;
    std::vector<int> openings;                    ///< by opening of `cut`: its index in the whole
    std::vector<int> pieces;                      ///< by piece of `cut`: its index in the whole
    std::shared_ptr<const CutFile> sized_by = {}; ///< what size and place go by; null for the cut itself
};

/// The cut without these pieces and their openings. An insert stays when the piece around it goes, and what
/// lies in the openings of an insert goes when it does not stand on its own. Indices the cut does not have
/// are ignored.
CutPart without_pieces(const CutFile& cut, const std::vector<int>& left_out);

/// The cut grown by `by` all round: bars wider, openings smaller, some gone. Openings and pieces are numbered
/// anew.
Result<CutPart> grown(const CutFile& cut, double by);

/// The cut on the page: everything moved, lengths and areas scaled.
CutFile transformed(const CutFile& cut, const Transform& t);

/// Appends a cut that may overlap the ones before it. Pieces remember the number of their layer.
void append(CutFile& all, const CutFile& more, int layer);

} // namespace zesty
