#pragma once
// The other end: what a window or command says to a cutting machine and hears of it (cutter_server.h has the
// messages). Lives on one thread; never waits.

#include <QByteArray>
#include <QJsonObject>
#include <QLocalSocket>
#include <QObject>
#include <vector>

namespace zesty {

struct MachineMaterial {
    QString id, name;
    double speed = 0, finest_bar = 0;
    int force = 0;
};

/// What the machine has said last.
struct MachineNow {
    enum class State { Away, Empty, Loaded, Cutting, Paused, Stopped, Finished };
    State state = State::Away;
    QString why; ///< of one that stopped: "blade-worn"
    QString job; ///< id
    int contours = 0, contours_done = 0;
    std::vector<double> done; ///< mm by contour
    double seconds_left = 0;
};

/// "the blade is worn: change it, then go on".
QString fault_in_words(const QString& why);

class CutterLink : public QObject {
    Q_OBJECT
public:
    explicit CutterLink(QObject* parent = nullptr);
    ~CutterLink() override;

    void connect_to(const QString& name);
    bool connected() const { return socket_.state() == QLocalSocket::ConnectedState; }
    const MachineNow& now() const { return now_; }
    const std::vector<MachineMaterial>& materials() const { return materials_; }

    /// Loads a job by its id; what the machine has already cut of it stays cut, unless it is begun anew.
    void load(const QString& id, const QByteArray& hpgl, const QString& material, bool anew);
    void cut() { say({{"do", "cut"}}); }
    void pause() { say({{"do", "pause"}}); }
    void cancel() { say({{"do", "cancel"}}); }
    void mend() { say({{"do", "mend"}}); }
    void ask_picture() { say({{"do", "picture"}}); }
    void fail(const QString& what, double after_mm) {
        say({{"do", "fail"}, {"what", what}, {"after_mm", after_mm}});
    }

signals:
    void changed();
    void refused(const QString& why);
    void pictured(const QByteArray& png);

private:
    void say(const QJsonObject& message);
    void read();
    void hear(const QJsonObject& message);

    QLocalSocket socket_;
    QByteArray unread_;
    MachineNow now_;
    std::vector<MachineMaterial> materials_;
};

} // namespace zesty
