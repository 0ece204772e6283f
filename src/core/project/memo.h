#pragma once
// A stage that remembers its last answers: computed again only when what it depends on has changed.

#include "core/result.h"

#include <algorithm>
#include <cstddef>
#include <list>
#include <utility>

namespace zesty {

/// `Key` holds all that the value follows from and compares with ==. One thread at a time.
template <class Key, class Value> class Memo {
public:
    /// So many answers, those asked for last; one at first.
    void remember(std::size_t most) {
        most_ = std::max<std::size_t>(most, 1);
        while (known_.size() > most_) known_.pop_back();
    }

    /// The value for the key, from make(key) -> Result<Value> where it is not remembered. It stays until the
    /// next call. An error is not remembered, and the oldest answer makes room before the new one is made.
    template <class Make> Result<const Value*> get(Key key, Make&& make) {
        const auto at =
            std::find_if(known_.begin(), known_.end(), [&](const Known& k) { return k.key == key; });
        if (at != known_.end()) {
            known_.splice(known_.begin(), known_, at);
            return &at->value;
        }
        if (known_.size() == most_) known_.pop_back();
        Result<Value> made = make(key);
        if (!made) return tl::make_unexpected(std::move(made.error()));
        known_.push_front({std::move(key), std::move(*made)});
        return &known_.front().value;
    }

private:
    struct Known {
        Key key;
        Value value;
    };
    std::list<Known> known_; ///< what was asked for last first
    std::size_t most_ = 1;
};

} // namespace zesty
