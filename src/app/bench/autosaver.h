#pragma once
// Keeps work in hand within a few seconds of an edit, off the window's thread and apart from planning.

#include "app/bench/bench_state.h"
#include "app/bench/document.h"
#include "io/recovery.h"

#include <QObject>
#include <QThread>
#include <QTimer>

namespace zesty {

class Autosaver : public QObject {
    Q_OBJECT
public:
    Autosaver(Document& document, BenchState& state, const QString& folder, QObject* parent = nullptr);
    /// Waits for what is being written.
    ~Autosaver() override;

    /// The window is closed in peace: nothing is kept.
    void forget();

signals:
    void kept();
    void failed(const QString& message);

private:
    void edited();
    void keep();

    Document& document_;
    BenchState& state_;
    QThread thread_;
    QObject hands_;     ///< lives on the thread
    Autosave autosave_; ///< used there alone
    QTimer pause_;
};

} // namespace zesty
