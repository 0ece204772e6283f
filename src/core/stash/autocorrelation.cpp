#include "core/stash/autocorrelation.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace zesty {

namespace {

constexpr double as_good = 0.9; ///< of the best agreement is good enough to be the first
constexpr int nearest = 3;      ///< cells; less is likeness of neighbours, not a repeat

std::vector<double> about_the_mean(std::vector<double> numbers) {
    if (numbers.empty()) return numbers;
    const double mean =
        std::accumulate(numbers.begin(), numbers.end(), 0.0) / static_cast<double>(numbers.size());
    for (double& n : numbers) n -= mean;
    return numbers;
}

/// How far off the middle of three the top of the parabola through them is.
double top_between(double before, double at, double after) {
    const double bend = before - 2 * at + after;
    return bend < -1e-12 ? std::clamp(0.5 * (before - after) / bend, -0.5, 0.5) : 0;
}

/// Agreement of the numbers with themselves, `shift` farther on.
double agreement(const std::vector<double>& v, std::size_t shift) {
    double both = 0;
    double left = 0;
    double right = 0;
    for (std::size_t i = 0; i + shift < v.size(); ++i) {
        both += v[i] * v[i + shift];
        left += v[i] * v[i];
        right += v[i + shift] * v[i + shift];
    }
    const double scale = std::sqrt(left * right);
    return scale > 0 ? both / scale : 0;
}

} // namespace

std::optional<double> repeat_of(const std::vector<double>& numbers, double least) {
    const std::vector<double> v = about_the_mean(numbers);
    const std::size_t n = v.size();
    if (n < 8) return {};
    std::vector<double> a(n / 2 + 1);
    for (std::size_t s = 0; s < a.size(); ++s) a[s] = agreement(v, s);
    std::size_t first_low = 1;
    while (first_low < a.size() && a[first_low] > 0.2 * as_good) ++first_low;
    double best = least;
    for (std::size_t s = first_low; s + 1 < a.size(); ++s) best = std::max(best, a[s]);
    for (std::size_t s = std::max<std::size_t>(first_low, 2); s + 1 < a.size(); ++s) {
        if (a[s] < as_good * best || a[s] < least || a[s] < a[s - 1] || a[s] < a[s + 1]) continue;
        // Its multiples tell it more exactly.
        double repeat = static_cast<double>(s) + top_between(a[s - 1], a[s], a[s + 1]);
        for (int k = 2; k * repeat + 1 < static_cast<double>(a.size()) - 1; ++k) {
            const auto about = static_cast<std::size_t>(std::lround(k * repeat));
            std::size_t top = about;
            for (std::size_t t = about > 1 ? about - 1 : 1; t <= about + 1; ++t)
                if (a[t] > a[top]) top = t;
            if (top == 0 || top + 1 >= a.size()) break;
            repeat = (static_cast<double>(top) + top_between(a[top - 1], a[top], a[top + 1])) / k;
        }
        return repeat;
    }
    return {};
}

namespace {

double grid_agreement(const std::vector<double>& v, int width, int height, int dx, int dy) {
    double both = 0;
    double left = 0;
    double right = 0;
    for (int y = 0; y + dy < height; ++y)
        for (int x = std::max(0, -dx); x + std::max(0, dx) < width; ++x) {
            const double a = v[static_cast<std::size_t>(y) * width + x];
            const double b = v[static_cast<std::size_t>(y + dy) * width + x + dx];
            both += a * b;
            left += a * a;
            right += b * b;
        }
    const double scale = std::sqrt(left * right);
    return scale > 0 ? both / scale : 0;
}

} // namespace

std::optional<GridRepeat> repeat_of(const std::vector<double>& cells, int width, int height, double least) {
    const std::vector<double> v = about_the_mean(cells);
    const int most_x = width / 2;
    const int most_y = height / 2;
    const int columns = 2 * most_x + 1;
    std::vector<double> a(static_cast<std::size_t>(columns) * (most_y + 1));
    const auto at = [&](int dx, int dy) -> double& {
        return a[static_cast<std::size_t>(dy) * columns + dx + most_x];
    };
    for (int dy = 0; dy <= most_y; ++dy)
        for (int dx = -most_x; dx <= most_x; ++dx) at(dx, dy) = grid_agreement(v, width, height, dx, dy);
    struct Peak {
        double length;
        int dx, dy;
        double height;
    };
    std::vector<Peak> peaks;
    double best = least;
    for (int dy = 0; dy < most_y; ++dy)
        for (int dx = dy == 0 ? nearest : -most_x + 1; dx < most_x; ++dx) {
            if (std::hypot(dx, dy) < nearest) continue;
            const double here = at(dx, dy);
            bool top = here > least;
            for (int v2 = -1; v2 <= 1 && top; ++v2)
                for (int u = -1; u <= 1 && top; ++u)
                    if ((u || v2) && dy + v2 >= 0) top = here >= at(dx + u, dy + v2);
            if (!top) continue;
            best = std::max(best, here);
            peaks.push_back({std::hypot(dx, dy), dx, dy, here});
        }
    std::sort(peaks.begin(), peaks.end(), [](const Peak& p, const Peak& q) { return p.length < q.length; });
    for (const Peak& p : peaks) {
        if (p.height < as_good * best) continue;
        const double x = p.dx + top_between(at(p.dx - 1, p.dy), p.height, at(p.dx + 1, p.dy));
        const double y = p.dy == 0 ? 0 : p.dy + top_between(at(p.dx, p.dy - 1), p.height, at(p.dx, p.dy + 1));
        return GridRepeat{x, y, p.height};
    }
    return {};
}

} // namespace zesty
