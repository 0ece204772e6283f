#include "app/build/cutting_view.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/build/materials.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "io/paint/cutting_job_painter.h"

#include <QKeyEvent>
#include <QPainter>

namespace zesty {

namespace {
constexpr double cutting_rim = 24, cutting_head = 58, cutting_foot = 30;
/// What of the mat is of interest: the sheet, or the contours, with a rim; never much less than half of it.
QRectF part_seen(const CuttingJob& job) {
    Box box;
    for (const Ring& r : job.file.sheet) box.add(bounds(r));
    for (const Ring& r : job.file.contours) box.add(bounds(r));
    const Box mat{0, 0, job.file.width, job.file.height};
    box = common(box.grown(mm_per_inch / 2), mat.grown(2));
    const double least = 0.4;
    box.x1 = std::max(box.x1, box.x0 + least * mat.width());
    box.y1 = std::max(box.y1, box.y0 + least * mat.height());
    return {box.x0, box.y0, box.width(), box.height()};
}

} // namespace

CuttingView::CuttingView(BuildDesk& desk, MachineDesk& machine, QWidget* parent)
    : QWidget(parent), desk_(desk), machine_(machine) {
    setObjectName("cutting-view");
    setAccessibleName("What the machine cuts");
    setFocusPolicy(Qt::StrongFocus);
    connect(&desk, &BuildDesk::jobs_changed, this, [this] { update(); });
    connect(&machine, &MachineDesk::changed, this, [this] { update(); });
}

void CuttingView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Right || event->key() == Qt::Key_Down)
        desk_.choose_job(desk_.job() + 1);
    else if (event->key() == Qt::Key_Left || event->key() == Qt::Key_Up)
        desk_.choose_job(desk_.job() - 1);
    else
        QWidget::keyPressEvent(event);
}

void CuttingView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme::bench);
    const CuttingJobs* jobs = desk_.jobs();
    const auto say = [&](double y, double high, const QString& text, bool strong, const QColor& colour) {
        p.setFont(theme::font(strong ? theme::Text::Title : theme::Text::Body));
        p.setPen(colour);
        p.drawText(QRectF(cutting_rim, y, width() - 2 * cutting_rim, high), Qt::AlignLeft | Qt::AlignVCenter,
                   text);
    };
    if (!jobs || jobs->jobs.empty())
        return say(cutting_rim, 40,
                   jobs ? "Nothing is cut by machine." : "Laying out what the machine cuts\u2026", false,
                   theme::quiet);
    const CuttingJob& job = jobs->jobs[static_cast<std::size_t>(desk_.job())];
    QString title = words(job.from);
    title[0] = title[0].toUpper();
    if (job.parts > 1) title += QString(", part %1 of %2").arg(job.part).arg(job.parts);
    say(8, 28, title, true, theme::ink);
    const Material* of = material(job.material);
    QString how = QString("%1, %2, good side %3")
                      .arg(counted(job.file.contours.size(), "contour", "contours"),
                           of ? of->name : "another material", job.good_side_up ? "up" : "down");
    if (job.parts > 1) how += ". Blue crosses lie at the same places of the sheet in each part";
    say(34, 22, how + ".", false, theme::quiet);
    const QRectF room(cutting_rim, theme::px(cutting_head) + 8, width() - 2 * cutting_rim,
                      height() - theme::px(cutting_head) - theme::px(cutting_foot) - 12);
    const QRectF seen = part_seen(job);
    const double scale = std::min(room.width() / seen.width(), room.height() / seen.height());
    CuttingJobLook look;
    look.line = 1.1 / scale;
    look.least_label = 12 / scale;
    if (machine_.on_show()) look.done = machine_.now().done;
    p.save();
    p.setClipRect(room.adjusted(-2, -2, 2, 2));
    p.translate(room.x() + (room.width() - scale * seen.width()) / 2, room.y());
    p.scale(scale, scale);
    p.translate(-seen.x(), -seen.y());
    paint_cutting_job(p, job, look);
    p.restore();
    if (machine_.on_show() && !machine_.picture().isNull()) {
        // What the machine itself says it has cut.
        constexpr double side = 150;
        const QRectF corner(width() - cutting_rim - side, height() - theme::px(cutting_foot) - side - 8, side,
                            side);
        p.drawImage(corner, machine_.picture());
        p.setPen(theme::line);
        p.setBrush(Qt::NoBrush);
        p.drawRect(corner);
        p.setFont(theme::font(theme::Text::Small));
        p.setPen(theme::ink);
        p.drawText(corner.adjusted(6, 4, -6, -4), Qt::AlignLeft | Qt::AlignBottom, "as the machine cut it");
    }
    say(height() - theme::px(cutting_foot), theme::px(cutting_foot) - 4,
        "Keep hands off a running machine; its maker's instructions come before everything here.", false,
        theme::quiet);
}

} // namespace zesty
