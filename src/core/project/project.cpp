#include "core/project/project.h"

#include "core/finding.h"

namespace zesty {

SetOutDecisions& set_out_in(Project& project) {
    return project.set_out;
}
SectionDecisions& sections_in(Project& project) {
    return project.sections;
}
MatchDecisions& match_in(Project& project) {
    return project.match;
}
SheetDecisions& sheets_in(Project& project) {
    return project.sheets;
}

} // namespace zesty
