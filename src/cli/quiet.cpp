#include "cli/quiet.h"

#include <QtGlobal>
#include <QString>

namespace zesty::cli {

void keep_libraries_quiet() {
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
}

} // namespace zesty::cli
