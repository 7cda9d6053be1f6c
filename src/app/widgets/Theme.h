#pragma once
#include <QColor>
#include <QFont>
#include <QString>

namespace rivlen::theme {

/// How the window looks. It is chosen before the first widget is made and stays until Rivlen ends.
enum class Appearance {
    Desk,     ///< dark, low glare, with the warm tint of paper
    Paper,    ///< light, for bright rooms
    Contrast  ///< black and white with strong hues
};
inline constexpr int kAppearances = 3;
QString appearanceId(Appearance appearance);  ///< as it is kept: "desk", "paper", "contrast"
QString appearanceName(Appearance appearance);

/// Its colours; those of Desk as long as nothing else was applied.
inline QColor ground{0x1d, 0x1b, 0x18}, raised{0x26, 0x23, 0x1f}, line{0x3a, 0x35, 0x2e};
inline QColor ink{0xec, 0xe4, 0xd6}, quietInk{0xa7, 0x9d, 0x8c}, dim{0x6d, 0x66, 0x5a};
inline QColor dialogue{0xe8, 0xb0, 0x4a}, music{0xb0, 0x7c, 0xc6}, ambience{0x5f, 0xa7, 0x9b},
    leftovers{0x8f, 0x87, 0x77};
inline QColor good{0x8f, 0xb5, 0x73}, attention{0xe0, 0x7a, 0x4b};
inline QColor button{0x2f, 0x2b, 0x26}, hover{0x38, 0x33, 0x2c}, row{0x32, 0x2d, 0x27}, chosen{0x4a, 0x44, 0x3b};
inline QColor shade{0x6f, 0x67, 0x5a};  ///< of sound whose owner is not told: the whole recording, levels
inline QColor plain{0xb9, 0xae, 0x9b};  ///< what belongs to no stem
inline QColor well{0x14, 0x12, 0x10}, lane{0x18, 0x16, 0x13}, laneHere{0x22, 0x1f, 0x1b},
    laneHead{0x3a, 0x35, 0x2e};  ///< behind lanes
inline QColor earlier{0x6b, 0x7f, 0x8f}, later{0xb5, 0x7b, 0x62}, second{0x6f, 0xa8, 0xdc};

/// A style sheet or HTML in which colours stand by name: "color: @quiet".
QString sheet(const QString& text);
/// A colour by the name that it has in sheets.
QColor named(const QString& name);

/// A hue on its way to the ground: 100 is the hue itself, 300 a third of it.
QColor sunk(const QColor& hue, int per100);

/// Hue, letter and name of the stem with this index (0 dialogue, 1 music, 2 ambience).
QColor stemColor(int stem);
QString stemLetter(int stem);
QString stemName(int stem);

/// The one that the user chose last; $RIVLEN_APPEARANCE comes before it.
Appearance chosenAppearance();
void chooseAppearance(Appearance appearance);  ///< from the next start on
/// Loads the shipped fonts and applies palette and style sheet to the application.
void apply(Appearance appearance = Appearance::Desk);
/// The interface font with tabular figures, in pixels.
QFont font(int pixels, int weight = QFont::Normal);

}  // namespace rivlen::theme
