#pragma once
// Which tone or colour a place of the page wants, when colours drift.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

class Tones {
public:
    /// The project's stash must outlive this.
    Tones(const Project& project, const Plan& plan);

    /// 0 at the light end of the page, 1 at the dark end.
    double tone_at(Point on_page) const;
    /// The colour wanted there; nothing where only the tone counts.
    std::optional<Lab> colour_at(Point on_page) const;

private:
    double along(Point on_page) const;

    const Project& project_;
    Box around_; ///< of all sections: a small cut on a large page drifts over itself
    std::vector<Rgb> background_;
};

} // namespace zesty
