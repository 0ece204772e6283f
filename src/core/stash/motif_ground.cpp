#include "core/stash/motif_ground.h"

#include <algorithm>
#include <array>

namespace zesty {

namespace {

constexpr int coarse_across = 120;      ///< pixels
constexpr double some_of_a_part = 0.05; ///< of a ninth of the picture

} // namespace

CoarsePicture::CoarsePicture(const Pixels& pixels) : palette_(palette_of(pixels)) {
    if (palette_.empty()) return;
    const Pixels small = coarser(pixels, coarse_across);
    width_ = static_cast<std::size_t>(small.width);
    for (const Rgb c : small.at) of_.push_back(nearest(c));
}

std::size_t CoarsePicture::nearest(Rgb colour) const {
    const Lab wanted = to_lab(colour);
    std::vector<double> off;
    for (const PaletteColour& c : palette_) off.push_back(difference(wanted, to_lab(c.colour)));
    return static_cast<std::size_t>(std::min_element(off.begin(), off.end()) - off.begin());
}

bool CoarsePicture::all_over(std::size_t colour, double share) const {
    std::array<double, 9> all{};
    std::array<double, 9> has{};
    const std::size_t rows = of_.size() / width_;
    double covers = 0;
    for (std::size_t i = 0; i < of_.size(); ++i) {
        const std::size_t part = 3 * (i / width_ * 3 / rows) + i % width_ * 3 / width_;
        ++all[part];
        if (of_[i] != colour) continue;
        ++has[part];
        ++covers;
    }
    for (std::size_t part = 0; part < all.size(); ++part)
        if (has[part] < some_of_a_part * all[part]) return false;
    return covers >= share * static_cast<double>(of_.size());
}

/// How many pixels of its colour hang together with one.
std::size_t CoarsePicture::stretch_from(std::size_t start, std::vector<char>& seen) const {
    std::size_t count = 0;
    std::vector<std::size_t> edge{start};
    seen[start] = 1;
    while (!edge.empty()) {
        const std::size_t at = edge.back();
        edge.pop_back();
        ++count;
        const std::size_t x = at % width_;
        const auto visit = [&](std::size_t to, bool there) {
            if (!there || seen[to] || of_[to] != of_[start]) return;
            seen[to] = 1;
            edge.push_back(to);
        };
        visit(at + 1, x + 1 < width_);
        visit(at - 1, x > 0);
        visit(at + width_, at + width_ < of_.size());
        visit(at - width_, at >= width_);
    }
    return count;
}

std::optional<std::size_t> CoarsePicture::largest_stretch(std::size_t clicked) const {
    std::vector<char> seen(of_.size(), 0);
    std::size_t most = 0;
    std::optional<std::size_t> out;
    for (std::size_t start = 0; start < of_.size(); ++start) {
        if (seen[start] || of_[start] == clicked) continue;
        const std::size_t count = stretch_from(start, seen);
        if (count <= most) continue;
        most = count;
        out = of_[start];
    }
    return out;
}

std::vector<Rgb> CoarsePicture::grounds(std::size_t clicked, double much) const {
    const auto main = largest_stretch(clicked);
    if (!main) return {};
    std::vector<Rgb> out{palette_[*main].colour};
    for (std::size_t k = 0; k < palette_.size(); ++k)
        if (k != *main && k != clicked && all_over(k, much)) out.push_back(palette_[k].colour);
    const std::size_t own = out.size();
    for (std::size_t a = 0; a < own; ++a)
        for (std::size_t b = a + 1; b < own; ++b)
            for (const double part : {0.25, 0.5, 0.75})
                out.push_back(mixed({out[a], 1 - part}, {out[b], part}));
    return out;
}

} // namespace zesty
