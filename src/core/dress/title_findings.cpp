// What titles give cause to say, with ways out that have been tried.

#include "core/dress/dress.h"
#include "core/dress/fixes.h"
#include "core/dress/pile.h"
#include "core/dress/title.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace zesty {

namespace {

constexpr Rgb light_label{0xfb, 0xf8, 0xf1}, dark_label{0x26, 0x24, 0x2b};
constexpr double hardly_better = 5; ///< of L*

constexpr double hardly_over = 0.2;     ///< mm that nobody sees
constexpr double least_gap_share = 0.3; ///< of the usual gap between letters, when they are set closer
constexpr std::size_t most_other_sets = 2;
constexpr std::size_t most_reordered = 4; ///< words

class TitleFindings {
public:
    TitleFindings(const DressNow& now, const DressFacts& facts) : now_(now), facts_(facts) {}

    std::vector<Finding> all() {
        for (std::size_t i = 0; i < facts_.titles.size(); ++i) {
            if (title(i).text.empty()) continue;
            no_path(i);
            too_long(i);
            off_page(i);
            missing(i);
            hard_to_read(i);
        }
        return std::move(out_);
    }

private:
    const PageTitle& title(std::size_t i) const { return now_.decided.titles[i]; }
    std::string name(std::size_t i) const { return "\"" + title(i).text + "\""; }
    std::optional<Point> where(std::size_t i) const {
        const auto& letters = facts_.titles[i].letters;
        if (letters.empty()) return title(i).path.centre;
        return letters[letters.size() / 2].foot;
    }
    DressNow with(const DressDecisions& decided) const {
        return {decided,     now_.page,          now_.whole, now_.sections, now_.stash,
                now_.papers, now_.photo_colours, now_.units, nullptr,       now_.foam_width,
                now_.had};
    }
    /// How it would come out.
    TitleFacts tried(std::size_t i, const PageTitle& instead) const {
        const DressDecisions decided = decided_with(i, instead);
        return title_as_set(with(decided), i);
    }
    TitleFacts tried_and_read(std::size_t i, const PageTitle& instead,
                              const std::vector<LyingThing>& pile) const {
        const DressDecisions decided = decided_with(i, instead);
        return title_as_read(with(decided), pile, i);
    }
    DressDecisions decided_with(std::size_t i, const PageTitle& instead) const {
        DressDecisions decided = now_.decided;
        decided.titles[i] = instead;
        return decided;
    }
    static bool is_cured(const TitleFacts& f) {
        return !f.no_path && f.overhang <= hardly_over && f.missing.empty();
    }

    void no_path(std::size_t i) {
        if (!facts_.titles[i].no_path) return;
        PageTitle straight = title(i);
        straight.path.on = TitleOn::Line;
        out_.push_back({.code = Code::TitleWithoutPath,
                        .title = name(i) + " has nothing to stand on",
                        .message = "The opening or cut that it followed is not on the page any more.",
                        .fixes = {{"Set it straight", SetTitle{static_cast<int>(i), straight}}}});
    }

    void try_set(std::size_t i, Finding& f) {
        std::size_t found = 0;
        for (const LetterSet& set : now_.stash.letters) {
            if (found == most_other_sets) return;
            if (title(i).sets.size() == 1 && title(i).sets[0] == set.id) continue;
            PageTitle other = title(i);
            other.sets = {set.id};
            if (!is_cured(tried(i, other))) continue;
            f.fixes.emplace_back("Take " + set.name, SetTitle{static_cast<int>(i), other});
            ++found;
        }
    }

