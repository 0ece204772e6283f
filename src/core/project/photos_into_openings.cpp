#include "core/project/photos_into_openings.h"

#include "core/geometry/measure.h"
#include "core/on_two_threads.h"
#include "core/project/edits.h"
#include "core/sentences.h"
#include "core/setout/photo_fit.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace zesty {

namespace {

/// Openings that are looked at, the roomiest first: every way of filling them is tried.
constexpr std::size_t looked_at(std::size_t photos) {
    return photos <= 4 ? 24 : photos <= 6 ? 14 : 11;
}
constexpr std::size_t most_photos = 8; ///< more are a page of their own
constexpr double beside_costs = 4;     ///< against the logarithm of sizes
constexpr double spread_counts = 0.5;
constexpr double round_from = 0.97; ///< share of an opening that its largest circle fills

class Choosing {
public:
    Choosing(const Project& project, const Plan& plan, const std::vector<int>& photos,
             std::vector<int> openings)
        : project_(project), plan_(plan), photos_(photos), openings_(std::move(openings)) {
        for (const Bar& bar : plan.sections.cut->bars)
            if (bar.b != Bar::edge) beside_.insert({std::min(bar.a, bar.b), std::max(bar.a, bar.b)});
    }

    void measure(const IntoOpenings& how, const StopToken& stop) {
        const std::size_t n = openings_.size();
        fits_.assign(photos_.size() * n, std::nullopt);
        const double overlap = project_.set_out.usual.photo_overlap;
        const auto punches = how.punched ? project_.sections.backing.punches : std::vector<double>{};
        on_two_threads(n, [&](std::size_t o) {
            const Polygon opening =
                transformed(plan_.sections.cut->openings[openings_[o]].outline, plan_.set_out.whole.to_page);
            for (std::size_t p = 0; p < photos_.size() && !stopped(stop); ++p) {
                const Photo photo = shaped(project_.set_out.photos[photos_[p]], o);
                auto fit = photo.round ? largest_round_inside(opening, photo.width, overlap, punches)
                                       : largest_tucked(opening, photo.width, photo.height, overlap,
                                                        how.most_tilt_deg);
                if (fit && shows_faces(photo, fit->factor)) fits_[p * n + o] = *fit;
            }
        });
    }

    /// The photo that finds no opening at all, or -1.
    int homeless() const {
        for (std::size_t p = 0; p < photos_.size(); ++p)
            if (std::isinf(most_of(p))) return photos_[p];
        return -1;
    }

    std::vector<PhotoInOpening> best() {
        chosen_.assign(photos_.size(), -1);
        best_.clear();
        best_worth_ = -std::numeric_limits<double>::infinity();
        most_to_come_.assign(photos_.size(), 0);
        for (std::size_t p = 0; p < photos_.size(); ++p)
            for (std::size_t q = p; q < photos_.size(); ++q) most_to_come_[p] += most_of(q);
        choose(0, 0);
        std::vector<PhotoInOpening> out;
        for (std::size_t p = 0; p < best_.size(); ++p) {
            const std::size_t o = static_cast<std::size_t>(best_[p]);
            out.push_back(
                {photos_[p], openings_[o],
                 fitted(shaped(project_.set_out.photos[photos_[p]], o), *fits_[p * openings_.size() + o])});
        }
        return out;
    }

private:
    /// Trimmed to a circle for a round opening.
    Photo shaped(Photo photo, std::size_t o) const {
        const Opening& opening = plan_.sections.cut->openings[static_cast<std::size_t>(openings_[o])];
        const double r = opening.label.radius;
        if (photo.round || M_PI * r * r < round_from * opening.area) return photo;
        photo.round = true;
        photo.width = photo.height = std::min(photo.width, photo.height);
        return photo;
    }

    static bool shows_faces(const Photo& photo, double factor) {
        return std::all_of(photo.protected_parts.begin(), photo.protected_parts.end(),
                           [&](const Box& face) { return face.height() * factor >= least_face; });
    }

    Point middle(int o) const {
        return plan_.set_out.whole.to_page(
            plan_.sections.cut->openings[openings_[static_cast<std::size_t>(o)]].label.centre);
    }

    bool side_by_side(int a, int b) const {
        const int x = openings_[static_cast<std::size_t>(a)], y = openings_[static_cast<std::size_t>(b)];
        return beside_.contains({std::min(x, y), std::max(x, y)});
    }

    /// What choosing `o` adds, given those chosen before.
    double worth_of(std::size_t p, int o) const {
        double worth = std::log(fits_[p * openings_.size() + static_cast<std::size_t>(o)]->factor);
        const double far = std::max(1.0, project_.set_out.page.whole().diagonal());
        double nearest = far;
        for (std::size_t q = 0; q < p; ++q) {
            if (side_by_side(o, chosen_[q])) worth -= beside_costs;
            nearest = std::min(nearest, distance(middle(o), middle(chosen_[q])));
        }
        if (p > 0) worth += spread_counts * std::log(std::max(nearest, 1.0) / far);
        return worth;
    }

