#include "app/window/Studio.h"

namespace rivlen {

Studio::Studio(std::unique_ptr<Device> device)
    : document(work),
      file(document, work),
      reels(document),
      reader(document, reels, work),
      treating(document, reels, work),
      splitting(document, reels, treating, work),
      apart(document, reels, splitting, work),
      hearing(std::move(device), document, reels, work),
      networks(work) {
    QObject::connect(&document, &Document::voided, &work, &Work::forget);
    // A reel is in the player before its treatments and stems follow.
    QObject::connect(&hearing, &Hearing::opened, &treating, &Treating::begin);
    QObject::connect(&hearing, &Hearing::opened, &splitting, &Splitting::reopen);
}

Studio::~Studio() {
    hearing.player().close();
    work.end();
}

}  // namespace rivlen
