#pragma once
// What a cutting machine is told about what lies on its mat.

#include "core/limits.h"

#include <array>
#include <string>
#include <string_view>

namespace zesty {

struct Material {
    const char* id;
    const char* name;
    double speed;      ///< mm a second with the blade down
    int force;         ///< g
    double finest_bar; ///< mm that still hold together
};

/// Usual ones. The machine's own list and its maker's instructions come first.
inline constexpr std::array usual_materials{
    Material{"vellum", "vellum", 30, 60, 1.0},        Material{"patterned", "patterned paper", 25, 90, 0.8},
    Material{"cardstock", "cardstock", 20, 140, 0.8}, Material{"heavy", "heavy cardstock", 12, 210, 1.2},
    Material{"acetate", "acetate", 15, 180, 1.5},
};

/// Null for one that is not on the list.
inline const Material* material(std::string_view id) {
    for (const Material& m : usual_materials)
        if (id == m.id) return &m;
    return nullptr;
}

} // namespace zesty
