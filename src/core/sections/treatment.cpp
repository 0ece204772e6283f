#include "core/sections/treatment.h"

#include <array>

namespace zesty {

namespace {

struct Words {
    const char* key;
    const char* name;
};

constexpr std::array<Words, treatments> of_treatments{{{"paper", "paper"},
                                                       {"open", "left open"},
                                                       {"inlay", "inlay"},
                                                       {"translucent", "translucent"},
                                                       {"shaker", "shaker"},
                                                       {"photo", "photo"},
                                                       {"words", "words"},
                                                       {"cut-from", "cut from paper"}}};

constexpr std::array<Words, schools> of_schools{{{"machine", "machine patches"},
                                                 {"trace", "trace and trim"},
                                                 {"glue", "glue and trim"},
                                                 {"enlarged", "enlarged copy"},
                                                 {"inlay", "inlay"},
                                                 {"punches", "punches"},
                                                 {"one-sheet", "one sheet"},
                                                 {"cut-from", "cut from paper"}}};

template <class Enum, std::size_t N>
std::optional<Enum> named(const std::array<Words, N>& words, const std::string& key) {
    for (std::size_t i = 0; i < N; ++i)
        if (key == words[i].key) return static_cast<Enum>(i);
    return {};
}

} // namespace

bool takes_paper(Treatment treatment) {
    return treatment != Treatment::Open && treatment != Treatment::Photo;
}

const char* key_of(Treatment treatment) {
    return of_treatments[static_cast<std::size_t>(treatment)].key;
}
const char* key_of(School school) {
    return of_schools[static_cast<std::size_t>(school)].key;
}
const char* key_of(LipMode lips) {
    return lips == LipMode::Meet ? "meet" : "overlap";
}
std::optional<LipMode> lips_named(const std::string& key) {
    for (const LipMode lips : {LipMode::Meet, LipMode::Overlap})
        if (key == key_of(lips)) return lips;
    return {};
}
std::optional<Treatment> treatment_named(const std::string& key) {
    return named<Treatment>(of_treatments, key);
}
std::optional<School> school_named(const std::string& key) {
    return named<School>(of_schools, key);
}
const char* name_of(Treatment treatment) {
    return of_treatments[static_cast<std::size_t>(treatment)].name;
}
const char* name_of(School school) {
    return of_schools[static_cast<std::size_t>(school)].name;
}

} // namespace zesty
