#pragma once
// Numbers as SVG writes them.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <optional>
#include <string_view>
#include <vector>

namespace zesty::svg {

/// Reads one number after another, skipping spaces and commas. A word where a number should stand, such as
/// NaN, and a number too large to hold set `nonsense`.
class Numbers {
public:
    explicit Numbers(std::string_view text) : text_(text) {}
    std::optional<double> next();
    /// One character that must be 0 or 1, as in the flags of an arc.
    std::optional<bool> flag();
    /// The next character that is no space or comma, not taken; 0 at the end.
    char peek();
    void skip() { ++at_; }
    bool nonsense() const { return nonsense_; }

private:
    std::string_view text_;
    std::size_t at_ = 0;
    bool nonsense_ = false;
};

/// A length in px (96 per inch); `percent_of` is what 100 % means. Nothing when the text is no length.
struct Length {
    double px = 0;
    bool percent = false;
};
Result<std::optional<Length>> parse_length(std::string_view text, double percent_of);

/// The list of a `transform` attribute.
Result<Transform> parse_transform(std::string_view text);

} // namespace zesty::svg
