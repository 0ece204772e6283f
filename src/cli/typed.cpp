#include "cli/typed.h"

#include "core/sentences.h"
#include "io/edge.h"

#include <charconv>
#include <map>

namespace zesty::cli {

namespace {

std::optional<int> whole(const std::string& text) {
    int n = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), n);
    if (error != std::errc{} || end != text.data() + text.size()) return {};
    return n;
}

} // namespace

tl::unexpected<Error> only_so_many(const char* option, std::size_t there, const char* one, const char* many) {
    return fail(ErrorKind::BadInput,
                std::string(option) + ": " + there_are(there, one, many) + " on the page");
}

std::vector<std::string> split(const std::string& text, char at) {
    std::vector<std::string> out{""};
    for (char c : text) {
        if (c == at)
            out.emplace_back();
        else
            out.back() += c;
    }
    return out;
}

Result<Point> typed_size(const std::string& option, const std::string& text, double least, double most) {
    const auto wrong = [&] {
        return fail(ErrorKind::BadInput,
                    option + ": '" + text + "' is not a size such as 12x12in or 210x297mm");
    };
    const auto x = text.find_first_of("xX");
    if (x == std::string::npos) return wrong();
    std::string first = text.substr(0, x);
    const std::string second = text.substr(x + 1);
    const auto unit = second.find_first_of("icm\"");
    if (unit != std::string::npos && first.find_first_of("icm\"") == std::string::npos)
        first += second.substr(unit);
    const auto w = parse_length(first);
    const auto h = parse_length(second);
    if (!w || !h) return wrong();
    if (*w < least || *h < least || *w > most || *h > most)
        return fail(ErrorKind::BadInput, option + ": " + text + " is out of range");
    return Point{*w, *h};
}

Result<Page> typed_page(const std::string& text) {
    const auto size = typed_size("--page", text, 10, 3000);
    if (!size) return tl::make_unexpected(size.error());
    Page page;
    page.width = size->x;
    page.height = size->y;
    return page;
}

Result<std::optional<double>> typed_length(const std::string& option, const std::string& text, double least,
                                           double most) {
    if (text.empty()) return std::optional<double>{};
    const auto length = parse_length(text);
    if (!length) return fail(ErrorKind::BadInput, option + ": " + length.error().message);
    if (*length < least || *length > most)
        return fail(ErrorKind::BadInput, option + ": " + text + " is out of range");
    return std::optional<double>(*length);
}

Result<void> take_length(const std::string& option, const std::string& text, Limits limits, double& to) {
    const auto typed = typed_length(option, text, limits.least, limits.most);
    if (!typed) return tl::make_unexpected(typed.error());
    if (*typed) to = **typed;
    return {};
}

Result<std::vector<double>> typed_lengths(const std::string& option, const std::string& text, double least,
                                          double most) {
    std::vector<double> out;
    for (const std::string& one : split(text, ',')) {
        const auto length = typed_length(option, one, least, most);
        if (!length) return tl::make_unexpected(length.error());
        if (!*length) return fail(ErrorKind::BadInput, option + ": '" + text + "' is not a list of lengths");
        out.push_back(**length);
    }
    return out;
}

Result<Point> typed_point(const std::string& option, const std::string& text, const char* hint, double most) {
    const auto at = typed_lengths(option, text, -most, most);
    if (!at) return tl::make_unexpected(at.error());
    if (at->size() != 2) return fail(ErrorKind::BadInput, option + ": " + hint);
    return Point{(*at)[0], (*at)[1]};
}

Result<std::vector<int>> typed_numbers(const std::string& option, const std::string& text, int most) {
    std::vector<int> out;
    for (const std::string& one : split(text, ',')) {
        const auto dash = one.find('-', 1);
        const auto from = whole(one.substr(0, dash));
        const auto to = dash == std::string::npos ? from : whole(one.substr(dash + 1));
        if (!from || !to)
            return fail(ErrorKind::BadInput,
                        option + ": '" + text + "' is not a list of numbers such as 1,4-6");
        if (*from < 1 || *to > most || *from > *to)
            return fail(ErrorKind::BadInput, option + ": there is no number " + one + ", they go from 1 to " +
                                                 std::to_string(most));
        for (int n = *from; n <= *to; ++n) out.push_back(n - 1);
    }
    return out;
}

Result<double> typed_number(const std::string& option, const std::string& text, Limits limits) {
    if (const auto n = number_from(text, limits)) return *n;
    const auto plain = [](double n) {
        std::string out = std::to_string(n);
        out.erase(out.find_last_not_of('0') + 1);
        if (out.ends_with('.')) out.pop_back();
        return out;
    };
    return fail(ErrorKind::BadInput, option + ": '" + text + "' is not a number from " + plain(limits.least) +
                                         " to " + plain(limits.most));
}

Result<double> typed_light(const std::string& text) {
    static const std::map<std::string, double> ends{
        {"right", 0.0}, {"bottom", 90.0}, {"left", 180.0}, {"top", -90.0}};
    const auto light = ends.find(text);
    if (light == ends.end())
        return fail(ErrorKind::BadInput, "--light: '" + text + "' is not one of top, bottom, left, right");
    return light->second;
}

For typed_for(const std::string& text) {
    const auto colon = text.find(':');
    if (colon == std::string::npos) return {"", text};
    return {text.substr(0, colon), text.substr(colon + 1)};
}

} // namespace zesty::cli
