#pragma once
// Lengths as people write them. Inside, everything is millimetres.

#include "core/names.h"
#include "core/result.h"

#include <string>
#include <string_view>

namespace zesty {

enum class Units { Inches, Centimetres };
template <> inline constexpr std::array words_of<Units>{"in", "cm"};

inline constexpr double mm_per_inch = 25.4;

/// "11.5", "11 1/2 in", "1/8", "292.1mm", "29.2 cm", "3-1/4 in". A number alone is in `otherwise`.
Result<double> parse_length(std::string_view text, Units otherwise = Units::Inches);

/// "11 1/4 in" to the nearest 1/32, or "28.6 cm". Below 1/8 in, and in centimetres below 1 cm, "1.8 mm": bars
/// and lips are spoken of in millimetres by everybody.
std::string format_length(double mm, Units units);

/// Of glue, foam and thread, where fractions say nothing: "205 in", "521 cm"; at least 1.
std::string format_long(double mm, Units units);

/// As a paper trimmer is set: "1/2 in", to the nearest 1/16, or "13 mm".
std::string format_for_trimmer(double mm, Units units);

/// "11 1/4 x 11 in".
std::string format_size(double width_mm, double height_mm, Units units);

/// "14 sq in", "90 sq cm"; at least 1 of what is there at all.
std::string format_area(double mm2, Units units);

/// "1.8 mm".
std::string format_mm(double mm);

} // namespace zesty
