#include "core/cutfile/insert_labels.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

std::string letters(int n) {
    std::string out(1, static_cast<char>('A' + n % 26));
    return n < 26 ? out : letters(n / 26 - 1) + out;
}

} // namespace

std::string insert_label(int copy, int number) {
    return letters(copy) + std::to_string(number);
}

std::vector<InsertLabel> insert_labels(const CutFile& cut) {
    std::vector<InsertLabel> out;
    for (std::size_t p = 0; p < cut.pieces.size(); ++p) {
        if (cut.pieces[p].in_opening < 0) continue;
        InsertLabel label;
        label.piece = static_cast<int>(p);
        label.opening = cut.pieces[p].in_opening;
        const auto circle = largest_circle(cut.pieces[p].outline, cut.pieces[p].box.diagonal() * 0.01);
        label.in_piece = circle ? circle->centre : cut.pieces[p].box.centre();
        label.room = circle ? circle->radius : 0;
        out.push_back(label);
    }
    std::stable_sort(out.begin(), out.end(), [&](const InsertLabel& a, const InsertLabel& b) {
        return std::pair(cut.pieces[a.piece].layer, a.opening) <
               std::pair(cut.pieces[b.piece].layer, b.opening);
    });
    std::map<int, int> numbers; // layer -> last number
    std::map<int, int> copies;  // layer -> which of the cuts that have inserts
    for (InsertLabel& l : out) {
        const int layer = cut.pieces[l.piece].layer;
        l.copy = copies.try_emplace(layer, static_cast<int>(copies.size())).first->second;
        l.number = ++numbers[layer];
        l.label = insert_label(l.copy, l.number);
    }
    return out;
}

} // namespace zesty
