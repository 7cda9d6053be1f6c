// Mixes that leave the house as beds and objects (ITU-R BS.2076, BS.2088), and for two ears.
#include <gtest/gtest.h>

#include <cmath>
#include <cstring>
#include <fstream>
#include <sstream>

#include "StoredReel.h"
#include "core/base/Error.h"
#include "core/delivery/AdmTracks.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/space/Binaural.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = StoredReel::kRate;
constexpr int64_t kFrames = StoredReel::kFrames;

std::string bytesOf(const std::filesystem::path& file) {
    std::ifstream in(file, std::ios::binary);
    std::stringstream all;
    all << in.rdbuf();
    return all.str();
}

/// A chunk of a RIFF file; empty: it has none.
std::string chunk(const std::string& file, const std::string& id) {
    for (size_t at = 12; at + 8 <= file.size();) {
        uint32_t size = 0;
        std::memcpy(&size, file.data() + at + 4, 4);
        if (file.compare(at, 4, id) == 0) return file.substr(at + 8, size);
        at += 8 + size + (size & 1);
    }
    return {};
}

int count(const std::string& text, const std::string& what) {
    int n = 0;
    for (size_t at = text.find(what); at != std::string::npos; at = text.find(what, at + 1)) ++n;
    return n;
}

struct Adm : testing::Test, StoredReel {
    std::shared_ptr<Materials> materials = std::make_shared<Materials>(material(), true);
    Rebuild rebuild = [] {
        Rebuild r = plainRebuild(double(kFrames) / kRate, false);
        r.format = MixFormat::Surround714;
        // The music goes round the listener as a point, the ambience is raised; the dialogue stays in the bed.
        Strip& music = r.lanes[1].edit().strip;
        music.width = 0;
        music.distance = 2;
        music.automation["azimuth"] = {{0.5, -60}, {2.5, 120}};
        r.lanes[2].edit().strip.elevation = 25;
        r.lanes[2].edit().strip.spread = 40;
        r.lanes[2].edit().strip.divergence = 50;
        return r;
    }();
    Deliverable d = [] {
        Deliverable all;
        all.name = "objects";
        all.storage = Storage::Adm;
        all.bits = 32;
        return all;
    }();
    DeliverySource reel() const { return {"The Night Ferry", "Reel 1", rebuild, materials, 2, {}, {}}; }
    DeliveryReport made(const char* name) const { return deliver(d, reel(), folder / name, false, {}); }
};

}  // namespace

TEST_F(Adm, HasABedAndAnObjectALane) {
    const DeliveryReport report = made("a");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    EXPECT_NE(report.format.find("a bed of 12 and 2 objects"), std::string::npos) << report.format;
    MediaReader reader(report.path);
    EXPECT_EQ(reader.channels(), 12 + 1 + 2) << "the music is a point and has one channel";
    EXPECT_EQ(reader.frames(), kFrames);
    const std::string file = bytesOf(report.path), xml = chunk(file, "axml"), table = chunk(file, "chna");
    ASSERT_EQ(table.size(), size_t(4 + 15 * 40));
    EXPECT_EQ(int(table[0]), 15);
    EXPECT_EQ(int(table[2]), 15);
    for (int i = 0; i < 15; ++i) {
        const std::string row = table.substr(size_t(4 + 40 * i), 40);
        EXPECT_EQ(int(row[0]), i + 1);
        EXPECT_EQ(row.substr(2, 4), "ATU_");
        const std::string uid = row.substr(2, 12), track = row.substr(14, 14), pack = row.substr(28, 11);
        EXPECT_NE(xml.find("UID=\"" + uid + "\""), std::string::npos) << uid;
        EXPECT_NE(xml.find("audioTrackFormatID=\"" + track + "\""), std::string::npos) << track;
        EXPECT_NE(xml.find("audioPackFormatID=\"" + pack + "\""), std::string::npos) << pack;
    }
    EXPECT_EQ(count(xml, "<audioObject "), 3);
    EXPECT_NE(xml.find("<speakerLabel>U-135</speakerLabel>"), std::string::npos);
    EXPECT_NE(xml.find("<speakerLabel>LFE1</speakerLabel>"), std::string::npos);
    EXPECT_NE(xml.find("<objectDivergence azimuthRange=\"30\">0.500</objectDivergence>"), std::string::npos);
    EXPECT_NE(xml.find("<width>40.00</width>"), std::string::npos);
    EXPECT_GT(count(xml, "<audioBlockFormat audioBlockFormatID=\"AB_00031001_"), 30) << "the way round the listener";
}

