// Every reader as a target for a fuzzer: whatever the bytes are, it says yes or no. Each has a corpus of its
// own; a fuzzer has an executable for each (ZESTY_FUZZED names it), a short run is told which one is meant.

#include "readers.h"

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
#include <map>

namespace zesty {
namespace {

Result<PictureBytes> no_picture(const std::string& name) {
    return fail(ErrorKind::BadInput, name + " is not there");
}

void svg(const QByteArray& bytes) {
    (void)read_svg(bytes);
}

void dxf(const QByteArray& bytes) {
    (void)read_dxf(bytes);
}

void picture(const QByteArray& bytes) {
    (void)trace_picture(bytes);
}

/// A whole file, or the decisions alone, as few changed archives would unpack. What was read can be written,
/// and is the same when it is read again.
void project(const QByteArray& bytes) {
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

void stash(const QByteArray& bytes) {
    const auto json = parse_json(bytes.toStdString(), "fuzzed");
    if (json) (void)stash_from(*json, "fuzzed", no_picture);
}

void table(const QByteArray& bytes) {
    (void)stash_from_csv(bytes.toStdString(), "fuzzed", no_picture);
}

void nest_job(const QByteArray& bytes) {
    const auto json = parse_json(bytes.toStdString(), "fuzzed");
    if (json) (void)nest_job_from(*json, "fuzzed");
}

void database(const QByteArray& bytes) {
    static const QTemporaryDir folder;
    const QString path = folder.filePath("fuzzed.stash");
    if (!write_file(path, bytes)) return;
    if (auto store = StashStore::open(path)) (void)store->read();
}

const std::map<std::string, void (*)(const QByteArray&)> readers{
    {"svg", svg},     {"dxf", dxf},     {"picture", picture},   {"project", project},
    {"stash", stash}, {"table", table}, {"nest_job", nest_job}, {"database", database}};

} // namespace

bool is_reader(const std::string& name) {
    return readers.contains(name);
}

void read_as(const std::string& reader, const QByteArray& bytes) {
    readers.at(reader)(bytes);
}

} // namespace zesty

#ifdef ZESTY_FUZZED
extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
    zesty::read_as(ZESTY_FUZZED,
                   QByteArray(reinterpret_cast<const char*>(data), static_cast<qsizetype>(size)));
    return 0;
}
#endif
