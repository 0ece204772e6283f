#pragma once
// The things of a page by the names that steps, files and lists have for them, and what of them lies on what.

#include "core/dress/pile.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <string>
#include <vector>

namespace zesty {

/// Ids in the plan: "o5", "p5".
std::string name_of_opening(int opening);
std::string name_of_patch(const Patch& patch);

/// How a patch comes to its place.
enum class PatchPlace {
    Behind, ///< on the back of its cut
    Closes, ///< the same, as the last part of a shaker
    Inside, ///< set into its opening from the front
    Piece,  ///< a part of a cut whose pieces come from papers of their own
    OnBase  ///< on its part of the divided base
};

class PageThings {
public:
    /// Both must outlive it.
    PageThings(const Project& project, const Plan& plan);

    std::string cut(std::size_t c) const;
    /// With its photo mats; two of one name are told apart by a number.
    std::string photo(std::size_t i) const;
    std::string layer(std::size_t i) const;
    std::string embellishment(std::size_t i) const;
    std::string letters(std::size_t title) const;
    std::string label(std::size_t title) const;
    std::string base(std::size_t leaf) const;
    std::string frame(std::size_t leaf) const;
    /// Of a photo mat, a layer, a part of a frame that comes last.
    std::string piece(const DressPiece& piece) const;

    PatchPlace place_of(const Patch& patch) const;
    /// Whether there is a piece of paper for it.
    bool is_there(const Patch& patch) const;
    bool is_there(const DressPiece& piece) const;
    /// Whether a layer has its paper.
    bool layer_is_there(std::size_t i) const;
    /// The paper round an opening: its cut, or a piece that comes from a paper of its own; empty where there
    /// is none.
    std::string round(int opening) const;
    /// Whether it is cut as one thing; otherwise its pieces are patches.
    bool is_lattice(std::size_t c) const { return !project_.set_out.cuts[c].pieces_from_paper; }
    /// Whether a cut, or a piece of one, lies over something.
    bool lies_under_a_cut(const std::string& name) const;
    /// The bases that something on the page lies on; the first where it lies on none.
    std::vector<std::string> bases_below(const Region& region) const;

    /// Something on the page that is fixed on what lies below it.
    struct Lies {
        std::string name;
        Region region;
        std::vector<std::string> on; ///< bases, and what lies below and meets it
    };
    /// Lowest first: parts of the base, layers, cuts and what is set into them, photos, embellishments,
    /// titles.
    const std::vector<Lies>& pile() const { return pile_; }
    /// What the thing of this name is fixed on; the first base for one that is not in the pile.
    std::vector<std::string> below(const std::string& name) const;
    /// What something would be fixed on that comes last: bases, and all that meets it.
    std::vector<std::string> below(const Region& region) const;

private:
    void put(const std::string& name, Region region);
    void put_patches(PatchPlace place, int cut);
    void put(const LyingThing& thing);

    const Project& project_;
    const Plan& plan_;
    std::vector<std::string> photos_, layers_;
    std::vector<Lies> pile_;
};

} // namespace zesty
