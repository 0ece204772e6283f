#include "core/dress/title.h"

#include "core/dress/grounds.h"
#include "core/dress/title_path.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr double space_of_height = 0.45;    ///< between words
constexpr double lines_apart = 0.35;        ///< of a block, of the height
constexpr double usual_of_height = 0.6;     ///< width of a letter that nobody knows
constexpr double hand_height = 15;          ///< of a title whose letters are not chosen
constexpr double ground_that_counts = 0.05; ///< of a letter
constexpr double all_on_material = 0.95;

/// What of each set has been used, by set and piece.
using Used = std::map<std::pair<std::string, std::string>, int>;

std::vector<std::string> words_of_title(const std::string& text) {
    std::vector<std::string> out;
    std::string word;
    for (const char c : text + " ") {
        if (c != ' ' && c != '\n' && c != '\t') {
            word += c;
        } else if (!word.empty()) {
            out.push_back(std::move(word));
            word.clear();
        }
    }
    return out;
}

class Setting {
public:
    Setting(const DressNow& now, const PageTitle& title, const std::string& one_set, Used& used)
        : now_(now), title_(title), one_set_(one_set), used_(used) {}

    TitleFacts set() {
        const auto way = way_of(now_, title_.path);
        out_.no_path = !way;
        if (way) out_.room = way->length();
        lines_of_letters();
        for (const Line& line : lines_) out_.length = std::max(out_.length, line.length);
        out_.overhang = way ? std::max(0.0, out_.length - out_.room) : 0;
        if (way) stand_on(*way);
        return std::move(out_);
    }

private:
    struct Line {
        std::vector<TitleLetter> letters;
        std::vector<double> middles; ///< along the line
        double length = 0;
        double height = 0;
    };

    const LetterSet* set_of_word(std::size_t word) const {
        if (!one_set_.empty()) return now_.stash.letter_set(one_set_);
        if (title_.sets.empty()) return nullptr;
        return now_.stash.letter_set(title_.sets[std::min(word, title_.sets.size() - 1)]);
    }

    double factor(const LetterSet* set) const {
        return set && set->kind == LetterKind::Cut && title_.height > 0 ? title_.height / set->height : 1;
    }

    static double usual_width(const LetterSet* set) {
        if (!set || set->letters.empty()) return (set ? set->height : hand_height) * usual_of_height;
        double sum = 0;
        for (const auto& [letter, piece] : set->letters) sum += piece.width;
        return sum / static_cast<double>(set->letters.size());
    }

    TitleLetter letter(const LetterSet* set, const std::string& wanted) {
        TitleLetter out;
        out.piece = wanted;
        out.set = set ? set->id : std::string();
        out.height = (set ? set->height : hand_height) * factor(set);
        out.width = usual_width(set) * factor(set);
        if (!set) return out;
        const std::string piece = piece_for(*set, wanted);
        if (piece.empty()) {
            out.missing = true;
            if (set->kind == LetterKind::Words)
                out.width = static_cast<double>(letters_of(wanted).size()) * set->height * usual_of_height;
            return out;
        }
        out.piece = piece;
        out.width = set->letters.at(piece).width * factor(set);
        if (runs_out(set->kind))
            out.missing = ++used_[{set->id, piece}] >
                          set->letters.at(piece).count + (now_.had ? now_.had->letter(set->id, piece) : 0);
        return out;
    }

    void lines_of_letters() {
        const auto words = words_of_title(title_.text);
        const bool block = title_.block && title_.path.on == TitleOn::Line;
        std::map<std::string, int> missing;
        for (std::size_t w = 0; w < words.size(); ++w) {
            const LetterSet* set = set_of_word(w);
            if (lines_.empty() || block) lines_.emplace_back();
            Line& line = lines_.back();
            const double height = (set ? set->height : hand_height) * factor(set);
            const double gap = (set ? set->gap : 1.5) * factor(set) + title_.spacing;
            if (!line.letters.empty()) line.length += height * space_of_height;
            const auto pieces = set && set->kind == LetterKind::Words ? std::vector<std::string>{words[w]}
                                                                      : letters_of(words[w]);
            for (std::size_t i = 0; i < pieces.size(); ++i) {
                TitleLetter one = letter(set, pieces[i]);
                if (i > 0) line.length += gap;
                line.middles.push_back(line.length + one.width / 2);
                line.length += one.width;
                line.height = std::max(line.height, one.height);
                if (one.missing) ++missing[one.piece];
                line.letters.push_back(std::move(one));
            }
        }
        out_.missing.assign(missing.begin(), missing.end());
        for (const Line& line : lines_) out_.height = std::max(out_.height, line.height);
    }

    void stand_on(const Way& way) {
        double below = 0; // of a block: its lines go down from the way
        for (std::size_t l = 0; l < lines_.size(); ++l) {
            Line& line = lines_[l];
            if (l > 0) below += line.height * (1 + lines_apart);
            const double from = (way.length() - line.length) / 2;
            for (std::size_t i = 0; i < line.letters.size(); ++i) {
                TitleLetter one = std::move(line.letters[i]);
                const Way::Place place = way.place(from + line.middles[i], one.width);
                const Transform turn = Transform::turned_deg(place.turn_deg);
                one.foot = place.at + turn({0, below});
                one.turn_deg = place.turn_deg;
                const Box box{-one.width / 2, -one.height, one.width / 2, 0};
                one.box = {transformed(ring_of(box), Transform::moved(one.foot.x, one.foot.y) * turn), {}};
                out_.letters.push_back(std::move(one));
            }
        }
    }

    const DressNow& now_;
    const PageTitle& title_;
    const std::string& one_set_;
    Used& used_;
    TitleFacts out_;
    std::vector<Line> lines_;
};

