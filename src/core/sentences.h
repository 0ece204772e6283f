#pragma once
// Words that sentences share.

#include <cstddef>
#include <string>
#include <vector>

namespace zesty {

/// "1 patch", "3 patches".
std::string count_of(std::size_t n, const char* one, const char* many);
/// "there is 1 photo", "there are 3 photos", "there are no photos".
std::string there_are(std::size_t n, const char* one, const char* many);

/// "Barley, Gull Print and Skein", the last ones counted where there are more than five.
std::string in_a_row(const std::vector<std::string>& names);

/// "52 %" of 0.52.
std::string percent(double share);

/// Openings as people count them: "4, 7 and 9", "1, 2, 3, 4, 5, 6 and 12 more".
std::string numbers(std::vector<int> openings);

/// "17 May 2026" of 2026-05-17; the text itself where it is no date.
std::string date_in_words(const std::string& iso);

/// As much of UTF-8 as has so many bytes at most, in whole characters.
std::string shortened(const std::string& text, std::size_t most_bytes);

/// A title that begins with a name: its first letter is a capital.
std::string with_capital(std::string text);
/// A reason as a sentence of its own: with a capital and a full stop.
std::string sentence(std::string reason);

} // namespace zesty
