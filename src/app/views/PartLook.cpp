#include "app/views/PartLook.h"

#include <algorithm>

#include "app/widgets/Theme.h"
#include "core/separation/Parts.h"

namespace rivlen {

QColor partColor(const std::string& part) {
    const std::string stem = stemOfPart(part);
    const auto& parts = partsOf(stem);
    const auto place = std::find(parts.begin(), parts.end(), part) - parts.begin();
    // From light to dark around the stem's own hue.
    const int lightness = parts.size() < 2 ? 100 : int(150 - 60 * place / std::ptrdiff_t(parts.size() - 1));
    return theme::stemColor(stem == "music" ? 1 : 2).lighter(lightness);
}

QString partLetter(const std::string& part) {
    QString letters = QString::fromStdString(part.substr(0, 2));
    if (!letters.isEmpty()) letters[0] = letters[0].toUpper();
    return letters;
}

}  // namespace rivlen
