#pragma once

#include <QString>

namespace zesty::demo {

/// Files of the demo in the source tree.
inline QString file(const char* name) {
    return QString(ZESTY_DEMO_FOLDER) + "/" + name;
}
inline QString project() {
    return file("kite-hill.zesty");
}
inline QString drawing() {
    return file("kite-hill.svg");
}
inline QString stash() {
    return file("kite-hill-stash.json");
}

} // namespace zesty::demo
