#include "support/footprints.h"

#include "core/dress/layers.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"

#include <algorithm>

namespace zesty::testing {

std::string patch_name(const Patch& patch) {
    return "p" + std::to_string(patch.opening + 1);
}

namespace {

class Footprints {
public:
    Footprints(const Project& project, const Plan& plan) : project_(project), plan_(plan) {}

    /// Lowest first.
    std::vector<Footprint> all() {
        patches([&](const Patch& p) { return plan_.sections.cut_of_opening[at(p)] < 0; });
        layers(LayerPlace::UnderCuts);
        cuts(false);
        photos(false);
        cuts(true);
        layers(LayerPlace::UnderPhotos);
        photos(true);
        layers(LayerPlace::OnTop);
        for (std::size_t i = 0; i < project_.dress.embellishments.size(); ++i)
            if (plan_.dress.embellishments[i].known)
                put("embellishment:" + std::to_string(i + 1), {plan_.dress.embellishments[i].outline});
        for (std::size_t t = 0; t < plan_.dress.titles.size(); ++t) {
            Region letters;
            for (const TitleLetter& l : plan_.dress.titles[t].letters)
                if (!l.missing) letters.push_back(l.box);
            if (!letters.empty()) put("letters:" + std::to_string(t + 1), letters);
        }
        return std::move(out_);
    }

private:
    static std::size_t at(const Patch& p) { return static_cast<std::size_t>(p.opening); }
    void put(std::string name, Region region) { out_.push_back({std::move(name), std::move(region)}); }

    template <class Which> void patches(Which which) {
        for (std::size_t p = 0; p < plan_.sections.patches.size(); ++p)
            if (plan_.sheets.placed[p].sheet >= 0 && which(plan_.sections.patches[p]))
                put(patch_name(plan_.sections.patches[p]), {plan_.sections.patches[p].outline});
    }

    static std::string numbered(const std::string& kind, const std::vector<std::string>& names,
                                std::size_t i) {
        const auto before =
            std::count(names.begin(), names.begin() + static_cast<std::ptrdiff_t>(i), names[i]);
        return kind + ":" + names[i] + (before > 0 ? "#" + std::to_string(before + 1) : "");
    }

    void layers(LayerPlace place) {
        std::vector<std::string> names;
        for (std::size_t i = 0; i < project_.dress.layers.size(); ++i)
            names.push_back(name_of(project_.dress.layers[i], i));
        for (std::size_t i = 0; i < names.size(); ++i) {
            const PaperLayer& layer = project_.dress.layers[i];
            const bool cut =
                std::any_of(plan_.dress.pieces.begin(), plan_.dress.pieces.end(), [&](const DressPiece& p) {
                    return p.layer == static_cast<int>(i) && (p.placed || p.paper.empty());
                });
            if (layer.place == place && cut)
                put(numbered("layer", names, i), {outline_of(layer, project_.set_out.page)});
        }
    }

    void photos(bool on_top) {
        std::vector<std::string> names;
        for (std::size_t i = 0; i < project_.set_out.photos.size(); ++i)
            names.push_back(name_of(project_.set_out.photos[i], i));
        for (std::size_t i = 0; i < names.size(); ++i)
            if (project_.set_out.photos[i].on_top == on_top)
                put(numbered("photo", names, i), {matted_outline(project_.set_out.photos[i])});
    }

    void cuts(bool above_photos) {
        if (!plan_.sections.cut) return;
        const Transform& to_page = plan_.set_out.whole.to_page;
        for (std::size_t c = 0; c < project_.set_out.cuts.size(); ++c) {
            const PlacedCut& cut = project_.set_out.cuts[c];
            if (cut.above_photos != above_photos) continue;
            if (cut.pieces_from_paper) {
                patches([&](const Patch& p) {
                    return plan_.sections.cut_of_opening[at(p)] == static_cast<int>(c) &&
                           plan_.sections.spots[at(p)].opening >= first_piece_spot;
                });
                continue;
            }
            Region material;
            for (const Piece& p : plan_.sections.cut->pieces)
                if (p.layer == static_cast<int>(c) && p.in_opening < 0)
                    material.push_back(transformed(p.outline, to_page));
            put("cut:" + std::to_string(cut.id), material);
        }
    }

    const Project& project_;
    const Plan& plan_;
    std::vector<Footprint> out_;
};

} // namespace

std::vector<Footprint> footprints_of(const Project& project, const Plan& plan) {
    return Footprints(project, plan).all();
}

} // namespace zesty::testing
