#pragma once
// Paper left for later: what other pages are going to cut from it, and sizes to keep whole.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// What a page calls itself to others: its title, or else this name.
std::string name_of_page(const Project& project, const std::string& otherwise);

/// What a page takes of its papers, for other pages to leave it. Empty until its patches are on sheets.
std::vector<ReservedPiece> pieces_taken(const Project& project, const Plan& plan, const std::string& page);

/// Room is to be kept for these pieces, in the place of whatever their pages wanted before.
void reserve_for(Project& project, const std::vector<ReservedPiece>& pieces);
void stop_reserving(Project& project, const std::string& page);
void stop_reserving_for_pages(Project& project); ///< sizes to keep whole stay
/// The pieces of other pages that room is kept for.
std::vector<ReservedPiece> reserved_for_pages(const Project& project);
/// Those of the pieces that are wanted of papers in this page's stash.
std::vector<ReservedPiece> of_this_stash(const Project& project, const std::vector<ReservedPiece>& pieces);
/// Whether room is kept for exactly these, sizes to keep whole aside.
bool reserves_just(const Project& project, const std::vector<ReservedPiece>& pieces);
/// The pages that room is kept for, ascending.
std::vector<std::string> pages_reserved_for(const Project& project);

/// A rectangle of the paper is to stay whole, in the place of any other; one without width or height for
/// none.
void reserve_size(Project& project, const std::string& paper, Point size);
/// Its size, (0, 0) for none.
Point reserved_size(const Project& project, const std::string& paper);

} // namespace zesty
