#include "app/build/machine_desk.h"

#include <QCoreApplication>
#include <QDir>
#include <QFileInfo>
#include <csignal>
#include <sys/prctl.h>

namespace zesty {

namespace {

constexpr int between_tries_ms = 150;
constexpr int most_tries = 40;

const CuttingJob* job_on_show(const BuildDesk& desk) {
    const CuttingJobs* jobs = desk.jobs();
    if (!jobs || desk.job() >= static_cast<int>(jobs->jobs.size())) return nullptr;
    return &jobs->jobs[static_cast<std::size_t>(desk.job())];
}

} // namespace

MachineDesk::MachineDesk(const BenchParts& bench, BuildDesk& desk, QObject* parent)
    : QObject(parent), bench_(bench), desk_(desk) {
    connect(&link_, &CutterLink::changed, this, &MachineDesk::heard);
    connect(&link_, &CutterLink::refused, this, [this](const QString& why) {
        if (again_.isActive()) return; // it is only just starting
        cut_when_loaded_ = false;
        testing_ = false;
        say(why);
    });
    connect(&link_, &CutterLink::pictured, this, [this](const QByteArray& png) {
        picture_ = QImage::fromData(png);
        emit changed();
    });
    again_.setInterval(between_tries_ms);
    connect(&again_, &QTimer::timeout, this, [this] {
        if (!away() || ++tries_ > most_tries) {
            again_.stop();
            if (away()) say("The stand-in does not start.");
            return;
        }
        link_.connect_to(socket_name());
    });
    connect(&process_, &QProcess::errorOccurred, this, [this](QProcess::ProcessError error) {
        if (error != QProcess::FailedToStart) return;
        again_.stop();
        say("The stand-in for a cutting machine, zesty-cutter, is not there.");
    });
}

MachineDesk::~MachineDesk() {
    link_.disconnect(this);
    process_.disconnect(this);
    if (!started_here_) return;
    process_.terminate();
    if (!process_.waitForFinished(2000)) process_.kill();
}

QString MachineDesk::socket_name() const {
    return bench_.settings.machine_folder() + "/socket";
}

void MachineDesk::say(const QString& what) {
    said_ = what;
    emit changed();
}

bool MachineDesk::on_show() const {
    const CuttingJob* job = job_on_show(desk_);
    return job && !away() && !testing_ && now().job == machine_job(*job, desk_.project().build.cutting).id;
}

void MachineDesk::connect_machine() {
    said_.clear();
    if (!away()) return;
    const QString folder = bench_.settings.machine_folder();
    QDir().mkpath(folder);
    if (process_.state() == QProcess::NotRunning) {
        const QString beside = QCoreApplication::applicationDirPath() + "/zesty-cutter";
        process_.setProcessChannelMode(QProcess::MergedChannels);
        // It goes with the window, however that ends.
        process_.setChildProcessModifier([] { ::prctl(PR_SET_PDEATHSIG, SIGTERM); });
        process_.start(QFileInfo::exists(beside) ? beside : QString("zesty-cutter"),
                       {"--name", socket_name(), "--journals", folder, "--faster",
                        QString::number(bench_.settings.machine_speed())});
        started_here_ = true;
    }
    tries_ = 0;
    again_.start();
    emit changed();
}

void MachineDesk::load(bool anew) {
    const CuttingJob* job = job_on_show(desk_);
    if (!job) return;
    const CuttingSettings& settings = desk_.project().build.cutting;
    picture_ = {};
    wanted_ = machine_job(*job, settings);
    testing_ = settings.test_piece && anew;
    const MachineJob first = testing_ ? machine_job(test_piece(*job), settings) : wanted_;
    cut_when_loaded_ = true;
    link_.load(first.id, first.hpgl, first.material, anew);
}

void MachineDesk::cut_or_pause() {
    said_.clear();
    if (away()) {
        connect_machine();
    } else if (now().state == MachineNow::State::Cutting) {
        link_.pause();
    } else if (on_show() &&
               (now().state == MachineNow::State::Paused || now().state == MachineNow::State::Stopped ||
                now().state == MachineNow::State::Loaded)) {
        link_.mend();
        link_.cut();
    } else {
        load(false);
    }
    emit changed();
}

void MachineDesk::begin_anew() {
    said_.clear();
    if (!away()) load(true);
}

void MachineDesk::cancel() {
    cut_when_loaded_ = false;
    testing_ = false;
    link_.cancel();
}

void MachineDesk::heard() {
    switch (now().state) {
    case MachineNow::State::Away:
        testing_ = false;
        if (!again_.isActive())
            said_ = "The connection is lost. What has been cut is known: connect, and go on.";
        break;
    case MachineNow::State::Empty:
        again_.stop();
        said_ = said_.startsWith("The connection") ? QString() : said_;
        break;
    case MachineNow::State::Loaded:
        if (cut_when_loaded_) {
            cut_when_loaded_ = false;
            link_.cut();
        }
        break;
    case MachineNow::State::Stopped:
        said_ = fault_in_words(now().why);
        break;
    case MachineNow::State::Finished:
        if (testing_) {
            // The sheet itself comes once somebody has looked at the test piece.
            testing_ = false;
            said_ = "The test piece is cut. Look at it; cut the sheet when it came off clean.";
            link_.load(wanted_.id, wanted_.hpgl, wanted_.material, true);
        } else if (picture_.isNull()) {
            link_.ask_picture();
        }
        break;
    case MachineNow::State::Cutting:
    case MachineNow::State::Paused:
        break;
    }
    emit changed();
}

} // namespace zesty
