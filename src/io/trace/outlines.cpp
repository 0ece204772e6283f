#include "io/trace/outlines.h"

#include <cstddef>
#include <memory>
#include <potracelib.h>

namespace zesty {

namespace {

constexpr std::size_t most_edges = 1'500'000; ///< between light and dark along the rows
constexpr int speck = 12;                     ///< pixels; smaller dots are dust
constexpr int curve_steps = 8;                ///< a Bezier piece is flattened into so many

/// One bit a pixel in the layout that the tracer wants, bottom row first.
class Bits {
public:
    Bits(int width, int height)
        : width_(width), words_((width + word_bits - 1) / word_bits),
          data_(static_cast<std::size_t>(words_) * static_cast<std::size_t>(height), 0), height_(height) {}
    void set(int x, int y) {
        const auto row = static_cast<std::size_t>(height_ - 1 - y);
        data_[row * static_cast<std::size_t>(words_) + static_cast<std::size_t>(x / word_bits)] |=
            potrace_word{1} << (word_bits - 1 - x % word_bits);
    }
    potrace_bitmap_t bitmap() { return {width_, height_, words_, data_.data()}; }

private:
    static constexpr int word_bits = static_cast<int>(8 * sizeof(potrace_word));
    int width_;
    int words_;
    std::vector<potrace_word> data_;
    int height_;
};

Ring flattened(const potrace_curve_t& curve, double height) {
    Ring out;
    const auto at = [&](potrace_dpoint_t p) { return Point{p.x, height - p.y}; };
    Point from = at(curve.c[curve.n - 1][2]);
    for (int i = 0; i < curve.n; ++i) {
        const Point end = at(curve.c[i][2]);
        if (curve.tag[i] == POTRACE_CORNER) {
            out.push_back(at(curve.c[i][1]));
        } else {
            const Point a = at(curve.c[i][0]);
            const Point b = at(curve.c[i][1]);
            for (int s = 1; s < curve_steps; ++s) {
                const double t = static_cast<double>(s) / curve_steps;
                const double u = 1 - t;
                out.push_back(from * (u * u * u) + a * (3 * u * u * t) + b * (3 * u * t * t) +
                              end * (t * t * t));
            }
        }
        out.push_back(end);
        from = end;
    }
    return out;
}

} // namespace

Result<std::vector<Ring>> outlines_of(int width, int height,
                                      const std::function<bool(int x, int y)>& material) {
    Bits bits(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x)
            if (material(x, y)) bits.set(x, y);
    std::size_t edges = 0;
    for (int y = 0; y < height; ++y)
        for (int x = 1; x < width; ++x) edges += material(x, y) != material(x - 1, y);
    if (edges > most_edges)
        return fail(ErrorKind::TooLarge,
                    "the picture is too noisy to be traced: it changes between light and dark "
                    "over " +
                        std::to_string(most_edges) + " times");
    struct Free {
        void operator()(potrace_param_t* p) const { potrace_param_free(p); }
        void operator()(potrace_state_t* s) const { potrace_state_free(s); }
    };
    const std::unique_ptr<potrace_param_t, Free> params(potrace_param_default());
    if (!params) return fail(ErrorKind::TooLarge, "there is not enough memory to trace the picture");
    params->turdsize = speck;
    const potrace_bitmap_t bitmap = bits.bitmap();
    const std::unique_ptr<potrace_state_t, Free> state(potrace_trace(params.get(), &bitmap));
    if (!state || state->status != POTRACE_STATUS_OK)
        return fail(ErrorKind::TooLarge, "the picture is too intricate to be traced");
    std::vector<Ring> out;
    for (const potrace_path_t* p = state->plist; p; p = p->next) out.push_back(flattened(p->curve, height));
    if (out.empty()) return fail(ErrorKind::NothingToDo, "the picture shows nothing that could be traced");
    return out;
}

} // namespace zesty
