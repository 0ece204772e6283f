#include "app/build/stays_awake.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>

namespace zesty {

namespace {

QDBusMessage screen_saver(const char* method) {
    return QDBusMessage::createMethodCall("org.freedesktop.ScreenSaver", "/org/freedesktop/ScreenSaver",
                                          "org.freedesktop.ScreenSaver", method);
}

} // namespace

void StaysAwake::stay(bool awake) {
    if (awake == wanted_) return;
    wanted_ = awake;
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected()) return;
    if (awake) {
        QDBusMessage ask = screen_saver("Inhibit");
        ask << QString("Zesty Panel") << QString("a step is on show");
        auto* answer = new QDBusPendingCallWatcher(bus.asyncCall(ask), this);
        connect(answer, &QDBusPendingCallWatcher::finished, this, [this](QDBusPendingCallWatcher* done) {
            const QDBusPendingReply<uint> reply = *done;
            if (!reply.isError()) cookie_ = reply.value();
            done->deleteLater();
        });
    } else if (cookie_ != 0) {
        QDBusMessage ask = screen_saver("UnInhibit");
        ask << cookie_;
        bus.asyncCall(ask);
        cookie_ = 0;
    }
}

} // namespace zesty
