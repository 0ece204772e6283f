// What mats and other papers of Dress give cause to say.

#include "core/dress/dress.h"
#include "core/dress/fixes.h"
#include "core/geometry/boolean.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double hardly_seen = 0.15;       ///< share of a border
constexpr double readable_share = 0.25;    ///< of a pattern's repeat
constexpr double borders_compete = 0.25;   ///< of a photo's short side
constexpr double worth_saying = 50.0 * 50; ///< mm2 that gutting saves

class MatFindings {
public:
    MatFindings(const DressNow& now, const DressFacts& facts) : now_(now), facts_(facts) {}

    std::vector<Finding> all() {
        for (const MatFacts& m : facts_.mats) {
            hidden(m);
            narrow(m);
        }
        for (std::size_t i = 0; i < now_.page.photos.size(); ++i)
            if (!now_.page.photos[i].mats.empty()) {
                competing(i);
                larger_than_cut(i);
            }
        gutting();
        without_sheet();
        return std::move(out_);
    }

private:
    const Photo& photo(int i) const { return now_.page.photos[static_cast<std::size_t>(i)]; }
    const PhotoMat& mat(const MatFacts& m) const {
        return photo(m.photo).mats[static_cast<std::size_t>(m.mat)];
    }
    std::string name(const MatFacts& m) const {
        return name_of_mat(photo(m.photo), static_cast<std::size_t>(m.photo),
                           static_cast<std::size_t>(m.mat));
    }
    std::string long_area(double mm2) const { return format_area(mm2, now_.units); }

    void hidden(const MatFacts& m) {
        if (m.border_seen >= hardly_seen) return;
        out_.push_back({.code = Code::MatHidden,
                        .title = name(m) + " is hardly seen",
                        .message = "Only " + percent(m.border_seen) +
                                   " of its border is seen; leaving it out saves " + long_area(m.area) +
                                   " of paper.",
                        .where = photo(m.photo).centre,
                        .fixes = {{"Leave this photo mat out", RemoveMat{m.photo, m.mat}}}});
    }

    void narrow(const MatFacts& m) {
        const int paper = mat(m).paper.empty() ? -1 : now_.stash.find(mat(m).paper);
        if (paper < 0) return;
        const Paper& of = now_.stash.papers[static_cast<std::size_t>(paper)];
        const double repeat = of.face(mat(m).side).repeat;
        const double wanted = repeat * readable_share;
        if (repeat <= 0 || mat(m).border >= wanted - 1e-6) return;
        Finding f{.code = Code::MatTooNarrow,
                  .title = name(m) + " is too narrow for its pattern",
                  .message = of.name + " repeats every " + format_length(repeat, now_.units) +
                             "; from a border of " + format_length(wanted, now_.units) +
                             " on it can be read.",
                  .where = photo(m.photo).centre};
        std::vector<double> borders = borders_of(photo(m.photo));
        borders[static_cast<std::size_t>(m.mat)] = in_sixteenths(wanted);
        if (!compete(photo(m.photo), borders))
            f.fixes.push_back({"A border of " + format_length(in_sixteenths(wanted), now_.units),
                               SetMatBorders{m.photo, borders}});
        out_.push_back(std::move(f));
    }

    static double in_sixteenths(double mm) {
        constexpr double step = mm_per_inch / 16;
        return std::ceil(mm / step - 1e-9) * step;
    }
    static double down_to_sixteenths(double mm) {
        constexpr double step = mm_per_inch / 16;
        return std::floor(mm / step + 1e-9) * step;
    }
    static double short_side(const Photo& p) { return p.round ? p.width : std::min(p.width, p.height); }
    static std::vector<double> borders_of(const Photo& p) {
        std::vector<double> out;
        for (const PhotoMat& m : p.mats) out.push_back(m.border);
        return out;
    }
    /// Each so many times as wide, in sixteenths; empty where one of them would be none.
    static std::vector<double> narrowed(std::vector<double> borders, double factor) {
        for (double& b : borders) b = down_to_sixteenths(b * factor);
        if (std::any_of(borders.begin(), borders.end(), [](double b) { return b <= 0; })) borders.clear();
        return borders;
    }
    static bool compete(const Photo& p, const std::vector<double>& borders) {
        double sum = 0;
        for (const double b : borders) sum += b;
        return sum > borders_compete * short_side(p) + 1e-6;
    }

