#pragma once
// What fallible calls return. Errors are what a person can cause: a bad file, an impossible wish.
// What only we can cause is an assertion.

#include <string>
#include <tl/expected.hpp>

namespace zesty {

enum class ErrorKind {
    BadInput,       ///< The content is not what it claims to be, or makes no sense.
    TooLarge,       ///< The content is beyond what we agree to read.
    NothingToDo,    ///< The content is fine but holds nothing to cut, or nothing to place.
    Unreadable,     ///< The file cannot be opened or read.
    Unwritable,     ///< The file cannot be written.
    NewerFormat,    ///< Written by a later version than this one.
    Geometry,       ///< Every step of the geometry ladder failed.
    Stopped,        ///< The caller asked to stop.
    ChangedOutside, ///< Somebody else has changed or removed the file meanwhile.
};

struct Error {
    ErrorKind kind = ErrorKind::BadInput;
    std::string message; ///< One sentence that says what is wrong and where.
};

template <class T> using Result = tl::expected<T, Error>;

inline tl::unexpected<Error> fail(ErrorKind kind, std::string message) {
    return tl::make_unexpected(Error{kind, std::move(message)});
}

} // namespace zesty
