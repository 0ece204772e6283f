#include "core/sections/treatment.h"

#include <array>

namespace zesty {

namespace {

constexpr std::array for_treatments{"paper",  "left open", "inlay", "translucent",
                                    "shaker", "photo",     "words", "cut from paper"};
constexpr std::array for_methods{"machine patches", "trace and trim", "glue and trim", "enlarged copy",
                                 "inlay",           "punches",        "one sheet",     "cut from paper"};
static_assert(for_treatments.size() == words_of<Treatment>.size() &&
              for_methods.size() == words_of<BackingMethod>.size());

} // namespace

bool takes_paper(Treatment treatment) {
    return treatment != Treatment::Open && treatment != Treatment::Photo;
}

const char* name_of(Treatment treatment) {
    return for_treatments[static_cast<std::size_t>(treatment)];
}
const char* name_of(BackingMethod method) {
    return for_methods[static_cast<std::size_t>(method)];
}

} // namespace zesty
