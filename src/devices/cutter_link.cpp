#include "devices/cutter_link.h"

#include <QJsonArray>
#include <QJsonDocument>

namespace zesty {

namespace {

constexpr qsizetype longest_answer = 64 << 20;

MachineNow::State state_of(const QString& word) {
    using S = MachineNow::State;
    for (const auto& [name, state] :
         {std::pair{"loaded", S::Loaded}, std::pair{"cutting", S::Cutting}, std::pair{"paused", S::Paused},
          std::pair{"stopped", S::Stopped}, std::pair{"finished", S::Finished}})
        if (word == name) return state;
    return S::Empty;
}

} // namespace

QString fault_in_words(const QString& why) {
    if (why == "mat-not-loaded") return "The cutting mat is not loaded: load it, then go on.";
    if (why == "blade-worn")
        return "The blade no longer cuts through: change it as its maker says, then go on. The contour it "
               "was at "
               "is cut again.";
    if (why == "material-slipped")
        return "The paper has slipped: lay it anew, then go on. The contour it was at is cut again.";
    return "The machine has stopped.";
}

CutterLink::CutterLink(QObject* parent) : QObject(parent) {
    connect(&socket_, &QLocalSocket::readyRead, this, &CutterLink::read);
    connect(&socket_, &QLocalSocket::connected, this, [this] { say({{"do", "hello"}}); });
    const auto away = [this] {
        if (now_.state == MachineNow::State::Away) return;
        now_.state = MachineNow::State::Away;
        emit changed();
    };
    connect(&socket_, &QLocalSocket::disconnected, this, away);
    connect(&socket_, &QLocalSocket::errorOccurred, this, [this, away](QLocalSocket::LocalSocketError error) {
        if (error == QLocalSocket::ServerNotFoundError || error == QLocalSocket::ConnectionRefusedError)
            emit refused("No cutting machine answers.");
        away();
    });
}

CutterLink::~CutterLink() {
    // It would say that it goes away to somebody who is gone.
    socket_.disconnect(this);
    socket_.abort();
}

void CutterLink::connect_to(const QString& name) {
    if (socket_.state() != QLocalSocket::UnconnectedState) socket_.abort();
    unread_.clear();
    socket_.connectToServer(name);
}

void CutterLink::load(const QString& id, const QByteArray& hpgl, const QString& material, bool anew) {
    say({{"do", "load"},
         {"job", id},
         {"hpgl", QString::fromLatin1(hpgl)},
         {"material", material},
         {"anew", anew}});
}

void CutterLink::say(const QJsonObject& message) {
    if (connected()) socket_.write(QJsonDocument(message).toJson(QJsonDocument::Compact) + "\n");
}

void CutterLink::read() {
    unread_ += socket_.readAll();
    if (unread_.size() > longest_answer) return socket_.abort();
    for (qsizetype end = unread_.indexOf('\n'); end >= 0; end = unread_.indexOf('\n')) {
        const QByteArray line = unread_.left(end);
        unread_.remove(0, end + 1);
        const QJsonDocument document = QJsonDocument::fromJson(line);
        if (document.isObject()) hear(document.object());
    }
}

void CutterLink::hear(const QJsonObject& message) {
    const QString said = message["say"].toString();
    if (said == "hello") {
        materials_.clear();
        for (const auto& one : message["materials"].toArray()) {
            const QJsonObject m = one.toObject();
            materials_.push_back({m["id"].toString(), m["name"].toString(), m["speed_mm_s"].toDouble(),
                                  m["finest_bar_mm"].toDouble(), m["force_g"].toInt()});
        }
        now_ = {};
        now_.state = MachineNow::State::Empty;
        emit changed();
    } else if (said == "refused") {
        emit refused(message["why"].toString());
    } else if (said == "picture") {
        emit pictured(QByteArray::fromBase64(message["png"].toString().toLatin1()));
    } else if (message.contains("state")) {
        now_.state = state_of(message["state"].toString());
        now_.why = message["why"].toString();
        now_.job = message["job"].toString();
        now_.contours = message["contours"].toInt();
        now_.contours_done = message["contours_done"].toInt();
        now_.done.clear();
        for (const auto& mm : message["done_mm"].toArray()) now_.done.push_back(mm.toDouble());
        now_.seconds_left = message["left_s"].toDouble();
        emit changed();
    }
}

} // namespace zesty