    void too_long(std::size_t i) {
        const TitleFacts& t = facts_.titles[i];
        if (t.no_path || t.overhang <= hardly_over) return;
        Finding f{.code = Code::TitleTooLong,
                  .title = name(i) + " is " + sixteenths(t.overhang) + " too long",
                  .message = "Its letters take " + format_length(t.length, now_.units) + "; there are " +
                             format_length(t.room, now_.units) + ".",
                  .where = where(i)};
        closer(i, f);
        lower(i, f);
        if (!title(i).block && title(i).path.on == TitleOn::Line) {
            PageTitle block = title(i);
            block.block = true;
            if (is_cured(tried(i, block)))
                f.fixes.emplace_back("A line for each word", SetTitle{static_cast<int>(i), block});
        }
        try_set(i, f);
        out_.push_back(std::move(f));
    }

    std::string sixteenths(double mm) const {
        if (now_.units == Units::Centimetres) return format_mm(mm);
        return format_length(std::ceil(mm * 16 / mm_per_inch - 1e-9) * mm_per_inch / 16, now_.units);
    }

    void closer(std::size_t i, Finding& f) {
        const TitleFacts& t = facts_.titles[i];
        if (t.letters.size() < 2) return;
        double least_gap = 1e9;
        for (const TitleLetter& letter : t.letters)
            if (const LetterSet* set = now_.stash.letter_set(letter.set))
                least_gap = std::min(least_gap, set->gap);
        PageTitle close = title(i);
        close.spacing -= t.overhang / static_cast<double>(t.letters.size() - 1) * 1.05 + 0.02;
        if (least_gap + close.spacing < least_gap_share * least_gap) return;
        for (int step = 0; step < 4; ++step) {
            const TitleFacts now = tried(i, close);
            if (now.overhang <= hardly_over) {
                f.fixes.emplace_back(
                    "Letters " + format_length(title(i).spacing - close.spacing, now_.units) + " closer",
                    SetTitle{static_cast<int>(i), close});
                return;
            }
            close.spacing -= now.overhang / static_cast<double>(t.letters.size() - 1);
            if (least_gap + close.spacing < least_gap_share * least_gap) return;
        }
    }

    /// Letters that are cut can be cut smaller.
    void lower(std::size_t i, Finding& f) {
        const TitleFacts& t = facts_.titles[i];
        if (t.length <= 0) return;
        PageTitle low = title(i);
        low.height = std::floor(t.height * t.room / t.length * 0.97 * 2) / 2;
        if (low.height < 3) return;
        if (is_cured(tried(i, low)))
            f.fixes.emplace_back("Letters of " + format_length(low.height, now_.units),
                                 SetTitle{static_cast<int>(i), low});
    }

    void off_page(std::size_t i) {
        const Box page = now_.page.page.whole();
        std::string over;
        for (const TitleLetter& letter : facts_.titles[i].letters)
            if (!page.grown(hardly_over).holds(bounds(letter.box))) over += letter.piece;
        if (over.empty()) return;
        out_.push_back({.code = Code::TitleOffPage,
                        .title = name(i) + " hangs off the page",
                        .message = over + " would be trimmed; move the title or shorten its way.",
                        .where = where(i)});
    }

    void missing(std::size_t i) {
        const TitleFacts& t = facts_.titles[i];
        if (t.missing.empty()) return;
        std::vector<std::string> said;
        int all = 0;
        for (const auto& [piece, count] : t.missing) {
            said.push_back(count == 1 ? piece : std::to_string(count) + " " + piece);
            all += count;
        }
        Finding f{.code = Code::LettersMissing,
                  .title = name(i) + ": " + in_a_row(said) + " missing",
                  .message = count_of(static_cast<std::size_t>(all), "letter is", "letters are") +
                             " not in the drawer any more, or never were.",
                  .where = where(i)};
        one_word_in_another_set(i, f);
        try_set(i, f);
        out_.push_back(std::move(f));
    }

