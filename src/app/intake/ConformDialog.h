#pragma once
#include <QString>
#include <QWidget>

#include "app/document/Document.h"

namespace rivlen {

/// Compares a newer version of a reel's recording with it in the background, shows what was found and lays it in with
/// the settings following. Not modal; closes itself.
void openConformDialog(Document& document, Work& work, const std::string& reelId, const QString& file, QWidget* parent);

}  // namespace rivlen
