#include "core/geometry/lengths.h"

#include <charconv>
#include <cmath>
#include <cstdio>
#include <numeric>

namespace zesty {

namespace {

std::string printed(const char* format, double value) {
    char buffer[64];
    std::snprintf(buffer, sizeof buffer, format, value);
    return buffer;
}

std::string in_inches(double mm) {
    const long parts = std::lround(std::abs(mm) / mm_per_inch * 32);
    const long whole = parts / 32;
    const long rest = parts % 32;
    std::string out = mm < 0 && parts > 0 ? "-" : "";
    if (whole > 0 || rest == 0) out += std::to_string(whole);
    if (rest > 0) {
        const long g = std::gcd(rest, 32L);
        if (whole > 0) out += " ";
        out += std::to_string(rest / g) + "/" + std::to_string(32 / g);
    }
    return out;
}

class Reader {
public:
    explicit Reader(std::string_view text) : text_(text) {}
    void spaces() {
        while (!text_.empty() && (text_.front() == ' ' || text_.front() == '-')) text_.remove_prefix(1);
    }
    bool number(double& out) {
        const auto [end, error] =
            std::from_chars(text_.data(), text_.data() + text_.size(), out, std::chars_format::fixed);
        if (error != std::errc{}) return false;
        text_.remove_prefix(end - text_.data());
        return true;
    }
    bool take(char c) {
        if (text_.empty() || text_.front() != c) return false;
        text_.remove_prefix(1);
        return true;
    }
    std::string_view rest() const { return text_; }

private:
    std::string_view text_;
};

} // namespace

Result<double> parse_length(std::string_view text, Units otherwise) {
    const auto wrong = [&] {
        return fail(ErrorKind::BadInput,
                    "'" + std::string(text) + "' is not a length such as 11.5in, 1/8in or 292.1mm");
    };
    Reader in(text);
    while (in.take(' ')) {
    }
    const bool negative = in.take('-');
    double value = 0;
    if (!in.number(value)) return wrong();
    double over = 0;
    double under = 0;
    if (in.take('/')) {
        if (!in.number(under) || under == 0) return wrong();
        value /= under;
    } else {
        Reader ahead = in;
        ahead.spaces();
        if (ahead.number(over) && ahead.take('/') && ahead.number(under) && under != 0) {
            value += over / under;
            in = ahead;
        }
    }
    in.spaces();
    std::string unit(in.rest());
    while (!unit.empty() && unit.back() == ' ') unit.pop_back();
    if (unit.empty()) unit = otherwise == Units::Inches ? "in" : "cm";
    const double factor = unit == "in" || unit == "\"" ? mm_per_inch
                          : unit == "mm"               ? 1
                          : unit == "cm"               ? 10
                                                       : 0;
    if (factor == 0 || !std::isfinite(value)) return wrong();
    return (negative ? -value : value) * factor;
}

std::string format_mm(double mm) {
    return printed("%.1f mm", mm);
}

std::string format_area(double mm2, Units units) {
    const bool inches = units == Units::Inches;
    const long whole = std::lround(mm2 / (inches ? mm_per_inch * mm_per_inch : 100));
    return std::to_string(mm2 > 0 ? std::max(1L, whole) : 0) + (inches ? " sq in" : " sq cm");
}

std::string format_length(double mm, Units units) {
    if (!std::isfinite(mm)) return "none";
    const double small = units == Units::Inches ? mm_per_inch / 8 - 0.2 : 10;
    if (std::abs(mm) < small && mm != 0) return format_mm(mm);
    return units == Units::Inches ? in_inches(mm) + " in" : printed("%.1f cm", mm / 10);
}

std::string format_long(double mm, Units units) {
    const bool inches = units == Units::Inches;
    return std::to_string(std::max(1L, std::lround(mm / (inches ? mm_per_inch : 10)))) +
           (inches ? " in" : " cm");
}

std::string format_for_trimmer(double mm, Units units) {
    if (units == Units::Centimetres) return std::to_string(std::lround(mm)) + " mm";
    const double sixteenth = mm_per_inch / 16;
    return in_inches(std::round(mm / sixteenth) * sixteenth) + " in";
}

std::string format_size(double width_mm, double height_mm, Units units) {
    return units == Units::Inches
               ? in_inches(width_mm) + " x " + in_inches(height_mm) + " in"
               : printed("%.1f", width_mm / 10) + " x " + printed("%.1f cm", height_mm / 10);
}

} // namespace zesty
