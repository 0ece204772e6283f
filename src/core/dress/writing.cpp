#include "core/dress/writing.h"

#include "core/sentences.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double one_degree = M_PI / 180;
constexpr double above_foot = 0.2;
constexpr double letters_of_word = 6; ///< of a usual one, with its space
constexpr double finest_step = 0.25;  ///< mm of line height
constexpr int corners_of_ring = 96;

Point on_circle(Point centre, double radius, double deg) {
    return {centre.x + radius * std::cos(deg * one_degree), centre.y + radius * std::sin(deg * one_degree)};
}

/// A text as words, those before a new line of the text marked.
struct Word {
    std::string letters;
    double width = 0; ///< in letters
    bool ends_line = false;
};

bool begins_letter(char c) {
    return (static_cast<unsigned char>(c) & 0xC0) != 0x80;
}

std::vector<Word> words_in(const std::string& text) {
    std::vector<Word> out;
    Word now;
    const auto finish = [&](bool ends_line) {
        if (!now.letters.empty()) out.push_back(std::exchange(now, {}));
        if (ends_line && !out.empty()) out.back().ends_line = true;
    };
    for (const char c : text) {
        if (c == '\n') {
            finish(true);
        } else if (c == ' ' || c == '\t' || c == '\r') {
            finish(false);
        } else {
            now.letters += c;
            now.width += begins_letter(c) ? 1 : 0;
        }
    }
    finish(false);
    return out;
}

/// Fills the lines; how many words have no place.
int flow(std::vector<WritingLine>& lines, const std::vector<Word>& words, double letter) {
    std::size_t next = 0;
    for (WritingLine& line : lines) {
        double used = 0;
        while (next < words.size()) {
            const Word& word = words[next];
            const double wanted = (used > 0 ? letter : 0) + word.width * letter;
            if (used + wanted > line.length + 1e-9) break;
            line.text += (used > 0 ? " " : "") + word.letters;
            used += wanted;
            ++next;
            if (word.ends_line) break;
        }
    }
    return static_cast<int>(words.size() - next);
}

std::vector<WritingLine> straight_lines(const Writing& w) {
    std::vector<WritingLine> out;
    const Transform t = Transform::moved(w.centre.x, w.centre.y) * Transform::turned_deg(w.turn_deg);
    const int count = static_cast<int>(w.height / w.line_height + 1e-9);
    for (int i = 0; i < count; ++i) {
        const double y = -w.height / 2 + (i + 1 - above_foot) * w.line_height;
        out.push_back({t(Point{-w.width / 2, y}), t(Point{w.width / 2, y}), 0, 0, 0, w.width, {}});
    }
    return out;
}

std::vector<WritingLine> arcs(const Writing& w) {
    std::vector<WritingLine> out;
    const int count = static_cast<int>(w.height / w.line_height + 1e-9);
    for (int i = 0; i < count; ++i) {
        const double r = w.radius - i * w.line_height;
        // On a tighter one nobody writes.
        if (r < w.line_height) break;
        out.push_back({on_circle(w.centre, r, w.from_deg),
                       on_circle(w.centre, r, w.from_deg + w.sweep_deg),
                       r,
                       w.from_deg,
                       w.sweep_deg,
                       r * w.sweep_deg * one_degree,
                       {}});
    }
    return out;
}

} // namespace

std::vector<WritingLine> lines_of(const Writing& writing) {
    return writing.shape == WritingShape::Arc ? arcs(writing) : straight_lines(writing);
}

