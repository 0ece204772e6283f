// Every reader as a target for a fuzzer: whatever the bytes are, it says yes or no. Which one is meant is
// said when it is compiled (ZESTY_FUZZED), so that each has an executable and a corpus of its own.

#include "io/dxf/dxf_reader.h"
#include "io/json_shapes.h"
#include "io/plan_json.h"
#include "io/project_file.h"
#include "io/project_json.h"
#include "io/read_file.h"
#include "io/stash_csv.h"
#include "io/stash_json.h"
#include "io/stash_store.h"
#include "io/svg/svg_reader.h"
#include "io/trace/trace.h"

#include <QTemporaryDir>
#include <cstdlib>

namespace zesty {
namespace {

Result<PictureBytes> no_picture(const std::string& name) {
    return fail(ErrorKind::BadInput, name + " is not there");
}

[[maybe_unused]] void svg(const QByteArray& bytes) {
    (void)read_svg(bytes);
}

[[maybe_unused]] void dxf(const QByteArray& bytes) {
    (void)read_dxf(bytes);
}

[[maybe_unused]] void picture(const QByteArray& bytes) {
    (void)trace_picture(bytes);
}

/// A whole file, or the decisions alone, as few changed archives would unpack. What was read can be written,
/// and is the same when it is read again.
[[maybe_unused]] void project(const QByteArray& bytes) {
    if (bytes.startsWith('{')) {
        if (const auto json = parse_json(bytes.toStdString(), "fuzzed"))
            (void)decisions_from(*json, "fuzzed");
        return;
    }
    const auto read = project_from(bytes, "fuzzed");
    if (!read) return;
    const auto written = project_bytes(*read);
    if (!written) return;
    const auto again = project_from(*written, "written");
    if (!again || !(*again == *read)) std::abort();
}

[[maybe_unused]] void stash(const QByteArray& bytes) {
    const auto json = parse_json(bytes.toStdString(), "fuzzed");
    if (json) (void)stash_from(*json, "fuzzed", no_picture);
}

[[maybe_unused]] void table(const QByteArray& bytes) {
    (void)stash_from_csv(bytes.toStdString(), "fuzzed", no_picture);
}

[[maybe_unused]] void nest_job(const QByteArray& bytes) {
    const auto json = parse_json(bytes.toStdString(), "fuzzed");
    if (json) (void)nest_job_from(*json, "fuzzed");
}

[[maybe_unused]] void database(const QByteArray& bytes) {
    static const QTemporaryDir folder;
    const QString path = folder.filePath("fuzzed.stash");
    if (!write_file(path, bytes)) return;
    if (auto store = StashStore::open(path)) (void)store->read();
}

} // namespace
} // namespace zesty

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
    zesty::ZESTY_FUZZED(QByteArray(reinterpret_cast<const char*>(data), static_cast<qsizetype>(size)));
    return 0;
}
