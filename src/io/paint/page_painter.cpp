#include "io/paint/page_painter.h"

#include "core/project/stash_at_hand.h"
#include "io/paint/dress_paper_painter.h"
#include "io/paint/hold_painter.h"
#include "io/paint/letters.h"
#include "io/paint/wet_painter.h"
#include "io/paint/writing_painter.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double hatch_px = 7; ///< between lines

/// Slanting lines, as far apart on any scale. Drawn one by one: Qt's own patterns are shared between threads.
void paint_hatch(QPainter& painter, const QPainterPath& outline) {
    painter.save();
    painter.setClipPath(outline, Qt::IntersectClip);
    const double apart = hatch_px / pixels_per_mm(painter);
    QPen pen(QColor(0xb0, 0x2a, 0x4b), 1.2);
    pen.setCosmetic(true);
    painter.setPen(pen);
    const QRectF box = outline.boundingRect();
    for (double x = box.left() - box.height(); x < box.right(); x += apart)
        painter.drawLine(QPointF(x, box.bottom()), QPointF(x + box.height(), box.top()));
    painter.restore();
}

/// Patches of one cut in the order in which they are glued, the last one first: they are seen from the front.
/// -1 stands for the base. Pieces that are cut from paper themselves lie on top of the cut.
enum class Lies { Behind, OnTop };
std::vector<PaintedPatch> patches_of(const Plan& plan, int cut, Lies lies) {
    std::vector<std::size_t> order;
    for (std::size_t i = 0; i < plan.sections.patches.size(); ++i)
        if (const int o = plan.sections.patches[i].opening;
            plan.sections.cut_of_opening[o] == cut &&
            (plan.sections.spots[o].opening >= first_piece_spot) == (lies == Lies::OnTop))
            order.push_back(i);
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return plan.sections.patches[a].order < plan.sections.patches[b].order;
    });
    std::vector<PaintedPatch> out;
    for (const std::size_t i : order) {
        const Patch& patch = plan.sections.patches[i];
        const PlacedPatch& at = plan.sheets.placed[i];
        out.push_back(
            {patch.outline, plan.papers.of_section[patch.section], plan.papers.side_of_section[patch.section],
             at.sheet >= 0 ? inverse(at.to_sheet()) : Transform{}, at.sheet < 0 && plan.sheets.done});
    }
    return out;
}

void paint_patches(QPainter& painter, const std::vector<PaintedPatch>& patches, const Textures& textures,
                   const PageLook& look) {
    painter.setPen(Qt::NoPen);
    for (const PaintedPatch& patch : patches) {
        const QPainterPath outline = to_path(patch.outline);
        if (patch.paper < 0) {
            painter.fillPath(outline, look.bare);
            continue;
        }
        painter.fillPath(outline,
                         textures.brush(patch.paper, patch.from_sheet, pixels_per_mm(painter), patch.side));
        if (patch.short_of_paper && look.hatch_short) {
            painter.fillPath(outline, QColor(255, 255, 255, 150));
            paint_hatch(painter, outline);
        }
    }
}

/// A sky and a hill, where it is not known what a photo shows.
void paint_stand_in(QPainter& painter, const QPainterPath& inner, double w, double h) {
    QLinearGradient sky(0, -h / 2, 0, h / 2);
    sky.setColorAt(0, QColor(0x9F, 0xBF, 0xD6));
    sky.setColorAt(1, QColor(0xD9, 0xE6, 0xEA));
    painter.fillPath(inner, sky);
    QPainterPath hill;
    hill.moveTo(-w / 2, h * 0.30);
    hill.cubicTo(-w * 0.2, h * 0.02, w * 0.1, h * 0.32, w / 2, h * 0.12);
    hill.lineTo(w / 2, h / 2);
    hill.lineTo(-w / 2, h / 2);
    painter.fillPath(hill, QColor(0x8F, 0xA8, 0x84));
}

