// The stand-in for a cutting machine: whatever fails, and whenever it is killed, every contour is cut once
// and none is lost.

#include "devices/cutter_link.h"
#include "devices/cutter_server.h"
#include "io/machine_job.h"
#include "support/patience.h"
#include "support/rounds.h"

#include <QDir>
#include <QElapsedTimer>
#include <QEventLoop>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QTimer>
#include <csignal>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

CuttingFile panes() {
    CuttingFile out{"panes", 300, 300, {}, {}};
    for (int i = 0; i < 6; ++i) {
        const double x = 20 + 40 * i;
        out.contours.push_back({{x, 20}, {x + 30, 20}, {x + 30, 50}, {x, 60}});
    }
    return out;
}

CuttingJob job_of(const CuttingFile& file) {
    CuttingJob out;
    out.key = "panes";
    out.material = "cardstock";
    out.file = file;
    return out;
}

/// What of each contour a journal says is cut in the end, and how much more than once on the paper that
/// counts.
struct Cuts {
    std::vector<double> done;
    double twice = 0;
    double gaps = 0;
};
Cuts cuts_of(const std::vector<CutterRecord>& journal, std::size_t contours) {
    Cuts out;
    out.done.assign(contours, 0);
    for (const CutterRecord& r : journal) {
        double& done = out.done[static_cast<std::size_t>(r.stretch.contour)];
        if (r.kind == CutterRecord::Kind::Spoiled) {
            done = 0;
            continue;
        }
        out.twice += std::max(0.0, done - r.stretch.from);
        out.gaps += std::max(0.0, r.stretch.from - done);
        done = r.stretch.to;
    }
    return out;
}

void expect_cut_once(const std::vector<CutterRecord>& journal, const std::vector<CutterContour>& path) {
    const Cuts cuts = cuts_of(journal, path.size());
    EXPECT_LT(cuts.twice, 1e-3) << "nothing is cut twice";
    EXPECT_LT(cuts.gaps, 1e-3) << "nothing is left out between";
    for (std::size_t c = 0; c < path.size(); ++c) EXPECT_NEAR(cuts.done[c], path[c].length, 1e-3);
}

Result<std::vector<CutterContour>> read(const CuttingFile& file, double mat = 300) {
    return contours_of_hpgl(cutting_hpgl(file).toStdString(), mat, mat);
}

} // namespace

TEST(Cutter, ReadsPlotterLanguageAndRefusesWhatItCannotCut) {
    const auto path = read(panes());
    ASSERT_TRUE(path) << path.error().message;
    ASSERT_EQ(path->size(), 6u);
    EXPECT_NEAR((*path)[0].length, 30 + 30 + std::hypot(30, 10) + 40 + 0.5, 0.1);
    const auto outside = read(panes(), 200);
    ASSERT_FALSE(outside);
    EXPECT_NE(outside.error().message.find("outside"), std::string::npos);
    for (const char* bad :
         {"", "IN;SP1;", "IN;SP1;XX100,100;", "IN;SP1;PU0,0;PD100;", "P", "IN;SP1;PU0,0;PD1e999,0;"})
        EXPECT_FALSE(contours_of_hpgl(bad, 300, 300)) << bad;
    CuttingSettings lifts;
    lifts.corners = Corners::Lift;
    const auto lifted = contours_of_hpgl(cutting_hpgl(panes(), lifts).toStdString(), 300, 300);
    ASSERT_TRUE(lifted);
    EXPECT_EQ(lifted->size(), 6u) << "a contour in four strokes is one contour";
    EXPECT_NEAR((*lifted)[0].length, (*path)[0].length, 0.1);
    CuttingFile crossed = panes();
    crossed.registration = {{150, 150}};
    EXPECT_EQ(read(crossed)->size(), 6u) << "crosses are drawn, not cut";
}

