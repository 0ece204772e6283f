#pragma once
// One stash that several pages and programs use at once. Who changes papers says what was before and after;
// the change is carried over to what others have made of them meanwhile, so that changes commute: counts are
// added to, and of the other facts just those that were changed are set.
//
// Papers are the same where their uid is, whatever they are called; those without one where their id is.

#include "core/stash/stash.h"

#include <set>

namespace zesty {

/// `now` with what made `after` of `before`. A paper that was changed here and removed there is there again;
/// counts never fall below 0. Days (Paper::touched) are not carried over.
/// Sheets of a paper that become scraps, or the other way round, do so altogether or not at all.
Stash carried_over(const Stash& before, const Stash& after, Stash now);

/// Names of papers whose sheets that became something else are not there any more.
std::vector<std::string> cannot_be_carried(const Stash& before, const Stash& after, const Stash& now);

/// The papers at hand for a page: its own order first, then what else the stash has. Where the stash knows a
/// paper, the stash is right about it, and the page's id for it stays. What the stash does not know stays as
/// the page's own, unless the stash had it before and the page does not use it. Pictures of what is used are
/// held in memory.
Stash joined(const Stash& page, const Stash& living, const std::set<std::string>& used);

/// What a page keeps with it, so that it opens anywhere: the papers it uses and those that are its own.
Stash kept_by_page(const Stash& at_hand, const std::set<std::string>& used);

/// What of the papers at hand the stash has.
Stash living_part(const Stash& at_hand);

/// Index of the same paper in a stash, or -1.
int find_same(const Stash& stash, const Paper& paper);
/// Adds a paper of another stash, with its pictures, under an id and names of pictures that are free.
void adopt(Stash& stash, Paper paper, const Pictures& pictures);

/// Adds a picture under that name, or under another where that one stands for other bytes; gives the name.
std::string with_picture(Stash& stash, const std::string& name, const PictureBytes& bytes);

/// With papers that come in from somewhere else. Those that are there already, by uid or, where one of the
/// two has none, by id, are as they come in, under the id and uid they have; others are added. All of them
/// are the stash's.
Stash imported(Stash now, const Stash& papers);

/// What the paper of that id is called in another stash; empty where it is not there.
std::string id_in(const Stash& other, const Stash& stash, const std::string& id);

/// One paper of two that were entered apart and are one: the facts of `into`, the sheets of both. `into` and
/// `from` are ids.
Stash merged(const Stash& stash, const std::string& into, const std::string& from);

} // namespace zesty
