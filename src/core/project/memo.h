#pragma once
// A stage that remembers its last answer: computed again only when what it depends on has changed.

#include "core/result.h"

#include <optional>
#include <utility>

namespace zesty {

/// `Key` holds all that the value follows from and compares with ==. One thread at a time.
template <class Key, class Value> class Memo {
public:
    /// The value for the key, from make(key) -> Result<Value> where it is not the one remembered. It stays
    /// until the next call. An error is not remembered, and neither is what was before it.
    template <class Make> Result<const Value*> get(Key key, Make&& make) {
        if (value_ && *key_ == key) return &*value_;
        value_.reset();
        Result<Value> made = make(key);
        if (!made) return tl::make_unexpected(std::move(made.error()));
        key_ = std::move(key);
        value_ = std::move(*made);
        return &*value_;
    }

private:
    std::optional<Key> key_;
    std::optional<Value> value_;
};

} // namespace zesty