/// The part of the picture fills its photo, cropped evenly; or is there whole, with white where it is not.
void paint_picture(QPainter& painter, const QImage& image, const Photo& photo, double w, double h) {
    const QRectF part(photo.part.x0 * image.width(), photo.part.y0 * image.height(),
                      photo.part.width() * image.width(), photo.part.height() * image.height());
    const double across = w / part.width();
    const double down = h / part.height();
    const double scale = photo.whole ? std::min(across, down) : std::max(across, down);
    const QSizeF shown(std::min(part.width(), w / scale), std::min(part.height(), h / scale));
    const QSizeF size = shown * scale;
    painter.drawImage(QRectF(QPointF(-size.width() / 2, -size.height() / 2), size), image,
                      QRectF(part.center() - QPointF(shown.width() / 2, shown.height() / 2), shown));
}

/// Prints as paper, with a white rim.
void paint_photo(QPainter& painter, const Photo& photo, const QImage& picture) {
    const QPainterPath outline = to_path(outline_of(photo));
    if (photo.mats.empty())
        painter.fillPath(outline.translated(shadow_of(photo.held, {0.7, 0.9})),
                         shadow_colour(photo.held, 60));
    painter.fillPath(outline, QColor(0xFF, 0xFE, 0xFB));
    painter.save();
    painter.translate(photo.centre.x, photo.centre.y);
    painter.rotate(photo.turn_deg);
    const double w = photo.width;
    const double h = photo.round ? photo.width : photo.height;
    const double rim = std::min({2.0, w / 12, h / 12});
    QPainterPath inner;
    if (photo.round)
        inner.addEllipse(QPointF(0, 0), w / 2 - rim, w / 2 - rim);
    else
        inner.addRect(QRectF(-w / 2 + rim, -h / 2 + rim, w - 2 * rim, h - 2 * rim));
    painter.setClipPath(inner, Qt::IntersectClip);
    if (picture.isNull())
        paint_stand_in(painter, inner, w, h);
    else
        paint_picture(painter, picture, photo, w, h);
    painter.restore();
    QPen edge(QColor(38, 36, 43, 70));
    edge.setCosmetic(true);
    painter.strokePath(outline, edge);
}

/// A paper of the stash laid on the page with its corner there; the colour where it is not from the stash.
QBrush paper_brush(const QPainter& painter, const Project& project, const Textures& textures,
                   const std::string& id, Point corner, const QColor& otherwise) {
    const int paper = project.stash && !id.empty() ? project.stash->find(id) : -1;
    if (paper < 0) return otherwise;
    return textures.brush(paper, Transform::moved(corner.x, corner.y), pixels_per_mm(painter));
}

void paint_cut(QPainter& painter, const Plan& plan, int cut, const QBrush& paper,
               const std::optional<Rgb>& inked, const Mounting& held, const PageLook& look) {
    QPainterPath material;
    material.setFillRule(Qt::OddEvenFill);
    for (const Piece& p : plan.sections.cut->pieces)
        if (p.layer == cut) material.addPath(to_path(transformed(p.outline, plan.set_out.whole.to_page)));
    if (look.shadow > 0)
        painter.fillPath(material.translated(shadow_of(held, QPointF(1.2, 1.5) * look.shadow)),
                         shadow_colour(held, 48));
    painter.fillPath(material, paper);
    if (inked) {
        constexpr double rim = 1.2; // mm that a pen or ink pad colours
        painter.save();
        painter.setClipPath(material, Qt::IntersectClip);
        painter.strokePath(material, QPen(to_qt(*inked), 2 * rim));
        painter.restore();
    }
    QPen edge(QColor(38, 36, 43, 70));
    edge.setCosmetic(true);
    painter.strokePath(material, edge);
}

void paint_sketch(QPainter& painter, const Sketch& sketch, const Textures& textures) {
    const QImage& image = textures.picture(sketch.picture);
    if (image.isNull() || sketch.width <= 0) return;
    painter.save();
    painter.setOpacity(sketch.strength);
    const double height = sketch.width * image.height() / image.width();
    const QRectF there(sketch.at.x, sketch.at.y, sketch.width, height);
    painter.translate(there.center());
    painter.rotate(sketch.turn_deg);
    painter.translate(-there.center());
    painter.drawImage(there, image);
    painter.restore();
}

