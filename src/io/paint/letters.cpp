#include "io/paint/letters.h"

#include "core/geometry/measure.h"
#include "io/paint/dress_paper_painter.h"
#include "io/paint/fonts.h"
#include "io/paint/textures.h"

#include <QFont>
#include <QFontMetricsF>
#include <map>

namespace zesty {

namespace {

constexpr int font_px = 200;     ///< fonts are laid out large, so that they stay even
constexpr int letter_alpha = 60; ///< of a shadow

QFont letter_font() {
    load_fonts();
    QFont font("Lato");
    font.setWeight(QFont::DemiBold);
    font.setPixelSize(font_px);
    return font;
}

struct NaturalLetters {
    QPainterPath path;
    double width = 0;
    double capitals = 1; ///< height of them
};

/// Made once for each thread: what is painted often is not to ask the font each time.
const NaturalLetters& natural_letters(const std::string& letters) {
    constexpr std::size_t most_known = 500;
    static thread_local std::map<std::string, NaturalLetters> known;
    if (const auto at = known.find(letters); at != known.end()) return at->second;
    if (known.size() >= most_known) known.clear();
    const QFont font = letter_font();
    const QFontMetricsF metrics(font);
    NaturalLetters made;
    made.path.addText(0, 0, font, QString::fromStdString(letters));
    made.width = metrics.horizontalAdvance(QString::fromStdString(letters));
    made.capitals = metrics.capHeight();
    return known.emplace(letters, std::move(made)).first->second;
}

QColor colour_of(Rgb c) {
    return {c.r, c.g, c.b};
}

} // namespace

double usual_letter_width(const std::string& letter, double height) {
    const QFontMetricsF metrics(letter_font());
    return metrics.horizontalAdvance(QString::fromStdString(letter)) * height / metrics.capHeight();
}

QPainterPath letter_path(const std::string& letters, double width, double height) {
    const NaturalLetters& natural = natural_letters(letters);
    if (natural.width <= 0) return {};
    QTransform fit;
    fit.translate(-width / 2, 0);
    fit.scale(width / natural.width, height / natural.capitals);
    return fit.map(natural.path);
}

void paint_title(QPainter& painter, const Stash& stash, const PageTitle& title, const TitleFacts& facts) {
    if (title.label && !facts.label.outer.empty()) {
        const QPainterPath label = to_path(facts.label);
        painter.fillPath(label.translated(shadow_of(title.held, {0.5, 0.7})),
                         shadow_colour(title.held, letter_alpha));
        painter.fillPath(label, colour_of(title.label_colour));
    }
    for (const TitleLetter& letter : facts.letters) {
        const LetterSet* set = stash.letter_set(letter.set);
        const QPainterPath path = letter_path(letter.piece, letter.width, letter.height);
        painter.save();
        painter.translate(letter.foot.x, letter.foot.y);
        painter.rotate(letter.turn_deg);
        if (letter.missing) {
            QPen pen(QColor(0xb0, 0x2a, 0x4b), 1.4, Qt::DashLine);
            pen.setCosmetic(true);
            painter.strokePath(path, pen);
        } else {
            if ((set && set->thickness > 0) || raised_by(title.held.how) > 0)
                painter.fillPath(path.translated(shadow_of(title.held, {0.35, 0.5})),
                                 shadow_colour(title.held, letter_alpha));
            painter.fillPath(path, set ? colour_of(set->colour) : QColor(0x26, 0x24, 0x2b));
        }
        painter.restore();
    }
}

void paint_embellishment(QPainter& painter, const Embellishment& thing, const QImage& picture,
                         const Mounting& held) {
    QPainterPath path = to_path(thing.outline);
    const QPointF flat(0.4 + thing.thickness * 0.2, 0.6 + thing.thickness * 0.3);
    painter.fillPath(path.translated(shadow_of(held, flat)), shadow_colour(held, letter_alpha));
    painter.fillPath(path, colour_of(thing.colour));
    if (!picture.isNull()) {
        const Box box = bounds(thing.outline);
        painter.save();
        painter.setClipPath(path, Qt::IntersectClip);
        painter.drawImage(QRectF(box.x0, box.y0, box.width(), box.height()), picture);
        painter.restore();
    }
    if (thing.white_rim > 0) {
        painter.save();
        painter.setClipPath(path, Qt::IntersectClip);
        painter.strokePath(path, QPen(QColor(0xff, 0xfe, 0xfb), 2 * thing.white_rim));
        painter.restore();
    }
    QPen edge(QColor(38, 36, 43, 80));
    edge.setCosmetic(true);
    painter.strokePath(path, edge);
    if (thing.kind != EmbellishmentKind::Button) return;
    const double side = bounds(thing.outline).width();
    painter.save();
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(38, 36, 43, 120));
    for (const double x : {-0.12, 0.12})
        for (const double y : {-0.12, 0.12})
            painter.drawEllipse(QPointF(x * side, y * side), 0.06 * side, 0.06 * side);
    painter.restore();
}

void paint_embellishments(QPainter& painter, const Stash& stash, const Project& project,
                          const Textures& textures) {
    for (const PlacedEmbellishment& placed : project.dress.embellishments) {
        const Embellishment* thing = stash.embellishment(placed.id);
        if (!thing) continue;
        painter.save();
        painter.translate(placed.centre.x, placed.centre.y);
        painter.rotate(placed.turn_deg);
        paint_embellishment(painter, *thing, textures.embellishment(*thing, pixels_per_mm(painter)),
                            placed.held);
        painter.restore();
    }
}

} // namespace zesty
