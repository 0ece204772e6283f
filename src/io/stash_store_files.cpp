// The files within the stash database: pictures of papers and of records, and pages, by the hash of their
// bytes.

#include "io/stash_store.h"
#include "io/statement.h"

#include <QCryptographicHash>
#include <QDate>
#include <algorithm>

namespace zesty {

Result<void> StashStore::write_files(const RecordFiles& files) {
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    for (const auto& [name, bytes] : files) {
        Statement put(db_.get(), "INSERT OR IGNORE INTO files(name, added, bytes) VALUES(?1, ?2, ?3)");
        if (!put.text(1, name).text(2, today).blob(3, *bytes).done()) return trouble("written");
    }
    return {};
}

Result<std::string> StashStore::file(const std::string& name) const {
    *steps_left_ = most_steps;
    Statement one(db_.get(), "SELECT bytes FROM files WHERE name = ?");
    if (!one.text(1, name).row())
        return fail(ErrorKind::NothingToDo, what_ + ": the stash has no file " + name);
    std::string bytes = one.bytes(0);
    if (file_name_for(bytes, name.substr(std::min(name.rfind('.'), name.size()))) != name)
        return fail(ErrorKind::BadInput, what_ + ": the file " + name + " in it is damaged");
    return bytes;
}

Result<std::vector<std::string>> StashStore::files() const {
    *steps_left_ = most_steps;
    std::vector<std::string> out;
    Statement all(db_.get(), "SELECT name FROM files ORDER BY name");
    while (all.row()) out.push_back(all.bytes(0));
    if (!all.ended_well()) return trouble("read");
    return out;
}

Result<void> StashStore::forget_files(const std::string& unnamed_before) {
    return in_one_transaction([&]() -> Result<void> {
        Statement unnamed(db_.get(), "DELETE FROM files WHERE added < ?1 AND name NOT IN (SELECT file FROM "
                                     "pictures) AND NOT EXISTS (SELECT 1 FROM things WHERE kind = "
                                     "'records' AND files.name IN (json_extract(thing, '$.picture'), "
                                     "json_extract(thing, '$.photo'), json_extract(thing, '$.page')))");
        if (!unnamed.text(1, unnamed_before).done()) return trouble("written");
        return {};
    });
}

std::string file_name_for(const std::string& bytes, const std::string& ending) {
    return QCryptographicHash::hash(QByteArrayView(bytes.data(), static_cast<qsizetype>(bytes.size())),
                                    QCryptographicHash::Sha256)
               .toHex()
               .toStdString() +
           ending;
}

} // namespace zesty
