#pragma once
#include <QColor>
#include <QFont>
#include <QString>

namespace rivlen::theme {

// The desk: dark, low glare, with the warm tint of paper.
inline const QColor ground{0x1d, 0x1b, 0x18}, raised{0x26, 0x23, 0x1f}, line{0x3a, 0x35, 0x2e};
inline const QColor ink{0xec, 0xe4, 0xd6}, quietInk{0xa7, 0x9d, 0x8c};
inline const QColor dialogue{0xe8, 0xb0, 0x4a}, music{0xb0, 0x7c, 0xc6}, ambience{0x5f, 0xa7, 0x9b},
    leftovers{0x8f, 0x87, 0x77};
inline const QColor good{0x8f, 0xb5, 0x73}, attention{0xe0, 0x7a, 0x4b};

/// Hue, letter and name of the stem with this index (0 dialogue, 1 music, 2 ambience).
QColor stemColor(int stem);
QString stemLetter(int stem);
QString stemName(int stem);

/// Loads the shipped fonts and applies palette and style sheet to the application.
void apply();
/// The interface font with tabular figures, in pixels.
QFont font(int pixels, int weight = QFont::Normal);

}  // namespace rivlen::theme
