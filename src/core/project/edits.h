#pragma once
// Edits that concern the decisions of several stages. The window and the command line make them through
// these.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <set>

namespace zesty {

/// One section of all the sections these openings belong to that have the treatment which most of them have,
/// of as many the first one's; the choices of the first of them stay. Returns the openings that stay out.
std::vector<Spot> group(Project& project, const std::vector<Spot>& openings);
/// "4 and 7 stay out, since they are treated otherwise."; empty for none.
std::string stay_out(const Plan& plan, const std::vector<Spot>& openings);
/// Takes the openings' groups apart; each part keeps the choices of the section it was in.
void ungroup(Project& project, const std::vector<Spot>& openings);
/// Divides openings or the base; decisions about their sections go, what was chosen stays with the first
/// part.
void divide(Project& project, const std::vector<Spot>& openings, const Division& division);
/// Makes them whole again; what was chosen for the first part is chosen for all.
void undivide(Project& project, const std::vector<Spot>& openings);

/// Calls change(choice) for every section that one of the openings is in: `choice` is a SectionChoice& or a
/// PaperChoice&, or change takes both.
template <class Change>
void change_sections(Project& project, const std::vector<Spot>& openings, Change change) {
    std::set<Spot> sections;
    for (Spot o : openings) sections.insert(project.sections.section_of(o));
    for (Spot s : sections) {
        SectionChoice c = project.sections.choice(s);
        PaperChoice p = project.match.choice(s);
        if constexpr (std::is_invocable_v<Change, SectionChoice&>)
            change(c);
        else if constexpr (std::is_invocable_v<Change, PaperChoice&>)
            change(p);
        else
            change(c, p);
        project.sections.choose(s, std::move(c));
        project.match.choose(s, std::move(p));
    }
}

/// Gives sections a paper by hand, which locks it; an empty id takes theirs away. What gets none is backed
/// with paper from now on.
void give_paper(Project& project, const std::vector<Spot>& openings, const std::string& paper, Side side);
/// What proposals leave alone; sections without a paper cannot be locked.
void lock_papers(Project& project, const std::vector<Spot>& openings, bool locked);

/// Puts a drawing on the page with a border of 1/2 in; returns the new cut's id.
int add_cut(Project& project, Shared<DrawingFile> drawing);
/// The page with this drawing alone; decisions about other cuts go.
void set_only_cut(Project& project, Shared<DrawingFile> drawing);
/// Another copy of a cut, moved by `by`, upright or mirrored; its sections are decided alike. Returns the id.
int copy_cut(Project& project, int id, bool mirrored, Point by);
/// Copies of a cut at these places, the first being that of the cut itself; their sections are decided alike.
void copy_cut_to(Project& project, int id, const std::vector<CutPlacement>& places);
/// A shadow: the cut once more, `by` mm larger all round, below it and in register. Nothing when that is more
/// than a cut may grow. Returns the id, or -1.
int add_shadow(Project& project, int id, double by);
/// One cut for every layer of its drawing in the place of this one; false when there is one layer only.
bool split_layers(Project& project, int id);
/// Pieces of a cut (as PlacedCut::left_out counts them) made a cut of their own above it, both where they lay
/// before: `in_place` is how the cut lies sized by its whole drawing. Returns the id of the new one.
int part_off_pieces(Project& project, int id, const std::vector<int>& pieces, int all_pieces,
                    const CutPlacement& in_place);
/// The same for layers of its drawing. What was decided about openings of the cut goes, as they are numbered
/// anew. Nothing, and -1, where no layer would stay.
int part_off_layers(Project& project, int id, const std::vector<std::string>& layers,
                    const CutPlacement& in_place);

/// After another spread, second page or gap: the cuts stay where they lie, counted from the left.
void keep_places(Project& project, const Page& before);

/// Another drawing for a cut where it lies; what was decided about its openings, pieces and layers goes.
void replace_drawing(Project& project, int id, Shared<DrawingFile> drawing);
/// Takes a cut off the page with all that was decided for it, and its drawing when nothing else uses it.
void remove_cut(Project& project, int id);
/// Takes a photo off the page; journaling that went with it stays where it lies.
void remove_photo(Project& project, int photo);

} // namespace zesty
