#include "core/stash/picture_bytes.h"

#include <cassert>
#include <mutex>

namespace zesty {

struct PictureBytes::State {
    std::string key;
    std::size_t size = 0;
    std::function<Bytes()> read;
    std::mutex mutex; ///< of `held`
    Bytes held;

    Bytes now() {
        const std::lock_guard lock(mutex);
        return held;
    }
};

PictureBytes::PictureBytes(Bytes bytes) {
    if (!bytes) return;
    state_ = std::make_shared<State>();
    state_->size = bytes->size();
    state_->held = std::move(bytes);
}

PictureBytes PictureBytes::elsewhere(std::string key, std::size_t size, std::function<Bytes()> read) {
    assert(!key.empty() && read);
    PictureBytes out;
    out.state_ = std::make_shared<State>();
    out.state_->key = std::move(key);
    out.state_->size = size;
    out.state_->read = std::move(read);
    return out;
}

PictureBytes::Bytes PictureBytes::get() const {
    if (!state_) return nullptr;
    if (auto held = state_->now()) return held;
    return state_->read();
}

bool PictureBytes::hold() const {
    if (!state_) return false;
    auto bytes = get();
    if (!bytes) return false;
    const std::lock_guard lock(state_->mutex);
    state_->held = std::move(bytes);
    return true;
}

const std::string& PictureBytes::key() const {
    static const std::string none;
    return state_ ? state_->key : none;
}

bool operator==(const PictureBytes& a, const PictureBytes& b) {
    if (a.state_ == b.state_) return true;
    if (!a.state_ || !b.state_ || a.state_->size != b.state_->size) return false;
    if (!a.key().empty() && !b.key().empty()) return a.key() == b.key();
    const auto bytes = a.get();
    const auto others = b.get();
    return bytes && others && *bytes == *others;
}

} // namespace zesty
