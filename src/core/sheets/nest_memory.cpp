#include "core/sheets/nest_memory.h"

#include "core/geometry/hash.h"

#include <algorithm>

namespace zesty {

namespace {

/// Takes in one number after the other.
struct Hash {
    std::uint64_t value = 0xcbf29ce484222325ull;

    void add(std::uint64_t v) { mix(value, v); }
    void add(double v) { mix(value, v); }
    void add(int v) { add(static_cast<std::uint64_t>(v)); }
    void add(bool v) { add(static_cast<std::uint64_t>(v)); }
    void add(Point p) {
        add(p.x);
        add(p.y);
    }
    void add(const Polygon& polygon) { mix(value, polygon); }
    void add(const NestPin& pin) {
        add(pin.sheet);
        add(pin.rotation_deg);
        add(pin.shift);
    }
    void add(const NestBand& band) {
        add(band.of_piece);
        add(band.along);
        add(band.from);
        add(band.to);
    }
    template <class T> void add(const std::vector<T>& all) {
        add(static_cast<std::uint64_t>(all.size()));
        for (const T& one : all) add(one);
    }
    template <class T> void add(const std::optional<T>& one) {
        add(one.has_value());
        if (one) add(*one);
    }
    void add(const NestPiece& piece) {
        add(piece.outline);
        add(piece.any_rotation);
        add(piece.rotations_deg);
        add(piece.sheets);
        add(piece.together);
        add(piece.pins);
        add(piece.band);
        add(piece.worth);
    }
    void add(const NestSheet& sheet) {
        add(sheet.outline);
        add(sheet.rank);
    }
};

} // namespace

std::uint64_t hash_of(const NestJob& job) {
    Hash out;
    out.add(job.pieces);
    out.add(job.sheets);
    out.add(job.gap);
    out.add(static_cast<std::uint64_t>(job.seed));
    out.add(job.attempts);
    out.add(job.refinements);
    out.add(job.cell);
    out.add(job.later);
    return out.value;
}

NestResult NestMemory::nest(const NestJob& job, const StopToken& stop) {
    const std::uint64_t hash = hash_of(job);
    {
        const std::lock_guard lock(mutex_);
        if (const auto known = known_.find(hash); known != known_.end()) return *known->second;
    }
    NestJob asked = job;
    if (most_attempts_) asked.attempts = std::min(asked.attempts, *most_attempts_);
    if (most_refinements_) asked.refinements = std::min(asked.refinements, *most_refinements_);
    NestResult made = zesty::nest(asked, stop);
    if (stopped(stop)) return made;
    const std::lock_guard lock(mutex_);
    if (known_.emplace(hash, std::make_shared<const NestResult>(made)).second) order_.push_back(hash);
    while (order_.size() > most) {
        known_.erase(order_.front());
        order_.pop_front();
    }
    return made;
}

} // namespace zesty
