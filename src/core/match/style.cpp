#include "core/match/style.h"

namespace zesty {

const char* key_of(ToneMap map) {
    return map == ToneMap::Gradient ? "gradient" : map == ToneMap::Zones ? "zones" : "background";
}

const char* key_of(PaperRole role) {
    return role == PaperRole::UseUp ? "use-up" : role == PaperRole::Spare ? "spare" : "tie";
}

} // namespace zesty
