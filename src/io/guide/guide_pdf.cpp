#include "io/guide/guide_pdf.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/stash/side_names.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"

#include <QBuffer>
#include <QPageLayout>
#include <QPageSize>
#include <QPdfWriter>
#include <algorithm>

namespace zesty {

namespace {

constexpr double margin = 10;
constexpr double header = 14;
constexpr double footer = 54; ///< the 50 mm check square and room around it
constexpr int dots_per_inch = 1200;

const QColor ink(0x26, 0x24, 0x2b);
const QColor quiet(0x6b, 0x66, 0x70);

/// Paints on one page after another, in millimetres from the paper's corner.
class Guide {
public:
    Guide(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
          PrinterPaper paper, QIODevice& device)
        : project_(project), plan_(plan), mats_(mats), writer_(&device) {
        textures_ = Textures(project);
        const QPageSize size(paper == PrinterPaper::A4 ? QPageSize::A4 : QPageSize::Letter);
        writer_.setPageLayout(
            QPageLayout(size, QPageLayout::Portrait, {0, 0, 0, 0}, QPageLayout::Millimeter));
        writer_.setResolution(dots_per_inch);
        writer_.setTitle(QString::fromStdString(project.title));
        writer_.setCreator("Zesty Panel");
        width_ = size.size(QPageSize::Millimeter).width();
        height_ = size.size(QPageSize::Millimeter).height();
        painter_.begin(&writer_);
        painter_.scale(dots_per_inch / 25.4, dots_per_inch / 25.4);
        painter_.setRenderHint(QPainter::Antialiasing);
    }

    void run() {
        key();
        preparation();
        mats();
        if (!plan_.sections.inserts.empty()) inserts();
        for (const UsedSheet& u : plan_.sheets.used) sheet(u, false);
        for (const UsedSheet& u : plan_.sheets.used) sheet(u, true);
        painter_.end();
    }

private:
    QRectF room() const {
        return {margin, margin + header, width_ - 2 * margin, height_ - 2 * margin - header - footer};
    }

    void text(QRectF where, double size_mm, const QString& words, int flags = Qt::AlignLeft | Qt::AlignTop,
              bool bold = false, QColor colour = ink) {
        // Fonts are measured in device pixels; drawing them large and scaling down keeps them even.
        painter_.save();
        const double k = 0.01;
        QFont font("Lato");
        // With a trace of spacing there are no ligatures, which a search in the file would not find.
        font.setLetterSpacing(QFont::AbsoluteSpacing, 1); // a hundredth of a millimetre
        font.setPixelSize(static_cast<int>(size_mm / k));
        font.setWeight(bold ? QFont::DemiBold : QFont::Normal);
        painter_.scale(k, k);
        painter_.setFont(font);
        painter_.setPen(colour);
        painter_.drawText(QRectF(where.x() / k, where.y() / k, where.width() / k, where.height() / k),
                          flags | Qt::TextWordWrap, words);
        painter_.restore();
    }

    void pen(double width_mm, QColor colour = ink, Qt::PenStyle style = Qt::SolidLine) {
        painter_.setPen(QPen(colour, width_mm, style));
        painter_.setBrush(Qt::NoBrush);
    }

    void new_page(const QString& title, const QString& hint) {
        if (pages_++ > 0) writer_.newPage();
        text({margin, margin, width_ - 2 * margin - 30, 6}, 4.6, title, Qt::AlignLeft | Qt::AlignVCenter,
             true);
        text({margin, margin + 6.5, width_ - 2 * margin, 5}, 3, hint, Qt::AlignLeft | Qt::AlignVCenter, false,
             quiet);
        text({width_ - margin - 30, margin, 30, 6}, 3, QString("page %1").arg(pages_),
             Qt::AlignRight | Qt::AlignVCenter, false, quiet);
        const double x = width_ - margin - 50;
        const double y = height_ - margin - 50;
        pen(0.15);
        painter_.drawRect(QRectF(x, y, 50, 50));
        painter_.drawRect(QRectF(x, y, 25.4, 25.4));
        text({x + 1.5, y + 1.5, 22, 8}, 3, "1 in");
        text({x + 27, y + 27, 22, 21}, 3, "50 mm\nPrint at 100 %: both squares must measure true.");
    }

