#pragma once
// What of the papers the drawer shows: by words, colour, kind and room; nothing typed shows them all.

#include "app/bench/choices.h"
#include "core/stash/search.h"

#include <QWidget>

class QLineEdit;

namespace zesty {

/// What should be left of a paper.
struct RoomLeft {
    const char* name;
    double width, height; ///< in; 0 for anything
    bool for_selection = false;
};

/// Papers with something to be said of them.
enum class OnlyPapers { All, ToUseUp, Untouched };

class DrawerFilter : public QWidget {
    Q_OBJECT
public:
    explicit DrawerFilter(QWidget* parent = nullptr);
    StashQuery query() const;
    Point least_room() const; ///< mm, of a piece a sheet must hold; (0, 0) for any
    bool asks_for_selection() const;
    void start();

signals:
    void changed();

private:
    QLineEdit* words_;
    ChoiceBox<std::optional<Rgb>>* colour_;
    ChoiceBox<std::optional<Pattern>>* kind_;
    ChoiceBox<const RoomLeft*>* room_;
    ChoiceBox<OnlyPapers>* only_;
};

} // namespace zesty
