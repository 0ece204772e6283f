#include "io/svg/numbers.h"

#include <cctype>
#include <charconv>

namespace zesty::svg {

char Numbers::peek() {
    while (at_ < text_.size() && (std::isspace(static_cast<unsigned char>(text_[at_])) || text_[at_] == ','))
        ++at_;
    return at_ < text_.size() ? text_[at_] : '\0';
}

std::optional<double> Numbers::next() {
    const char c = peek();
    if (c == '\0') return std::nullopt;
    std::size_t from = at_;
    if (c == '+') ++from;
    const char first = from < text_.size() ? text_[from] : '\0';
    const char second = from + 1 < text_.size() ? text_[from + 1] : '\0';
    const bool digits = std::isdigit(static_cast<unsigned char>(first)) || first == '.' ||
                        (first == '-' && (std::isdigit(static_cast<unsigned char>(second)) || second == '.'));
    if (!digits) {
        const auto word = text_.substr(from + (first == '-' ? 1 : 0), 3);
        if (word == "NaN" || word == "nan" || word == "Inf" || word == "inf") nonsense_ = true;
        return std::nullopt;
    }
    double value = 0;
    const auto [end, error] = std::from_chars(text_.data() + from, text_.data() + text_.size(), value);
    if (error == std::errc::result_out_of_range) {
        // Far too small is as good as zero; far too large is nonsense.
        const std::string_view token = text_.substr(from, end - (text_.data() + from));
        if (token.find("e-") == std::string_view::npos && token.find("E-") == std::string_view::npos) {
            nonsense_ = true;
            return std::nullopt;
        }
        value = 0;
    } else if (error != std::errc{}) {
        return std::nullopt;
    }
    at_ = end - text_.data();
    // No drawing is a billion units wide; such numbers only lose all the others' digits.
    if (std::abs(value) > 1e9) {
        nonsense_ = true;
        return std::nullopt;
    }
    return value;
}

std::optional<bool> Numbers::flag() {
    const char c = peek();
    if (c != '0' && c != '1') return std::nullopt;
    ++at_;
    return c == '1';
}

Result<std::optional<Length>> parse_length(std::string_view text, double percent_of) {
    Numbers in(text);
    const auto value = in.next();
    if (in.nonsense())
        return fail(ErrorKind::BadInput,
                    "the drawing has '" + std::string(text) + "' where a length should be");
    if (!value) return std::optional<Length>{};
    std::string unit;
    for (char c = in.peek(); c != '\0'; c = in.peek()) {
        unit += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
        in.skip();
    }
    if (unit == "%") return std::optional(Length{*value * percent_of / 100, true});
    const double factor = unit == "mm"                    ? 96 / 25.4
                          : unit == "cm"                  ? 960 / 25.4
                          : unit == "in"                  ? 96
                          : unit == "pt"                  ? 96.0 / 72
                          : unit == "pc"                  ? 16
                          : unit == "q"                   ? 24 / 25.4
                          : unit == "em" || unit == "rem" ? 16
                          : unit == "ex"                  ? 8
                                                          : 1;
    return std::optional(Length{*value * factor, false});
}

Result<Transform> parse_transform(std::string_view text) {
    Transform out;
    std::size_t at = 0;
    while (true) {
        const auto open = text.find('(', at);
        if (open == std::string_view::npos) break;
        const auto close = text.find(')', open);
        if (close == std::string_view::npos) break;
        std::string name;
        for (char c : text.substr(at, open - at))
            if (std::isalpha(static_cast<unsigned char>(c))) name += c;
        std::vector<double> n;
        Numbers in(text.substr(open + 1, close - open - 1));
        while (const auto v = in.next()) n.push_back(*v);
        if (in.nonsense())
            return fail(ErrorKind::BadInput, "the drawing has a transform '" +
                                                 std::string(text.substr(0, 60)) +
                                                 "' that is not made of numbers");
        const auto arg = [&](std::size_t i, double otherwise) { return i < n.size() ? n[i] : otherwise; };
        Transform t;
        if (name == "matrix" && n.size() == 6) {
            t = {n[0], n[1], n[2], n[3], n[4], n[5]};
        } else if (name == "translate") {
            t = Transform::moved(arg(0, 0), arg(1, 0));
        } else if (name == "scale") {
            t = {arg(0, 1), 0, 0, arg(1, arg(0, 1)), 0, 0};
        } else if (name == "rotate") {
            t = Transform::moved(arg(1, 0), arg(2, 0)) * Transform::turned_deg(arg(0, 0)) *
                Transform::moved(-arg(1, 0), -arg(2, 0));
        } else if (name == "skewX") {
            t = {1, 0, std::tan(arg(0, 0) * M_PI / 180), 1, 0, 0};
        } else if (name == "skewY") {
            t = {1, std::tan(arg(0, 0) * M_PI / 180), 0, 1, 0, 0};
        }
        out = out * t;
        at = close + 1;
    }
    return out;
}

} // namespace zesty::svg