    /// Only the words that lack letters change their set.
    void one_word_in_another_set(std::size_t i, Finding& f) {
        const PageTitle& now = title(i);
        const auto words = static_cast<std::size_t>(std::count(now.text.begin(), now.text.end(), ' ')) + 1;
        if (words < 2 || now.sets.empty()) return;
        for (std::size_t w = 0; w < words; ++w)
            for (const LetterSet& set : now_.stash.letters) {
                PageTitle mixed = now;
                while (mixed.sets.size() < words) mixed.sets.push_back(mixed.sets.back());
                if (mixed.sets[w] == set.id) continue;
                mixed.sets[w] = set.id;
                if (!is_cured(tried(i, mixed))) continue;
                f.fixes.emplace_back("Word " + std::to_string(w + 1) + " in " + set.name,
                                     SetTitle{static_cast<int>(i), mixed});
                return;
            }
    }

    void hard_to_read(std::size_t i) {
        const TitleFacts& t = facts_.titles[i];
        if (t.letters.empty() || (t.most_lines < too_many_lines && t.contrast >= readable_contrast)) return;
        const bool faint = t.contrast < readable_contrast;
        // Light below dark letters, dark below light ones, as what helps.
        PageTitle labelled = title(i);
        labelled.label = true;
        TitleFacts with_label = tried_and_read(i, labelled, {});
        for (const Rgb colour : {light_label, dark_label}) {
            PageTitle other = labelled;
            other.label_colour = colour;
            TitleFacts read = tried_and_read(i, other, {});
            if (read.contrast <= with_label.contrast + hardly_better) continue;
            labelled = std::move(other);
            with_label = std::move(read);
        }
        const bool helps = !(labelled == title(i)) && with_label.contrast >= readable_contrast;
        Finding f{.code = Code::TitleHardToRead,
                  .title = name(i) + " is hard to read",
                  .message =
                      (faint ? "Its worst letter differs from what lies under it by " +
                                   std::to_string(std::lround(t.contrast)) + " of 100 in lightness"
                             : count_of(static_cast<std::size_t>(t.most_lines), "bar runs", "bars run") +
                                   " through below one letter") +
                      (helps ? "; a plain " + colour_words(labelled.label_colour) + " label of " +
                                   format_size(t.label_width, t.label_height, now_.units) + " under it helps."
                             : ". No label makes these letters readable: choose another set."),
                  .where = where(i)};
        if (helps)
            f.fixes.emplace_back(title(i).label ? "Make the label " + colour_words(labelled.label_colour)
                                                : std::string("Lay a label under it"),
                                 SetTitle{static_cast<int>(i), labelled});
        other_order(i, f);
        out_.push_back(std::move(f));
    }

    /// The same words in another order, where no letter of that is hard to read.
    void other_order(std::size_t i, Finding& f) {
        std::vector<std::string> words{{}};
        for (const char c : title(i).text)
            if (c == ' ')
                words.emplace_back();
            else
                words.back() += c;
        if (words.size() < 2 || words.size() > most_reordered) return;
        const std::vector<LyingThing> pile = pile_of(now_);
        std::vector<std::size_t> order(words.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        while (std::next_permutation(order.begin(), order.end())) {
            PageTitle other = title(i);
            other.text.clear();
            for (const std::size_t w : order) other.text += (other.text.empty() ? "" : " ") + words[w];
            if (title(i).sets.size() > 1)
                for (std::size_t k = 0; k < order.size(); ++k) {
                    if (k >= other.sets.size()) other.sets.push_back({});
                    other.sets[k] = title(i).sets[std::min(order[k], title(i).sets.size() - 1)];
                }
            const TitleFacts then = tried_and_read(i, other, pile);
            if (!is_cured(then) || then.most_lines >= too_many_lines || then.contrast < readable_contrast)
                continue;
            f.fixes.emplace_back("\"" + other.text + "\"", SetTitle{static_cast<int>(i), other});
            return;
        }
    }

    const DressNow& now_;
    const DressFacts& facts_;
    std::vector<Finding> out_;
};

} // namespace

std::vector<Finding> title_findings(const DressNow& now, const DressFacts& facts) {
    return TitleFindings(now, facts).all();
}

} // namespace zesty
