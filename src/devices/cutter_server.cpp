#include "devices/cutter_server.h"

#include <QBuffer>
#include <QFile>
#include <QImage>
#include <QJsonArray>
#include <QJsonDocument>
#include <QPainter>
#include <algorithm>

namespace zesty {

namespace {

constexpr int tick_ms = 15;
constexpr int patience_ms = 200; ///< for another machine that may be there
constexpr int ticks_between_reports = 4;
constexpr qsizetype longest_message = 64 << 20;
constexpr double longest_tick = 0.25; ///< seconds, of a machine that was kept from its work
constexpr int picture_pixels = 900;

QJsonArray numbers_of(const std::vector<double>& all) {
    QJsonArray out;
    for (const double n : all) out.append(n);
    return out;
}

/// Letters, digits and dashes alone, as in names of files.
bool may_name_a_file(const QString& id) {
    return !id.isEmpty() && id.size() < 120 && std::all_of(id.begin(), id.end(), [](QChar c) {
        return c.unicode() < 128 && (c.isLetterOrNumber() || c == '-');
    });
}

const char* words_of_state(Cutter::State state) {
    switch (state) {
    case Cutter::State::Empty:
        return "empty";
    case Cutter::State::Loaded:
        return "loaded";
    case Cutter::State::Cutting:
        return "cutting";
    case Cutter::State::Paused:
        return "paused";
    case Cutter::State::Stopped:
        return "stopped";
    case Cutter::State::Finished:
        break;
    }
    return "finished";
}

} // namespace

CutterServer::CutterServer(CutterMake make, QObject* parent) : QObject(parent), make_(std::move(make)) {
    server_.setSocketOptions(QLocalServer::UserAccessOption);
    connect(&server_, &QLocalServer::newConnection, this, &CutterServer::take_connection);
    connect(&timer_, &QTimer::timeout, this, &CutterServer::tick);
    timer_.setInterval(tick_ms);
}

bool CutterServer::listen(const QString& name) {
    QLocalSocket probe;
    probe.connectToServer(name);
    if (probe.waitForConnected(patience_ms)) {
        error_ = "another machine listens there";
        return false;
    }
    QLocalServer::removeServer(name); // what a machine that was killed has left behind
    const bool listens = server_.listen(name);
    error_ = server_.errorString();
    return listens;
}

void CutterServer::take_connection() {
    QLocalSocket* next = server_.nextPendingConnection();
    if (client_ && client_->state() == QLocalSocket::ConnectedState) {
        next->write(QJsonDocument({{"say", "refused"}, {"why", "the machine works for another window"}})
                        .toJson(QJsonDocument::Compact) +
                    "\n");
        next->disconnectFromServer();
        connect(next, &QLocalSocket::disconnected, next, &QObject::deleteLater);
        return;
    }
    client_ = next;
    unread_.clear();
    connect(client_, &QLocalSocket::readyRead, this, &CutterServer::read);
    connect(client_, &QLocalSocket::disconnected, this, &CutterServer::lost);
    if (client_->bytesAvailable() > 0) read();
}

void CutterServer::lost() {
    cutter_.pause();
    timer_.stop();
    client_->deleteLater();
    client_ = nullptr;
}

void CutterServer::read() {
    unread_ += client_->readAll();
    if (unread_.size() > longest_message) {
        client_->abort();
        return;
    }
    for (qsizetype end = unread_.indexOf('\n'); client_ && end >= 0; end = unread_.indexOf('\n')) {
        const QByteArray line = unread_.left(end);
        unread_.remove(0, end + 1);
        const QJsonDocument document = QJsonDocument::fromJson(line);
        if (document.isObject())
            act_on(document.object());
        else
            say({{"say", "refused"}, {"why", "this is not a message"}});
    }
}

void CutterServer::act_on(const QJsonObject& message) {
    const QString what = message["do"].toString();
    if (what == "hello") {
        QJsonArray materials;
        for (const Material& m : usual_materials)
            materials.append(QJsonObject{{"id", m.id},
                                         {"name", m.name},
                                         {"speed_mm_s", m.speed},
                                         {"force_g", m.force},
                                         {"finest_bar_mm", m.finest_bar}});
        say({{"say", "hello"},
             {"format", "zesty-cutter/1"},
             {"mat", QJsonArray{make_.mat_width, make_.mat_height}},
             {"materials", materials}});
    } else if (what == "load") {
        load(message);
    } else if (what == "cut") {
        const bool goes = cutter_.cut();
        since_tick_.restart();
        if (goes) timer_.start();
        say_progress(goes ? "progress" : cutter_.state() == Cutter::State::Finished ? "finished" : "stopped");
    } else if (what == "pause") {
        cutter_.pause();
        timer_.stop();
        say_progress("progress");
    } else if (what == "mend") {
        cutter_.mend();
        say_progress("progress");
    } else if (what == "cancel") {
        timer_.stop();
        cutter_.unload();
        say_progress("progress");
    } else if (what == "fail") {
        const auto fault = named<CutterFault>(message["what"].toString().toStdString());
        if (!fault) return say({{"say", "refused"}, {"why", "this is not a fault the machine knows"}});
        cutter_.will_fail(*fault, std::max(0.0, message["after_mm"].toDouble()));
    } else if (what == "picture") {
        say({{"say", "picture"}, {"png", QString::fromLatin1(picture().toBase64())}});
    } else {
        say({{"say", "refused"}, {"why", "'" + what.left(40) + "' is not something the machine can do"}});
    }
}

void CutterServer::load(const QJsonObject& message) {
    const auto refuse = [&](const QString& why) { say({{"say", "refused"}, {"why", why}}); };
    timer_.stop();
    const QString id = message["job"].toString();
    if (!may_name_a_file(id)) return refuse("refused: the job has no name");
    const Material* of = material(message["material"].toString().toStdString());
    if (!of)
        return refuse("refused: it does not know the material '" + message["material"].toString().left(40) +
                      "'");
    auto contours =
        contours_of_hpgl(message["hpgl"].toString().toStdString(), make_.mat_width, make_.mat_height);
    if (!contours) return refuse(QString::fromStdString(contours.error().message));
    job_ = id;
    if (message["anew"].toBool()) QFile::remove(journal_path());
    QFile journal(journal_path());
    QByteArray known;
    if (journal.open(QIODevice::ReadWrite)) {
        known = journal.readAll();
        // A line that was never finished must not run into the next.
        if (!known.isEmpty() && !known.endsWith('\n')) journal.write("\n");
    }
    cutter_.load(std::move(*contours), *of,
                 records_of(std::string_view(known.constData(), static_cast<std::size_t>(known.size()))));
    say_progress("loaded");
}

void CutterServer::say(const QJsonObject& message) {
    if (client_) client_->write(QJsonDocument(message).toJson(QJsonDocument::Compact) + "\n");
}

void CutterServer::say_progress(const char* what) {
    say({{"say", what},
         {"job", job_},
         {"state", words_of_state(cutter_.state())},
         {"why", key_of(cutter_.fault())},
         {"contours", static_cast<int>(cutter_.contours())},
         {"contours_done", static_cast<int>(cutter_.contours_done())},
         {"contour", cutter_.contour() + 1},
         {"within_mm", cutter_.within()},
         {"done_mm", numbers_of(cutter_.done())},
         {"left_s", cutter_.seconds_left() / make_.faster}});
}

bool CutterServer::write_down(const std::vector<CutterRecord>& records) {
    if (records.empty()) return true;
    QFile journal(journal_path());
    if (!journal.open(QIODevice::Append | QIODevice::Unbuffered)) return false;
    QByteArray lines;
    for (const CutterRecord& r : records) lines += QByteArray::fromStdString(line_of(r));
    return journal.write(lines) == lines.size();
}

void CutterServer::tick() {
    const double seconds = std::min(longest_tick, static_cast<double>(since_tick_.restart()) / 1000);
    if (!write_down(cutter_.advance(seconds * make_.faster))) {
        // What it cannot remember it does not cut.
        cutter_.pause();
        say({{"say", "refused"}, {"why", "the machine cannot write its journal; it has paused"}});
    }
    if (cutter_.state() == Cutter::State::Cutting) {
        if (++ticks_ % ticks_between_reports == 0) say_progress("progress");
        return;
    }
    timer_.stop();
    if (cutter_.fault() == CutterFault::ConnectionLost) {
        cutter_.mend();
        cutter_.pause();
        client_->abort();
        return;
    }
    say_progress(cutter_.state() == Cutter::State::Finished  ? "finished"
                 : cutter_.state() == Cutter::State::Stopped ? "stopped"
                                                             : "progress");
}

QByteArray CutterServer::picture() const {
    const double scale = picture_pixels / std::max(make_.mat_width, make_.mat_height);
    QImage image(static_cast<int>(make_.mat_width * scale), static_cast<int>(make_.mat_height * scale),
                 QImage::Format_RGB32);
    image.fill(QColor(0xf1, 0xea, 0xdb));
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(scale, scale);
    painter.setPen(QPen(QColor(0x26, 0x24, 0x2b), 0.3));
    const std::vector<double> done = cutter_.done();
    for (std::size_t c = 0; c < cutter_.path().size(); ++c) {
        double left = done[c];
        for (const Stroke& s : cutter_.path()[c].strokes)
            for (std::size_t i = 1; i < s.size() && left > 0; ++i) {
                const double edge = distance(s[i - 1], s[i]);
                if (edge <= 0) continue;
                const Point to = edge <= left ? s[i] : s[i - 1] + (s[i] - s[i - 1]) * (left / edge);
                painter.drawLine(QPointF(s[i - 1].x, s[i - 1].y), QPointF(to.x, to.y));
                left -= edge;
            }
    }
    painter.end();
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "PNG");
    return png;
}

} // namespace zesty
