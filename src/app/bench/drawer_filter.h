#pragma once
// What of the papers the drawer shows: by words, colour, kind and room; nothing typed shows them all.

#include "app/bench/choices.h"
#include "core/stash/search.h"

#include <QWidget>

class QLineEdit;

namespace zesty {

/// A size of which a sheet should have so much left, in.
struct RoomLeft {
    const char* name;
    double width, height;
};

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
    ChoiceBox<std::optional<Rgb>>* colour_;
    ChoiceBox<std::optional<Pattern>>* kind_;
    ChoiceBox<const RoomLeft*>* room_;
};

} // namespace zesty
