#include "core/stash/look_of_paper.h"

#include "core/stash/autocorrelation.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace zesty {

namespace {

constexpr int across_whole = 160;   ///< pixels of the whole paper that are looked at
constexpr int across_detail = 320;  ///< of the part that is looked at closely
constexpr double detail_size = 80;  ///< mm, of that part
constexpr double plain_below = 4.5; ///< root mean square of what varies, in Lab
constexpr double ombre_explains = 0.9;
constexpr double stripes_explain = 0.72;
constexpr double stripes_without_repeat_explain = 0.9;
constexpr double repeats = 0.5;          ///< how well a row of stripes must agree with itself
constexpr double pattern_repeats = 0.62; ///< and a pattern: in two directions chance finds more
constexpr double large_from = 25;        ///< mm of repeat

struct Cells {
    int width = 0;
    int height = 0;
    double mm = 1; ///< per cell
    std::vector<Lab> lab;

    const Lab& operator()(int x, int y) const { return lab[static_cast<std::size_t>(y) * width + x]; }
};

Cells cells_of(const Pixels& pixels) {
    Cells out{pixels.width, pixels.height, pixels.mm_per_pixel, {}};
    out.lab.reserve(pixels.at.size());
    for (Rgb c : pixels.at) out.lab.push_back(to_lab(c));
    return out;
}

Lab mean_of(const Cells& c) {
    Lab m;
    for (const Lab& p : c.lab) {
        m.l += p.l;
        m.a += p.a;
        m.b += p.b;
    }
    const auto n = static_cast<double>(std::max<std::size_t>(c.lab.size(), 1));
    return {m.l / n, m.a / n, m.b / n};
}

double square(const Lab& p, const Lab& q) {
    return (p.l - q.l) * (p.l - q.l) + (p.a - q.a) * (p.a - q.a) + (p.b - q.b) * (p.b - q.b);
}

double variance(const Cells& c) {
    const Lab m = mean_of(c);
    double sum = 0;
    for (const Lab& p : c.lab) sum += square(p, m);
    return sum / static_cast<double>(std::max<std::size_t>(c.lab.size(), 1));
}

/// The numbers along the direction in which colours vary most.
std::vector<double> main_channel(const Cells& c) {
    const Lab m = mean_of(c);
    double s[3][3] = {};
    const auto off = [&](const Lab& p) { return std::array<double, 3>{p.l - m.l, p.a - m.a, p.b - m.b}; };
    for (const Lab& p : c.lab) {
        const auto d = off(p);
        for (int i = 0; i < 3; ++i)
            for (int k = 0; k < 3; ++k)
                s[i][k] += d[static_cast<std::size_t>(i)] * d[static_cast<std::size_t>(k)];
    }
    std::array<double, 3> axis{1, 0.3, 0.2};
    for (int step = 0; step < 50; ++step) {
        std::array<double, 3> next{};
        for (int i = 0; i < 3; ++i)
            for (int k = 0; k < 3; ++k)
                next[static_cast<std::size_t>(i)] += s[i][k] * axis[static_cast<std::size_t>(k)];
        const double length = std::hypot(next[0], next[1], next[2]);
        if (length <= 0) break;
        for (double& n : next) n /= length;
        axis = next;
    }
    std::vector<double> out;
    for (const Lab& p : c.lab) {
        const auto d = off(p);
        out.push_back(d[0] * axis[0] + d[1] * axis[1] + d[2] * axis[2]);
    }
    return out;
}

struct Plane {
    double explains = 0;
    double deg = 0; ///< the way it gets darker
};

Plane plane_through(const Cells& c) {
    Plane out;
    const double cx = (c.width - 1) / 2.0;
    const double cy = (c.height - 1) / 2.0;
    const Lab m = mean_of(c);
    double xx = 0;
    double yy = 0;
    Lab gx;
    Lab gy;
    for (int y = 0; y < c.height; ++y)
        for (int x = 0; x < c.width; ++x) {
            const Lab& p = c(x, y);
            const double u = x - cx;
            const double v = y - cy;
            xx += u * u;
            yy += v * v;
            gx = {gx.l + u * (p.l - m.l), gx.a + u * (p.a - m.a), gx.b + u * (p.b - m.b)};
            gy = {gy.l + v * (p.l - m.l), gy.a + v * (p.a - m.a), gy.b + v * (p.b - m.b)};
        }
    if (xx <= 0 || yy <= 0) return out;
    const double along_x = (gx.l * gx.l + gx.a * gx.a + gx.b * gx.b) / xx;
    const double along_y = (gy.l * gy.l + gy.a * gy.a + gy.b * gy.b) / yy;
    const double all = variance(c) * static_cast<double>(c.lab.size());
    out.explains = all > 0 ? (along_x + along_y) / all : 0;
    // Darker is where L falls; where only the hue changes, the stronger channel decides.
    const double sx =
        std::abs(gx.l) + std::abs(gy.l) > 0.2 * (std::abs(gx.b) + std::abs(gy.b)) ? gx.l / xx : gx.b / xx;
    const double sy =
        std::abs(gx.l) + std::abs(gy.l) > 0.2 * (std::abs(gx.b) + std::abs(gy.b)) ? gy.l / yy : gy.b / yy;
    out.deg = std::fmod(std::atan2(-sy, -sx) * 180 / M_PI + 360, 360.0);
    return out;
}

/// The mean along lines that run at that angle, by their distance.
struct Profile {
    std::vector<double> mean; ///< of the main channel
    double explains = 0;
};

Profile profile(const std::vector<double>& v, int width, int height, double deg) {
    const double nx = -std::sin(deg * M_PI / 180);
    const double ny = std::cos(deg * M_PI / 180);
    const double low = std::min({0.0, nx * width, ny * height, nx * width + ny * height});
    const double high = std::max({0.0, nx * width, ny * height, nx * width + ny * height});
    const auto n = static_cast<std::size_t>(high - low) + 2;
    std::vector<double> sum(n, 0);
    std::vector<double> count(n, 0);
    double all = 0;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double t = nx * x + ny * y - low;
            const auto k = static_cast<std::size_t>(t);
            const double value = v[static_cast<std::size_t>(y) * width + x];
            const double f = t - static_cast<double>(k);
            sum[k] += value * (1 - f);
            count[k] += 1 - f;
            sum[k + 1] += value * f;
            count[k + 1] += f;
            all += value * value;
        }
    Profile out;
    double explained = 0;
    for (std::size_t k = 0; k < n; ++k) {
        if (count[k] < 0.3 * std::min(width, height)) continue; // short lines at the corners tell little
        const double mean = sum[k] / count[k];
        out.mean.push_back(mean);
        explained += mean * mean * count[k];
    }
    out.explains = all > 0 ? explained / all : 0;
    return out;
}

