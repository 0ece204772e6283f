#include "io/paint/fonts.h"

#include <QFontDatabase>
#include <QtGlobal>

// Outside any namespace, as Qt's macro wants it.
static void init_resources() {
    Q_INIT_RESOURCE(fonts);
}

namespace zesty {

void load_fonts() {
    static const bool loaded = [] {
        init_resources();
        return QFontDatabase::addApplicationFont(":/fonts/Lato-Regular.ttf") >= 0 &&
               QFontDatabase::addApplicationFont(":/fonts/Lato-Semibold.ttf") >= 0;
    }();
    Q_ASSERT(loaded);
    Q_UNUSED(loaded);
}

} // namespace zesty
