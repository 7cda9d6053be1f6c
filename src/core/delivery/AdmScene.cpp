#include "core/delivery/AdmScene.h"

#include <algorithm>
#include <cmath>

#include "core/base/Text.h"

namespace rivlen {

namespace {

enum Kind { kSpeakers = 1, kObjects = 3, kHoa = 4 };  // typeLabel of BS.2076

const char* typeName(int kind) { return kind == kSpeakers ? "DirectSpeakers" : kind == kObjects ? "Objects" : "HOA"; }

std::string typed(int kind) { return formatted("typeLabel=\"%04d\" typeDefinition=\"%s\"", kind, typeName(kind)); }

/// hh:mm:ss.zzzzz
std::string clock(double seconds) {
    const auto ticks = int64_t(std::llround(seconds * 100000));
    return formatted("%02lld:%02lld:%02lld.%05lld", static_cast<long long>(ticks / 360000000),
                     static_cast<long long>(ticks / 6000000 % 60), static_cast<long long>(ticks / 100000 % 60),
                     static_cast<long long>(ticks % 100000));
}

/// "M+030": the layer, and the azimuth to the left (BS.2051).
std::string label(const Speaker& s) {
    if (s.lfe) return "LFE1";
    return formatted("%c%+04.0f", s.at.elevation > 15 ? 'U' : 'M', s.at.azimuth + 0.0);
}

/// A channel with its stream and track, as BS.2076 wants them: all share one number.
struct Channel {
    int kind, number;
    std::string name, blocks;

