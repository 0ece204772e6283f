#pragma once
// What a side of a paper looks like, as a stash stores it: said by a person, known from before, or read off
// its picture.

#include "core/result.h"
#include "core/stash/stash.h"

#include <nlohmann/json.hpp>

namespace zesty {

/// "#rrggbb"; BadInput says where.
Result<Rgb> colour_from(const nlohmann::json& j, const char* key, const std::string& where);

/// What has been read off a picture before, so that it need not be read off again.
Result<void> known_look(const nlohmann::json& j, const std::string& where, PaperFace& face);

/// Reads the picture of a side, `width` mm wide: its colours, and what was not said. What is known is only
/// checked.
Result<void> look_at_picture(const nlohmann::json& j, const std::string& where, double width,
                             const PictureBytes& from, PaperFace& face);

void write_look(const PaperFace& face, nlohmann::json& out);

} // namespace zesty
