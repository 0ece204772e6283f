#pragma once
// What is typed on the command line, read. Errors are one sentence that names the option.

#include "core/geometry/lengths.h"
#include "core/names.h"
#include "core/project/project.h"
#include "core/result.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// "--layer: there is 1 paper layer on the page", of a number beyond.
tl::unexpected<Error> only_so_many(const char* option, std::size_t there, const char* one, const char* many);

std::vector<std::string> split(const std::string& text, char at);

/// "12x12in", "8.5 x 11", "210x297mm": the unit at the end is for both.
Result<Point> typed_size(const std::string& option, const std::string& text, double least, double most);
Result<Page> typed_page(const std::string& text);

/// A length between the limits; nothing for an empty text.
Result<std::optional<double>> typed_length(const std::string& option, const std::string& text, double least,
                                           double most);
/// The same into `to`, which stays as it is for an empty text.
Result<void> take_length(const std::string& option, const std::string& text, Limits limits, double& to);
/// Lengths with commas between them.
Result<std::vector<double>> typed_lengths(const std::string& option, const std::string& text, double least,
                                          double most);
/// "x,y", each no farther than `most` from 0; `hint` says how it should be typed.
Result<Point> typed_point(const std::string& option, const std::string& text, const char* hint, double most);
/// Whole numbers from 1 with commas and ranges, "1,4-6"; none above `most`. They come back counted from 0.
Result<std::vector<int>> typed_numbers(const std::string& option, const std::string& text, int most);

/// A finite number within the limits.
Result<double> typed_number(const std::string& option, const std::string& text, Limits limits);

/// One of the words that there are for a value; the error says all of them.
template <WithWords Enum> Result<Enum> typed_word(const std::string& option, const std::string& text) {
    if (const auto value = named<Enum>(text)) return *value;
    return fail(ErrorKind::BadInput, option + ": '" + text + "' is not one of " + all_words<Enum>());
}

/// "top", "right", ...: where the light end is, in degrees.
Result<double> typed_light(const std::string& text);

/// "4,5:shaker": what it is for, and what is wanted. Without a colon the first is empty.
struct For {
    std::string which;
    std::string what;
};
For typed_for(const std::string& text);

} // namespace zesty::cli
