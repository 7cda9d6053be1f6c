#pragma once
#include "app/document/SessionFile.h"
#include "app/hearing/Hearing.h"
#include "app/reels/ReelReader.h"
#include "app/reels/TakingApart.h"
#include "app/split/InstalledNetworks.h"

namespace rivlen {

/// What the window works with, made in the order in which one knows the other. Parts of the window are given what they
/// need of it, never the whole.
struct Studio {
    explicit Studio(std::unique_ptr<Device> device = makeDefaultDevice());
    ~Studio();
    /// True while anything is being read, measured, split or exported.
    bool busy() const { return !work.idle() || hearing.match().waiting(); }

    Work work;
    Document document;
    SessionFile file;
    Reels reels;
    ReelReader reader;
    Treating treating;
    Splitting splitting;
    TakingApart apart;
    Hearing hearing;
    InstalledNetworks networks;
};

}  // namespace rivlen
