#include "io/edge.h"

#include "core/sentences.h"

#include <QString>
#include <QStringDecoder>
#include <charconv>

namespace zesty {

namespace {

constexpr std::size_t longest_line = 300;

bool is_control(char c) {
    const auto byte = static_cast<unsigned char>(c);
    return (byte < 0x20 && c != '\n' && c != '\t') || byte == 0x7F;
}

/// What is UTF-8 comes back as it was; a letter that is cut off at the end does not.
bool is_utf8(std::string_view bytes) {
    const QByteArrayView view(bytes.data(), static_cast<qsizetype>(bytes.size()));
    return QString::fromUtf8(view).toUtf8() == view;
}

std::string latin1_as_utf8(std::string_view bytes) {
    return QString::fromLatin1(bytes.data(), static_cast<qsizetype>(bytes.size())).toStdString();
}

} // namespace

bool is_text(std::string_view bytes) {
    for (const char c : bytes)
        if (is_control(c)) return false;
    return is_utf8(bytes);
}

std::string as_text(std::string_view bytes) {
    std::string out = is_utf8(bytes) ? std::string(bytes) : latin1_as_utf8(bytes);
    std::erase_if(out, is_control);
    return out;
}

std::string one_line(std::string_view message) {
    std::string out = as_text(message.substr(0, 4 * longest_line));
    for (char& c : out)
        if (c == '\n' || c == '\t') c = ' ';
    QString text = QString::fromStdString(out);
    if (text.size() > static_cast<qsizetype>(longest_line))
        text = text.left(static_cast<qsizetype>(longest_line) - 1) + QChar(0x2026);
    return text.toStdString();
}

std::string name_in_archive(std::string_view file_name) {
    constexpr std::size_t longest = 120, longest_ending = 8;
    std::string name = as_text(file_name);
    for (char& c : name)
        if (c == '\n' || c == '\t' || c == '/' || c == '\\') c = ' ';
    if (name.size() <= longest) return name;
    const std::size_t dot = name.rfind('.');
    const std::string ending =
        dot == std::string::npos || name.size() - dot > longest_ending ? "" : name.substr(dot);
    return shortened(name, longest - ending.size()) + ending;
}

std::optional<double> number_from(std::string_view text, Limits limits) {
    if (text.starts_with('+')) text.remove_prefix(1);
    double value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc{} || end != text.data() + text.size() || !limits.hold(value)) return std::nullopt;
    return value;
}

std::string utf8_of(std::string_view bytes) {
    if (bytes.starts_with("\xEF\xBB\xBF")) bytes.remove_prefix(3);
    const bool utf16 = bytes.starts_with("\xFF\xFE") || bytes.starts_with("\xFE\xFF");
    if (utf16) {
        QStringDecoder decoder(QStringDecoder::Utf16, QStringDecoder::Flag::Default);
        const QString text = decoder(QByteArrayView(bytes.data(), static_cast<qsizetype>(bytes.size())));
        return text.toStdString();
    }
    return is_utf8(bytes) ? std::string(bytes) : latin1_as_utf8(bytes);
}

} // namespace zesty
