#include "core/sheets/relay.h"

#include "core/chance.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr float nodes_across = 300; ///< of the grid on a sheet
constexpr float reach_in_nodes = 8;
constexpr float disorder = 0.3F; ///< by how much, as a power of e, sizes are mistaken when pieces are sorted
constexpr int compared = 3;
constexpr unsigned fewest_lifted = 2, more_lifted = 6;

FloatBox around(const CrowdSpot& at, float reach) {
    return {at.x - reach, at.y - reach, at.x + reach, at.y + reach};
}

FloatBox common(const FloatBox& a, const FloatBox& b) {
    return {std::max(a.x0, b.x0), std::max(a.y0, b.y0), std::min(a.x1, b.x1), std::min(a.y1, b.y1)};
}

FloatBox both(const FloatBox& a, const FloatBox& b) {
    return {std::min(a.x0, b.x0), std::min(a.y0, b.y0), std::max(a.x1, b.x1), std::max(a.y1, b.y1)};
}

} // namespace

std::vector<Clearance> empty_clearances(const CrowdJob& job) {
    std::vector<Clearance> out;
    for (const auto& s : job.sheets) {
        const float cell = std::clamp(static_cast<float>(std::sqrt(s.area)) / nodes_across, 0.4F, 1.0F);
        out.emplace_back(s.box, s.obstacles, job.grown, cell, reach_in_nodes * cell);
    }
    return out;
}

Relayer::Relayer(const CrowdJob& job, const OutlinePoints& points, const std::vector<Clearance>& empty,
                 const std::vector<CrowdSpot>& spots)
    : job_(job), crowd_(job), clear_(empty), touching_(job, points) {
    adopt(spots);
}

void Relayer::adopt(const std::vector<CrowdSpot>& spots) {
    crowd_.load(spots);
    placed_ = job_.value_of(crowd_.spots());
    drawn_ = false;
}

/// Brings the distances up to what lies on the sheets.
void Relayer::draw() {
    if (drawn_) return;
    drawn_ = true;
    for (Clearance& c : clear_) c.clear();
    for (std::size_t i = 0; i < job_.claims.size(); ++i)
        if (const CrowdSpot& at = crowd_.spots()[i]; at.sheet >= 0)
            clear_[at.sheet].add(static_cast<int>(i), crowd_.lying(static_cast<int>(i)), at.x, at.y);
}

Relayer::Lifted Relayer::lift(int piece) {
    const CrowdSpot spot = crowd_.spots()[piece];
    crowd_.take_off(piece);
    return {spot, clear_[spot.sheet].remove(piece)};
}

void Relayer::put(int piece, const CrowdSpot& spot) {
    crowd_.put_at(piece, spot);
    clear_[spot.sheet].add(piece, crowd_.lying(piece), spot.x, spot.y);
}

void Relayer::put_back(int piece, Lifted lifted) {
    crowd_.put_at(piece, lifted.spot);
    clear_[lifted.spot.sheet].add(std::move(lifted.patch));
}

/// The best of the first few places that can be had.
std::optional<Touch> Relayer::find(int piece, int sheet, const FloatBox& where, const Effort& effort,
                                   std::mt19937& random) {
    std::optional<Touch> best;
    int had = 0;
    for (const Touch& place : touching_.places(piece, sheet, clear_[sheet], where, effort, random)) {
        auto t = touching_.closer(piece, clear_[sheet], place, random);
        if (!t || (best && t->score <= best->score) || !crowd_.settle(piece, t->spot, random)) continue;
        t->score = touching_.touch(piece, clear_[sheet], t->spot);
        if (!best || t->score > best->score) best = t;
        if (++had == compared) break;
    }
    return best;
}

/// Lays what it can of the pool, large pieces first.
void Relayer::fill(int sheet, const std::vector<int>& pool, const FloatBox& where, const Effort& effort,
                   std::mt19937& random, const StopToken& stop) {
    std::vector<std::pair<double, int>> order;
    for (int p : pool) order.emplace_back(-job_.claims[p].area() * std::exp(disorder * chance(random)), p);
    std::sort(order.begin(), order.end());
    std::vector<Found> looked;
    std::size_t next = 0;
    while (!stopped(stop)) {
        for (; looked.size() < effort.look && next < order.size(); ++next)
            if (const auto found = find(order[next].second, sheet, where, effort, random))
                looked.push_back({order[next].second, *found});
        if (looked.empty()) return;
        const auto best = std::max_element(looked.begin(), looked.end(), [](const Found& a, const Found& b) {
            return a.at.score < b.at.score;
        });
        const int laid = best->piece;
        put(laid, best->at.spot);
        looked.erase(best);
        look_again(looked, laid, sheet, where, effort, random);
    }
}