    void key() {
        new_page(QString::fromStdString(project_.title) + ": key",
                 QString::fromStdString(
                     "Page " +
                     format_size(project_.set_out.page.full_width(), project_.set_out.page.height,
                                 project_.units) +
                     ", cut " +
                     format_size(plan_.set_out.whole.size.x, plan_.set_out.whole.size.y, project_.units) +
                     ". This picture is reduced; the sheets that follow are at true scale."));
        const QRectF r = room();
        const double side = std::min(r.width(), r.height() * 0.62);
        const double scale =
            side / std::max(project_.set_out.page.full_width(), project_.set_out.page.height);
        painter_.save();
        painter_.translate(r.x() + (r.width() - project_.set_out.page.full_width() * scale) / 2, r.y());
        painter_.scale(scale, scale);
        paint_page(painter_, project_, plan_, textures_);
        pen(0.2 / scale, quiet);
        painter_.drawRect(QRectF(0, 0, project_.set_out.page.full_width(), project_.set_out.page.height));
        painter_.restore();
        for (std::size_t o = 0; plan_.sections.cut && o < plan_.sections.cut->openings.size(); ++o) {
            const Circle& c = plan_.sections.cut->openings[o].label;
            const Point at = plan_.set_out.whole.to_page(c.centre) * scale;
            number(
                {r.x() + (r.width() - project_.set_out.page.full_width() * scale) / 2 + at.x, r.y() + at.y},
                static_cast<int>(o), 2.6);
        }
        list({r.x(), r.y() + side + 4, r.width() - 0, r.bottom() - r.y() - side - 4 + 0});
    }

    void number(QPointF at, int opening, double size) {
        const QString n = QString::number(opening + 1);
        const QRectF box(at.x() - size * 0.9, at.y() - size * 0.65, size * 1.8, size * 1.3);
        painter_.setPen(Qt::NoPen);
        painter_.setBrush(QColor(255, 255, 255, 215));
        painter_.drawRoundedRect(box, size * 0.6, size * 0.6);
        text(box, size, n, Qt::AlignCenter, true);
    }

    /// What backs every opening, in columns; goes on on further pages when it must.
    void list(QRectF r) {
        const double row = 4.4;
        const int columns = 3;
        const double w = r.width() / columns;
        double y = r.y();
        int column = 0;
        for (std::size_t o = 0; plan_.sections.cut && o < plan_.sections.cut->openings.size(); ++o) {
            if (y + row > r.bottom()) {
                y = r.y();
                if (++column == columns) {
                    new_page(QString::fromStdString(project_.title) + ": key, continued",
                             "What backs every opening.");
                    r = room();
                    y = r.y();
                    column = 0;
                }
            }
            const QRectF line(r.x() + column * w, y, w - 3, row);
            text(line, 3, QString::number(o + 1), Qt::AlignLeft | Qt::AlignVCenter, true);
            text(line.adjusted(8, 0, 0, 0), 3, backing(static_cast<int>(o)),
                 Qt::AlignLeft | Qt::AlignVCenter);
            y += row;
        }
    }

    /// What has to be measured, ordered and cut besides patches, and the order of gluing.
    std::vector<QString> to_prepare() const {
        const auto words = [](const std::string& t) { return QString::fromStdString(t); };
        std::vector<QString> out;
        for (const std::string& t : plan_.set_out.frame.to_cut) out.push_back(words(t));
        for (const PhotoCount& c : plan_.set_out.photo_sizes)
            out.push_back(QString("Order %1 x %2.")
                              .arg(c.count)
                              .arg(words(c.round ? format_length(c.width, project_.units) + " round"
                                                 : format_size(c.width, c.height, project_.units))));
        for (const Box& cell : plan_.set_out.free_cells)
            out.push_back("Cell left free in the grid of photos: " +
                          words(format_size(cell.width(), cell.height(), project_.units)) + ".");
        for (const Finding& f : plan_.findings)
            if (goes_into_guide(f.code)) out.push_back(words(f.title + ". " + f.message));
        const bool order_matters = project_.sections.backing.lips == LipMode::Overlap ||
                                   !project_.sections.divisions.empty() ||
                                   std::any_of(plan_.sections.all.begin(), plan_.sections.all.end(),
                                               [](const Section& s) { return s.order != 0; });
        if (order_matters && !plan_.sections.patches.empty())
            out.push_back("Glue in this order: " + gluing_order() + ".");
        return out;
    }

