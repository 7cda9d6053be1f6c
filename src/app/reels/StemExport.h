#pragma once
#include <QString>

#include "app/reels/Reels.h"
#include "core/delivery/StemFiles.h"

namespace rivlen {

/// Writes the current reel's stems at its settings into a folder, in the background.
void exportStems(const Document& document, const Reels& reels, Work& work, const QString& folder,
                 const AudioFormat& format);

}  // namespace rivlen
