#pragma once
#include <QString>
#include <QWidget>
#include <functional>

namespace rivlen {

/// Adds a window-wide shortcut.
void addShortcut(QWidget* window, const char* keys, std::function<void()> action);

/// The sheet of all shortcuts, as rich text.
QString shortcutSheet();

}  // namespace rivlen