    QString gluing_order() const {
        std::vector<const Patch*> order;
        for (const Patch& p : plan_.sections.patches) order.push_back(&p);
        std::sort(order.begin(), order.end(),
                  [](const Patch* a, const Patch* b) { return a->order < b->order; });
        QStringList numbers;
        for (const Patch* p : order) numbers << QString::number(p->opening + 1);
        return numbers.join(", ");
    }

    void preparation() {
        const std::vector<QString> items = to_prepare();
        if (items.empty()) return;
        new_page(QString::fromStdString(project_.title) + ": to prepare", "Before anything is glued.");
        QRectF r = room();
        double y = r.y();
        for (const QString& item : items) {
            const double height = 4.6 * (1 + std::floor(static_cast<double>(item.size()) / 105));
            if (y + height > r.bottom()) {
                new_page(QString::fromStdString(project_.title) + ": to prepare, continued", "");
                y = r.y();
            }
            pen(0.2);
            painter_.drawRect(QRectF(r.x(), y + 0.7, 3, 3));
            text({r.x() + 6, y, r.width() - 6, height}, 3.4, item);
            y += height + 2;
        }
    }

    /// Loose pieces and their openings with the same label, cut by cut as they lie on the mat.
    void inserts() {
        new_page(QString::fromStdString(project_.title) + ": loose pieces",
                 "Leave them on the mat until needed: each label stands on a piece and in its opening.");
        const QRectF r = room();
        const Box box = plan_.set_out.whole.cut_box;
        const double scale = std::min({1.0, r.width() / box.width(), 0.8 * r.height() / box.height()});
        const Transform to_paper = Transform::moved(r.x(), r.y()) * Transform::scaled(scale) *
                                   Transform::moved(-box.x0, -box.y0) * plan_.set_out.whole.to_page;
        pen(0.12, quiet);
        for (const Piece& p : plan_.sections.cut->pieces)
            painter_.drawPath(to_path(transformed(p.outline, to_paper)));
        QStringList lines;
        for (const InsertLabel& l : plan_.sections.inserts) {
            const Polygon piece = transformed(plan_.sections.cut->pieces[l.piece].outline, to_paper);
            painter_.fillPath(to_path(piece), QColor(0xf6, 0xe7, 0xb5));
            pen(0.2);
            painter_.drawPath(to_path(piece));
            const Box b = bounds(piece);
            tag({b.x1 + 3.2, b.y0 - 1.2}, QString::fromStdString(l.label), 2.6);
            lines << QString::fromStdString(l.label) + QString(": opening %1").arg(l.opening + 1);
        }
        text({r.x(), r.y() + box.height() * scale + 4, r.width(), r.height() - box.height() * scale - 4}, 3.2,
             lines.join("     "));
    }

    /// The mat with every piece where it is cut; loose pieces labelled there too.
    void mats() {
        const CuttingMat size{project_.set_out.cutting_mat.width, project_.set_out.cutting_mat.height};
        for (const CutsOnCuttingMats& one : mats_) {
            QStringList which;
            for (int c : one.cuts) which << QString::number(c + 1);
            for (std::size_t m = 0; m < one.layout.mats.size(); ++m) {
                new_page(
                    QString::fromStdString(project_.title) + ": the cutting mat",
                    QString("Cut %1, mat %2 of %3, %4. The good side, made smaller.")
                        .arg(which.join(" and "))
                        .arg(m + 1)
                        .arg(one.layout.mats.size())
                        .arg(QString::fromStdString(format_size(size.width, size.height, project_.units))));
                const QRectF r = room();
                const double scale = std::min(r.width() / size.width, r.height() / size.height);
                CuttingMatLook look;
                look.label /= scale;
                look.line /= scale;
                painter_.save();
                painter_.translate(r.topLeft());
                painter_.scale(scale, scale);
                paint_cutting_mat(painter_, *plan_.sections.cut, plan_.sections.inserts, one.layout.mats[m],
                                  size, look);
                painter_.restore();
            }
        }
    }

