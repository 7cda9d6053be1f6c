#include "playback/Outputs.h"

namespace rivlen {

std::unique_ptr<Device> makeDevice(const OutputChoice& choice, const std::optional<VoiceInput>& voice) {
    if (voice && voice->kind == VoiceInput::Kind::Itself) return hearingItself(makeDevice(choice));
    switch (choice.kind) {
        case OutputChoice::Kind::Card:
            return orSilent(atRate(makeSoundCard(choice.card, choice.frames, voice), choice.rate));
        case OutputChoice::Kind::Jack: return orSilent(makeJackPorts(choice.transport, voice.has_value()));
        case OutputChoice::Kind::Silent: return makeSilentClock();
        case OutputChoice::Kind::Default: break;
    }
    return orSilent(atRate(makeSoundCard({}, choice.frames, voice), choice.rate));
}

std::unique_ptr<Device> makeDefaultDevice() { return makeDevice({}); }

}  // namespace rivlen
