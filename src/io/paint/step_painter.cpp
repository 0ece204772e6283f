#include "io/paint/step_painter.h"

#include "core/dress/dress.h"
#include "core/dress/layers.h"
#include "core/dress/wet.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "core/setout/photos.h"

#include <algorithm>

namespace zesty {

namespace {

const QColor step_rim(0xe8, 0x6a, 0x17);
const QColor step_ink(0x26, 0x24, 0x2b);
const QColor step_paper(0xff, 0xfe, 0xfb);
constexpr double faint = 0.22;
constexpr std::size_t most_labels = 40;

class Shaping {
public:
    Shaping(const Project& project, const Plan& plan) : project_(project), plan_(plan) {}

    void add(const StepPart& part) {
        const auto i = static_cast<std::size_t>(part.index);
        switch (part.kind) {
        case StepPart::Kind::Opening:
            if (!plan_.sections.cut || i >= plan_.sections.cut->openings.size()) return;
            put(transformed(plan_.sections.cut->openings[i].outline, plan_.set_out.whole.to_page));
            label(QString::number(part.index + 1), plan_.middle_of(part.index));
            return;
        case StepPart::Kind::Cut:
            if (!plan_.sections.cut) return;
            for (const Piece& p : plan_.sections.cut->pieces)
                if (p.layer == part.index) put(transformed(p.outline, plan_.set_out.whole.to_page));
            return;
        case StepPart::Kind::Photo:
            if (i < project_.set_out.photos.size()) {
                const Photo& photo = project_.set_out.photos[i];
                put(outline_of(photo));
                label(QString::fromStdString(name_of(photo, i)), photo.centre);
            }
            return;
        case StepPart::Kind::Layer:
            if (i < project_.dress.layers.size())
                put(outline_of(project_.dress.layers[i], project_.set_out.page));
            return;
        case StepPart::Kind::Embellishment:
            if (i < plan_.dress.embellishments.size()) {
                put(plan_.dress.embellishments[i].outline);
                label(QString::number(part.index + 1),
                      bounds(plan_.dress.embellishments[i].outline).centre());
            }
            return;
        case StepPart::Kind::Title:
            if (i < plan_.dress.titles.size())
                for (const TitleLetter& l : plan_.dress.titles[i].letters) put(l.box);
            return;
        case StepPart::Kind::Writing:
            if (i < plan_.dress.writings.size()) writing(plan_.dress.writings[i]);
            return;
        case StepPart::Kind::Wet:
            if (i < project_.dress.wet.size())
                for (const Polygon& p : outline_of(project_.dress.wet[i], dress_now(project_, plan_))) put(p);
            return;
        case StepPart::Kind::Base:
            for (const Box& leaf : project_.set_out.page.leaves())
                put({ring_of(project_.set_out.page.base_of(leaf)), {}});
            return;
        case StepPart::Kind::Sheet:
            out_.sheet = part.index;
            return;
        }
    }
    StepShape done() { return std::move(out_); }

private:
    void put(const Polygon& p) {
        if (p.outer.size() >= 3) out_.parts.addPath(to_path(p));
    }
    void label(const QString& text, Point at) { out_.labels.push_back({text, {at.x, at.y}}); }
    void writing(const WritingFacts& facts) {
        Box all;
        for (const WritingLine& line : facts.lines) {
            all.add(line.from);
            all.add(line.to);
        }
        if (!all.empty()) put({ring_of(all.grown(4)), {}});
    }

