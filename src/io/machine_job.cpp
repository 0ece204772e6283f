#include "io/machine_job.h"

#include <QCryptographicHash>

namespace zesty {

namespace {
constexpr int enough_to_tell_apart = 24; ///< digits
} // namespace

MachineJob machine_job(const CuttingJob& job, const CuttingSettings& settings) {
    MachineJob out;
    out.hpgl = cutting_hpgl(job.file, settings);
    out.material = QString::fromStdString(job.material);
    const QByteArray all = out.hpgl + QByteArray::fromStdString(job.key + "\n" + job.material);
    out.id =
        "job-" +
        QString::fromLatin1(
            QCryptographicHash::hash(all, QCryptographicHash::Sha256).toHex().left(enough_to_tell_apart));
    return out;
}

} // namespace zesty