/// Frames and bases; the outline of all pages.
QPainterPath paint_bases(QPainter& painter, const Project& project, const Textures& textures,
                         const PageLook& look) {
    QPainterPath leaves;
    for (const Box& leaf : project.set_out.page.leaves()) {
        leaves.addRect(leaf.x0, leaf.y0, leaf.width(), leaf.height());
        const Box base = project.set_out.page.base_of(leaf);
        const QBrush base_paper = paper_brush(painter, project, textures, project.set_out.page.base_paper,
                                              {base.x0, base.y0}, look.base);
        painter.fillRect(QRectF(leaf.x0, leaf.y0, leaf.width(), leaf.height()),
                         project.set_out.page.framed()
                             ? paper_brush(painter, project, textures, project.set_out.page.frame_paper,
                                           {leaf.x0, leaf.y0}, look.frame)
                             : base_paper);
        const Page& page = project.set_out.page;
        if (page.framed() && page.frame == FrameKind::Strips && !page.side_paper.empty()) {
            const QBrush sides =
                paper_brush(painter, project, textures, page.side_paper, {leaf.x0, leaf.y0}, look.frame);
            painter.fillRect(QRectF(leaf.x0, base.y0, leaf.width(), base.height()), sides);
        }
        if (project.set_out.page.framed() && !base.empty())
            painter.fillRect(QRectF(base.x0, base.y0, base.width(), base.height()), base_paper);
    }
    return leaves;
}

/// A cut with what lies behind its openings and on top of it.
void paint_backed_cut(QPainter& painter, const Project& project, const Plan& plan, int cut,
                      const Textures& textures, const PageLook& look) {
    const auto c = static_cast<std::size_t>(cut);
    const PlacedCut& placed = project.set_out.cuts[c];
    const Box box = plan.set_out.each.empty() ? Box{0, 0, 0, 0} : plan.set_out.each[c].cut_box;
    PaintedCut now{plan.sections.cut,
                   plan.set_out.whole.to_page,
                   {box.x0, box.y0},
                   placed,
                   patches_of(plan, cut, Lies::Behind),
                   patches_of(plan, cut, Lies::OnTop),
                   textures.number(),
                   look.bare.rgba(),
                   {},
                   {}};
    const auto paint = [&](QPainter& on) {
        // A grown cut is a shadow: the same paper, darker.
        const QBrush paper = paper_brush(on, project, textures, placed.paper, now.corner,
                                         placed.colour      ? to_qt(*placed.colour)
                                         : placed.grown > 0 ? look.shadow_cut
                                                            : look.cut);
        paint_patches(on, now.behind, textures, look);
        paint_cut(on, plan, cut, paper, placed.edge, placed.held, look);
        paint_patches(on, now.on_top, textures, look);
    };
    if (look.cuts)
        look.cuts->draw(painter, cut, now, paint);
    else
        paint(painter);
}

} // namespace

void paint_page(QPainter& painter, const Project& project, const Plan& plan, const Textures& textures,
                const PageLook& look) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    const QPainterPath leaves = paint_bases(painter, project, textures, look);
    // What hangs off the page is trimmed.
    painter.setClipPath(leaves, Qt::IntersectClip);
    if (look.sketch) paint_sketch(painter, project.set_out.sketch, textures);
    const auto cuts = [&](bool above) {
        for (std::size_t c = 0; plan.sections.cut && c < project.set_out.cuts.size(); ++c)
            if (project.set_out.cuts[c].above_photos == above)
                paint_backed_cut(painter, project, plan, static_cast<int>(c), textures, look);
    };
    // In the order of the pile (core/dress/pile.h).
    paint_wet(painter, project, plan);
    if (plan.sections.cut) paint_patches(painter, patches_of(plan, -1, Lies::Behind), textures, look);
    for (std::size_t i = 0; i < project.dress.stitchings.size() && i < plan.dress.stitchings.size(); ++i)
        paint_stitching(painter, project.dress.stitchings[i], plan.dress.stitchings[i]);
    paint_layers(painter, project, textures, LayerPlace::UnderCuts);
    cuts(false);
    for (const bool on_top : {false, true}) {
        for (const Photo& photo : project.set_out.photos) {
            if (photo.on_top != on_top) continue;
            paint_mats(painter, project, textures, photo);
            paint_photo(painter, photo, textures.photo(photo));
        }
        if (on_top) continue;
        cuts(true);
        paint_layers(painter, project, textures, LayerPlace::UnderPhotos);
    }
    paint_layers(painter, project, textures, LayerPlace::OnTop);
    const DressDecisions& dress = project.dress;
    paint_embellishments(painter, stash_at_hand(project), project, textures);
    for (std::size_t i = 0; i < dress.titles.size() && i < plan.dress.titles.size(); ++i)
        paint_title(painter, stash_at_hand(project), dress.titles[i], plan.dress.titles[i]);
    for (std::size_t i = 0; i < dress.writings.size() && i < plan.dress.writings.size(); ++i)
        paint_writing(painter, plan.dress.placed[i], plan.dress.writings[i], dress.letter_width);
    paint_late_frame(painter, project, plan, textures, look.frame);
    painter.restore();
}

