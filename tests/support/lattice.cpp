#include "support/lattice.h"

#include "core/geometry/measure.h"

namespace zesty::testing {

Drawing drawing_of(std::vector<Ring> rings) {
    Drawing d;
    d.size_known = true;
    d.shapes.push_back(even_odd_shape(std::move(rings)));
    return d;
}

Ring rectangle(double x0, double y0, double x1, double y1) {
    return {{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}};
}

Ring polygon(Point c, double radius, int n, double turn) {
    Ring r;
    for (int i = 0; i < n; ++i) {
        const double a = turn + 2 * M_PI * i / n;
        r.push_back({c.x + radius * std::cos(a), c.y + radius * std::sin(a)});
    }
    return r;
}

Drawing random_lattice(std::mt19937& random, int columns, int rows, double bar) {
    std::uniform_real_distribution<double> jitter(-0.22, 0.22);
    const double w = 250.0 / columns;
    std::vector<std::vector<Point>> knots(rows + 1, std::vector<Point>(columns + 1));
    for (int r = 0; r <= rows; ++r)
        for (int c = 0; c <= columns; ++c) {
            const bool rim = r == 0 || c == 0 || r == rows || c == columns;
            knots[r][c] = {(c + (rim ? 0 : jitter(random))) * w, (r + (rim ? 0 : jitter(random))) * w};
        }
    std::vector<Ring> rings{rectangle(-bar - 1, -bar - 1, 250 + bar + 1, rows * w + bar + 1)};
    for (int r = 0; r < rows; ++r)
        for (int c = 0; c < columns; ++c) {
            const Region cell{{{knots[r][c], knots[r][c + 1], knots[r + 1][c + 1], knots[r + 1][c]}, {}}};
            const auto opening = grow(cell, -bar / 2, Corner::Sharp);
            if (!opening || opening->size() != 1) continue;
            rings.push_back(opening->front().outer);
            const auto middle = largest_circle(opening->front(), 0.1);
            if (random() % 6 == 0 && middle && middle->radius > 6)
                rings.push_back(polygon(middle->centre, middle->radius * 0.5, 5));
        }
    return drawing_of(std::move(rings));
}

std::vector<Spot> spots_of(const CutFile& cut) {
    std::vector<Spot> out;
    for (std::size_t o = 0; o < cut.openings.size(); ++o) out.emplace_back(static_cast<int>(o));
    return out;
}

Drawing random_blobs(std::mt19937& random, int shapes) {
    std::uniform_real_distribution<double> unit(0, 1);
    std::vector<Ring> rings{rectangle(0, 0, 260, 260)};
    std::vector<Circle> taken;
    for (int tries = 0; tries < 4000 && static_cast<int>(taken.size()) < shapes; ++tries) {
        const double radius = 4 + 26 * unit(random) * unit(random);
        const Point c{radius + 2 + unit(random) * (256 - 2 * radius),
                      radius + 2 + unit(random) * (256 - 2 * radius)};
        bool free = true;
        for (const Circle& t : taken) free = free && distance(t.centre, c) > t.radius + radius + 0.7;
        if (!free) continue;
        taken.push_back({c, radius});
        const int lobes = 2 + static_cast<int>(random() % 5);
        const double depth = 0.45 * unit(random);
        const double turn = 6 * unit(random);
        Ring r;
        for (int i = 0; i < 72; ++i) {
            const double a = 2 * M_PI * i / 72;
            const double s = radius * (1 - depth * (0.5 + 0.5 * std::cos(lobes * a)));
            r.push_back({c.x + s * std::cos(a + turn), c.y + s * std::sin(a + turn)});
        }
        rings.push_back(std::move(r));
    }
    return drawing_of(std::move(rings));
}

} // namespace zesty::testing
