#include "app/build/machine_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/build/materials.h"
#include "core/sentences.h"

#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QProgressBar>
#include <QSpinBox>

namespace zesty {

MachinePart::MachinePart(Document& document, BenchState& state, Actions& actions, BuildDesk& desk,
                         MachineDesk& machine, QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk), machine_(machine) {
    rows_ = new Rows("cutting-jobs", "What the machine cuts", 5, this);
    connect(rows_, &Rows::taken, this, [this] { desk_.choose_job(rows_->in_hand()); });
    column_->addWidget(rows_);
    build_settings();
    build_machine();
    connect(&document, &Document::project_changed, this, &MachinePart::refresh_if_shown);
    connect(&desk, &BuildDesk::jobs_changed, this, &MachinePart::refresh_if_shown);
    connect(&machine, &MachineDesk::changed, this, &MachinePart::refresh_if_shown);
}

void MachinePart::change(const QString& intention, const std::function<void(CuttingSettings&)>& apply) {
    document_.change(intention, [&](Project& p) { apply(p.build.cutting); });
}

void MachinePart::build_settings() {
    auto* r = row("Overcut");
    overcut_ =
        fine_field("How far the blade goes past the start of a contour (overcut)", overcut_limits,
                   [this](double mm) { change("Overcut", [&](CuttingSettings& c) { c.overcut = mm; }); });
    r->addWidget(overcut_);
    corners_ = new ChoiceBox<Corners>("At sharp corners",
                                      {{"plain corners", Corners::Plain},
                                       {"swivel at corners", Corners::Swivel},
                                       {"lift at corners", Corners::Lift}},
                                      this);
    corners_->setToolTip(
        "Swivel: a blade that turns by itself goes on by its offset and round the corner. Lift: "
        "it is lifted and set down anew.");
    corners_->on_choice(
        this, [this](Corners to) { change("Corners", [&](CuttingSettings& c) { c.corners = to; }); });
    r->addWidget(corners_, 1);
    r = row("Blade tip");
    offset_ = fine_field("Tip of the blade behind its axis", blade_offset_limits, [this](double mm) {
        change("Blade offset", [&](CuttingSettings& c) { c.blade_offset = mm; });
    });
    r->addWidget(offset_);
    r->addWidget(quiet("sharp from"));
    sharp_ = degree_field("Turn from which a corner is sharp", static_cast<int>(sharp_limits.least),
                          static_cast<int>(sharp_limits.most), [this](int deg) {
                              change("Sharp corners", [&](CuttingSettings& c) { c.sharp_deg = deg; });
                          });
    r->addWidget(sharp_);
    r->addStretch(1);
    r = row("Cuts of");
    std::vector<Choice<std::string>> materials;
    for (const Material& m : usual_materials) materials.push_back({m.name, m.id});
    material_ = new ChoiceBox<std::string>("What the cuts are of", materials, this);
    material_->on_choice(this, [this](const std::string& id) {
        change("Material of the cuts", [&](CuttingSettings& c) { c.material = id; });
    });
    r->addWidget(material_, 1);
    face_down_ =
        tick("good side down", "Everything lies on the cutting mat with its good side down", [this](bool on) {
            change("Which side lies up", [&](CuttingSettings& c) { c.face_down = on; });
        });
    r->addWidget(face_down_);
}

void MachinePart::build_machine() {
    auto* r = row(QString());
    cut_ = button(Act::CutJob, "Connect", true);
    r->addWidget(cut_);
    anew_ = button(Act::CutAnew, "New paper");
    r->addWidget(anew_);
    cancel_ = button(Act::CancelCut, "Cancel");
    r->addWidget(cancel_);
    r->addStretch(1);
    test_ = tick("test piece first", "A square of 10 mm is cut first, on new paper",
                 [this](bool on) { change("Test piece", [&](CuttingSettings& c) { c.test_piece = on; }); });
    column_->addWidget(test_);
    progress_ = new QProgressBar(this);
    progress_->setAccessibleName("How far the machine is");
    progress_->setTextVisible(false);
    progress_->setFixedHeight(theme::px(8));
    column_->addWidget(progress_);
    says_ = line("machine-says");
}

QString MachinePart::says() const {
    QStringList out;
    const CuttingJobs* jobs = desk_.jobs();
    if (!machine_.said().isEmpty()) out << machine_.said();
    const MachineNow& now = machine_.now();
    if (machine_.tests()) {
        out << "The test piece is being cut.";
    } else if (machine_.on_show()) {
        const QString so_far = QString("%1 of %2 contours are cut").arg(now.contours_done).arg(now.contours);
        if (now.state == MachineNow::State::Finished)
            out << "All contours are cut. Lift the waste off, not the pieces.";
        else
            out << QString("%1, %2 left.").arg(so_far, words(minutes_in_words(now.seconds_left / 60)));
    }
    if (jobs && desk_.job() < static_cast<int>(jobs->jobs.size())) {
        const CuttingJob& job = jobs->jobs[static_cast<std::size_t>(desk_.job())];
        const Material* of = material(job.material);
        if (too_fine_for(job))
            out << QString("Bars finer than %1, the least that %2 allows: %3.")
                       .arg(words(format_mm(of->finest_bar)), of->name,
                            words(in_a_row(bars_finer_than(desk_.plan(), of->finest_bar))));
        else if (of && out.isEmpty())
            out << QString("%1: %2 mm a second, %3 g, bars from %4. The maker's figures come first.")
                       .arg(of->name)
                       .arg(of->speed)
                       .arg(of->force)
                       .arg(words(format_mm(of->finest_bar)));
    }
    if (jobs)
        for (const std::string& one : jobs->too_large) out << words(one);
    return out.join(" ");
}

void MachinePart::refresh() {
    desk_.want_jobs_once();
    const CuttingSettings& c = document_.project().build.cutting;
    QStringList rows;
    if (const CuttingJobs* jobs = desk_.jobs())
        for (const CuttingJob& job : jobs->jobs)
            rows << words(job.from) + (job.parts > 1 ? QString(", part %1").arg(job.part) : QString()) +
                        ": " + counted(job.file.contours.size(), "contour", "contours");
    rows_->show_rows(rows);
    {
        const QSignalBlocker quiet_rows(rows_);
        rows_->setCurrentRow(rows.isEmpty() ? -1 : desk_.job());
    }
    const QSignalBlocker quiet_overcut(overcut_), quiet_offset(offset_);
    overcut_->setValue(c.overcut);
    corners_->show_value(c.corners);
    offset_->setValue(c.blade_offset);
    const QSignalBlocker quiet_sharp(sharp_);
    sharp_->setValue(static_cast<int>(c.sharp_deg));
    material_->show_value(c.material);
    face_down_->setChecked(c.face_down);
    test_->setChecked(c.test_piece);
    const MachineNow& now = machine_.now();
    const bool here = machine_.on_show();
    cut_->setText(machine_.away()                                   ? "Connect"
                  : now.state == MachineNow::State::Cutting         ? "Pause"
                  : here && now.state == MachineNow::State::Paused  ? "Go on"
                  : here && now.state == MachineNow::State::Stopped ? "Go on"
                                                                    : "Cut");
    cut_->setEnabled(machine_.away() || (desk_.jobs() && !desk_.jobs()->jobs.empty()));
    anew_->setEnabled(!machine_.away() && now.state != MachineNow::State::Cutting && !rows.isEmpty());
    cancel_->setEnabled(now.state == MachineNow::State::Cutting || now.state == MachineNow::State::Paused ||
                        now.state == MachineNow::State::Stopped);
    progress_->setVisible(here);
    progress_->setMaximum(std::max(1, now.contours));
    progress_->setValue(now.contours_done);
    says_->setText(says());
    lay_out_now(this);
}

} // namespace zesty
