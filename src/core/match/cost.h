#pragma once
// What makes an assignment good, as numbers that change with one section at a time.

#include "core/match/match.h"

namespace zesty {

/// What a face or a paper has on the page.
struct Share {
    double area = 0;
    int uses = 0;
    Point pull; ///< the ways from the focus to its places, each of length 1, added up

    void add(double a, Point way, int sign) {
        area += sign * a;
        uses += sign;
        pull = pull + way * sign;
    }
};

/// One thing that speaks for or against a paper in a section.
struct CostTerm {
    enum class Kind { Alike, Similar, Apart, Across, Near, Mat, Tone, Pattern, Behind, Photo } kind;
    double amount = 0;
    int other = -1; ///< the section it is about, where there is one
};

class Cost {
public:
    explicit Cost(const MatchJob& job);

    const std::vector<Face>& faces() const { return faces_; }
    int paper_of(int face) const { return faces_[face].paper; }

    /// What the paper costs in that section by itself and against its neighbours' papers.
    double local(int section, int paper, const std::vector<int>& assigned) const;
    /// The same in parts, those of no weight left out, the heaviest first.
    std::vector<CostTerm> terms(int section, int paper, const std::vector<int>& assigned) const;
    /// What the counts, areas and places of a face cost, whatever sections they are.
    double share(const Share& share) const;
    /// What using so much of a paper costs, whichever side is up.
    double paper_share(int paper, const Share& share) const;
    double unassigned(int section) const;
    bool must_not_meet(int face, int other) const {
        return face >= 0 && other >= 0 && apart_[face * count_ + other];
    }
    Point pull(int section) const { return pull_[section]; }
    /// Whether two sections with that face look the same: an ombre is cut in another tone in another place
    /// when colours drift.
    bool same_look(int section, int other, int face) const { return sameness(section, other, face) > 0.5; }

    /// (other section, index into the job's neighbours)
    const std::vector<std::pair<int, int>>& next(int section) const { return next_[section]; }
    double total(const std::vector<int>& assigned) const;

private:
    void compare_faces();
    void find_near();
    void find_own();
    void find_contrast();
    void find_pulls();
    double fade(const MatchSection& section, int face) const;
    std::vector<CostTerm> own_terms(int section, int face) const;
    double against(int face, int other, double width) const;
    double sameness(int section, int other, int face) const;
    double beside(int section, int face, int other, int other_face, double width) const;
    std::optional<double> run_of(int section, int face) const;
    double across(int section, int face, int other, int other_face) const;

    const MatchJob& job_;
    std::vector<Face> faces_;
    std::size_t count_;
    std::vector<PaperFace> looks_;
    std::vector<Lab> lab_;
    std::vector<std::vector<PaletteColour>> grounds_; ///< what lies behind and around, each once
    std::vector<double> fades_;   ///< by ground and face: the share of its colours that are lost on it
    std::vector<double> swallow_; ///< by face: how much of it is lost beside the photos
    std::vector<double> room_;    ///< by face: pattern_room()
    std::vector<double> tone_;    ///< by face: 0 for the lightest, 1 for the darkest
    std::vector<double> own_;     ///< by section and face: what does not depend on others
    std::vector<double> clash_;   ///< between two faces side by side
    std::vector<double> crowd_;   ///< between two faces close by, from 0 to 1
    std::vector<char> apart_;
    std::vector<char> striped_;
    std::vector<Point> pull_;
    /// By section: others close by and how much the same paper there costs; empty when colours drift.
    std::vector<std::vector<std::pair<int, double>>> near_;
    std::vector<std::vector<std::pair<int, int>>> next_;
    double total_area_ = 1;
    double fair_share_ = 1;
};

} // namespace zesty
