#include "cli/build_machine.h"

#include "cli/command.h"
#include "core/sentences.h"
#include "devices/cutter_link.h"
#include "io/machine_job.h"
#include "io/read_file.h"

#include <QEventLoop>
#include <QTimer>
#include <algorithm>
#include <iostream>

namespace zesty::cli {

namespace {

constexpr int patience_ms = 5000; ///< for a machine that says nothing

/// One job from the greeting to the end.
class Sending {
public:
    Sending(const BuildArgs& args, const CuttingJob& job, const CuttingSettings& settings)
        : args_(args), contours_(job.file.contours.size()), job_(machine_job(job, settings)) {
        QObject::connect(&link_, &CutterLink::changed, [this] { heard(); });
        QObject::connect(&link_, &CutterLink::refused,
                         [this](const QString& why) { end(complain(why.toStdString())); });
        QObject::connect(&link_, &CutterLink::pictured, [this](const QByteArray& png) { keep(png); });
        silence_.setSingleShot(true);
        QObject::connect(&silence_, &QTimer::timeout,
                         [this] { end(complain("the cutting machine does not answer any more")); });
    }

    int run() {
        silence_.start(patience_ms);
        link_.connect_to(QString::fromStdString(args_.machine));
        if (!over_) loop_.exec(); // it may be over at once
        return code_;
    }

private:
    void end(int code) {
        if (over_) return;
        over_ = true;
        code_ = code;
        silence_.stop();
        loop_.quit();
    }
    void heard() {
        if (over_) return;
        silence_.start(patience_ms);
        const MachineNow& now = link_.now();
        switch (now.state) {
        case MachineNow::State::Away:
            std::cout << "the connection is lost; the same command goes on where it was\n";
            end(problems);
            break;
        case MachineNow::State::Empty:
            if (!loaded_) link_.load(job_.id, job_.hpgl, job_.material, args_.anew);
            loaded_ = true;
            break;
        case MachineNow::State::Loaded:
            if (begun_) break;
            begun_ = true;
            std::cout << now.contours_done << " of " << count_of(contours_, "contour", "contours")
                      << " are cut already\n";
            link_.mend();
            link_.cut();
            break;
        case MachineNow::State::Cutting:
        case MachineNow::State::Paused:
            if (now.contours_done != told_)
                std::cout << (told_ = now.contours_done) << " of " << now.contours << ", "
                          << static_cast<int>(now.seconds_left) << " s left\n";
            break;
        case MachineNow::State::Stopped:
            std::cout << fault_in_words(now.why).toStdString() << " " << now.contours_done << " of "
                      << now.contours << " contours are cut.\n";
            finish(problems);
            break;
        case MachineNow::State::Finished:
            std::cout << "all " << now.contours << " contours are cut\n";
            finish(done);
            break;
        }
    }

    void finish(int code) {
        if (ended_) return;
        ended_ = true;
        code_ = code;
        if (args_.picture.empty())
            end(code);
        else
            link_.ask_picture();
    }
    void keep(const QByteArray& png) {
        if (const auto r = write_file(QString::fromStdString(args_.picture), png); !r)
            code_ = complain(r.error().message);
        end(code_);
    }

    const BuildArgs& args_;
    std::size_t contours_;
    MachineJob job_;
    CutterLink link_;
    QEventLoop loop_;
    QTimer silence_;
    int code_ = done;
    int told_ = -1;
    bool loaded_ = false, begun_ = false, ended_ = false, over_ = false;
};

} // namespace

int send_to_machine(const BuildArgs& args, const Project& project, const Plan& plan,
                    const CuttingJobs& cutting) {
    std::string known;
    for (const CuttingJob& job : cutting.jobs) {
        known += (known.empty() ? "" : ", ") + job.key;
        if (job.key != args.job) continue;
        const CuttingSettings& settings = project.build.cutting;
        if (const Material* m = too_fine_for(job))
            std::cout << "bars finer than " << format_mm(m->finest_bar) << ", which " << m->name
                      << " bears: " << in_a_row(bars_finer_than(plan, m->finest_bar)) << "\n";
        if (settings.test_piece && args.anew) {
            const CuttingJob first = test_piece(job);
            BuildArgs quiet = args;
            quiet.picture.clear();
            std::cout << "a test piece first\n";
            if (const int code = Sending(quiet, first, settings).run(); code != done) return code;
        }
        return Sending(args, job, settings).run();
    }
    return complain("--job: there is none called '" + args.job + "'; there are " + known);
}

} // namespace zesty::cli
