#include "core/setout/unlike_photos.h"

#include "core/sentences.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>

namespace zesty {

namespace {

constexpr double light_apart = 18;    ///< L*
constexpr double colour_apart = 16;   ///< in a* and b* together
constexpr double strength_apart = 16; ///< chroma
constexpr double size_apart = 2;      ///< times as large, or as small
constexpr double of_a_kind = 0.5;     ///< share of that by which the others may differ among themselves

struct Looks {
    Lab mean;
    double strength = 0; ///< mean chroma
};

std::optional<Looks> looks_of(const Photo& photo) {
    if (!photo.picture) return {};
    Looks out;
    double sum = 0;
    const auto add = [&](Rgb colour, double share) {
        const Lab lab = to_lab(colour);
        out.mean = {out.mean.l + share * lab.l, out.mean.a + share * lab.a, out.mean.b + share * lab.b};
        out.strength += share * chroma_of(lab);
        sum += share;
    };
    for (const Rgb& one : photo.picture->cells) add(one, 1);
    if (photo.picture->cells.empty())
        for (const PaletteColour& c : photo.picture->palette) add(c.colour, c.share);
    if (sum <= 0) return {};
    out.mean = {out.mean.l / sum, out.mean.a / sum, out.mean.b / sum};
    out.strength /= sum;
    return out;
}

/// By how much one value differs from the mean of the others, where those differ little among themselves;
/// 0 otherwise.
double stands_out(const std::vector<double>& values, std::size_t one, double apart) {
    double mean = 0;
    for (std::size_t i = 0; i < values.size(); ++i)
        if (i != one) mean += values[i] / static_cast<double>(values.size() - 1);
    for (std::size_t i = 0; i < values.size(); ++i)
        if (i != one && std::abs(values[i] - mean) > of_a_kind * apart) return 0;
    const double by = values[one] - mean;
    return std::abs(by) > apart ? by : 0;
}

/// What the photos with a picture show: light, strength and tint of each.
class Compared {
public:
    explicit Compared(const std::vector<Photo>& photos) {
        for (std::size_t i = 0; i < photos.size(); ++i) {
            const Photo& p = photos[i];
            sizes_.push_back(std::log(p.width * (p.round ? p.width : p.height)));
            if (const auto looks = looks_of(p)) {
                seen_.push_back(i);
                light_.push_back(looks->mean.l);
                strength_.push_back(looks->strength);
                warm_.push_back(looks->mean.b);
                red_.push_back(looks->mean.a);
            }
        }
    }

    std::vector<std::string> reasons(std::size_t photo) const {
        std::vector<std::string> out;
        const auto at = std::find(seen_.begin(), seen_.end(), photo);
        if (at != seen_.end() && seen_.size() >= 3) {
            const auto k = static_cast<std::size_t>(at - seen_.begin());
            say(out, stands_out(light_, k, light_apart), "is darker", "is lighter");
            const double strength = stands_out(strength_, k, strength_apart);
            say(out, strength, "has paler colours", "has stronger colours");
            // Colours that are merely paler are no other tint.
            if (strength == 0) {
                say(out, stands_out(warm_, k, colour_apart), "is cooler", "is warmer");
                say(out, stands_out(red_, k, colour_apart), "is greener", "is redder");
            }
        }
        if (sizes_.size() >= 3)
            say(out, stands_out(sizes_, photo, std::log(size_apart)), "is much smaller", "is much larger");
        return out;
    }

private:
    static void say(std::vector<std::string>& out, double by, const char* less, const char* more) {
        if (by != 0) out.emplace_back(by < 0 ? less : more);
    }

    std::vector<std::size_t> seen_;
    std::vector<double> light_, strength_, warm_, red_, sizes_;
};

} // namespace

std::vector<Finding> unlike_photos(const std::vector<Photo>& photos) {
    std::vector<Finding> out;
    // Nobody stands out from one other; and pictures are not looked at for nothing while a size is dragged.
    if (photos.size() < 3) return out;
    const Compared compared(photos);
    for (std::size_t i = 0; i < photos.size(); ++i) {
        const auto reasons = compared.reasons(i);
        if (reasons.empty()) continue;
        out.push_back({.code = Code::UnlikePhoto,
                       .title = name_of(photos[i], i) + " " + in_a_row(reasons) + " than the others",
                       .message = "Between two that are alike it looks as if it were meant so.",
                       .where = photos[i].centre});
    }
    return out;
}

} // namespace zesty
