#pragma once
// What Qt needs before anything is painted, screen or no screen.

#include <QGuiApplication>

namespace zesty::cli {

/// One at a time, for as long as there is something to paint.
class Painting {
public:
    Painting();

private:
    int argc_ = 1;
    char name_[6] = "zesty";
    char* argv_[2] = {name_, nullptr};
    QGuiApplication application_;
};

} // namespace zesty::cli
