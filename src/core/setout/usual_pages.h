#pragma once
// Page formats people have. Millimetres.

#include <array>

namespace zesty {

struct UsualPage {
    const char* name;
    double width;
    double height;
};
inline constexpr std::array usual_pages{UsualPage{"12 x 12 in", 304.8, 304.8},
                                        UsualPage{"8 1/2 x 11 in", 215.9, 279.4},
                                        UsualPage{"6 x 12 in, insert", 152.4, 304.8},
                                        UsualPage{"8 x 8 in", 203.2, 203.2},
                                        UsualPage{"6 x 8 in", 152.4, 203.2},
                                        UsualPage{"4 x 8 in, notebook", 101.6, 203.2},
                                        UsualPage{"A4", 210, 297},
                                        UsualPage{"A5", 148, 210}};

} // namespace zesty
