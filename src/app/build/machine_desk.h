#pragma once
// The cutting machine as the window sees it: the stand-in that can be started from here, what is loaded, how
// far it is. A test piece comes first where it is wanted.

#include "app/build/build_desk.h"
#include "devices/cutter_link.h"
#include "io/machine_job.h"

#include <QImage>
#include <QProcess>

namespace zesty {

class MachineDesk : public QObject {
    Q_OBJECT
public:
    MachineDesk(const BenchParts& bench, BuildDesk& desk, QObject* parent);
    ~MachineDesk() override;

    const MachineNow& now() const { return link_.now(); }
    bool away() const { return now().state == MachineNow::State::Away; }
    /// The job on show is the one that is loaded.
    bool on_show() const;
    bool tests() const { return testing_; } ///< the test piece is being cut
    const QString& said() const { return said_; }
    const QImage& picture() const { return picture_; }

    /// Starts the stand-in where no machine answers, and connects.
    void connect_machine();
    /// Loads the job on show and cuts it; goes on with one that has stopped; pauses one that runs.
    void cut_or_pause();
    void cancel();
    /// On new paper: what has been cut of the job on show is forgotten.
    void begin_anew();

signals:
    void changed();

private:
    void heard();
    void load(bool anew);
    void say(const QString& what);
    QString socket_name() const;

    BenchParts bench_;
    BuildDesk& desk_;
    CutterLink link_;
    QProcess process_;
    MachineJob wanted_; ///< the job that is loaded, or will be after its test piece
    bool testing_ = false;
    bool cut_when_loaded_ = false;
    bool started_here_ = false;
    QString said_;
    QImage picture_;
    QTimer again_;
    int tries_ = 0;
};

} // namespace zesty
