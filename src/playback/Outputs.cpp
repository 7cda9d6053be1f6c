#include "playback/Outputs.h"

namespace rivlen {

std::unique_ptr<Device> makeDevice(const OutputChoice& choice) {
    switch (choice.kind) {
        case OutputChoice::Kind::Card: return orSilent(makeSoundCard(choice.card, choice.frames));
        case OutputChoice::Kind::Jack: return orSilent(makeJackPorts(choice.transport));
        case OutputChoice::Kind::Silent: return makeSilentClock();
        case OutputChoice::Kind::Default: break;
    }
    return orSilent(makeSoundCard({}, choice.frames));
}

std::unique_ptr<Device> makeDefaultDevice() { return makeDevice({}); }

}  // namespace rivlen
