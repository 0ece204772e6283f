#pragma once
// An imaginary table on which the work of an evening is done, step by step: it knows what paper, glue and
// paint allow, and nothing of how steps are put together.

#include "core/build/progress.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <map>
#include <set>
#include <string>
#include <vector>

namespace zesty::testing {

class Table {
public:
    /// With the stock, photos, letters and embellishments that there are.
    Table(const Project& project, const Plan& plan);

    /// Does it at its time, or says in a sentence why that cannot be done; everything wrong with it is said.
    void play(const BuildStep& step, double start);
    /// What is missing on the page that lies there in the end, or is too much.
    void look_at_the_page();

    const std::vector<std::string>& violations() const { return violations_; }

private:
    struct Thing {
        double from = -1e9; ///< when it is there
        double wet_until = -1e9;
        bool fixed = false;
        int place = -1;           ///< when it was fixed, among everything that was
        bool loaded_away = false; ///< what it was cut from is not whole any more
    };
    void refuse(const BuildStep& step, const std::string& why);
    Thing* there(const BuildStep& step, const std::string& name, double start);
    void know(const std::string& name) { things_.try_emplace(name); }
    void check_makes(const BuildStep& step, const std::string& name, double start);
    void check_patch(const BuildStep& step, int patch);
    void lay_on(const BuildStep& step, double start, const std::set<std::string>& fixes);
    void look_at_shakers(const BuildStep& step, const std::set<std::string>& fixes);
    void fix(const BuildStep& step, const std::string& name, double end);
    bool is_fixed(const std::string& name) const;
    bool is_wet(const std::string& name, double at) const;
    bool has_round_it(int opening) const;

    const Project& project_;
    const Plan& plan_;
    std::map<std::string, Thing> things_;
    std::set<std::string> wanted_;                             ///< on the page in the end
    std::vector<std::pair<std::string, std::string>> lies_on_; ///< above, below
    std::set<std::string> done_, filled_, framed_, worked_on_;
    std::set<std::string> trimmed_;
    std::map<std::string, double> dry_at_; ///< by key of the wet work
    int fixed_so_far_ = 0;
    std::vector<std::string> violations_;
};

/// Everything that goes wrong when the work of a page is done in the order and at the times of its timetable,
/// one sentence each. `ticked`: how many of the first steps are done already.
std::vector<std::string> played(const Project& project, const Plan& plan, std::size_t ticked = 0);

} // namespace zesty::testing