void paint_seen(QPainter& painter, const Project& project, const Plan& plan, Seen seen) {
    if (seen == Seen::Height) paint_heights(painter, project, plan);
    if (seen == Seen::Glue) paint_glue(painter, project, plan);
}

void paint_sheet(QPainter& painter, const Plan& plan, const UsedSheet& used, const Textures& textures) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    const Sheet& sheet = plan.papers.sheets[used.sheet];
    const QPainterPath outline = to_path(sheet.outline);
    painter.fillPath(outline, textures.brush(sheet.paper, {}, pixels_per_mm(painter)));
    painter.fillPath(outline, QColor(255, 255, 255, 120));
    QPen line(QColor(0x26, 0x24, 0x2b));
    line.setCosmetic(true);
    for (int p : used.patches) {
        if (plan.sections.patches[p].rides_on >= 0) continue;
        const QPainterPath patch =
            to_path(transformed(plan.sections.patches[p].on_sheet(), plan.sheets.placed[p].to_sheet()));
        // What is cut with side B up is seen from behind here; its pattern shows all the same.
        const Side side = plan.sheets.placed[p].mirrored ? Side::B : Side::A;
        painter.fillPath(patch, textures.brush(sheet.paper, {}, pixels_per_mm(painter), side));
        painter.strokePath(patch, line);
    }
    // Mats and layers that were cut from it before.
    QPen cut_before(QColor(0x6b, 0x66, 0x70), 1);
    cut_before.setCosmetic(true);
    for (const DressPiece& piece : plan.dress.pieces) {
        if (!piece.placed || piece.sheet != sheet.id) continue;
        const QPainterPath there = to_path(piece.on_sheet);
        painter.fillPath(there, textures.brush(sheet.paper, {}, pixels_per_mm(painter)));
        painter.fillPath(there, QColor(255, 255, 255, 60));
        painter.strokePath(there, cut_before);
    }
    QPen later(QColor(0x6b, 0x66, 0x70), 1.5, Qt::DashLine);
    later.setCosmetic(true);
    for (const ReservedRoom& room : plan.sheets.room)
        if (room.sheet == used.sheet) painter.strokePath(to_path(room.on_sheet), later);
    QPen rim(QColor(38, 36, 43, 90));
    rim.setCosmetic(true);
    painter.strokePath(outline, rim);
    painter.restore();
}

QImage page_picture(const Project& project, const Plan& plan, int pixels, Seen seen) {
    const double scale =
        pixels / std::max(project.set_out.page.full_width(), project.set_out.page.full_height());
    QImage image(std::max(1, static_cast<int>(std::lround(project.set_out.page.full_width() * scale))),
                 std::max(1, static_cast<int>(std::lround(project.set_out.page.full_height() * scale))),
                 QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    painter.scale(scale, scale);
    paint_page(painter, project, plan, Textures(project));
    paint_seen(painter, project, plan, seen);
    painter.end();
    return as_seen(image, seen);
}

} // namespace zesty
