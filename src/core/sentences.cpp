#include "core/sentences.h"

#include <algorithm>
#include <cmath>

namespace zesty {

std::string count_of(std::size_t n, const char* one, const char* many) {
    return std::to_string(n) + " " + (n == 1 ? one : many);
}

std::string there_are(std::size_t n, const char* one, const char* many) {
    if (n == 0) return std::string("there are no ") + many;
    return (n == 1 ? "there is " : "there are ") + count_of(n, one, many);
}

std::string in_a_row(const std::vector<std::string>& names) {
    constexpr std::size_t most = 5;
    std::string out;
    for (std::size_t i = 0; i < names.size(); ++i) {
        if (i == most && names.size() > most + 1)
            return out + " and " + std::to_string(names.size() - most) + " more";
        out += (i == 0 ? "" : i + 1 == names.size() ? " and " : ", ") + names[i];
    }
    return out;
}

std::string percent(double share) {
    return std::to_string(std::lround(100 * share)) + " %";
}

std::string numbers(std::vector<int> openings) {
    std::sort(openings.begin(), openings.end());
    std::string out;
    for (std::size_t i = 0; i < openings.size(); ++i) {
        if (i == 6 && openings.size() > 7)
            return out + " and " + std::to_string(openings.size() - 6) + " more";
        out += (i == 0 ? "" : i + 1 == openings.size() ? " and " : ", ") + std::to_string(openings[i] + 1);
    }
    return out;
}

std::string shortened(const std::string& text, std::size_t most_bytes) {
    if (text.size() <= most_bytes) return text;
    std::size_t end = most_bytes;
    const auto within_a_character = [&] { return (static_cast<unsigned char>(text[end]) & 0xC0) == 0x80; };
    while (end > 0 && within_a_character()) --end;
    return text.substr(0, end);
}

std::string with_capital(std::string text) {
    if (!text.empty() && text[0] >= 'a' && text[0] <= 'z') text[0] = static_cast<char>(text[0] - 'a' + 'A');
    return text;
}

std::string sentence(std::string reason) {
    return with_capital(std::move(reason)) + ".";
}

std::string date_in_words(const std::string& iso) {
    static const char* const months[] = {"January",   "February", "March",    "April",
                                         "May",       "June",     "July",     "August",
                                         "September", "October",  "November", "December"};
    if (iso.size() != 10 || iso[4] != '-' || iso[7] != '-') return iso;
    const int month = (iso[5] - '0') * 10 + (iso[6] - '0');
    if (month < 1 || month > 12) return iso;
    const std::string day = iso[8] == '0' ? iso.substr(9) : iso.substr(8);
    return day + " " + months[month - 1] + " " + iso.substr(0, 4);
}

} // namespace zesty
