#pragma once
// How a pattern that runs at an angle on its sheet comes to run on the page.

#include "core/stash/stash.h"

namespace zesty {

/// How the pattern of a side runs, degrees; only stripes have a way of their own.
inline double print_angle(const PaperFace& face) {
    return face.pattern == Pattern::Stripe ? face.angle_deg : 0;
}

/// The patch's turn on the sheet, degrees, that gives the pattern the slant on the page.
inline double turn_for_slant(const PaperFace& face, Side side, double slant_deg) {
    return side == Side::A ? print_angle(face) - slant_deg : slant_deg - print_angle(face);
}

/// The slant on the page that such a turn gives.
inline double slant_of_turn(const PaperFace& face, Side side, double turn_deg) {
    return side == Side::A ? print_angle(face) - turn_deg : print_angle(face) + turn_deg;
}

} // namespace zesty
