#include "app/bench/autosaver.h"

#include "io/paint/page_painter.h"

namespace zesty {

namespace {

constexpr int pause_ms = 4000; ///< from the first edit that is not kept yet
constexpr int picture_px = 220;

} // namespace

Autosaver::Autosaver(Document& document, BenchState& state, const QString& folder, QObject* parent)
    : QObject(parent), document_(document), state_(state), autosave_(folder) {
    hands_.moveToThread(&thread_);
    thread_.setObjectName("autosave");
    thread_.start();
    pause_.setSingleShot(true);
    pause_.setInterval(pause_ms);
    connect(&pause_, &QTimer::timeout, this, &Autosaver::keep);
    connect(&document, &Document::project_changed, this, &Autosaver::edited);
    connect(&document.history(), &QUndoStack::cleanChanged, this, &Autosaver::edited);
}

Autosaver::~Autosaver() {
    thread_.quit();
    thread_.wait();
}

void Autosaver::edited() {
    if (!document_.changed()) {
        pause_.stop();
        QMetaObject::invokeMethod(&hands_, [this] { autosave_.forget(); });
    } else if (!pause_.isActive()) {
        // Not begun anew with every edit: who goes on without a pause is kept as well.
        pause_.start();
    }
}

void Autosaver::keep() {
    if (!document_.changed()) return;
    const auto plan = state_.own_plan();
    QMetaObject::invokeMethod(&hands_, [this, project = document_.project(), path = document_.path(), plan] {
        const QImage page = plan ? page_picture(*plan->of, *plan, picture_px) : QImage();
        const auto done = autosave_.keep(project, path, page);
        QMetaObject::invokeMethod(this, [this, done] {
            if (done)
                emit kept();
            else
                emit failed(QString::fromStdString(done.error().message));
        });
    });
}

void Autosaver::forget() {
    pause_.stop();
    QMetaObject::invokeMethod(
        &hands_, [this] { autosave_.forget(); }, Qt::BlockingQueuedConnection);
}

} // namespace zesty
