#include "io/hpgl.h"

#include "core/build/blade_path.h"

#include <cmath>

namespace zesty {

namespace {

class Plotter {
public:
    Plotter(QByteArray& out, double height) : out_(out), height_(height) {}

    void stroke(const Stroke& stroke) {
        go("PU", stroke.front());
        for (std::size_t i = 1; i < stroke.size(); ++i) go("PD", stroke[i]);
    }

private:
    void go(const char* command, Point p) {
        const auto units = [](double mm) { return QByteArray::number(std::lround(mm * hpgl_units_per_mm)); };
        out_ += command + units(p.x) + "," + units(height_ - p.y) + ";\n";
    }
    QByteArray& out_;
    double height_;
};

} // namespace

QByteArray cutting_hpgl(const CuttingFile& file, const CuttingSettings& settings) {
    QByteArray out = "IN;\n";
    Plotter plotter(out, file.height);
    if (!file.registration.empty()) {
        out += "SP2;\n";
        for (const auto& [from, to] : registration_lines(file)) plotter.stroke({from, to});
        out += "PU;\n";
    }
    out += "SP1;\n";
    int number = 0;
    for (const Ring& ring : file.contours) {
        const std::vector<Stroke> strokes = blade_path(ring, settings);
        if (strokes.empty()) continue;
        out += "CO \"contour " + QByteArray::number(++number) + "\";\n";
        for (const Stroke& s : strokes) plotter.stroke(s);
    }
    out += "PU;SP0;\n";
    return out;
}

} // namespace zesty