    void competing(std::size_t i) {
        const Photo& p = now_.page.photos[i];
        const std::vector<double> borders = borders_of(p);
        if (!compete(p, borders)) return;
        double sum = 0;
        for (const double b : borders) sum += b;
        Finding f{.code = Code::MatsCompete,
                  .title = "The photo mats of " + name_of(p, i) + " compete with it",
                  .message = "Their borders are " + format_length(sum, now_.units) + " together; up to " +
                             format_length(borders_compete * short_side(p), now_.units) +
                             ", a quarter of its short side, the photo stays the strongest.",
                  .where = p.centre};
        const auto narrower = narrowed(borders, borders_compete * short_side(p) / sum);
        if (!narrower.empty())
            f.fixes.push_back({"Narrower borders", SetMatBorders{static_cast<int>(i), narrower}});
        out_.push_back(std::move(f));
    }

    void larger_than_cut(std::size_t i) {
        if (!now_.sections.cut || now_.page.cuts.empty()) return;
        const Polygon whole = matted_outline(now_.page.photos[i]);
        if (area(whole) <= now_.whole.cut_box.area()) return;
        Region material;
        for (const Piece& p : now_.sections.cut->pieces)
            material.push_back(transformed(p.outline, now_.whole.to_page));
        const auto hidden = intersect(material, {whole});
        const double all = area(material);
        Finding f{.code = Code::MatLargerThanCut,
                  .title = name_of(now_.page.photos[i], i) + " with its photo mats is larger than the cut",
                  .message = percent(hidden && all > 0 ? area(*hidden) / all : 0) +
                             " of the cut lies where it lies; a smaller photo mat leaves more of it.",
                  .where = now_.page.photos[i].centre};
        for (const double share : {0.75, 0.5, 0.25}) {
            const auto borders = narrowed(borders_of(now_.page.photos[i]), share);
            Photo narrower = now_.page.photos[i];
            for (std::size_t m = 0; m < borders.size(); ++m) narrower.mats[m].border = borders[m];
            if (borders.empty() || area(matted_outline(narrower)) > now_.whole.cut_box.area()) continue;
            f.fixes = {{"Narrower borders", SetMatBorders{static_cast<int>(i), borders}}};
            break;
        }
        if (f.fixes.empty()) f.message += " Narrower borders alone do not help: make the photo smaller.";
        out_.push_back(std::move(f));
    }

    void gutting() {
        double saved = 0;
        int mats = 0;
        for (std::size_t i = 0; i < now_.page.photos.size(); ++i)
            for (std::size_t m = 0; m < now_.page.photos[i].mats.size(); ++m) {
                Photo gutted = now_.page.photos[i];
                if (gutted.mats[m].gut || gutted.mats[m].see_through || gutted.mats[m].paper.empty())
                    continue;
                gutted.mats[m].gut = true;
                const Polygon blank = blank_of_mat(gutted, m, now_.page.page.glue_lip);
                if (blank.holes.empty()) continue;
                saved += area({blank.holes.front(), {}});
                ++mats;
            }
        if (saved < worth_saying) return;
        out_.push_back(
            {.code = Code::GutMat,
             .title = "Photo mats can be gutted",
             .message = "The hidden middle of " +
                        count_of(static_cast<std::size_t>(mats), "photo mat is ", "photo mats is ") +
                        long_area(saved) + " of paper, which can be used where it is seen.",
             .fixes = {{"Gut them under the photo", GutMats{}}}});
    }

    void without_sheet() {
        for (std::size_t i = 0; i < facts_.pieces.size(); ++i) {
            const DressPiece& piece = facts_.pieces[i];
            if (piece.placed || piece.paper.empty()) continue;
            const int paper = now_.stash.find(piece.paper);
            const Box b = bounds(piece.outline);
            Finding f{.code = Code::MatPaper,
                      .title = "No paper for " + piece.what,
                      .message = "No sheet of " +
                                 (paper < 0 ? piece.paper
                                            : now_.stash.papers[static_cast<std::size_t>(paper)].name) +
                                 " has " + format_size(b.width(), b.height(), now_.units) +
                                 " left, which is what it takes."};
            f.about = static_cast<int>(i);
            out_.push_back(std::move(f));
        }
    }

    const DressNow& now_;
    const DressFacts& facts_;
    std::vector<Finding> out_;
};

} // namespace

std::vector<Finding> mat_findings(const DressNow& now, const DressFacts& facts) {
    return MatFindings(now, facts).all();
}

} // namespace zesty
