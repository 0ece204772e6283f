#pragma once
// The bytes of a picture file, as they came: in memory, or where they can be read again when they are wanted,
// so that a large stash does not fill the memory with pictures that nobody looks at.

#include <cstddef>
#include <functional>
#include <map>
#include <memory>
#include <string>

namespace zesty {

/// A value: copies share what has been read. Equal when the bytes are. May be used on any thread.
class PictureBytes {
public:
    using Bytes = std::shared_ptr<const std::string>;

    PictureBytes() = default;
    /// In memory.
    PictureBytes(Bytes bytes);
    PictureBytes(std::shared_ptr<std::string> bytes) : PictureBytes(Bytes(std::move(bytes))) {}
    /// `key` stands for the bytes wherever they are, such as a sum of them; `read` may be called on any
    /// thread and gives null when they cannot be read any more.
    static PictureBytes elsewhere(std::string key, std::size_t size, std::function<Bytes()> read);

    explicit operator bool() const { return state_ != nullptr; }
    /// Null for none, and where the bytes cannot be read any more.
    Bytes get() const;
    /// Reads them and leaves them in memory from now on; false where they cannot be read any more.
    bool hold() const;
    /// Empty for bytes that came as they are.
    const std::string& key() const;
    /// The same for copies, to know what has been made of them.
    const void* identity() const { return state_.get(); }

    friend bool operator==(const PictureBytes& a, const PictureBytes& b);

private:
    struct State;
    std::shared_ptr<State> state_;
};

using Pictures = std::map<std::string, PictureBytes>; ///< by name

} // namespace zesty