Polygon outline_of(const Writing& w) {
    if (w.shape == WritingShape::Back) return {};
    if (w.shape == WritingShape::Lines) {
        const Transform t = Transform::moved(w.centre.x, w.centre.y) * Transform::turned_deg(w.turn_deg);
        return {transformed(ring_of(Box{-w.width / 2, -w.height / 2, w.width / 2, w.height / 2}), t), {}};
    }
    const double outer = w.radius + w.line_height;
    const double inner = std::max(0.1, w.radius - w.height + w.line_height);
    if (w.sweep_deg >= 360)
        return {circle(w.centre, outer, corners_of_ring), {circle(w.centre, inner, corners_of_ring)}};
    Polygon out;
    const int steps = std::max(2, static_cast<int>(corners_of_ring * w.sweep_deg / 360));
    for (int i = 0; i <= steps; ++i)
        out.outer.push_back(on_circle(w.centre, outer, w.from_deg + w.sweep_deg * i / steps));
    for (int i = steps; i >= 0; --i)
        out.outer.push_back(on_circle(w.centre, inner, w.from_deg + w.sweep_deg * i / steps));
    return out;
}

WritingFacts written(const Writing& writing, double letter_width) {
    WritingFacts out;
    out.lines = lines_of(writing);
    const std::vector<Word> words = words_in(writing.text);
    out.words = static_cast<int>(words.size());
    const double letter = letter_width * writing.line_height;
    for (const WritingLine& line : out.lines) {
        out.length += line.length;
        out.holds += static_cast<int>((line.length + letter) / (letters_of_word * letter));
    }
    out.left_over = flow(out.lines, words, letter);
    if (out.left_over == 0) {
        out.widest_fitting = writing.line_height;
        return out;
    }
    Writing smaller = writing;
    for (double h = std::floor(writing.line_height / finest_step) * finest_step;
         h >= line_height_limits.least && out.widest_fitting == 0; h -= finest_step) {
        smaller.line_height = h;
        auto lines = lines_of(smaller);
        if (flow(lines, words, letter_width * h) == 0) out.widest_fitting = h;
    }
    return out;
}

namespace {

const Photo* photo_with_id(const SetOutDecisions& page, int id) {
    for (const Photo& p : page.photos)
        if (id > 0 && p.id == id) return &p;
    return nullptr;
}

/// Everything turned about and moved with a photo, or back.
Writing turned_with(Writing w, double turn_deg) {
    if (w.shape == WritingShape::Arc)
        w.from_deg = std::remainder(w.from_deg + turn_deg, 360.0);
    else
        w.turn_deg = std::remainder(w.turn_deg + turn_deg, 360.0);
    return w;
}

} // namespace

Writing on_page(const Writing& writing, const SetOutDecisions& page) {
    const Photo* photo = photo_with_id(page, writing.with_photo);
    if (!photo) return writing;
    Writing out = turned_with(writing, photo->turn_deg);
    out.centre = photo->centre + Transform::turned_deg(photo->turn_deg)(writing.centre);
    return out;
}

Writing date_writing(const SetOutDecisions& page) {
    constexpr double from_edges = 12;
    Writing out;
    out.text = date_in_words(page.date);
    out.line_height = 6;
    out.width = 60;
    out.height = 8;
    const Box leaf = page.page.leaves().front();
    out.centre = {leaf.x1 - out.width / 2 - from_edges, leaf.y1 - out.height / 2 - from_edges};
    return out;
}

Writing moved_writing(const Writing& writing, const SetOutDecisions& page, Point by) {
    Writing out = writing;
    const Photo* photo = photo_with_id(page, writing.with_photo);
    out.centre = writing.centre + (photo ? Transform::turned_deg(-photo->turn_deg)(by) : by);
    return out;
}

Writing belonging_to(const Writing& writing, SetOutDecisions& page, int photo) {
    Writing out = on_page(writing, page);
    out.with_photo = 0;
    if (photo < 0 || photo >= static_cast<int>(page.photos.size())) return out;
    Photo& of = page.photos[static_cast<std::size_t>(photo)];
    if (of.id == 0) {
        int highest = 0;
        for (const Photo& p : page.photos) highest = std::max(highest, p.id);
        of.id = highest + 1;
    }
    out = turned_with(out, -of.turn_deg);
    out.centre = Transform::turned_deg(-of.turn_deg)(out.centre - of.centre);
    out.with_photo = of.id;
    return out;
}

} // namespace zesty
