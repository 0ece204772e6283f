#pragma once
// Decisions that settle findings and concern more than one stage.

#include "core/project/edits.h"

namespace zesty {

struct GivePaper {
    Spot section;
    std::string paper;
    Side side = Side::A;
    void operator()(Project& project) const { give_paper(project, {section}, paper, side); }
    bool operator==(const GivePaper&) const = default;
};

} // namespace zesty