/// The way stripes would run, by the structure tensor.
double main_direction(const std::vector<double>& v, int width, int height) {
    double xx = 0;
    double yy = 0;
    double xy = 0;
    for (int y = 1; y + 1 < height; ++y)
        for (int x = 1; x + 1 < width; ++x) {
            const std::size_t at = static_cast<std::size_t>(y) * width + x;
            const double gx = v[at + 1] - v[at - 1];
            const double gy =
                v[at + static_cast<std::size_t>(width)] - v[at - static_cast<std::size_t>(width)];
            xx += gx * gx;
            yy += gy * gy;
            xy += gx * gy;
        }
    return 0.5 * std::atan2(2 * xy, xx - yy) * 180 / M_PI + 90;
}

struct Stripes {
    double explains = 0;
    double deg = 0;
    std::optional<double> repeat; ///< mm
};

Stripes stripes_of(const Cells& c) {
    const std::vector<double> v = main_channel(c);
    Stripes out;
    out.deg = main_direction(v, c.width, c.height);
    for (double step = 2; step > 0.04; step /= 2)
        for (int way : {-2, -1, 0, 1, 2}) {
            const double deg = out.deg + way * step;
            const double explains = profile(v, c.width, c.height, deg).explains;
            if (explains <= out.explains) continue;
            out.explains = explains;
            out.deg = deg;
        }
    if (const auto repeat = repeat_of(profile(v, c.width, c.height, out.deg).mean, repeats))
        out.repeat = *repeat * c.mm;
    out.deg = std::fmod(out.deg + 720, 180.0);
    return out;
}

