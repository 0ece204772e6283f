#pragma once

namespace zesty {

/// Makes the shipped typeface (Lato, with figures of one width) known to Qt. Needs a QGuiApplication; calling
/// it again does nothing.
void load_fonts();

} // namespace zesty
