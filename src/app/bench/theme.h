#pragma once
// The look: a tidy bench in daylight. Every colour, size and radius of the window is named here.

#include <QColor>
#include <QFont>
#include <QIcon>
#include <QString>

class QApplication;

namespace zesty::theme {

inline const QColor bench{0xEF, 0xE9, 0xDD};
inline const QColor bench_deep{0xE3, 0xDA, 0xC9};
inline const QColor paper{0xFB, 0xF8, 0xF1};
inline const QColor card{0xFF, 0xFE, 0xFB};
inline const QColor ink{0x26, 0x24, 0x2B};
inline const QColor quiet{0x6B, 0x66, 0x70};
inline const QColor line{0xD9, 0xD0, 0xC0};
inline const QColor zest{0xE8, 0x6A, 0x17};
inline const QColor zest_text{0xA9, 0x46, 0x08};
inline const QColor zest_wash{0xFB, 0xE6, 0xD3};
inline const QColor leaf{0x3E, 0x7C, 0x4F};
inline const QColor lemon{0xE0, 0xA8, 0x00};
inline const QColor berry{0xB0, 0x2A, 0x4B};
inline const QColor tape{0xF6, 0xE7, 0xB5};
inline const QColor tape_line{0xC9, 0xB0, 0x68};

inline constexpr int step = 8; ///< the spacing grid
inline constexpr int radius = 6;
/// Pixels of a picture that is painted once, to each of the window: for the sharpest of screens.
inline constexpr int fineness = 2;

/// How large letters are, as a factor of what is usual: said once, before the window is made.
void set_letters(double factor);
double letters();
inline constexpr double largest_letters = 1.5;
/// From here on the drawer leaves its room to the page, and its head goes on in a second row.
bool crowded();
/// A length beside letters, in pixels: as much larger as they are.
int px(int usual);
double px(double usual);

enum class Text { Small, Body, Title };
QFont font(Text size, bool strong = false);

/// Tints for sections, told apart by colour-blind people too; labels do the rest.
inline constexpr int section_tints = 8;
QColor section_tint(int section);

QIcon icon(const char* name, const QColor& colour = ink);

/// Fonts, palette and style sheet.
void apply(QApplication& application);

} // namespace zesty::theme