TEST(Cutter, AJournalThatWasCutOffIsReadAsFarAsItGoes) {
    const CutterRecord a{CutterRecord::Kind::Cut, {2, 0, 14.5}};
    const CutterRecord b{CutterRecord::Kind::Spoiled, {2, 0, 0}};
    const std::string all = line_of(a) + "nonsense\ncut 3 1 .\n" + line_of(b);
    EXPECT_EQ(records_of(all).size(), 2u);
    for (std::size_t cut = 0; cut <= all.size(); ++cut) EXPECT_LE(records_of(all.substr(0, cut)).size(), 2u);
}

TEST(Cutter, FailsAHundredTimesAtRandomAndCutsEveryContourOnce) {
    std::mt19937 random(100);
    const auto path = read(panes());
    ASSERT_TRUE(path);
    int failures = 0;
    for (int round = 0; failures < testing::rounds(100); ++round) {
        Cutter cutter;
        std::vector<CutterRecord> journal;
        cutter.load(*path, usual_materials[2], {});
        for (int turns = 0; cutter.state() != Cutter::State::Finished && turns < 400; ++turns) {
            switch (random() % 6) {
            case 0: // switched off and on: only the journal is left, its last line perhaps in part
            {
                std::string written;
                for (const CutterRecord& r : journal) written += line_of(r);
                cutter = {};
                cutter.load(*path, usual_materials[2], records_of(written));
                ++failures;
                break;
            }
            case 1:
                cutter.will_fail(static_cast<CutterFault>(1 + random() % 4),
                                 static_cast<double>(random() % 120));
                ++failures;
                break;
            case 2:
                cutter.pause();
                break;
            default:
                break;
            }
            cutter.cut();
            cutter.mend();
            cutter.cut();
            const auto cut = cutter.advance(static_cast<double>(random() % 400) / 100);
            journal.insert(journal.end(), cut.begin(), cut.end());
        }
        ASSERT_EQ(cutter.state(), Cutter::State::Finished);
        EXPECT_EQ(cutter.contours_done(), 6u);
        EXPECT_NEAR(cutter.seconds_left(), 0, 1e-9);
        expect_cut_once(journal, *path);
    }
}

TEST(Cutter, DoesNotBeginWithoutAMat) {
    Cutter cutter;
    EXPECT_FALSE(cutter.cut()) << "there is no job";
    cutter.load(*read(panes()), usual_materials[0], {});
    cutter.will_fail(CutterFault::NotLoaded, 0);
    EXPECT_FALSE(cutter.cut());
    EXPECT_EQ(cutter.fault(), CutterFault::NotLoaded);
    EXPECT_TRUE(cutter.advance(10).empty());
    EXPECT_FALSE(cutter.cut());
    cutter.mend();
    EXPECT_TRUE(cutter.cut());
    EXPECT_GT(cutter.seconds_left(), 0);
}

#ifdef ZESTY_CUTTER

namespace {

/// A machine in a process of its own.
class Machine {
public:
    explicit Machine(const QString& folder, double faster) : folder_(folder) {
        process_.start(ZESTY_CUTTER,
                       {"--name", name(), "--journals", folder, "--faster", QString::number(faster)});
        EXPECT_TRUE(process_.waitForReadyRead(patience_ms));
    }
    QString name() const { return folder_ + "/socket"; }
    void kill() {
        ::kill(static_cast<pid_t>(process_.processId()), SIGKILL);
        process_.waitForFinished(patience_ms);
    }
    ~Machine() {
        if (process_.state() != QProcess::NotRunning) kill();
    }

private:
    QString folder_;
    QProcess process_;
};

bool wait_for(const std::function<bool()>& done, int ms = patience_ms) {
    QElapsedTimer clock;
    clock.start();
    while (!done() && clock.elapsed() < ms) {
        QEventLoop loop;
        QTimer::singleShot(5, &loop, &QEventLoop::quit);
        loop.exec();
    }
    return done();
}

std::vector<CutterRecord> journal_in(const QString& folder, const QString& id) {
    QFile file(folder + "/" + id + ".journal");
    EXPECT_TRUE(file.open(QIODevice::ReadOnly));
    return records_of(file.readAll().toStdString());
}

} // namespace

