#pragma once
#include <QColor>
#include <QString>
#include <string>

namespace rivlen {

/// How a part of a stem (core/separation/Parts.h) is shown: a shade of the stem's hue, and two letters.
QColor partColor(const std::string& part);
QString partLetter(const std::string& part);

}  // namespace rivlen
