#pragma once
// A value that never changes once it is made: shared by copies, equal when its content is. May be null.

#include <memory>

namespace zesty {

template <class T> class Shared {
public:
    Shared() = default;
    Shared(std::nullptr_t) {}
    template <class U>
    requires std::is_convertible_v<std::shared_ptr<U>, std::shared_ptr<const T>>
    Shared(std::shared_ptr<U> value) : value_(std::move(value)) {}

    explicit operator bool() const { return value_ != nullptr; }
    const T& operator*() const { return *value_; }
    const T* operator->() const { return value_.get(); }
    const T* get() const { return value_.get(); }
    const std::shared_ptr<const T>& pointer() const { return value_; }

    friend bool operator==(const Shared& a, const Shared& b) {
        return a.value_ == b.value_ || (a.value_ && b.value_ && *a.value_ == *b.value_);
    }

private:
    std::shared_ptr<const T> value_;
};

} // namespace zesty
