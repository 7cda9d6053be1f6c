#pragma once
#include <QString>
#include <QtGlobal>
#include <string>

namespace rivlen {

/// A text of the interface in the language of the window. The English text is its key.
inline QString say(const char* english) { return qtTrId(english); }

/// A sentence or a word that comes from the core, which speaks English, in the language of the window: as it is, or by
/// a pattern of translations/core.txt with values in it. What stands in quotation marks there (names, files) stays as
/// it is; what does not may be such a sentence again. What is not known stays English.
QString said(const QString& english);
inline QString said(const std::string& english) { return said(QString::fromStdString(english)); }
inline QString said(const char* english) { return said(QString::fromUtf8(english)); }

/// A title in the middle of a sentence, where English writes it small.
QString within(const QString& title);

}  // namespace rivlen
