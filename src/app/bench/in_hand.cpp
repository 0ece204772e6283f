#include "app/bench/in_hand.h"

namespace zesty {

int InHand::cut(const Project& project) const {
    const auto& cuts = project.set_out.cuts;
    for (std::size_t i = 0; i < cuts.size(); ++i)
        if (cuts[i].id == cut_id_) return static_cast<int>(i);
    return static_cast<int>(cuts.size()) - 1;
}

PlacedCut* InHand::placed(Project& project) const {
    const int i = cut(project);
    return i < 0 ? nullptr : &project.set_out.cuts[static_cast<std::size_t>(i)];
}

int InHand::photo(const Project& project) const {
    return photo_ < static_cast<int>(project.set_out.photos.size()) ? photo_ : -1;
}

void InHand::take_cut(int id) {
    if (id == cut_id_ && photo_ < 0) return;
    cut_id_ = id;
    photo_ = -1;
    emit changed();
}

void InHand::take_photo(int photo) {
    if (photo == photo_) return;
    photo_ = photo;
    emit changed();
}

void InHand::take_next(const Project& project) {
    const int cuts = static_cast<int>(project.set_out.cuts.size());
    const int photos = static_cast<int>(project.set_out.photos.size());
    if (cuts + photos == 0) return;
    const int now = photo(project) >= 0 ? cuts + photo(project) : cut(project);
    const int next = (now + 1) % (cuts + photos);
    if (next < cuts)
        take_cut(project.set_out.cuts[static_cast<std::size_t>(next)].id);
    else
        take_photo(next - cuts);
}

} // namespace zesty