TEST_F(Adm, PlacedAgainItIsTheMix) {
    const DeliveryReport report = made("b");
    MediaReader reader(report.path);
    const AudioBuffer tracks = reader.read(0, kFrames);
    RenderGraph graph(rebuild, materials, {1, 2});
    graph.seek(0, 0);
    const AudioBuffer mix = graph.next(kFrames);
    // Our own placement of the objects by what the file tells, gains straight between its places.
    AudioBuffer again(12, kFrames);
    for (int c = 0; c < 12; ++c)
        std::copy(tracks.channel(c).begin(), tracks.channel(c).end(), again.channel(c).begin());
    const Placement placement(MixFormat::Surround714, 1);
    int track = 12;
    for (size_t lane : {size_t(1), size_t(2)}) {
        auto ways = wayOf(rebuild.lanes[lane]->strip, 2, 0, double(kFrames) / kRate);
        if (lane == 1) ways.resize(1);
        for (const auto& way : ways) {
            size_t now = 0;
            const auto gains = [&](const AdmPlace& p) {
                return placement.gains({p.at.azimuth, p.at.elevation, 1, p.spread, p.divergence});
            };
            std::vector<double> a = gains(way[0]), b = way.size() > 1 ? gains(way[1]) : a;
            for (int64_t i = 0; i < kFrames; ++i) {
                const double t = double(i) / kRate;
                while (now + 1 < way.size() && t >= way[now + 1].second) {
                    ++now;
                    a = b;
                    b = now + 1 < way.size() ? gains(way[now + 1]) : a;
                }
                const double w =
                    now + 1 < way.size() ? (t - way[now].second) / (way[now + 1].second - way[now].second) : 0;
                for (size_t o = 0; o < 12; ++o)
                    again.channel(int(o))[size_t(i)] +=
                        float((a[o] + w * (b[o] - a[o])) * double(tracks.channel(track)[size_t(i)]));
            }
            ++track;
        }
    }
    // The moving object is told in steps of 50 ms: between them gains are straight, where the mix follows the circle.
    EXPECT_LT(differenceDb(again, mix), -40);
    rebuild.lanes[1].edit().strip.automation.clear();
}

TEST_F(Adm, LongWaysFitAtAnyDepth) {
    // Some 3,000 places are more than libsndfile has room for in front of the sound.
    AudioNotes notes;
    AdmScene scene{"long", MixFormat::Reel, 0, {{"object", {{}}}}, 150, kRate, 24};
    for (int i = 0; i < 3000; ++i) scene.objects[0].channels[0].push_back({0.05 * i, {double(i % 360) - 180, 0}, 0, 0});
    notes.axml = admXml(scene), notes.chna = admTable(scene);
    EXPECT_GT(notes.axml.size(), size_t(500000));
    for (const auto bits : {AudioFormat::Bits::Int16, AudioFormat::Bits::Int24, AudioFormat::Bits::Float32})
        for (const int64_t known : {int64_t(1001), int64_t(0)}) {  // not known beforehand: it begins as RF64
            notes.frames = known;
            AudioFormat format;
            format.bits = bits;
            format.layout = ChannelLayout::AmbiX;
            const auto file = folder / ("long-" + std::to_string(int(bits)) + (known ? "" : "-rf64") + ".wav");
            AudioWriter writer(file, kRate, 1, format, true, &notes);
            writer.write(noise(1, 1001));
            writer.commit();
            EXPECT_EQ(MediaReader(file).frames(), 1001);
            const std::string bytes = bytesOf(file), found = chunk(bytes, "axml");
            EXPECT_EQ(found.substr(0, notes.axml.size()), notes.axml);
            uint32_t size = 0;
            std::memcpy(&size, bytes.data() + 4, 4);
            if (bytes.compare(0, 4, "RIFF") == 0) {
                EXPECT_EQ(size + 8, bytes.size());
            }
        }
}

