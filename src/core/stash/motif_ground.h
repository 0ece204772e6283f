#pragma once
// What the motifs of a printed paper lie on: one colour, or the colours of stripes and checks.

#include "core/stash/palette.h"

namespace zesty {

/// A coarse picture by the colours of its palette; colours are indices into that.
class CoarsePicture {
public:
    explicit CoarsePicture(const Pixels& pixels);

    bool empty() const { return palette_.empty(); }
    std::size_t nearest(Rgb colour) const; ///< not of an empty one
    /// Whether a colour covers so much of the picture and is found in each of its nine parts.
    bool all_over(std::size_t colour, double share) const;
    /// The colour whose largest stretch is the largest, those that are all over the picture with a share of
    /// `much`, and what blends between them. `clicked` is none of them. Empty where there is no other colour.
    std::vector<Rgb> grounds(std::size_t clicked, double much) const;

private:
    std::size_t stretch_from(std::size_t start, std::vector<char>& seen) const;
    std::optional<std::size_t> largest_stretch(std::size_t clicked) const;

    std::vector<PaletteColour> palette_;
    std::size_t width_ = 0;
    std::vector<std::size_t> of_; ///< by pixel
};

} // namespace zesty
