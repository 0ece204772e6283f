#pragma once
// The cutting machine behind a local socket. One JSON object a line, each way:
//
//     -> {"do":"hello"}                       <-
//     {"say":"hello","format":"zesty-cutter/1","mat":[w,h],"materials":[...]}
//     -> {"do":"load","job":ID,"hpgl":TEXT,"material":ID,"anew":bool}
//                                             <- {"say":"loaded",...,"done":[mm by contour]} or
//                                             {"say":"refused","why":TEXT}
//     -> {"do":"cut"} {"do":"pause"} {"do":"cancel"} {"do":"mend"}
//     -> {"do":"fail","what":FAULT,"after_mm":n}           for trials
//     -> {"do":"picture"}                     <- {"say":"picture","png":BASE64}
//                                             <-
//                                             {"say":"progress","state":...,"contour":k,"done":[...],"left_s":n}
//                                             <- {"say":"stopped","why":FAULT} {"say":"finished"}
//
// The journal of each job lies in a folder and outlives the process. Where whoever sent the job goes away,
// the machine pauses.

#include "devices/cutter.h"

#include <QDir>
#include <QElapsedTimer>
#include <QJsonObject>
#include <QLocalServer>
#include <QLocalSocket>
#include <QTimer>

namespace zesty {

struct CutterMake {
    double mat_width = 304.8;
    double mat_height = 304.8;
    double faster = 1; ///< than a real one, for trials
    QString folder;    ///< of the journals; must be there
};

class CutterServer : public QObject {
    Q_OBJECT
public:
    explicit CutterServer(CutterMake make, QObject* parent = nullptr);
    /// False where the name cannot be listened at; error() says why.
    bool listen(const QString& name);
    const QString& error() const { return error_; }

private:
    void take_connection();
    void read();
    void lost();
    void act_on(const QJsonObject& message);
    void load(const QJsonObject& message);
    void say(const QJsonObject& message);
    void say_progress(const char* what);
    void tick();
    QString journal_path() const { return make_.folder + "/" + job_ + ".journal"; }
    bool write_down(const std::vector<CutterRecord>& records);
    QByteArray picture() const;

    CutterMake make_;
    QLocalServer server_;
    QString error_;
    QLocalSocket* client_ = nullptr;
    QByteArray unread_;
    Cutter cutter_;
    QString job_;
    QTimer timer_;
    QElapsedTimer since_tick_;
    int ticks_ = 0;
};

} // namespace zesty