/// Where the other pieces looked at go best, now that one more is laid: elsewhere nothing has changed.
void Relayer::look_again(std::vector<Found>& looked, int laid, int sheet, const FloatBox& where,
                         const Effort& effort, std::mt19937& random) {
    std::erase_if(looked, [&](Found& f) {
        const bool stays = crowd_.free_at(f.piece, f.at.spot);
        const double reach = (job_.claims[f.piece].diameter() + job_.claims[laid].diameter()) / 2;
        const FloatBox beside = around(crowd_.spots()[laid], static_cast<float>(reach));
        const auto again = find(f.piece, sheet, stays ? common(where, beside) : where, effort, random);
        if (again && (!stays || again->score > f.at.score)) f.at = *again;
        return !stays && !again;
    });
}

/// What lies nowhere and may go on a sheet.
std::vector<int> Relayer::waiting_for(int sheet) const {
    std::vector<int> out;
    for (std::size_t i = 0; i < job_.claims.size(); ++i)
        if (crowd_.spots()[i].sheet < 0 && job_.may_go(static_cast<int>(i), sheet))
            out.push_back(static_cast<int>(i));
    return out;
}

void Relayer::afresh(const Effort& effort, std::mt19937& random, const StopToken& stop) {
    const std::vector<CrowdSpot> before = crowd_.spots();
    const double had = placed_;
    adopt(std::vector<CrowdSpot>(before.size()));
    draw();
    for (int sheet : job_.sheet_order)
        fill(sheet, waiting_for(sheet), job_.sheets[sheet].box, effort, random, stop);
    placed_ = job_.value_of(crowd_.spots());
    if (placed_ < had) adopt(before);
}

/// A few pieces about some point of the sheet.
std::vector<int> Relayer::neighbours(int sheet, std::mt19937& random) const {
    const FloatBox& box = job_.sheets[sheet].box;
    const float x = box.x0 + chance(random) * (box.x1 - box.x0),
                y = box.y0 + chance(random) * (box.y1 - box.y0);
    std::vector<std::pair<float, int>> near;
    for (std::size_t i = 0; i < job_.claims.size(); ++i)
        if (const CrowdSpot& at = crowd_.spots()[i]; at.sheet == sheet)
            near.emplace_back(std::hypot(at.x - x, at.y - y), static_cast<int>(i));
    std::sort(near.begin(), near.end());
    near.resize(std::min<std::size_t>(near.size(), fewest_lifted + random() % more_lifted));
    std::vector<int> out;
    for (const auto& n : near) out.push_back(n.second);
    return out;
}

void Relayer::relay(std::mt19937& random, const StopToken& stop) {
    const int sheet = static_cast<int>(random() % job_.sheets.size());
    std::vector<int> pool = waiting_for(sheet);
    if (pool.empty()) return;
    const std::vector<int> lifted = neighbours(sheet, random);
    if (lifted.empty()) return;
    draw();
    FloatBox where = around(crowd_.spots()[lifted.front()], 0);
    std::vector<Lifted> before;
    for (int p : lifted) {
        where = both(where, around(crowd_.spots()[p], static_cast<float>(job_.claims[p].diameter() / 2)));
        before.push_back(lift(p));
    }
    pool.insert(pool.end(), lifted.begin(), lifted.end());
    fill(sheet, pool, where, {}, random, stop);
    const double now = job_.value_of(crowd_.spots());
    if (now >= placed_) {
        placed_ = now;
        return;
    }
    for (int p : pool)
        if (crowd_.spots()[p].sheet >= 0) lift(p);
    for (std::size_t i = 0; i < lifted.size(); ++i) put_back(lifted[i], std::move(before[i]));
}

} // namespace zesty
