#include "app/dress/letters_part.h"

#include "app/bench/wording.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/colour_words.h"
#include "core/stash/new_paper.h"
#include "core/stash/new_things.h"
#include "io/paint/letters.h"

#include <QHBoxLayout>
#include <QLineEdit>
#include <algorithm>

namespace zesty {

namespace {

constexpr int longest_name = 60;
constexpr int most_letters_typed = 4000;

QString row_of(const LetterSet& set, Units units) {
    std::size_t pieces = set.letters.size();
    if (runs_out(set.kind)) {
        pieces = 0;
        for (const auto& [piece, of] : set.letters) pieces += static_cast<std::size_t>(of.count);
    }
    const QString what = set.kind == LetterKind::Words ? counted(pieces, "word", "words")
                                                       : counted(pieces, "letter", "letters");
    return words(set.name) + ": " + what + (runs_out(set.kind) ? " left" : "") + ", " +
           words(std::string(key_of(set.kind))) + ", " + words(format_length(set.height, units));
}

} // namespace

LettersPart::LettersPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    sets_ = new Rows("letter-sets-of-drawer", "Letter sets of the drawer", 4, this);
    connect(sets_, &Rows::taken, this, [this] { show_chosen(); });
    column_->addWidget(sets_);
    build_fields();
    says_ = line("letters-say");
    connect(&document, &Document::project_changed, this, &LettersPart::refresh_if_shown);
}

QLineEdit* LettersPart::text_field(const QString& name, const QString& such_as) {
    auto* edit = new QLineEdit(this);
    edit->setAccessibleName(name);
    edit->setToolTip(name);
    edit->setPlaceholderText(such_as);
    edit->setMaxLength(longest_name);
    return edit;
}

void LettersPart::build_fields() {
    auto* r = row("Name");
    name_ = text_field("Name of the letter set", "such as Cork letters");
    r->addWidget(name_, 1);
    r = row("Kind");
    kind_ = new ChoiceBox<LetterKind>("Kind of the letters",
                                      {{"stickers", LetterKind::Stickers},
                                       {"dies", LetterKind::Dies},
                                       {"stamps", LetterKind::Stamps},
                                       {"ready-made words", LetterKind::Words},
                                       {"cut by machine", LetterKind::Cut}},
                                      this);
    kind_->setToolTip("Stickers and words run out; dies, stamps and letters that are cut do not");
    r->addWidget(kind_);
    r->addStretch(1);
    r = row("Height");
    height_ =
        length_field("Height of a capital", letter_height_limits, [this](double mm) { height_typed_ = mm; });
    colour_ = text_field("Colour of the letters, in words or as #rrggbb", "colour, such as dark brown");
    r->addWidget(height_);
    r->addWidget(colour_, 1);
    r = row("There are");
    letters_ = text_field("The letters there are, each as often as it is there; words with spaces between",
                          "AABCDEE, or words");
    letters_->setMaxLength(most_letters_typed);
    r->addWidget(letters_, 1);
    r = row(QString());
    r->addWidget(push("Add to drawer", "Puts a new set of these letters into the drawer",
                      [this] { add_to_drawer(); }));
    change_ = push("Change set", "The set chosen in the list becomes what stands here",
                   [this] { change_chosen(); });
    remove_ =
        push("Remove set", "Takes the set chosen in the list out of the drawer", [this] { remove_chosen(); });
    r->addWidget(change_);
    r->addWidget(remove_);
    r->addStretch(1);
}

const LetterSet* LettersPart::chosen() const {
    const auto& all = stash_at_hand(document_.project()).letters;
    const int row = sets_->in_hand();
    return row >= 0 && row < static_cast<int>(all.size()) ? &all[static_cast<std::size_t>(row)] : nullptr;
}

