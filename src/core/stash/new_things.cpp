#include "core/stash/new_things.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr int round_corners = 64;
constexpr double stroke_of_height = 0.14;
constexpr double gap_of_height = 0.09;
constexpr double same_within = 0.01; ///< mm

bool same_outline(const Polygon& a, const Polygon& b) {
    return a.outer.size() == b.outer.size() && a.holes.size() == b.holes.size() &&
           std::equal(a.outer.begin(), a.outer.end(), b.outer.begin(),
                      [](Point p, Point q) { return distance(p, q) < same_within; });
}

bool is_round(EmbellishmentKind kind) {
    return kind == EmbellishmentKind::Dot || kind == EmbellishmentKind::Button ||
           kind == EmbellishmentKind::Flower;
}

std::vector<std::string> pieces_of(LetterKind kind, const std::string& letters) {
    if (kind != LetterKind::Words) return letters_of(letters);
    std::vector<std::string> out;
    std::string word;
    for (const char c : letters + " ") {
        if (c != ' ') {
            word += c;
        } else if (!word.empty()) {
            out.push_back(std::move(word));
            word.clear();
        }
    }
    return out;
}

} // namespace

Polygon outline_of_size(EmbellishmentKind kind, double width, double height) {
    if (!is_round(kind)) return {ring_of({-width / 2, -height / 2, width / 2, height / 2}), {}};
    Ring ring = circle({}, 0.5, round_corners);
    for (Point& p : ring) p = {p.x * width, p.y * height};
    return {ring, {}};
}

Polygon about_its_middle(const Polygon& outline) {
    const Point middle = bounds(outline).centre();
    return transformed(outline, Transform::moved(-middle.x, -middle.y));
}

bool add_or_count(std::vector<Embellishment>& all, Embellishment fresh) {
    const auto known = std::find_if(all.begin(), all.end(), [&](const Embellishment& e) {
        return e.colour == fresh.colour && same_outline(e.outline, fresh.outline);
    });
    if (known != all.end()) {
        known->count = static_cast<int>(thing_count_limits.nearest(known->count + fresh.count));
        if (known->picture.empty()) known->picture = fresh.picture;
    } else if (all.size() < most_embellishments) {
        all.push_back(std::move(fresh));
    } else {
        return false;
    }
    return true;
}

LetterSet letter_set_of(const std::string& id, LetterKind kind, double height, const std::string& letters,
                        const std::function<double(const std::string& letter)>& width_of) {
    LetterSet out;
    out.id = out.name = id;
    out.kind = kind;
    out.height = height;
    out.stroke = letter_stroke_limits.nearest(height * stroke_of_height);
    out.gap = letter_gap_limits.nearest(height * gap_of_height);
    for (const std::string& piece : pieces_of(kind, letters)) {
        if (piece == " ") continue;
        const auto [at, fresh] =
            out.letters.try_emplace(piece, LetterPiece{piece_width_limits.nearest(width_of(piece)), 0});
        at->second.count = std::min(at->second.count + 1, static_cast<int>(thing_count_limits.most));
    }
    return out;
}

std::string letters_entered(const LetterSet& set) {
    std::string out;
    for (const auto& [piece, of] : set.letters)
        for (int i = 0; i < (runs_out(set.kind) ? of.count : 1); ++i)
            out += (set.kind == LetterKind::Words && !out.empty() ? " " : "") + piece;
    return out;
}

} // namespace zesty