namespace {

/// One machine and who sends it a job, over and over.
struct Trial {
    QTemporaryDir dir;
    std::mt19937 random{7};
    std::vector<CutterContour> path = *read(panes());
    MachineJob job = machine_job(job_of(panes()), {});
    std::unique_ptr<Machine> machine = std::make_unique<Machine>(dir.path(), 40);
    CutterLink link;

    MachineNow::State state() const { return link.now().state; }
    bool reaches(MachineNow::State wanted) {
        return wait_for([&] { return state() == wanted; });
    }
    /// Connected, and with something to cut; what was finished has been looked at.
    void make_ready() {
        if (state() == MachineNow::State::Away) {
            link.connect_to(machine->name());
            ASSERT_TRUE(reaches(MachineNow::State::Empty));
            link.load(job.id, job.hpgl, job.material, false);
            ASSERT_TRUE(wait_for([&] { return link.now().contours == 6; }));
        }
        if (state() != MachineNow::State::Finished) return;
        expect_cut_once(journal_in(dir.path(), job.id), path);
        link.load(job.id, job.hpgl, job.material, true); // and once more, on new paper
        ASSERT_TRUE(reaches(MachineNow::State::Loaded));
    }
    void fail_somehow() {
        const auto until = [&](MachineNow::State wanted) {
            wait_for([&] { return state() == wanted || state() == MachineNow::State::Finished; }, 400);
        };
        switch (random() % 4) {
        case 0:
            wait_for([] { return false; }, static_cast<int>(random() % 40));
            machine->kill();
            ASSERT_TRUE(reaches(MachineNow::State::Away));
            machine = std::make_unique<Machine>(dir.path(), 40);
            break;
        case 1:
            link.fail("connection-lost", static_cast<double>(random() % 60));
            until(MachineNow::State::Away);
            break;
        default:
            link.fail(random() % 2 ? "blade-worn" : "material-slipped", static_cast<double>(random() % 90));
            until(MachineNow::State::Stopped);
        }
    }
    void cut_to_the_end() {
        ASSERT_TRUE(wait_for([&] {
            if (state() == MachineNow::State::Finished) return true;
            if (state() == MachineNow::State::Away) make_ready();
            link.mend(); // whatever fault is still to come
            link.cut();
            wait_for([] { return false; }, 50);
            return false;
        }));
    }
};

} // namespace

TEST(CutterProcess, KilledAndFailingAtRandomPointsItCutsEveryContourOnce) {
    Trial trial;
    for (int failures = 0; failures < testing::rounds(100); ++failures) {
        ASSERT_NO_FATAL_FAILURE(trial.make_ready());
        trial.link.mend();
        trial.link.cut();
        ASSERT_NO_FATAL_FAILURE(trial.fail_somehow());
    }
    ASSERT_NO_FATAL_FAILURE(trial.cut_to_the_end());
    expect_cut_once(journal_in(trial.dir.path(), trial.job.id), trial.path);
}