/// Whether the picture looks the same upside down, wherever it is laid.
bool same_upside_down(const Cells& c) {
    const std::vector<double> v = main_channel(c);
    double all = 0;
    for (double x : v) all += x * x;
    double best = 0;
    // Turning by 180 degrees about some middle is a mirror image in both coordinates and a shift.
    const int reach_x = c.width / 4;
    const int reach_y = c.height / 4;
    for (int dy = -reach_y; dy <= reach_y; ++dy)
        for (int dx = -reach_x; dx <= reach_x; ++dx) {
            double sum = 0;
            double square_sum = 0;
            for (int y = std::max(0, dy); y < std::min(c.height, c.height + dy); y += 2)
                for (int x = std::max(0, dx); x < std::min(c.width, c.width + dx); x += 2) {
                    const double a = v[static_cast<std::size_t>(y) * c.width + x];
                    const double b = v[static_cast<std::size_t>(c.height - 1 - y + dy) * c.width +
                                       static_cast<std::size_t>(c.width - 1 - x + dx)];
                    sum += a * b;
                    square_sum += (a * a + b * b) / 2;
                }
            if (square_sum > 0) best = std::max(best, sum / square_sum);
        }
    return all <= 0 || best > 0.6;
}

Direction direction_of(const Pixels& pixels) {
    return same_upside_down(cells_of(coarser(pixels, 72))) ? Direction::Free : Direction::Fixed;
}

/// A part from the middle in which small patterns can be seen.
Pixels close_up(const Pixels& pixels) {
    const int side = std::max(16, static_cast<int>(detail_size / pixels.mm_per_pixel));
    return coarser(part(pixels, (pixels.width - side) / 2, (pixels.height - side) / 2, side, side),
                   across_detail);
}

void look_for_stripes_and_prints(const Pixels& pixels, const Pixels& whole, LookOfPaper& out) {
    Stripes best;
    for (const Pixels& p : {close_up(pixels), whole}) {
        const Stripes s = stripes_of(cells_of(p));
        if (s.explains > best.explains && (s.repeat || !best.repeat)) best = s;
    }
    if (best.explains > (best.repeat ? stripes_explain : stripes_without_repeat_explain)) {
        out.pattern = Pattern::Stripe;
        out.direction = Direction::Half;
        out.stripes_deg = best.deg;
        out.repeat = best.repeat;
        return;
    }
    std::optional<GridRepeat> found;
    for (const Pixels& p : {coarser(close_up(pixels), 96), coarser(whole, 96)}) {
        const Cells c = cells_of(p);
        const auto repeat = repeat_of(main_channel(c), c.width, c.height, pattern_repeats);
        if (!repeat || (found && repeat->agreement < found->agreement * 1.1)) continue;
        found = repeat;
        out.repeat = std::hypot(repeat->x, repeat->y) * c.mm;
    }
    out.pattern = !found ? Pattern::Picture : *out.repeat < large_from ? Pattern::Small : Pattern::Large;
    out.direction = found ? direction_of(close_up(pixels)) : Direction::Fixed;
}

} // namespace

LookOfPaper look_of(const Pixels& pixels) {
    LookOfPaper out;
    if (pixels.at.empty()) return out;
    out.palette = palette_of(pixels);
    const Pixels whole = coarser(pixels, across_whole);
    out.colour = coarser(pixels, 1).at.front();
    const Cells blocks = cells_of(coarser(pixels, 24));
    const Plane plane = plane_through(blocks);
    const double fine = variance(cells_of(close_up(pixels)));
    const double coarse = variance(blocks);
    if (std::sqrt(std::max(fine, coarse)) < plain_below) return out;
    // An ombre is smooth close up: there it varies little for how much it does over the sheet.
    if (plane.explains > ombre_explains && coarse > 0.5 * fine && std::sqrt(coarse) > plain_below) {
        out.pattern = Pattern::Ombre;
        out.direction = Direction::Fixed;
        out.ombre_deg = plane.deg;
        return out;
    }
    look_for_stripes_and_prints(pixels, whole, out);
    return out;
}

} // namespace zesty
