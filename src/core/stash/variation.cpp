#include "core/stash/variation.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace zesty {

namespace {

constexpr double readable_share = 0.5; ///< of the variance
constexpr double shows_least = 0.2;    ///< of all windows, that show less
constexpr double hardly_varies = 2.5;  ///< in Lab: the grain of plain paper

/// Sums of the colours and of their squares over any rectangle from the corner.
class SummedArea {
public:
    explicit SummedArea(const Pixels& pixels)
        : width_(pixels.width),
          sums_(static_cast<std::size_t>(pixels.width + 1) * static_cast<std::size_t>(pixels.height + 1)) {
        for (int y = 0; y < pixels.height; ++y) {
            Sums row;
            for (int x = 0; x < pixels.width; ++x) {
                const Lab c = to_lab(pixels(x, y));
                row.l += c.l;
                row.a += c.a;
                row.b += c.b;
                row.squares += c.l * c.l + c.a * c.a + c.b * c.b;
                at(x + 1, y + 1) = at(x + 1, y) + row;
            }
        }
    }

    double variance(int x, int y, int width, int height) const {
        const Sums s = at(x + width, y + height) - at(x, y + height) - at(x + width, y) + at(x, y);
        const double n = static_cast<double>(width) * height;
        return std::max(0.0, (s.squares - (s.l * s.l + s.a * s.a + s.b * s.b) / n) / n);
    }

private:
    struct Sums {
        double l = 0, a = 0, b = 0, squares = 0;
        Sums operator+(const Sums& o) const { return {l + o.l, a + o.a, b + o.b, squares + o.squares}; }
        Sums operator-(const Sums& o) const { return {l - o.l, a - o.a, b - o.b, squares - o.squares}; }
    };
    std::size_t index(int x, int y) const {
        return static_cast<std::size_t>(y) * static_cast<std::size_t>(width_ + 1) +
               static_cast<std::size_t>(x);
    }
    Sums& at(int x, int y) { return sums_[index(x, y)]; }
    const Sums& at(int x, int y) const { return sums_[index(x, y)]; }

    int width_;
    std::vector<Sums> sums_;
};

} // namespace

std::vector<double> variation_of(const Pixels& pixels) {
    if (pixels.at.empty()) return {};
    const SummedArea sums(pixels);
    std::vector<double> out;
    double most = 0;
    for (const double window : variation_windows) {
        const int side = std::max(2, static_cast<int>(std::lround(window / pixels.mm_per_pixel)));
        const int width = std::min(side, pixels.width);
        const int height = std::min(side, pixels.height);
        std::vector<double> all;
        const int step = std::max(1, side / 8);
        for (int y = 0; y + height <= pixels.height; y += step)
            for (int x = 0; x + width <= pixels.width; x += step)
                all.push_back(sums.variance(x, y, width, height));
        const auto little =
            all.begin() + static_cast<std::ptrdiff_t>(shows_least * static_cast<double>(all.size()));
        std::nth_element(all.begin(), little, all.end());
        most = std::max(most, std::sqrt(*little));
        out.push_back(most);
    }
    out.push_back(std::max(most, std::sqrt(sums.variance(0, 0, pixels.width, pixels.height))));
    return out;
}

double variation_within(const std::vector<double>& variation, double radius) {
    if (variation.size() <= variation_windows.size()) return 0;
    // The square of the same area.
    const double side = radius * std::sqrt(std::numbers::pi);
    if (side <= variation_windows.front()) return variation.front() * side / variation_windows.front();
    for (std::size_t i = 1; i < variation_windows.size(); ++i) {
        if (side > variation_windows[i]) continue;
        const double share = std::log(side / variation_windows[i - 1]) /
                             std::log(variation_windows[i] / variation_windows[i - 1]);
        return variation[i - 1] + share * (variation[i] - variation[i - 1]);
    }
    return variation[variation_windows.size() - 1];
}

double share_seen(const std::vector<double>& variation, double radius) {
    if (variation.size() <= variation_windows.size() || variation.back() < hardly_varies) return 0;
    const double share = variation_within(variation, radius) / variation.back();
    return std::min(1.0, share * share);
}

double readable_from(const std::vector<double>& variation) {
    if (variation.size() <= variation_windows.size() || variation.back() < hardly_varies) return 0;
    double low = 0;
    double high = variation_windows.back();
    for (int i = 0; i < 40; ++i) {
        const double middle = (low + high) / 2;
        (share_seen(variation, middle) < readable_share ? low : high) = middle;
    }
    return high;
}

} // namespace zesty