TEST(CutterProcess, SaysWhatItIsAndShowsWhatItHasCut) {
    QTemporaryDir dir;
    Machine machine(dir.path(), 500);
    CutterLink link;
    QStringList refused;
    QByteArray png;
    QObject::connect(&link, &CutterLink::refused, [&](const QString& why) { refused << why; });
    QObject::connect(&link, &CutterLink::pictured, [&](const QByteArray& bytes) { png = bytes; });
    link.connect_to(machine.name());
    ASSERT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Empty; }));
    EXPECT_EQ(link.materials().size(), usual_materials.size());
    CutterLink second;
    QStringList second_refused;
    QObject::connect(&second, &CutterLink::refused, [&](const QString& why) { second_refused << why; });
    second.connect_to(machine.name());
    ASSERT_TRUE(wait_for([&] { return !second_refused.isEmpty(); })) << "one at a time";
    link.load("../escape", "IN;", "cardstock", false);
    ASSERT_TRUE(wait_for([&] { return refused.size() == 1; }));
    link.load("job-1", "IN;SP1;PU0,0;PD999999,0;", "cardstock", false);
    ASSERT_TRUE(wait_for([&] { return refused.size() == 2; }));
    EXPECT_TRUE(refused.last().contains("outside"));
    link.load("job-1", "IN;SP1;PU0,0;PD400,0;", "granite", false);
    ASSERT_TRUE(wait_for([&] { return refused.size() == 3; }));
    const MachineJob job = machine_job(job_of(panes()), {});
    link.load(job.id, job.hpgl, job.material, false);
    ASSERT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Loaded; }));
    EXPECT_GT(link.now().seconds_left, 0);
    link.cut();
    ASSERT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Finished; }));
    link.ask_picture();
    ASSERT_TRUE(wait_for([&] { return !png.isEmpty(); }));
    const QImage picture = QImage::fromData(png);
    const double scale = picture.width() / 304.8;
    EXPECT_LT(
        picture.pixelColor(static_cast<int>(35 * scale), static_cast<int>((304.8 - 280) * scale)).lightness(),
        250);
    int dark = 0;
    for (int y = 0; y < picture.height(); ++y)
        for (int x = 0; x < picture.width(); ++x) dark += picture.pixelColor(x, y).lightness() < 120;
    EXPECT_GT(dark, 6 * 100) << "the lines of six panes";
    link.cancel();
    ASSERT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Empty; }));
}

TEST(CutterProcess, IsStartedWithWhatMakesSenseOrSaysWhatDoesNot) {
    QTemporaryDir dir;
    const auto refused = [&](const QStringList& arguments, const char* part) {
        QProcess process;
        process.start(ZESTY_CUTTER, arguments);
        EXPECT_TRUE(process.waitForFinished(patience_ms));
        EXPECT_EQ(process.exitCode(), 2);
        EXPECT_TRUE(process.readAllStandardError().contains(part)) << part;
    };
    refused({}, "--journals");
    refused({"--journals", dir.path(), "--mat", "12"}, "--mat");
    refused({"--journals", dir.path(), "--mat", "9x9"}, "--mat");
    refused({"--journals", dir.path(), "--faster", "fast"}, "--faster");
    refused({"--journals", dir.path(), "--name", dir.path() + "/no/such/folder"}, "folder");
    Machine first(dir.path(), 10);
    refused({"--journals", dir.path(), "--name", first.name()}, first.name().toUtf8().constData());
    first.kill();
    Machine second(dir.path(), 10); // what the killed one has left behind is in nobody's way
    CutterLink link;
    link.connect_to(second.name());
    EXPECT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Empty; }));
}

TEST(CutterProcess, PausesWhenWhoeverSentTheJobGoesAway) {
    QTemporaryDir dir;
    Machine machine(dir.path(), 5);
    const MachineJob job = machine_job(job_of(panes()), {});
    {
        CutterLink link;
        link.connect_to(machine.name());
        ASSERT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Empty; }));
        link.load(job.id, job.hpgl, job.material, false);
        ASSERT_TRUE(wait_for([&] { return link.now().state == MachineNow::State::Loaded; }));
        link.cut();
        ASSERT_TRUE(wait_for([&] { return !link.now().done.empty() && link.now().done[0] > 5; }));
    }
    wait_for([] { return false; }, 100);
    const std::size_t lines = journal_in(dir.path(), job.id).size();
    wait_for([] { return false; }, 150);
    EXPECT_EQ(journal_in(dir.path(), job.id).size(), lines) << "nobody watches, nothing is cut";
    CutterLink again;
    again.connect_to(machine.name());
    ASSERT_TRUE(wait_for([&] { return again.now().state == MachineNow::State::Empty; }));
    again.load(job.id, job.hpgl, job.material, false);
    ASSERT_TRUE(wait_for([&] { return again.now().state == MachineNow::State::Loaded; }));
    EXPECT_GT(again.now().done[0], 5) << "it knows how far it was";
}

#endif

} // namespace zesty