    void tag(QPointF at, const QString& label, double size) {
        const QRectF box(at.x() - size * 1.1, at.y() - size * 0.65, size * 2.2, size * 1.3);
        pen(0.15);
        painter_.setBrush(QColor(255, 255, 255, 235));
        painter_.drawRect(box);
        text(box, size, label, Qt::AlignCenter, true);
    }

    QString backing(int opening) const {
        const int patch = plan_.patch_of(opening);
        const Section& section = plan_.sections.all[plan_.sections.of_opening[opening]];
        if (patch < 0)
            return plan_.sections.covered[opening] >= hidden_share ? "covered, not backed"
                                                                   : name_of(section.treatment);
        const int at = plan_.sections.patches[patch].section;
        const int paper = plan_.papers.of_section[at];
        if (paper < 0) return "no paper yet";
        const QString name = QString::fromStdString(
            brief_name_and_side(project_.stash->papers[paper], plan_.papers.side_of_section[at]));
        if (plan_.sheets.placed[patch].sheet < 0) return name + ": short";
        const Patch& p = plan_.sections.patches[patch];
        if (p.punch > 0)
            return QString("%1, punch %2")
                .arg(name, QString::fromStdString(format_length(p.punch, project_.units)));
        if (p.lip <= 0) return name + ", " + name_of(section.treatment);
        return QString("%1, lip %2").arg(name, QString::fromStdString(format_mm(p.lip)));
    }

    void sheet(const UsedSheet& used, bool mirrored) {
        const Sheet& s = plan_.papers.sheets[used.sheet];
        const Transform turn = mirrored ? Transform::mirrored_x() : Transform{};
        std::vector<Box> boxes;
        for (int p : used.patches)
            boxes.push_back(bounds(
                transformed(plan_.sections.patches[p].on_sheet(), turn * plan_.sheets.placed[p].to_sheet())));
        const QRectF r = room();
        const Tiling tiling =
            tiles_of(bounds(transformed(s.outline, turn)), boxes, r.width() - 8, r.height() - 8);
        const QString name = QString::fromStdString(project_.stash->papers[s.paper].name + ", " + s.id +
                                                    " (" + name_of(s.kind) + ")");
        for (const Tile& tile : tiling.tiles) {
            QString where;
            if (tiling.rows * tiling.columns > 1)
                where = QString(" Part %1%2 of %3 by %4: join at the crosses.")
                            .arg(QChar('A' + tile.row % 26))
                            .arg(tile.column + 1)
                            .arg(tiling.rows)
                            .arg(tiling.columns);
            new_page(name, (mirrored ? "Mirrored for tracing: lay the paper face down. True scale."
                                     : "Seen from the good side. True scale.") +
                               where);
            paint_tile(used, tile, turn, tiling);
        }
    }

    void paint_tile(const UsedSheet& used, const Tile& tile, const Transform& turn, const Tiling& tiling) {
        const QRectF r = room();
        const Sheet& s = plan_.papers.sheets[used.sheet];
        const Transform to_paper = Transform::moved(r.x() + 4 - tile.part.x0, r.y() + 4 - tile.part.y0);
        const QRectF part(r.x() + 4, r.y() + 4, tile.part.width(), tile.part.height());
        painter_.save();
        painter_.setClipRect(part.adjusted(-0.3, -0.3, 0.3, 0.3));
        pen(0.25, quiet, Qt::DashLine);
        painter_.drawPath(to_path(transformed(s.outline, to_paper * turn)));
        for (int p : used.patches) {
            const Transform t = to_paper * turn * plan_.sheets.placed[p].to_sheet();
            const Patch& patch = plan_.sections.patches[p];
            if (!patch.blank.outer.empty()) {
                pen(0.2);
                painter_.drawPath(to_path(transformed(patch.blank, t)));
                pen(0.1, quiet, Qt::DashDotLine);
            } else {
                pen(patch.rides_on >= 0 ? 0.1 : 0.2, patch.rides_on >= 0 ? quiet : ink);
            }
            painter_.drawPath(to_path(transformed(patch.outline, t)));
            const Opening& o = plan_.sections.cut->openings[plan_.sections.patches[p].opening];
            pen(0.1, quiet, Qt::DotLine);
            painter_.drawPath(
                to_path(transformed(Polygon{o.outline.outer, {}}, t * plan_.set_out.whole.to_page)));
            const Point c = (t * plan_.set_out.whole.to_page)(o.label.centre);
            number({c.x, c.y}, plan_.sections.patches[p].opening, 3);
        }
        room_for_later(used.sheet, to_paper * turn);
        painter_.restore();
        if (tiling.rows * tiling.columns > 1) crosses(part, tile, tiling);
        text({margin, height_ - margin - 50, width_ - 2 * margin - 54, 50}, 3,
             "Solid: where to cut. Dotted: the opening it backs. Dashed: the edge of the sheet. "
             "Dashes and dots: kept for later.\n\n"
             "Blades cut fingers: cut away from your hand, on a mat, along a metal ruler, and cap the blade. "
             "The "
             "maker's instructions for a machine or glue come before these numbers.",
             Qt::AlignLeft | Qt::AlignBottom, false, quiet);
    }

