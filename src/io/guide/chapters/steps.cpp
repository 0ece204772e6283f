// What has to be on the table, how the trimmer is set, and every step to be ticked off.

#include "core/build/progress.h"
#include "core/project/build_lists.h"
#include "core/project/build_steps.h"
#include "io/guide/chapters/chapters.h"

#include <QFontMetricsF>

namespace zesty::guide {

namespace {

constexpr double step_line = 4.6, step_note = 3.9, step_letter = 3.3, step_note_letter = 2.8;

QString words(const std::string& text) {
    return QString::fromStdString(text);
}

/// How many lines a text takes in so wide a column; with some room to spare, as a printer's letters may be a
/// little wider than a screen's.
int lines_of(const QString& text, double letter_high, double width) {
    QFont font("Lato");
    font.setPixelSize(100);
    const QRectF box = QFontMetricsF(font).boundingRect(QRectF(0, 0, 0.86 * width / letter_high * 100, 1e6),
                                                        Qt::TextWordWrap, text);
    return std::max(1, static_cast<int>(std::lround(box.height() / QFontMetricsF(font).lineSpacing())));
}

/// Where the next lines go: from page to page, as a chapter of one heading.
class Column {
public:
    Column(GuidePaper& g, QString title, QString hint)
        : g_(g), title_(std::move(title)), hint_(std::move(hint)) {}

    /// Room for something so high, on a page that has room for what belongs below it, too.
    QRectF take(double high, double below = 0) {
        if (!begun_) {
            where_ = g_.chapter(title_, hint_, std::max(high + below, 24.0));
            begun_ = true;
        } else if (where_.top() + high + below > where_.bottom()) {
            g_.new_page(title_ + ", continued", hint_);
            where_ = g_.room();
        }
        const QRectF out(where_.x(), where_.y(), where_.width(), high);
        where_.setTop(where_.top() + high);
        g_.used_to(where_.top());
        return out;
    }

private:
    GuidePaper& g_;
    QString title_, hint_;
    QRectF where_;
    bool begun_ = false;
};

void print_line(GuidePaper& g, const QRectF& r, const ListLine& line) {
    g.text({r.x(), r.y(), r.width() * 0.3, r.height()}, step_letter, words(line.what));
    g.text({r.x() + r.width() * 0.31, r.y(), r.width() * 0.25, r.height()}, step_letter, words(line.how_much),
           Qt::AlignLeft | Qt::AlignTop, true);
    g.text({r.x() + r.width() * 0.57, r.y(), r.width() * 0.43, r.height()}, step_note_letter,
           words(line.note), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, false, quiet);
}

QString notes_of(const BuildStep& step) {
    QStringList out;
    for (const auto& [name, said] : step.rows) out << words(name) + ": " + words(said);
    return out.join(". ");
}

void print_step(GuidePaper& g, Column& column, const BuildStep& step, std::size_t number,
                const QString& caution) {
    const double text_width = g.room().width() - 44;
    const QString notes = notes_of(step);
    const int title_lines = lines_of(words(step.what), step_letter, text_width);
    const int note_lines = notes.isEmpty() ? 0 : lines_of(notes, step_note_letter, text_width);
    const int caution_lines = caution.isEmpty() ? 0 : lines_of(caution, step_note_letter, text_width);
    const QRectF r = column.take(title_lines * step_line + (note_lines + caution_lines) * step_note + 1.6);
    g.pen(0.25);
    g.painter.setBrush(Qt::NoBrush);
    g.painter.drawRect(QRectF(r.x(), r.y() + 0.4, 3.4, 3.4));
    g.text({r.x() + 5, r.y(), 7, step_line}, step_letter, QString::number(number),
           Qt::AlignRight | Qt::AlignTop, true);
    g.text({r.x() + 14, r.y(), text_width, title_lines * step_line}, step_letter, words(step.what),
           Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap);
    QString time = words(minutes_in_words(step.time.hands));
    if (step.time.dries > 0) time += " + " + words(minutes_in_words(step.time.dries));
    g.text({r.right() - 30, r.y(), 30, step_line}, step_letter, time, Qt::AlignRight | Qt::AlignTop);
    double y = r.y() + title_lines * step_line;
    if (note_lines > 0)
        g.text({r.x() + 14, y, text_width, note_lines * step_note}, step_note_letter, notes,
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, false, quiet);
    y += note_lines * step_note;
    if (caution_lines > 0)
        g.text({r.x() + 14, y, text_width, caution_lines * step_note}, step_note_letter, caution,
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, false, QColor(0xb0, 0x2a, 0x4b));
}

} // namespace

void print_lists(GuidePaper& g) {
    Column column(g, words(g.project.title) + ": what it takes", "Papers, adhesives and everything else.");
    for (const BuildList& list : build_lists(g.project, g.plan)) {
        const QRectF head = column.take(step_line + 2, step_line);
        g.text({head.x(), head.y() + 1.4, head.width(), step_line}, step_letter, words(list.name),
               Qt::AlignLeft | Qt::AlignTop, true);
        for (const ListLine& line : list.lines) {
            const int lines = lines_of(words(line.note), step_note_letter, g.room().width() * 0.43);
            print_line(g, column.take(std::max(step_line, lines * step_note)), line);
        }
    }
}

void print_trimming(GuidePaper& g) {
    const std::vector<std::string> settings = trimmer_settings(g.project, g.plan);
    if (settings.empty()) return;
    Column column(g, words(g.project.title) + ": trimming",
                  "What the trimmer is set to, in the order that leaves most paper whole. Mind the blade.");
    for (const std::string& said : settings) {
        const double width = g.room().width();
        const QRectF r = column.take(lines_of(words(said), step_letter, width) * step_line + 1);
        g.text(r, step_letter, words(said), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap);
    }
}

void print_steps(GuidePaper& g) {
    const std::vector<BuildStep> steps = work_now(build_steps(g.project, g.plan), g.project.build,
                                                  last_logged(g.project.build), g.project.seed)
                                             .steps;
    Column column(
        g, words(g.project.title) + ": step by step",
        "To tick off, in an order that wastes no waiting: minutes of work + minutes until it is dry. "
        "Makers' instructions come first.");
    QString last_caution;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        // The same caution over and over is read no more.
        const QString caution = words(steps[i].caution);
        print_step(g, column, steps[i], i + 1, caution == last_caution ? QString() : caution);
        if (!caution.isEmpty()) last_caution = caution;
    }
    for (const std::string& said : g.project.build.reminders) {
        const QRectF r = column.take(step_line);
        g.text(r, step_letter, "Not to be forgotten: " + words(said), Qt::AlignLeft | Qt::AlignTop, true);
    }
}

} // namespace zesty::guide
