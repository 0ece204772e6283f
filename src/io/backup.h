#pragma once
// Everything a household has entered, in one file: the stash with its records and their files, and its own
// numbers. A ZIP with `stash`, `numbers.json` and `backup.json` (zesty-backup/1), which says the SHA-256 of
// each; what is damaged is refused as a whole. Backups of older versions are a stash database alone.

#include "core/project/own_numbers.h"
#include "io/stash_store.h"
#include "io/work_folder.h"

#include <memory>
#include <optional>

namespace zesty {

/// By its first bytes: such a ZIP, or a stash database.
bool looks_like_backup(const QString& path);

/// Read back and compared before it takes the place of an older one. Numbers that there is no file of are
/// left out.
Result<void> write_backup(const StashStore& store, const QString& numbers_file, const QString& to);

struct Backup {
    Stash stash;
    RecordFiles files;
    std::optional<OwnNumbers> numbers;
    QString database; ///< a copy of it, as long as `folder` is there
    std::shared_ptr<const WorkFolder> folder;
};
/// The whole of it, checked. Nothing outside is touched.
Result<Backup> read_backup(const QString& from);

} // namespace zesty
