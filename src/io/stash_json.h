#pragma once
// zesty-stash/1, see docs/file-formats.md.

#include "core/result.h"
#include "core/stash/stash.h"

#include <QString>
#include <functional>
#include <nlohmann/json_fwd.hpp>

namespace zesty {

/// Finds the bytes of a picture by the name the stash gives it.
using PictureSource = std::function<Result<PictureBytes>(const std::string& name)>;
inline PictureBytes picture_bytes(std::string bytes) {
    return std::make_shared<const std::string>(std::move(bytes));
}
/// Reads every picture into memory, for whoever cannot rely on the file they come from: one that cannot be
/// read, or is none, fails.
Result<void> hold_pictures(const Stash& stash, const std::string& what);

/// Pictures by names in the folder of a file, of up to so many bytes each.
PictureSource pictures_beside(const QString& file, qint64 most_bytes);

/// `what` begins the sentence of an error. Colours of papers with a picture are its mean; kind, direction and
/// repeat that are not given are taken from it.
Result<Stash> stash_from(const nlohmann::json& json, const std::string& what, const PictureSource& pictures);
nlohmann::json stash_json(const Stash& stash);

/// A stash file with its pictures beside it, or a database (see stash_store.h).
Result<Stash> read_stash(const QString& path);

/// A paper of one whole 12 x 12 in sheet as its picture shows it, named after the file; the picture cropped
/// to the sheet first where that is asked for.
Result<Stash> paper_from_picture(const QString& path, bool crop = false);

} // namespace zesty
