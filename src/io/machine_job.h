#pragma once
// A cutting job as a machine takes it.

#include "core/build/cutting_job.h"
#include "io/hpgl.h"

#include <QString>

namespace zesty {

struct MachineJob {
    QString id; ///< by what is cut and how: the same job has the same id again
    QByteArray hpgl;
    QString material;
};
MachineJob machine_job(const CuttingJob& job, const CuttingSettings& settings);

} // namespace zesty
