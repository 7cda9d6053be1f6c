#include "core/space/MixFormat.h"

#include "core/audio/ChannelLayout.h"

namespace rivlen {

namespace {

const std::vector<Speaker> kMono{{"C", {0, 0}}};
const std::vector<Speaker> kStereo{{"L", {30, 0}}, {"R", {-30, 0}}};
const std::vector<Speaker> kLcr{{"L", {30, 0}}, {"R", {-30, 0}}, {"C", {0, 0}}};
const Speaker kLfe{"LFE", {0, 0}, true};

std::vector<Speaker> joined(std::vector<Speaker> all, const std::vector<Speaker>& more) {
    all.insert(all.end(), more.begin(), more.end());
    return all;
}

const std::vector<Speaker> k51 = joined(kLcr, {kLfe, {"Ls", {110, 0}}, {"Rs", {-110, 0}}});
const std::vector<Speaker> k71 =
    joined(kLcr, {kLfe, {"Lb", {135, 0}}, {"Rb", {-135, 0}}, {"Ls", {90, 0}}, {"Rs", {-90, 0}}});
const std::vector<Speaker> k514 =
    joined(k51, {{"Ltf", {30, 30}}, {"Rtf", {-30, 30}}, {"Ltb", {110, 30}}, {"Rtb", {-110, 30}}});
const std::vector<Speaker> k714 =
    joined(k71, {{"Ltf", {45, 30}}, {"Rtf", {-45, 30}}, {"Ltb", {135, 30}}, {"Rtb", {-135, 30}}});

}  // namespace

const std::vector<MixFormatFacts>& mixFormats() {
    static const std::vector<MixFormatFacts> table = {
        {MixFormat::Reel, "reel", "as the reel", 0, 0},
        {MixFormat::Mono, "mono", "Mono", 1, 0},
        {MixFormat::Stereo, "stereo", "Stereo", 2, 0},
        {MixFormat::Lcr, "lcr", "L C R", 3, 0},
        {MixFormat::Surround51, "5.1", "5.1", 6, 0},
        {MixFormat::Surround71, "7.1", "7.1", 8, 0},
        {MixFormat::Surround514, "5.1.4", "5.1.4", 10, 0},
        {MixFormat::Surround714, "7.1.4", "7.1.4", 12, 0},
        {MixFormat::Ambix1, "ambix-1", "AmbiX, first order", 4, 1},
        {MixFormat::Ambix2, "ambix-2", "AmbiX, second order", 9, 2},
        {MixFormat::Ambix3, "ambix-3", "AmbiX, third order", 16, 3},
        {MixFormat::Ambix4, "ambix-4", "AmbiX, fourth order", 25, 4},
        {MixFormat::Ambix5, "ambix-5", "AmbiX, fifth order", 36, 5},
    };
    return table;
}

const MixFormatFacts& mixFormatFacts(MixFormat format) { return mixFormats()[size_t(format)]; }

MixFormat mixFormatOf(const std::string& id) {
    for (const auto& facts : mixFormats())
        if (id == facts.id) return facts.format;
    return MixFormat::Reel;
}

MixFormat formatOfChannels(int channels) {
    if (channels == 1 || channels == 2 || channels == 6 || channels == 8) return MixFormat::Reel;
    for (const auto& facts : mixFormats())
        if (facts.channels == channels) return facts.format;
    return MixFormat::Reel;
}

const std::vector<Speaker>& speakersOf(MixFormat format) {
    static const std::vector<Speaker> none;
    switch (format) {
        case MixFormat::Mono: return kMono;
        case MixFormat::Stereo: return kStereo;
        case MixFormat::Lcr: return kLcr;
        case MixFormat::Surround51: return k51;
        case MixFormat::Surround71: return k71;
        case MixFormat::Surround514: return k514;
        case MixFormat::Surround714: return k714;
        default: return none;
    }
}

const std::vector<Speaker>& speakersOfChannels(int channels) {
    return channels == 1 ? kMono : channels == 2 ? kStereo : channels == 6 ? k51 : k71;
}

std::vector<std::string> mixChannelNames(MixFormat format, int channels) {
    std::vector<std::string> names;
    for (const Speaker& s : speakersOf(format)) names.push_back(s.name);
    if (mixFormatFacts(format).order > 0)
        for (int i = 0; i < channels; ++i) names.push_back("ACN " + std::to_string(i));
    return names.empty() ? channelNames(channels) : names;
}

}  // namespace rivlen
