#pragma once
#include "app/rebuild/FollowDesk.h"
#include "app/views/PictureDock.h"

namespace rivlen {

/// Lets a lane follow what is marked or pointed at in the picture window, and shows there where it was found.
void followPicture(PictureDock& dock, FollowDesk& follow, Document& document, Hearing& hearing);

}  // namespace rivlen