TEST_F(Adm, ObjectsAreNotLimitedButSayWhereTheyPassTheCeiling) {
    d.loudness = -1;
    const DeliveryReport report = made("c");
    EXPECT_TRUE(report.heldBack);
    EXPECT_FALSE(report.passed());
    EXPECT_FALSE(std::filesystem::exists(report.path));
}

TEST_F(Adm, WithoutAFormatItIsABedAlone) {
    rebuild.format = MixFormat::Reel;
    const DeliveryReport report = made("d");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    EXPECT_EQ(MediaReader(report.path).channels(), 2);
    EXPECT_EQ(count(chunk(bytesOf(report.path), "axml"), "typeDefinition=\"Objects\""), 0);
    d.layout = ChannelLayout::Mono;
    EXPECT_THROW(made("e"), Error);
}

TEST_F(Adm, AmbisonicsAreABedOfTheirOwnType) {
    rebuild.format = MixFormat::Ambix2;
    const DeliveryReport report = made("f");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    const std::string xml = chunk(bytesOf(report.path), "axml");
    EXPECT_EQ(MediaReader(report.path).channels(), 9 + 3);
    EXPECT_NE(xml.find("<order>2</order><degree>-2</degree><normalization>SN3D</normalization>"), std::string::npos);
    EXPECT_NE(xml.find("typeLabel=\"0004\" typeDefinition=\"HOA\""), std::string::npos);
}

TEST_F(Adm, AWayIsToldOnlyWhereItMoves) {
    Strip strip;
    strip.automation["azimuth"] = {{10, 0}, {11, 50}, {100, 50}, {101, 0}};
    const auto way = wayOf(strip, 1, 0, 200)[0];
    EXPECT_EQ(way.front().second, 0);
    EXPECT_LT(way.size(), size_t(50));
    for (size_t i = 1; i < way.size(); ++i) EXPECT_GT(way[i].second, way[i - 1].second);
    EXPECT_EQ(wayOf(Strip(), 2, 0, 200)[1].size(), size_t(1));
    EXPECT_NEAR(wayOf(Strip(), 2, 0, 200)[1][0].at.azimuth, -30, 1e-9);
}

TEST_F(Adm, TwoEarsHearWhatHeadphonesDo) {
    d.storage = Storage::Wav;
    d.layout = ChannelLayout::Binaural;
    d.loudness = -23;
    const DeliveryReport report = made("g");
    EXPECT_TRUE(report.passed()) << toJson(report).dump(1);
    MediaReader reader(report.path);
    ASSERT_EQ(reader.channels(), 2);
    const AudioBuffer ears = reader.read(0, kFrames);
    RenderGraph graph(rebuild, materials, {1, 2});
    graph.seek(0, 0);
    Binaural head(MixFormat::Surround714, 12, std::make_shared<HeadResponses>(HeadResponses::shipped(), kRate));
    AudioBuffer wanted(2, 0);
    for (int64_t at = 0; at < kFrames; at += Binaural::kBlock)
        wanted.append(head.process(graph.next(std::min<int64_t>(Binaural::kBlock, kFrames - at))));
    const float gain = float(std::pow(10, report.gain / 20));
    for (float& v : wanted.samples()) v *= gain;
    EXPECT_LT(differenceDb(ears, wanted), -90);
    // Kept in a session like any other layout.
    EXPECT_EQ(deliverableFromJson(toJson(d)), d);
    d.storage = Storage::Adm;
    EXPECT_EQ(deliverableFromJson(toJson(d)), d);
}

TEST_F(Adm, MonoFilesBearTheNamesOfTheirLoudspeakers) {
    d.storage = Storage::Wav;
    d.monoFiles = true;
    const DeliveryReport report = made("h");
    ASSERT_EQ(report.files.size(), 12u);
    EXPECT_EQ(report.files[8].filename(), "Reel 1.objects.Ltf.wav");
    EXPECT_EQ(report.files[3].filename(), "Reel 1.objects.LFE.wav");
}
