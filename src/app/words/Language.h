#pragma once
#include <QString>
#include <QStringList>

namespace rivlen::language {

/// The languages that there are, by ISO 639-1, English first.
QStringList all();
QString name(const QString& id);  ///< in itself: "Deutsch"

/// The one that the user chose last, else the machine's where it is one of them, else English; $RIVLEN_LANGUAGE comes
/// before all of it.
QString chosen();
void choose(const QString& id);  ///< from the next start on
/// Makes it the application's, with Qt's own words where they are installed. Before the first widget is made.
void apply(const QString& id);
bool isEnglish();

/// Where translations lie: beside the programs of a build, or installed.
QString folder();

}  // namespace rivlen::language
