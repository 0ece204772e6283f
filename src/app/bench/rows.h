#pragma once
// A short list of things on the page, of which one is in hand.

#include <QListWidget>

namespace zesty {

class Rows : public QListWidget {
    Q_OBJECT
public:
    /// `shown`: how many are seen without scrolling.
    Rows(const QString& object, const QString& name, int shown, QWidget* parent);
    /// Says these; the row in hand stays as far as there are as many. Emits nothing.
    void show_rows(const QStringList& rows);
    int in_hand() const { return currentRow(); } ///< -1 for none

signals:
    void taken(); ///< another row is in hand
};

} // namespace zesty
