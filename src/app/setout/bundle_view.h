#pragma once
// The drawings of a bundle as pictures, in the place of the page until one is taken.

#include "app/bench/bench_state.h"

#include <QWidget>

class QLabel;
class QListWidget;
class QListWidgetItem;

namespace zesty {

class BundleView : public QWidget {
    Q_OBJECT
public:
    explicit BundleView(BenchState& state, QWidget* parent = nullptr);
    /// A picture of what would be cut; on any thread.
    static QImage picture_of(const DrawingFile& file);

signals:
    void taken(const zesty::Shared<zesty::DrawingFile>& file);

private:
    void show_drawings();
    void take(int row);

    BenchState& state_;
    QLabel* title_;
    QListWidget* list_;
};

} // namespace zesty
