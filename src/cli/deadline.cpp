#include "cli/deadline.h"

#include "cli/command.h"

#include <condition_variable>
#include <mutex>
#include <thread>
#include <unistd.h>

namespace zesty::cli {

struct Watch::Inner {
    std::mutex mutex;
    std::condition_variable changed;
    bool over = false;
    std::thread thread;
};

Watch::Watch(const std::string& message, double seconds) : inner_(std::make_unique<Inner>()) {
    inner_->thread = std::thread([inner = inner_.get(), message, seconds] {
        std::unique_lock lock(inner->mutex);
        if (inner->changed.wait_for(lock, std::chrono::duration<double>(seconds),
                                    [&] { return inner->over; }))
            return;
        _exit(complain(message));
    });
}

Watch::~Watch() {
    {
        const std::lock_guard lock(inner_->mutex);
        inner_->over = true;
    }
    inner_->changed.notify_all();
    inner_->thread.join();
}

} // namespace zesty::cli
