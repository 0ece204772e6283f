#include "core/geometry/lengths.h"
#include "io/inspect_json.h"
#include "io/svg/svg_reader.h"

#include <nlohmann/json.hpp>
#include <iostream>

int main(int argc, char** argv) {
    using namespace zesty;
    if (argc < 2) return 2;
    const auto d = read_drawing(argv[1]);
    if (!d) { std::cerr << d.error().message << "\n"; return 2; }
    const auto c = read_cut(*d);
    if (!c) { std::cerr << c.error().message << "\n"; return 2; }
    std::cout << inspect_json(*c, 1).dump() << "\n";
}
