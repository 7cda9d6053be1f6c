#pragma once
#include "app/views/PictureDock.h"
#include "app/widgets/KeySheet.h"
#include "app/window/Pictures.h"

namespace rivlen {

/// The keys that mean the same at every stage.
void addWindowKeys(KeySheet& sheet, Studio& studio, Desks& desks, Pictures& pictures, PictureDock& dock,
                   const std::function<void()>& toggleTable);

/// Sets one edge of the loop to the playhead.
void setLoopEdge(Document& document, const Player& player, double duration, bool start);

}  // namespace rivlen