    /// Every way, cut short where the rest cannot make up for it.
    void choose(std::size_t p, double worth) {
        if (p == photos_.size()) {
            if (worth > best_worth_) {
                best_worth_ = worth;
                best_ = chosen_;
            }
            return;
        }
        if (worth + most_to_come_[p] <= best_worth_) return;
        for (std::size_t o = 0; o < openings_.size(); ++o) {
            if (!fits_[p * openings_.size() + o]) continue;
            const int opening = static_cast<int>(o);
            if (std::find(chosen_.begin(), chosen_.begin() + static_cast<std::ptrdiff_t>(p), opening) !=
                chosen_.begin() + static_cast<std::ptrdiff_t>(p))
                continue;
            chosen_[p] = opening;
            choose(p + 1, worth + worth_of(p, opening));
        }
    }

    double most_of(std::size_t p) const {
        double most = -std::numeric_limits<double>::infinity();
        for (std::size_t o = 0; o < openings_.size(); ++o)
            if (const auto& fit = fits_[p * openings_.size() + o])
                most = std::max(most, std::log(fit->factor));
        return most;
    }

    const Project& project_;
    const Plan& plan_;
    const std::vector<int>& photos_;
    std::vector<int> openings_;
    std::set<std::pair<int, int>> beside_;
    std::vector<std::optional<PhotoFit>> fits_; ///< by photo and opening
    std::vector<double> most_to_come_;          ///< by photo: of it and those after it
    std::vector<int> chosen_;
    std::vector<int> best_;
    double best_worth_ = 0;
};

/// The roomiest of those that may hold a photo.
std::vector<int> candidates(const Plan& plan, std::vector<int> openings, std::size_t photos) {
    const auto& all = plan.sections.cut->openings;
    if (openings.empty())
        for (std::size_t o = 0; o < all.size(); ++o)
            if (plan.sections.cut_of_opening[o] >= 0 && plan.sections.spots[o].part == 0 &&
                !is_piece(plan.sections.spots[o]))
                openings.push_back(static_cast<int>(o));
    std::stable_sort(openings.begin(), openings.end(),
                     [&](int a, int b) { return all[a].label.radius > all[b].label.radius; });
    if (openings.size() > looked_at(photos)) openings.resize(looked_at(photos));
    return openings;
}

} // namespace

Result<std::vector<PhotoInOpening>> photos_into_openings(const Project& project, const Plan& plan,
                                                         const std::vector<int>& photos,
                                                         std::vector<int> openings, const IntoOpenings& how,
                                                         const StopToken& stop) {
    if (!plan.sections.cut || photos.empty())
        return fail(ErrorKind::NothingToDo, "there are no photos, or no openings, to bring together");
    if (photos.size() > most_photos)
        return fail(ErrorKind::NothingToDo, "more than " + std::to_string(most_photos) +
                                                " photos at once; choose those that belong into openings");
    openings = candidates(plan, std::move(openings), photos.size());
    if (openings.size() < photos.size())
        return fail(ErrorKind::NothingToDo, count_of(photos.size(), "photo needs", "photos need") +
                                                " an opening each; " +
                                                there_are(openings.size(), "opening", "openings"));
    Choosing choosing(project, plan, photos, openings);
    choosing.measure(how, stop);
    if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
    if (const int photo = choosing.homeless(); photo >= 0)
        return fail(ErrorKind::NothingToDo, name_of(project.set_out.photos[static_cast<std::size_t>(photo)],
                                                    static_cast<std::size_t>(photo)) +
                                                " fits into none of them with its faces at least " +
                                                format_length(least_face, project.units) + " high" +
                                                (how.punched ? ", in a size you have a punch for" : ""));
    auto best = choosing.best();
    if (best.empty()) return fail(ErrorKind::NothingToDo, "two of the photos fit into the same opening only");
    return best;
}

void put_into_openings(Project& project, const Plan& plan, const std::vector<PhotoInOpening>& found) {
    for (const PhotoInOpening& one : found) {
        Photo& photo = project.set_out.photos[static_cast<std::size_t>(one.photo)];
        photo = one.fitted;
        photo.on_top = false;
        const auto o = static_cast<std::size_t>(one.opening);
        if (const int cut = plan.sections.cut_of_opening[o]; cut >= 0)
            project.set_out.cuts[static_cast<std::size_t>(cut)].above_photos = true;
        // Of a section of several only this opening shows the photo.
        const Spot spot = plan.sections.spots[o];
        ungroup(project, {spot});
        SectionChoice choice = project.sections.choice(spot);
        choice.treatment = Treatment::Open;
        project.sections.choose(spot, std::move(choice));
    }
}

} // namespace zesty
