#pragma once
#include <QFileDialog>
#include <QSettings>

namespace rivlen {

/// Asks for a folder, beginning with the one that was chosen last for the same purpose, else with the one given: Return
/// takes it. Empty: the user thought better of it.
inline QString askFolder(QWidget* parent, const QString& title, const QString& purpose, const QString& otherwise = {}) {
    const QString key = "folders/" + purpose, last = QSettings().value(key).toString();
    const QString chosen = QFileDialog::getExistingDirectory(parent, title, QFileInfo(last).isDir() ? last : otherwise);
    if (!chosen.isEmpty()) QSettings().setValue(key, chosen);
    return chosen;
}

}  // namespace rivlen