/// Material of the cuts near all letters of a title.
Region material_below(const DressNow& now, const TitleFacts& facts) {
    Region out;
    if (!now.sections.cut) return out;
    Region boxes;
    for (const TitleLetter& letter : facts.letters) boxes.push_back(letter.box);
    const Transform back = inverse(now.whole.to_page);
    Box near;
    for (const Point p : ring_of(bounds(boxes))) near.add(back(p));
    for (const Piece& p : now.sections.cut->pieces)
        if (p.box.meets(near))
            if (const auto part = clipped(p.outline, near.grown(0.1)))
                for (const Polygon& q : *part) out.push_back(transformed(q, now.whole.to_page));
    return out;
}

/// How often material crosses the edge of a letter's box.
std::size_t runs_on_edge(const Region& below, const Polygon& box) {
    constexpr double band = 0.1;
    constexpr double least = 0.3 * band; ///< mm2: no bar is that narrow
    const auto inner = grow({box}, -band);
    if (!inner || inner->size() != 1) return 0;
    const auto on_edge = intersect(below, {{box.outer, {inner->front().outer}}});
    if (!on_edge) return 0;
    return static_cast<std::size_t>(
        std::count_if(on_edge->begin(), on_edge->end(), [&](const Polygon& p) { return area(p) > least; }));
}

/// Bars that run through below a letter; none where it stands altogether on material. Bars that join below
/// it are one piece of material: each of them comes in and goes out at the edge, so a cross is two.
int lines_below(const Region& material, const Polygon& box) {
    const Box there = bounds(box);
    Region near;
    for (const Polygon& p : material)
        if (bounds(p).meets(there))
            if (const auto part = clipped(p, there.grown(0.1)))
                near.insert(near.end(), part->begin(), part->end());
    if (near.empty()) return 0;
    const auto below = intersect({box}, near);
    if (!below || area(*below) > all_on_material * area(box)) return 0;
    const double least = 0.002 * area(box);
    const auto apart =
        std::count_if(below->begin(), below->end(), [&](const Polygon& p) { return area(p) > least; });
    return std::max(static_cast<int>(apart), static_cast<int>((runs_on_edge(*below, box) + 1) / 2));
}

Rgb colour_of_letter(const DressNow& now, const TitleLetter& letter) {
    const LetterSet* set = now.stash.letter_set(letter.set);
    return set ? set->colour : Rgb{0x26, 0x24, 0x2b};
}

void look_at_ground(const DressNow& now, const std::vector<LyingThing>& pile, const PageTitle& title,
                    TitleFacts& facts) {
    const Region material = title.label ? Region{} : material_below(now, facts);
    for (TitleLetter& letter : facts.letters) {
        const Lab own = to_lab(colour_of_letter(now, letter));
        if (title.label) {
            letter.contrast = std::abs(own.l - to_lab(title.label_colour).l);
        } else {
            letter.lines = lines_below(material, letter.box);
            const double counts = ground_that_counts * area(letter.box);
            for (const Ground& g : grounds_under(now, pile, pile.size(), {letter.box}))
                if (g.area >= counts)
                    letter.contrast = std::min(letter.contrast, std::abs(own.l - to_lab(g.colour).l));
        }
        facts.most_lines = std::max(facts.most_lines, letter.lines);
        facts.contrast = std::min(facts.contrast, letter.contrast);
    }
}

void measure_label(const PageTitle& title, TitleFacts& facts) {
    if (facts.letters.empty()) return;
    Region boxes;
    Ring all;
    for (const TitleLetter& letter : facts.letters) {
        boxes.push_back(letter.box);
        all.insert(all.end(), letter.box.outer.begin(), letter.box.outer.end());
    }
    if (title.path.on == TitleOn::Line) {
        // Upright on its line.
        const Transform turn = Transform::turned_deg(title.path.turn_deg);
        Box box;
        for (const Point p : all) box.add(inverse(turn)(p));
        box = box.grown(title.label_margin);
        facts.label = {transformed(ring_of(box), turn), {}};
        facts.label_width = box.width();
        facts.label_height = box.height();
        return;
    }
    // Along a curve: a band under the letters, closed between them.
    const double close = std::max(facts.height, title.label_margin) / 2;
    const auto wide = grow(boxes, title.label_margin + close);
    const auto band = wide ? grow(*wide, -close) : wide;
    if (band && !band->empty()) facts.label = {largest(*band).outer, {}};
    const Box box = bounds(facts.label);
    facts.label_width = box.width();
    facts.label_height = box.height();
}

} // namespace

bool is_written(const TitleLetter& letter, const Stash& stash) {
    const LetterSet* set = stash.letter_set(letter.set);
    return !set || set->kind == LetterKind::Stamps;
}

std::vector<TitleFacts> title_facts(const DressNow& now, const std::vector<LyingThing>& pile) {
    std::vector<TitleFacts> out;
    Used used;
    for (const PageTitle& title : now.decided.titles) {
        TitleFacts facts = Setting(now, title, {}, used).set();
        look_at_ground(now, pile, title, facts);
        measure_label(title, facts);
        out.push_back(std::move(facts));
    }
    return out;
}

TitleFacts title_as_set(const DressNow& now, std::size_t title, const std::string& set) {
    Used used;
    for (std::size_t i = 0; i < now.decided.titles.size(); ++i)
        if (i != title) (void)Setting(now, now.decided.titles[i], {}, used).set();
    return Setting(now, now.decided.titles[title], set, used).set();
}

TitleFacts title_as_read(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t title,
                         const std::string& set) {
    TitleFacts facts = title_as_set(now, title, set);
    look_at_ground(now, pile, now.decided.titles[title], facts);
    return facts;
}

} // namespace zesty
