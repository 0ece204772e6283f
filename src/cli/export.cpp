#include "cli/commands.h"

namespace zesty::cli {

int run(const Export&) {
    return complain("not yet");
}

} // namespace zesty::cli
