#include "cli/deadline.h"

#include "cli/command.h"

#include <condition_variable>
#include <ctime>
#include <mutex>
#include <thread>
#include <unistd.h>

namespace zesty::cli {

namespace {

constexpr double waits_longer =
    6; ///< than it works, for a slow disk or a machine that is busy with other things
constexpr std::chrono::milliseconds look_every{100};

double seconds_worked() {
    timespec t{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &t);
    return static_cast<double>(t.tv_sec) + static_cast<double>(t.tv_nsec) * 1e-9;
}

} // namespace

struct Watch::Inner {
    std::mutex mutex;
    std::condition_variable changed;
    bool over = false;
    std::thread thread;
};

Watch::Watch(const std::string& message, double seconds) : inner_(std::make_unique<Inner>()) {
    inner_->thread = std::thread([inner = inner_.get(), message, seconds] {
        const Deadline at_last(waits_longer * seconds);
        const double enough = seconds_worked() + seconds;
        std::unique_lock lock(inner->mutex);
        while (seconds_worked() < enough && !at_last.token()())
            if (inner->changed.wait_for(lock, look_every, [&] { return inner->over; })) return;
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
