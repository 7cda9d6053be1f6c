#pragma once
#include <QString>

#include "core/rebuild/Rebuild.h"

namespace rivlen {

/// What a lane, a group or the mix is called in the window; empty for ids that there are not.
QString laneName(const Rebuild& rebuild, const std::string& id);

/// What a clip is called: its own name, or that of its sound, its tone or its stem.
QString clipName(const Rebuild& rebuild, const Clip& clip);

}  // namespace rivlen
