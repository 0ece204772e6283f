#include "core/sheets/crowd.h"

#include "core/chance.h"

#include <algorithm>
#include <array>
#include <limits>

namespace zesty {

namespace {

constexpr float nowhere = std::numeric_limits<float>::infinity();
constexpr float edge = 0.002F; ///< kept from the edge of a sheet, for rounding
constexpr int far_samples = 8;
constexpr int near_samples = 5;
constexpr int kept_samples = 2;       ///< of the samples
constexpr float settling_step = 0.3F; ///< mm
constexpr float calm = 0.95F;         ///< weights of pairs that do not overlap
constexpr float raise_least = 1.2F;
constexpr float raise_most = 2.0F;

FloatBox moved(const FloatBox& b, float x, float y) {
    return {b.x0 + x, b.y0 + y, b.x1 + x, b.y1 + y};
}

} // namespace

Crowd::Crowd(const CrowdJob& job)
    : job_(job), count_(static_cast<int>(job.claims.size())), spots_(job.claims.size()),
      box_(job.claims.size()), on_(job.sheets.size()), overlap_(job.claims.size() * job.claims.size(), 0),
      weight_(overlap_.size(), 1), outside_(job.claims.size(), 0), outside_weight_(job.claims.size(), 1) {
    for (const Claim& c : job.claims) {
        turned_.push_back(c.turned(0));
        trial_.push_back(turned_.back());
    }
}

void Crowd::load(const std::vector<CrowdSpot>& spots) {
    for (auto& o : on_) o.clear();
    std::fill(overlap_.begin(), overlap_.end(), 0.F);
    std::fill(outside_.begin(), outside_.end(), 0.F);
    spots_ = spots;
    for (int i = 0; i < count_; ++i) {
        if (spots_[i].sheet < 0) continue;
        on_[spots_[i].sheet].push_back(i);
        turned_[i] = turned_to(i, spots_[i]);
        box_[i] = moved(turned_[i].claim.box, spots_[i].x, spots_[i].y);
    }
}

const TurnedClaim& Crowd::turned_to(int piece, const CrowdSpot& spot) const {
    if (spot.way >= 0) return job_.ways[piece][spot.way];
    TurnedClaim& out = trial_[piece];
    if (out.rotation_deg != spot.rotation_deg) job_.claims[piece].turn(spot.rotation_deg, out);
    return out;
}

float Crowd::cost_of(int piece, CrowdSpot& spot, float enough) const {
    const TurnedClaim& turned = turned_to(piece, spot);
    const CrowdJob::Sheet& sheet = job_.sheets[spot.sheet];
    const FloatBox& body = turned.body.box;
    const float x0 = sheet.box.x0 - body.x0 + edge, x1 = sheet.box.x1 - body.x1 - edge;
    const float y0 = sheet.box.y0 - body.y0 + edge, y1 = sheet.box.y1 - body.y1 - edge;
    if (x0 > x1 || y0 > y1) return nowhere;
    spot.x = std::clamp(spot.x, x0, x1);
    spot.y = std::clamp(spot.y, y0, y1);
    const FloatBox box = moved(turned.claim.box, spot.x, spot.y);
    const float* weight = &weight_[pair(piece, 0)];
    float cost = 0;
    for (int other : on_[spot.sheet]) {
        if (other == piece || !box.meets(box_[other], 0, 0)) continue;
        cost += weight[other] *
                overlap(turned, turned_[other], spots_[other].x - spot.x, spots_[other].y - spot.y);
        if (cost >= enough) return cost;
    }
    for (const TurnedClaim& o : sheet.obstacles) {
        cost += outside_weight_[piece] * overlap_with_obstacle(turned, o, -spot.x, -spot.y, job_.grown);
        if (cost >= enough) return cost;
    }
    return cost;
}

CrowdSpot Crowd::anywhere(int piece, std::mt19937& random) const {
    CrowdSpot out;
    out.sheet = sheet_;
    const auto& ways = job_.ways[piece];
    if (ways.empty())
        out.rotation_deg = !job_.sides_deg[piece].empty() && random() % 4 != 0
                               ? along_something(piece, out.sheet, random)
                               : 360.0 * chance(random);
    else
        out.way = static_cast<int>(random() % ways.size());
    const FloatBox& b = job_.sheets[out.sheet].box;
    const FloatBox& body = turned_to(piece, out).body.box;
    out.x = b.x0 - body.x0 + chance(random) * std::max(0.F, b.x1 - b.x0 - (body.x1 - body.x0));
    out.y = b.y0 - body.y0 + chance(random) * std::max(0.F, b.y1 - b.y0 - (body.y1 - body.y0));
    return out;
}

double Crowd::along_something(int piece, int sheet, std::mt19937& random) const {
    const auto& own = job_.sides_deg[piece];
    const double side = own[random() % own.size()];
    const auto& on = on_[sheet];
    if (!on.empty() && random() % 4 != 0) {
        const int other = on[random() % on.size()];
        const auto& sides = job_.sides_deg[other];
        if (other != piece && !sides.empty())
            // Sides that lie on each other run opposite ways.
            return sides[random() % sides.size()] + turned_[other].rotation_deg + 180 - side;
    }
    return 90.0 * static_cast<double>(random() % 4) - side;
}

CrowdSpot Crowd::in_place_of(int piece, const CrowdSpot& freed, int before, std::mt19937& random) const {
    CrowdSpot out = freed;
    const auto reach = static_cast<float>(job_.claims[piece].diameter() * 0.15);
    out.x += reach * (2 * chance(random) - 1);
    out.y += reach * (2 * chance(random) - 1);
    out.way = -1;
    out.rotation_deg = freed.rotation_deg + job_.axis_deg[before] - job_.axis_deg[piece] +
                       (random() % 2 == 0 ? 0.0 : 180.0) + 20 * (chance(random) - 0.5F);
    return out;
}

CrowdSpot Crowd::nearby(int piece, const CrowdSpot& about, std::mt19937& random) const {
    CrowdSpot out = about;
    const auto reach = static_cast<float>(job_.claims[piece].diameter() * 0.5);
    out.x += reach * (2 * chance(random) - 1);
    out.y += reach * (2 * chance(random) - 1);
    const auto& ways = job_.ways[piece];
    if (!ways.empty())
        out.way = static_cast<int>(random() % ways.size());
    else if (out.way = -1, spots_[piece].sheet < 0)
        out.rotation_deg = job_.sides_deg[piece].empty() || random() % 3 == 0
                               ? 360.0 * chance(random)
                               : along_something(piece, out.sheet, random);
    else if (const unsigned kind = random() % 4; kind == 0)
        out.rotation_deg += 60 * (chance(random) - 0.5F);
    else if (kind == 1 && !job_.sides_deg[piece].empty())
        out.rotation_deg = along_something(piece, out.sheet, random);
    return out;
}

Crowd::Trial Crowd::downhill(int piece, Trial from, std::mt19937& random, float step, float least) const {
    const unsigned axes = job_.ways[piece].empty() ? 5 : 4;
    const float lever = 0.5F * static_cast<float>(job_.claims[piece].diameter());
    while (step > least && from.cost > 0) {
        const unsigned axis = static_cast<std::uint32_t>(random()) % axes;
        Trial better = from;
        for (const float way : {step, -step}) {
            CrowdSpot to = stepped(from.spot, axis, way, lever);
            const float cost = cost_of(piece, to, better.cost);
            if (cost < better.cost) better = {to, cost};
        }
        if (better.cost < from.cost) {
            from = better;
            step *= 1.1F;
        } else {
            step *= 0.5F;
        }
    }
    return from;
}

Crowd::Trial Crowd::search(int piece, std::mt19937& random, int far, int near, const CrowdSpot& about,
                           Trial now, int before) const {
    std::array<Trial, kept_samples> best;
    best.fill({{}, nowhere});
    const auto keep = [&](const CrowdSpot& spot, float cost) {
        if (cost >= best.back().cost) return;
        best.back() = {spot, cost};
        for (std::size_t i = best.size() - 1; i > 0 && best[i].cost < best[i - 1].cost; --i)
            std::swap(best[i], best[i - 1]);
    };
    if (now.spot.sheet >= 0) keep(now.spot, now.cost);
    for (int k = 0; k < far + near && best[0].cost > 0; ++k) {
        const bool instead = k < near && before >= 0 && job_.ways[piece].empty() && k % 2;
        CrowdSpot spot = instead    ? in_place_of(piece, about, before, random)
                         : k < near ? nearby(piece, about, random)
                                    : anywhere(piece, random);
        const float cost = cost_of(piece, spot, best.back().cost);
        keep(spot, cost);
    }
    const auto size = static_cast<float>(job_.claims[piece].diameter());
    Trial out = now;
    for (const Trial& t : best) {
        if (t.cost == nowhere) continue;
        const Trial lower = downhill(piece, t, random, 0.1F * size, 0.01F * size);
        if (lower.cost < out.cost) out = lower;
        if (out.cost <= 0) return out;
    }
    if (out.spot.sheet < 0) return out;
    return downhill(piece, out, random, 0.01F * size, 0.0005F * size);
}

bool Crowd::settle(int piece, CrowdSpot& spot, std::mt19937& random) const {
    const float cost = cost_of(piece, spot, nowhere);
    if (cost <= 0) return true;
    if (cost == nowhere) return false;
    const Trial found = downhill(piece, {spot, cost}, random, settling_step, 0.01F);
    spot = found.spot;
    return found.cost <= 0;
}

void Crowd::put_at(int piece, const CrowdSpot& spot) {
    take_off(piece);
    spots_[piece] = spot;
    on_[spot.sheet].push_back(piece);
    turned_[piece] = turned_to(piece, spot);
    box_[piece] = moved(turned_[piece].claim.box, spot.x, spot.y);
    measure(piece);
}

void Crowd::take_off(int piece) {
    if (spots_[piece].sheet < 0) return;
    std::erase(on_[spots_[piece].sheet], piece);
    spots_[piece].sheet = -1;
    for (int other = 0; other < count_; ++other)
        overlap_[pair(piece, other)] = overlap_[pair(other, piece)] = 0;
    outside_[piece] = 0;
}

void Crowd::measure(int piece) {
    const CrowdSpot& at = spots_[piece];
    for (int other : on_[at.sheet]) {
        if (other == piece || !box_[piece].meets(box_[other], 0, 0)) continue;
        const float o =
            overlap(turned_[piece], turned_[other], spots_[other].x - at.x, spots_[other].y - at.y);
        overlap_[pair(piece, other)] = overlap_[pair(other, piece)] = o;
    }
    for (const TurnedClaim& o : job_.sheets[at.sheet].obstacles)
        outside_[piece] += overlap_with_obstacle(turned_[piece], o, -at.x, -at.y, job_.grown);
}

float Crowd::overlap_of(int piece) const {
    float sum = outside_[piece];
    const float* o = &overlap_[pair(piece, 0)];
    for (int other = 0; other < count_; ++other) sum += o[other];
    return sum;
}

float Crowd::weighted(int piece) const {
    float sum = outside_[piece] * outside_weight_[piece];
    const float* o = &overlap_[pair(piece, 0)];
    const float* w = &weight_[pair(piece, 0)];
    for (int other = 0; other < count_; ++other) sum += o[other] * w[other];
    return sum;
}

void Crowd::put(int piece, std::mt19937& random, int samples, const CrowdSpot& freed, int before) {
    const int near = freed.sheet < 0 ? 0 : samples / 2;
    const Trial found = search(piece, random, samples - near, near, freed, {{}, nowhere}, before);
    if (found.spot.sheet >= 0) put_at(piece, found.spot);
}

float Crowd::overlap_at(const std::vector<int>& pieces) const {
    float sum = 0;
    for (int p : pieces) {
        sum += outside_[p];
        for (int other = 0; other < count_; ++other) sum += overlap_[pair(p, other)];
    }
    return sum;
}

void Crowd::raise_weights() {
    float most = 0;
    for (float o : overlap_) most = std::max(most, o);
    for (float o : outside_) most = std::max(most, o);
    if (most <= 0) return;
    const auto next = [&](float o, float w) {
        return o > 0 ? w * (raise_least + (raise_most - raise_least) * o / most) : std::max(1.F, w * calm);
    };
    for (std::size_t k = 0; k < overlap_.size(); ++k)
        if (overlap_[k] > 0 || weight_[k] > 1) weight_[k] = next(overlap_[k], weight_[k]);
    for (int i = 0; i < count_; ++i) outside_weight_[i] = next(outside_[i], outside_weight_[i]);
}

/// Takes off pieces, those first that overlap most for their size, until none overlap, if they are together
/// smaller than `spare`.
bool Crowd::take_off_the_crowded(double spare) {
    std::vector<float> own(spots_.size(), 0);
    for (int i = 0; i < count_; ++i) {
        own[i] = overlap_of(i);
    }
    std::vector<int> off;
    while (true) {
        int worst = -1;
        for (int i = 0; i < count_; ++i)
            if (own[i] > 1e-4F && (worst < 0 || own[i] * job_.value[worst] > own[worst] * job_.value[i]))
                worst = i;
        if (worst < 0) break;
        spare -= job_.value[worst];
        if (spare <= 0) return false;
        off.push_back(worst);
        own[worst] = 0;
        for (int other = 0; other < count_; ++other)
            if (own[other] > 0) own[other] -= overlap_[pair(worst, other)];
    }
    for (int i : off) take_off(i);
    return true;
}

bool Crowd::separate(std::mt19937& random, int patience, double spare, const StopToken& stop) {
    std::fill(weight_.begin(), weight_.end(), 1.F);
    std::fill(outside_weight_.begin(), outside_weight_.end(), 1.F);
    float best = nowhere;
    std::vector<int> crowded;
    for (int stale = 0; stale < patience;) {
        crowded.clear();
        float total = 0;
        for (int i = 0; i < count_; ++i) {
            if (spots_[i].sheet < 0) continue;
            const float own = overlap_of(i);
            total += own;
            if (own > 0) crowded.push_back(i);
        }
        if (crowded.empty()) return true;
        if (stopped(stop)) return false;
        if (stale > 2 && take_off_the_crowded(spare)) return true;
        if (total < 0.98F * best) {
            best = total;
            stale = 0;
        } else {
            ++stale;
        }
        std::shuffle(crowded.begin(), crowded.end(), random);
        for (int i : crowded) {
            const float now = weighted(i);
            if (now <= 0) continue;
            const Trial found = search(i, random, far_samples, near_samples, spots_[i], {spots_[i], now});
            if (found.cost < now) put_at(i, found.spot);
        }
        raise_weights();
    }
    return false;
}

} // namespace zesty
