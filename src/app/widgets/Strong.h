#pragma once
#include <QString>

namespace rivlen {

/// Rich text whose <b> is the heaviest weight of the font that ships, semi-bold: a bold one Qt would make up by
/// smearing it.
inline QString strong(QString html) { return html.replace("<b>", "<b style='font-weight:600'>"); }

}  // namespace rivlen
