#include "io/hpgl.h"

#include "core/geometry/shapes.h"

#include <cmath>

namespace zesty {

namespace {

class Plotter {
public:
    Plotter(QByteArray& out, double height) : out_(out), height_(height) {}

    void up_to(Point p) { go("PU", p); }
    void down_to(Point p) { go("PD", p); }

private:
    void go(const char* command, Point p) {
        const auto units = [](double mm) { return QByteArray::number(std::lround(mm * hpgl_units_per_mm)); };
        out_ += command + units(p.x) + "," + units(height_ - p.y) + ";\n";
    }
    QByteArray& out_;
    double height_;
};

/// Along the ring from its start, as far as the blade goes on.
void go_on(const Ring& ring, double overcut, Plotter& plotter) {
    for (std::size_t i = 0; i < ring.size() && overcut > 0; ++i) {
        const Point a = ring[i];
        const Point b = ring[(i + 1) % ring.size()];
        const double edge = distance(a, b);
        if (edge <= 0) continue;
        plotter.down_to(edge <= overcut ? b : a + (b - a) * (overcut / edge));
        overcut -= edge;
    }
}

} // namespace

QByteArray cutting_hpgl(const CuttingFile& file, double overcut) {
    QByteArray out = "IN;SP1;\n";
    Plotter plotter(out, file.height);
    for (const Ring& ring : file.contours) {
        if (ring.size() < 3) continue;
        plotter.up_to(ring.front());
        for (std::size_t i = 1; i < ring.size(); ++i) plotter.down_to(ring[i]);
        plotter.down_to(ring.front());
        go_on(ring, overcut, plotter);
    }
    out += "PU;SP0;\n";
    return out;
}

} // namespace zesty
