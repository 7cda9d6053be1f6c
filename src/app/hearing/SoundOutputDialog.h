#pragma once
#include <QWidget>

#include "app/hearing/SoundOutput.h"

namespace rivlen {

/// Chooses where sound goes; what is chosen is heard at once. Not modal; closes itself.
void openSoundOutputDialog(SoundOutput& output, QWidget* parent);

}  // namespace rivlen
