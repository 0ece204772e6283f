#include "core/stash/taking.h"

#include "core/sentences.h"
#include "core/stash/same_thing.h"
#include "core/stash/sharing.h"
#include "core/stash/sheet_changes.h"

#include <algorithm>

namespace zesty {

namespace {

bool lacks(const Paper& before, const Paper& after, const Paper& now) {
    return takes_more_than_is_there(sheet_changes(before.sheets, after.sheets), now.sheets);
}

bool lacks(const Embellishment& before, const Embellishment& after, const Embellishment& now) {
    return after.count < before.count && now.count < before.count - after.count;
}

bool lacks(const LetterSet& before, const LetterSet& after, const LetterSet& now) {
    return std::any_of(after.letters.begin(), after.letters.end(), [&](const auto& letter) {
        const auto was = before.letters.find(letter.first);
        const auto there = now.letters.find(letter.first);
        if (was == before.letters.end() || there == now.letters.end()) return false;
        const int taken = was->second.count - letter.second.count;
        return taken > 0 && there->second.count < taken;
    });
}

template <class Thing>
void note_lacking(const Stash& before, const Stash& after, const Stash& now, std::vector<Thing> Stash::*of,
                  std::vector<std::string>& names) {
    for (const Thing& fresh : after.*of) {
        const int was = find_thing(before.*of, fresh);
        const int there = find_thing(now.*of, fresh);
        if (was < 0 || there < 0) continue;
        const Thing& stands = (now.*of)[static_cast<std::size_t>(there)];
        if (lacks((before.*of)[static_cast<std::size_t>(was)], fresh, stands)) names.push_back(stands.name);
    }
}

} // namespace

Result<Stash> taken_over(const Stash& before, const Stash& after, const Stash& now) {
    std::vector<std::string> lacking;
    note_lacking(before, after, now, &Stash::papers, lacking);
    note_lacking(before, after, now, &Stash::embellishments, lacking);
    note_lacking(before, after, now, &Stash::letters, lacking);
    if (!lacking.empty())
        return fail(ErrorKind::ChangedOutside,
                    "of " + in_a_row(lacking) +
                        " something has been used for another page since, so nothing was done: put that page "
                        "back first, or go on with what is there now");
    return carried_over(before, after, now);
}

} // namespace zesty
