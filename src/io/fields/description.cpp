#include "io/fields/description.h"

namespace zesty {

void Reader::complain(const std::string& key) {
    Reader* top = root();
    if (top->error_) return;
    std::string place = path_ + (value_of_list_ ? "" : key);
    while (place.ends_with('.')) place.pop_back();
    top->error_ =
        Error{ErrorKind::BadInput, what_ + ": \"" + place + "\" in project.json is not what it should be"};
}

void Reader::spot(const char* key, std::optional<Spot>& value) {
    const auto* j = member(key);
    if (!j) return;
    const auto whole = [](const nlohmann::json& n, Limits limits) {
        return n.is_number_integer() && limits.hold(n.get<double>());
    };
    if (!j->is_array() || j->size() != 3 || !whole((*j)[0], spot_cut_limits) ||
        !whole((*j)[1], spot_opening_limits) || !whole((*j)[2], spot_part_limits))
        return complain(key);
    value = Spot((*j)[0].get<int>(), (*j)[1].get<int>() - 1, (*j)[2].get<int>());
}

void Reader::read_numbers(const nlohmann::json& list, const char* key, std::span<double* const> all,
                          Limits limits) {
    if (!list.is_array() || list.size() != all.size()) return complain(key);
    for (std::size_t i = 0; i < all.size(); ++i) read_number(list[i], key, *all[i], limits);
}

} // namespace zesty
