#pragma once
// What of the papers the drawer shows: by words, colour, kind and room; nothing typed shows them all.

#include "core/stash/search.h"

#include <QWidget>

class QComboBox;
class QLineEdit;

namespace zesty {

class DrawerFilter : public QWidget {
    Q_OBJECT
public:
    explicit DrawerFilter(QWidget* parent = nullptr);
    StashQuery query() const;
    bool shows_all() const;
    void start();

signals:
    void changed();

private:
    QLineEdit* words_;
    QComboBox* colour_;
    QComboBox* kind_;
    QComboBox* room_;
};

} // namespace zesty
