#include "io/paint/page_painter.h"

namespace zesty {

namespace {

double pixels_per_mm(const QPainter& painter) {
    return std::sqrt(std::abs(painter.combinedTransform().determinant()));
}

void paint_patches(QPainter& painter, const Plan& plan, const Textures& textures, const PageLook& look) {
    painter.setPen(Qt::NoPen);
    for (std::size_t i = 0; i < plan.patches.size(); ++i) {
        const Patch& patch = plan.patches[i];
        const int paper = plan.paper_of_section[patch.section];
        const PlacedPatch& at = plan.placed[i];
        const QPainterPath outline = to_path(patch.outline);
        if (paper < 0) {
            painter.fillPath(outline, look.bare);
            continue;
        }
        const Transform back = at.sheet >= 0 ? inverse(at.to_sheet()) : Transform{};
        painter.fillPath(outline, textures.brush(paper, back, pixels_per_mm(painter)));
        if (at.sheet < 0 && plan.sheets_done && look.hatch_short) {
            painter.fillPath(outline, QColor(255, 255, 255, 150));
            QBrush hatch(QColor(0xb0, 0x2a, 0x4b), Qt::BDiagPattern);
            hatch.setTransform(painter.transform().inverted());
            painter.fillPath(outline, hatch);
        }
    }
}

void paint_cut(QPainter& painter, const Plan& plan, const PageLook& look) {
    QPainterPath material;
    material.setFillRule(Qt::OddEvenFill);
    for (const Piece& p : plan.cut->pieces)
        material.addPath(to_path(transformed(p.outline, plan.set_out.to_page)));
    if (look.shadow > 0)
        painter.fillPath(material.translated(look.shadow * 1.2, look.shadow * 1.5), QColor(38, 36, 43, 48));
    painter.fillPath(material, look.cut);
    QPen edge(QColor(38, 36, 43, 70));
    edge.setCosmetic(true);
    painter.strokePath(material, edge);
}

} // namespace

void paint_page(QPainter& painter, const Project& project, const Plan& plan, const Textures& textures,
                const PageLook& look) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    QPainterPath leaves;
    for (const Box& leaf : project.page.leaves()) {
        leaves.addRect(leaf.x0, leaf.y0, leaf.width(), leaf.height());
        painter.fillRect(QRectF(leaf.x0, leaf.y0, leaf.width(), leaf.height()),
                         project.page.framed() ? look.frame : look.base);
        const Box base = project.page.base_of(leaf);
        if (project.page.framed() && !base.empty())
            painter.fillRect(QRectF(base.x0, base.y0, base.width(), base.height()), look.base);
    }
    // What hangs off the page is trimmed; on the bench it stays visible, faintly.
    painter.setClipPath(leaves, Qt::IntersectClip);
    if (plan.cut) {
        paint_patches(painter, plan, textures, look);
        paint_cut(painter, plan, look);
    }
    painter.restore();
}

void paint_sheet(QPainter& painter, const Plan& plan, const UsedSheet& used, const Textures& textures) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    const Sheet& sheet = plan.sheets[used.sheet];
    const QPainterPath outline = to_path(sheet.outline);
    painter.fillPath(outline, textures.brush(sheet.paper, {}, pixels_per_mm(painter)));
    painter.fillPath(outline, QColor(255, 255, 255, 120));
    QPen line(QColor(0x26, 0x24, 0x2b));
    line.setCosmetic(true);
    for (int p : used.patches) {
        const QPainterPath patch = to_path(transformed(plan.patches[p].outline, plan.placed[p].to_sheet()));
        painter.fillPath(patch, textures.brush(sheet.paper, {}, pixels_per_mm(painter)));
        painter.strokePath(patch, line);
    }
    QPen rim(QColor(38, 36, 43, 90));
    rim.setCosmetic(true);
    painter.strokePath(outline, rim);
    painter.restore();
}

QImage page_picture(const Project& project, const Plan& plan, int pixels) {
    const double scale = pixels / std::max(project.page.full_width(), project.page.height);
    QImage image(std::max(1, static_cast<int>(std::lround(project.page.full_width() * scale))),
                 std::max(1, static_cast<int>(std::lround(project.page.height * scale))),
                 QImage::Format_RGB32);
    image.fill(Qt::white);
    QPainter painter(&image);
    painter.scale(scale, scale);
    const Textures textures = project.stash ? Textures(*project.stash) : Textures();
    paint_page(painter, project, plan, textures);
    return image;
}

} // namespace zesty