    const Project& project_;
    const Plan& plan_;
    StepShape out_;
};

void paint_label(QPainter& painter, QPointF at, const QString& text, double height) {
    constexpr double detail = 16; // fonts have whole sizes: drawn large and scaled down
    QFont font("Lato");
    font.setWeight(QFont::DemiBold);
    font.setPixelSize(static_cast<int>(detail * 4));
    const double scale = height / (detail * 4);
    const QFontMetricsF metrics(font);
    const double w = std::max(metrics.horizontalAdvance(text) * scale + height * 0.8, height * 1.6);
    const QRectF box(at.x() - w / 2, at.y() - height * 0.8, w, height * 1.6);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor(255, 255, 255, 235));
    painter.drawRoundedRect(box, height * 0.8, height * 0.8);
    painter.save();
    painter.translate(at);
    painter.scale(scale, scale);
    painter.setFont(font);
    painter.setPen(step_ink);
    painter.drawText(QRectF(-4000, -1000, 8000, 2000), Qt::AlignCenter, text);
    painter.restore();
}

/// From millimetres of an area into a rectangle, and how large a millimetre is there.
QTransform fitted(const QRectF& into, const QRectF& area, bool mirrored) {
    const double scale = std::min(into.width() / area.width(), into.height() / area.height());
    QTransform out;
    out.translate(into.center().x(), into.center().y());
    out.scale(mirrored ? -scale : scale, scale);
    out.translate(-area.center().x(), -area.center().y());
    return out;
}

void paint_sheet_step(QPainter& painter, const QRectF& into, const Plan& plan, int sheet,
                      const Textures& textures, double label_height) {
    const Sheet& of = plan.papers.sheets[static_cast<std::size_t>(sheet)];
    const Box box = bounds(of.outline);
    const QTransform to = fitted(into, QRectF(box.x0, box.y0, box.width(), box.height()), false);
    const UsedSheet* used = nullptr;
    for (const UsedSheet& u : plan.sheets.used)
        if (u.sheet == sheet) used = &u;
    painter.save();
    painter.setTransform(to, true);
    if (used)
        paint_sheet(painter, plan, *used, textures);
    else
        painter.fillPath(to_path(of.outline), step_paper);
    QPen pen(step_rim, 2.5);
    pen.setCosmetic(true);
    painter.setPen(pen);
    painter.setBrush(Qt::NoBrush);
    for (const DressPiece& piece : plan.dress.pieces)
        if (piece.placed && piece.sheet == of.id) painter.drawPath(to_path(piece.on_sheet));
    painter.restore();
    if (!used) return;
    for (const int p : used->patches) {
        const Patch& patch = plan.sections.patches[static_cast<std::size_t>(p)];
        const Box lies =
            bounds(transformed(patch.outline, plan.sheets.placed[static_cast<std::size_t>(p)].to_sheet()));
        paint_label(painter, to.map(QPointF(lies.centre().x, lies.centre().y)),
                    QString::number(patch.opening + 1), label_height * 0.8);
    }
}

} // namespace

StepShape shape_of(const Project& project, const Plan& plan, const BuildStep& step) {
    Shaping shaping(project, plan);
    for (const StepPart& part : step.parts) shaping.add(part);
    return shaping.done();
}

void paint_step(QPainter& painter, const QRectF& into, const Project& project, const Plan& plan,
                const BuildStep& step, const QImage& page, const Textures& textures, double label) {
    const StepShape shape = shape_of(project, plan, step);
    if (shape.sheet >= 0 && shape.sheet < static_cast<int>(plan.papers.sheets.size()))
        return paint_sheet_step(painter, into, plan, shape.sheet, textures, label);
    const Box whole = project.set_out.page.whole();
    const QRectF area(whole.x0, whole.y0, whole.width(), whole.height());
    const QTransform to = fitted(into, area, step.face_down);
    painter.save();
    painter.setTransform(to, true);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.fillRect(area, step_paper);
    if (!page.isNull()) {
        painter.setOpacity(shape.parts.isEmpty() ? 1 : faint);
        painter.drawImage(area, page);
        painter.setOpacity(1);
        if (!shape.parts.isEmpty()) {
            painter.setClipPath(shape.parts, Qt::IntersectClip);
            painter.drawImage(area, page);
            painter.setClipping(false);
        }
    }
    QPen pen(step_rim, 2.5);
    pen.setCosmetic(true);
    painter.setPen(pen);
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(shape.parts);
    pen.setColor(QColor(0xd9, 0xd0, 0xc0));
    pen.setWidthF(1);
    painter.setPen(pen);
    painter.drawRect(area);
    painter.restore();
    constexpr std::size_t many = 6; // labels that hide what they stand on
    const double high = shape.labels.size() > many ? 0.75 * label : label;
    for (std::size_t i = 0; i < std::min(shape.labels.size(), most_labels); ++i)
        paint_label(painter, to.map(shape.labels[i].at), shape.labels[i].text, high);
}

} // namespace zesty
