#include "core/project/set_aside.h"

#include <algorithm>

namespace zesty {

namespace {

std::string reason_of(const Finding& finding) {
    return std::string(key_of(finding.code)) + ": " + finding.title + ". " + finding.message;
}

} // namespace

void set_aside(Project& project, const Finding& finding) {
    const std::string reason = reason_of(finding);
    const auto at = std::lower_bound(project.set_aside.begin(), project.set_aside.end(), reason);
    if (at == project.set_aside.end() || *at != reason) project.set_aside.insert(at, reason);
}

void ask_again(Project& project) {
    project.set_aside.clear();
}

void part_set_aside(const Project& project, Plan& plan) {
    if (project.set_aside.empty()) return;
    const auto meant = [&](const Finding& f) {
        return std::binary_search(project.set_aside.begin(), project.set_aside.end(), reason_of(f));
    };
    for (const Finding& f : plan.findings)
        if (meant(f) && std::find(plan.set_aside.begin(), plan.set_aside.end(), f) == plan.set_aside.end())
            plan.set_aside.push_back(f);
    std::erase_if(plan.findings, meant);
}

} // namespace zesty