std::optional<LetterSet> LettersPart::entered(LetterSet known) {
    const std::string name = name_->text().trimmed().toStdString();
    if (name.empty()) {
        says_->setText("Give the set a name first.");
        return std::nullopt;
    }
    const QString colour = colour_->text().trimmed();
    // In words a colour is less exact than it may be known.
    const bool as_it_was = colour.isEmpty() || colour == words(colour_words(known.colour));
    const auto seen = as_it_was ? std::optional(known.colour) : colour_called(colour.toStdString());
    if (!seen) {
        says_->setText(QString("\"%1\" is not a colour: type it in words, such as dark brown.").arg(colour));
        return std::nullopt;
    }
    LetterSet fresh = letter_set_of(
        known.id, kind_->value(), height_typed_, letters_->text().toStdString(),
        [this](const std::string& letter) { return usual_letter_width(letter, height_typed_); });
    if (fresh.letters.empty()) {
        says_->setText("Type the letters that there are, each as often as it is there.");
        return std::nullopt;
    }
    LetterSet out = std::move(known);
    if (out.letters.empty() || out.height != fresh.height) {
        out.height = fresh.height;
        out.stroke = fresh.stroke;
        out.gap = fresh.gap;
    } else {
        // Widths that somebody has measured stay.
        for (auto& [piece, of] : fresh.letters)
            if (const auto was = out.letters.find(piece); was != out.letters.end())
                of.width = was->second.width;
    }
    out.kind = fresh.kind;
    out.letters = std::move(fresh.letters);
    out.name = name;
    out.colour = *seen;
    return out;
}

void LettersPart::add_to_drawer() {
    const auto& all = stash_at_hand(document_.project()).letters;
    if (all.size() >= most_letter_sets) {
        says_->setText(QString("There are %1 sets already, as many as there can be.").arg(all.size()));
        return;
    }
    LetterSet fresh;
    fresh.id = free_id_among(all, id_from(name_->text().trimmed().toStdString()));
    fresh.in_stash = true;
    const auto set = entered(std::move(fresh));
    if (!set) return;
    document_.change_papers("Add a letter set", [&](const Stash& now) {
        Stash out = now;
        out.letters.push_back(*set);
        return out;
    });
    refresh();
    sets_->setCurrentRow(sets_->count() - 1);
    says_->setText(words("Added " + set->name + " to the drawer."));
}

void LettersPart::change_chosen() {
    const LetterSet* known = chosen();
    if (!known) return;
    const auto set = entered(*known);
    if (!set) return;
    document_.change_papers("Change a letter set", [&](const Stash& now) {
        Stash out = now;
        for (LetterSet& s : out.letters)
            if (s.id == set->id) s = *set;
        return out;
    });
    says_->setText(words("Changed " + set->name + "."));
}

void LettersPart::remove_chosen() {
    const LetterSet* known = chosen();
    if (!known) return;
    const std::string id = known->id;
    says_->setText(words("Removed " + known->name + " from the drawer."));
    document_.change_papers("Remove a letter set", [&](const Stash& now) {
        Stash out = now;
        std::erase_if(out.letters, [&](const LetterSet& s) { return s.id == id; });
        return out;
    });
}

void LettersPart::show_chosen() {
    const LetterSet* set = chosen();
    change_->setEnabled(set);
    remove_->setEnabled(set);
    if (!set) return;
    shown_ = *set;
    name_->setText(words(set->name));
    kind_->show_value(set->kind);
    height_typed_ = set->height;
    height_->show_length(height_typed_, document_.project().units);
    colour_->setText(words(colour_words(set->colour)));
    letters_->setText(words(letters_entered(*set)));
}

void LettersPart::refresh() {
    const Project& p = document_.project();
    QStringList rows;
    for (const LetterSet& set : stash_at_hand(p).letters) rows << row_of(set, p.units);
    sets_->show_rows(rows);
    height_->show_length(height_typed_, p.units);
    const LetterSet* set = chosen();
    if (!set || *set != shown_) show_chosen();
    if (says_->text().isEmpty())
        says_->setText("Choose a set to say what is left of it, or type a new one and add it.");
    lay_out_now(this);
}

} // namespace zesty