    /// What is not to be cut into, with the page that wants it.
    void room_for_later(int sheet, const Transform& to_paper) {
        for (const ReservedRoom& kept : plan_.sheets.room) {
            if (kept.sheet != sheet) continue;
            const Polygon there = transformed(kept.on_sheet, to_paper);
            pen(0.15, quiet, Qt::DashDotDotLine);
            painter_.drawPath(to_path(there));
            const auto middle = largest_circle(there, 0.5);
            if (!middle) continue;
            const double half = std::max(middle->radius, 8.0);
            text({middle->centre.x - half, middle->centre.y - half, 2 * half, 2 * half}, 3,
                 kept.page.empty() ? QString("keep whole") : "for " + QString::fromStdString(kept.page),
                 Qt::AlignCenter, false, quiet);
        }
    }

    /// Alignment marks on the sides where another part joins.
    void crosses(const QRectF& part, const Tile& tile, const Tiling& tiling) {
        pen(0.15);
        const auto cross = [&](double x, double y) {
            painter_.drawLine(QPointF(x - 3, y), QPointF(x + 3, y));
            painter_.drawLine(QPointF(x, y - 3), QPointF(x, y + 3));
            painter_.drawEllipse(QPointF(x, y), 1.5, 1.5);
        };
        for (const double y : {part.top(), part.bottom()}) {
            if (tile.column > 0) cross(part.left(), y);
            if (tile.column + 1 < tiling.columns) cross(part.right(), y);
        }
        for (const double x : {part.left(), part.right()}) {
            if (tile.row > 0) cross(x, part.top());
            if (tile.row + 1 < tiling.rows) cross(x, part.bottom());
        }
    }

    const Project& project_;
    const Plan& plan_;
    const std::vector<CutsOnCuttingMats>& mats_;
    Textures textures_;
    QPdfWriter writer_;
    QPainter painter_;
    double width_;
    double height_;
    int pages_ = 0;
};

} // namespace

Tiling tiles_of(const Box& sheet, const std::vector<Box>& patches, double width, double height) {
    Tiling out;
    out.columns = std::max(1, static_cast<int>(std::ceil(sheet.width() / width - 1e-9)));
    out.rows = std::max(1, static_cast<int>(std::ceil(sheet.height() / height - 1e-9)));
    const double w = sheet.width() / out.columns;
    const double h = sheet.height() / out.rows;
    for (int r = 0; r < out.rows; ++r)
        for (int c = 0; c < out.columns; ++c) {
            const Box part{sheet.x0 + c * w, sheet.y0 + r * h, sheet.x0 + (c + 1) * w,
                           sheet.y0 + (r + 1) * h};
            if (std::any_of(patches.begin(), patches.end(), [&](const Box& b) { return b.meets(part); }))
                out.tiles.push_back({r, c, part});
        }
    return out;
}

QByteArray guide_pdf(const Project& project, const Plan& plan, PrinterPaper paper) {
    return guide_pdf(project, plan, mats_of(project, plan), paper);
}

QByteArray guide_pdf(const Project& project, const Plan& plan, const std::vector<CutsOnCuttingMats>& mats,
                     PrinterPaper paper) {
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    Guide(project, plan, mats, paper, buffer).run();
    return buffer.data();
}

} // namespace zesty
