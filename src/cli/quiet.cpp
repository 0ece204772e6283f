#include "cli/quiet.h"

#include <QString>
#include <QtGlobal>

namespace zesty::cli {

void keep_libraries_quiet() {
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
}

} // namespace zesty::cli