    std::string id(const char* prefix) const { return formatted("%s_%04x%04x", prefix, kind, number); }
    std::string block(int count) const { return formatted("AB_%04x%04x_%08x", kind, number, count); }
};

struct Pack {
    int kind, number;
    std::string name;
    std::vector<Channel> channels;
    std::string id() const { return formatted("AP_%04x%04x", kind, number); }
};

void coordinate(std::string& x, const char* name, double value) {
    x += formatted("<position coordinate=\"%s\">%.3f</position>", name, value + 0.0);
}

void position(std::string& x, const Direction& at) {
    coordinate(x, "azimuth", at.azimuth);
    coordinate(x, "elevation", at.elevation);
    coordinate(x, "distance", 1);
}

Pack bedOf(const AdmScene& scene) {
    const int order = mixFormatFacts(scene.bed).order;
    Pack pack{order > 0 ? kHoa : kSpeakers, 0x1001, "Bed", {}};
    const auto& speakers = scene.bed == MixFormat::Reel ? speakersOfChannels(scene.bedChannels) : speakersOf(scene.bed);
    const auto names = mixChannelNames(scene.bed, scene.bedChannels);
    for (int i = 0; i < scene.bedChannels; ++i) {
        Channel c{pack.kind, 0x1001 + i, names[size_t(i)], {}};
        std::string& x = c.blocks;
        x = "<audioBlockFormat audioBlockFormatID=\"" + c.block(1) + "\">";
        if (order > 0) {
            const int degree = int(std::sqrt(double(i)));
            x += formatted("<order>%d</order><degree>%d</degree><normalization>SN3D</normalization>", degree,
                           i - degree * degree - degree);
        } else {
            const Speaker& s = speakers[size_t(i)];
            x += "<speakerLabel>" + label(s) + "</speakerLabel>";
            position(x, s.lfe ? Direction{0, -30} : s.at);
        }
        x += "</audioBlockFormat>\n";
        if (order == 0 && speakers[size_t(i)].lfe) x = "<frequency typeDefinition=\"lowPass\">120</frequency>" + x;
        pack.channels.push_back(std::move(c));
    }
    return pack;
}

/// Blocks for a way: the first place for a moment, then a straight line to each of the next ones.
void way(Channel& c, const std::vector<AdmPlace>& places, double seconds) {
    int count = 0;
    const auto block = [&](double from, double to, const AdmPlace& p) {
        std::string& x = c.blocks;
        x += "<audioBlockFormat audioBlockFormatID=\"" + c.block(++count) + "\" rtime=\"" + clock(from) +
             "\" duration=\"" + clock(to - from) + "\">";
        position(x, p.at);
        if (p.spread > 0) x += formatted("<width>%.2f</width><height>%.2f</height>", p.spread, p.spread);
        if (p.divergence > 0)
            x += formatted("<objectDivergence azimuthRange=\"%g\">%.3f</objectDivergence>", kDivergenceRange,
                           p.divergence / 100);
        x += "</audioBlockFormat>\n";
    };
    constexpr double kMoment = 0.00001;  // the shortest that the clock tells
    if (places.size() == 1) return block(0, seconds, places[0]);
    block(0, std::max(kMoment, places[0].second), places[0]);
    double at = std::max(kMoment, places[0].second);
    for (size_t i = 1; i < places.size(); ++i) {
        const double to = i + 1 < places.size() ? std::min(places[i].second, seconds) : seconds;
        if (to - at < kMoment / 2) continue;
        block(at, places[i].second > at ? std::min(places[i].second, to) : to, places[i]);
        at = std::min(places[i].second, to);
    }
    if (seconds - at > kMoment / 2) block(at, seconds, places.back());
}

std::vector<Pack> packsOf(const AdmScene& scene) {
    std::vector<Pack> packs;
    if (scene.bedChannels > 0) packs.push_back(bedOf(scene));
    int number = 0x1001, channel = 0x1001;
    for (const AdmObject& object : scene.objects) {
        Pack pack{kObjects, number++, object.name, {}};
        for (size_t c = 0; c < object.channels.size(); ++c) {
            Channel made{kObjects,
                         channel++,
                         object.channels.size() > 1 ? object.name + " " + std::to_string(c + 1) : object.name,
                         {}};
            way(made, object.channels[c], scene.seconds);
            pack.channels.push_back(std::move(made));
        }
        packs.push_back(std::move(pack));
    }
    return packs;
}

std::string named(const char* what, const std::string& name) {
    return formatted(" %sName=\"", what) + escapedForXml(name) + "\"";
}

std::string reference(const char* what, const std::string& id) {
    return formatted("<%sIDRef>%s</%sIDRef>\n", what, id, what);
}

}  // namespace

int AdmScene::tracks() const {
    int count = bedChannels;
    for (const auto& o : objects) count += int(o.channels.size());
    return count;
}

std::vector<std::string> AdmScene::trackNames() const {
    std::vector<std::string> names;
    for (const Pack& p : packsOf(*this))
        for (const Channel& c : p.channels) names.push_back(c.name);
    return names;
}

std::string admXml(const AdmScene& scene) {
    const auto packs = packsOf(scene);
    std::string x =
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<ebuCoreMain xmlns=\"urn:ebu:metadata-schema:ebuCore_2016\" "
        "xml:lang=\"en\">\n"
        "<coreMetadata><format><audioFormatExtended version=\"ITU-R_BS.2076-2\">\n";
    x += "<audioProgramme audioProgrammeID=\"APR_1001\"" + named("audioProgramme", scene.programme) + " start=\"" +
         clock(0) + "\" end=\"" + clock(scene.seconds) + "\">\n" + reference("audioContent", "ACO_1001") +
         "</audioProgramme>\n";
    x += "<audioContent audioContentID=\"ACO_1001\"" + named("audioContent", scene.programme) + ">\n";
    for (size_t i = 0; i < packs.size(); ++i) x += reference("audioObject", formatted("AO_%04x", 0x1001 + int(i)));
    x += "</audioContent>\n";
    int track = 0;
    std::string uids;
    for (size_t i = 0; i < packs.size(); ++i) {
        const Pack& p = packs[i];
        x += formatted("<audioObject audioObjectID=\"AO_%04x\"", 0x1001 + int(i)) + named("audioObject", p.name) +
             " start=\"" + clock(0) + "\" duration=\"" + clock(scene.seconds) + "\">\n" +
             reference("audioPackFormat", p.id());
        for (const Channel& c : p.channels) {
            const std::string uid = formatted("ATU_%08x", ++track);
            x += "<audioTrackUIDRef>" + uid + "</audioTrackUIDRef>\n";
            uids += "<audioTrackUID UID=\"" + uid + "\" sampleRate=\"" + std::to_string(scene.sampleRate) +
                    "\" bitDepth=\"" + std::to_string(scene.bits) + "\">\n" +
                    reference("audioTrackFormat", c.id("AT") + "_01") + reference("audioPackFormat", p.id()) +
                    "</audioTrackUID>\n";
        }
        x += "</audioObject>\n";
    }
    for (const Pack& p : packs) {
        x += "<audioPackFormat audioPackFormatID=\"" + p.id() + "\"" + named("audioPackFormat", p.name) + " " +
             typed(p.kind) + ">\n";
        for (const Channel& c : p.channels) x += reference("audioChannelFormat", c.id("AC"));
        x += "</audioPackFormat>\n";
    }
    for (const Pack& p : packs)
        for (const Channel& c : p.channels) {
            x += "<audioChannelFormat audioChannelFormatID=\"" + c.id("AC") + "\"" +
                 named("audioChannelFormat", c.name) + " " + typed(p.kind) + ">\n" + c.blocks +
                 "</audioChannelFormat>\n";
            x += "<audioStreamFormat audioStreamFormatID=\"" + c.id("AS") + "\"" +
                 named("audioStreamFormat", "PCM " + c.name) + " formatLabel=\"0001\" formatDefinition=\"PCM\">\n" +
                 reference("audioChannelFormat", c.id("AC")) + reference("audioTrackFormat", c.id("AT") + "_01") +
                 "</audioStreamFormat>\n";
            x += "<audioTrackFormat audioTrackFormatID=\"" + c.id("AT") + "_01\"" +
                 named("audioTrackFormat", "PCM " + c.name) + " formatLabel=\"0001\" formatDefinition=\"PCM\">\n" +
                 reference("audioStreamFormat", c.id("AS")) + "</audioTrackFormat>\n";
        }
    return x + uids + "</audioFormatExtended></format></coreMetadata>\n</ebuCoreMain>\n";
}

std::string admTable(const AdmScene& scene) {
    std::string bytes;
    const auto number = [&bytes](int v) { bytes += char(v & 0xff), bytes += char(v >> 8 & 0xff); };
    const auto text = [&bytes](std::string t, size_t size) {
        t.resize(size, '\0');
        bytes += t;
    };
    number(scene.tracks());
    number(scene.tracks());
    int track = 0;
    for (const Pack& p : packsOf(scene))
        for (const Channel& c : p.channels) {
            number(++track);
            text(formatted("ATU_%08x", track), 12);
            text(c.id("AT") + "_01", 14);
            text(p.id(), 12);  // eleven letters and one to fill up
        }
    return bytes;
}

}  // namespace rivlen
