#pragma once
// The readers that are fuzzed, by name.

#include <QByteArray>
#include <string>

namespace zesty {

bool is_reader(const std::string& name);
/// Whatever the bytes are, it comes back.
void read_as(const std::string& reader, const QByteArray& bytes);

} // namespace zesty
