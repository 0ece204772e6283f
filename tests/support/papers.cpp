#include "support/papers.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace zesty::testing {

namespace {

double within(std::mt19937& random, double least, double most) {
    return least + (most - least) * static_cast<double>(random() % 10001) / 10000;
}

Rgb any_colour(std::mt19937& random) {
    const auto channel = [&] { return static_cast<std::uint8_t>(30 + random() % 215); };
    return {channel(), channel(), channel()};
}

/// Colours that are plainly not the same.
std::vector<Rgb> some_colours(std::mt19937& random, std::size_t count) {
    std::vector<Rgb> out;
    while (out.size() < count) {
        const Rgb c = any_colour(random);
        bool apart = true;
        for (Rgb other : out) apart = apart && difference(to_lab(c), to_lab(other)) > 25;
        if (apart) out.push_back(c);
    }
    return out;
}

/// The colour at each place in millimetres, with grain.
Pixels painted(std::mt19937& random, const std::function<Rgb(double x, double y)>& at) {
    Pixels out;
    out.mm_per_pixel = 1 / within(random, 2, 4);
    out.width = static_cast<int>(within(random, 150, 305) / out.mm_per_pixel);
    out.height = static_cast<int>(within(random, 150, 305) / out.mm_per_pixel);
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x) {
            const Rgb c = at((x + 0.5) * out.mm_per_pixel, (y + 0.5) * out.mm_per_pixel);
            const int grain = static_cast<int>(random() % 9) - 4;
            const auto with = [&](int v) { return static_cast<std::uint8_t>(std::clamp(v + grain, 0, 255)); };
            out.at.push_back({with(c.r), with(c.g), with(c.b)});
        }
    return out;
}

} // namespace

KnownPaper solid_paper(std::mt19937& random) {
    KnownPaper out;
    out.colours = {any_colour(random)};
    out.pixels = painted(random, [&](double, double) { return out.colours[0]; });
    return out;
}

KnownPaper striped_paper(std::mt19937& random) {
    KnownPaper out;
    out.pattern = Pattern::Stripe;
    out.colours = some_colours(random, 2 + random() % 3);
    out.stripes_deg = within(random, 0, 180);
    out.repeat = within(random, 5, 45);
    std::vector<double> until;
    double sum = 0;
    for (std::size_t i = 0; i < out.colours.size(); ++i) until.push_back(sum += within(random, 0.5, 1.5));
    const double nx = -std::sin(out.stripes_deg * M_PI / 180);
    const double ny = std::cos(out.stripes_deg * M_PI / 180);
    out.pixels = painted(random, [&](double x, double y) {
        const double t = (nx * x + ny * y) / out.repeat;
        const double phase = (t - std::floor(t)) * sum;
        for (std::size_t i = 0; i < until.size(); ++i)
            if (phase < until[i]) return out.colours[i];
        return out.colours.back();
    });
    return out;
}

KnownPaper printed_paper(std::mt19937& random, bool large) {
    KnownPaper out;
    out.pattern = large ? Pattern::Large : Pattern::Small;
    out.colours = some_colours(random, 2);
    out.repeat = large ? within(random, 32, 60) : within(random, 6, 20);
    const double turn = within(random, 0, 90) * M_PI / 180;
    const unsigned kind = random() % 3;
    const double size = within(random, 0.25, 0.36) * out.repeat;
    out.pixels = painted(random, [&](double x, double y) {
        double u = (x * std::cos(turn) + y * std::sin(turn)) / out.repeat;
        double v = (-x * std::sin(turn) + y * std::cos(turn)) / out.repeat;
        u = (u - std::floor(u) - 0.5) * out.repeat;
        v = (v - std::floor(v) - 0.5) * out.repeat;
        const double r = std::hypot(u, v);
        const bool inside = kind == 0   ? r < size
                            : kind == 1 ? std::abs(u) + std::abs(v) < 1.2 * size
                                        : r < size * (1 + 0.35 * std::cos(5 * std::atan2(v, u)));
        return out.colours[inside];
    });
    return out;
}

KnownPaper ombre_paper(std::mt19937& random) {
    KnownPaper out;
    out.pattern = Pattern::Ombre;
    out.ombre_deg = within(random, 0, 360);
    const Rgb light{static_cast<std::uint8_t>(200 + random() % 50),
                    static_cast<std::uint8_t>(200 + random() % 50),
                    static_cast<std::uint8_t>(200 + random() % 50)};
    const Rgb dark{static_cast<std::uint8_t>(20 + random() % 80),
                   static_cast<std::uint8_t>(20 + random() % 80),
                   static_cast<std::uint8_t>(20 + random() % 80)};
    const double dx = std::cos(out.ombre_deg * M_PI / 180);
    const double dy = std::sin(out.ombre_deg * M_PI / 180);
    out.pixels = painted(random, [&](double x, double y) {
        const double t = std::clamp(0.5 + (dx * (x - 115) + dy * (y - 115)) / 320, 0.0, 1.0);
        const auto mix = [&](int a, int b) {
            return static_cast<std::uint8_t>(std::lround(a + (b - a) * t));
        };
        return Rgb{mix(light.r, dark.r), mix(light.g, dark.g), mix(light.b, dark.b)};
    });
    return out;
}

KnownPaper picture_paper(std::mt19937& random) {
    KnownPaper out;
    out.pattern = Pattern::Picture;
    out.colours = some_colours(random, 5);
    struct Blob {
        double x, y, rx, ry;
        std::size_t colour;
    };
    std::vector<Blob> blobs;
    for (int i = 0; i < 40; ++i)
        blobs.push_back({within(random, 0, 305), within(random, 0, 305), within(random, 5, 50),
                         within(random, 5, 50), random() % out.colours.size()});
    out.pixels = painted(random, [&](double x, double y) {
        Rgb c = out.colours[0];
        for (const Blob& b : blobs)
            if (std::hypot((x - b.x) / b.rx, (y - b.y) / b.ry) < 1) c = out.colours[b.colour];
        return c;
    });
    return out;
}

} // namespace zesty::testing
