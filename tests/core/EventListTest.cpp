#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "Support.h"
#include "core/exchange/HandOver.h"
#include "core/isolation/StemNames.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;
using nlohmann::json;

namespace {

constexpr int kRate = 48000;

/// Two lanes: clips in a row, one that overlaps, one muted, one that loops.
struct EventLists : testing::Test {
    TempFolder folder;
    AudioBuffer source = noise(2, 10 * kRate, 0.1f);
    DeliverySource reel;

    static Clip clip(const char* id, double at, double length, double offset) {
        Clip c;
        c.id = c.name = id;
        c.material = "source";
        c.at = at, c.length = length, c.offset = offset;
        return c;
    }
    void SetUp() override {
        Rebuild r = plainRebuild(10, false);
        r.lanes.resize(2);
        r.lanes[0].edit().name = "Words";
        r.lanes[1].edit().name = "Müsic";
        Clip muted = clip("muted", 4, 1, 0), looping = clip("loop", 1, 6, 2);
        muted.muted = true;
        looping.loopFrom = 2, looping.loopTo = 3;
        Clip a = clip("a", 1, 2, 3);
        a.gain = -6, a.fadeIn = 0.5;
        r.lanes[0].edit().clips = {a, clip("b", 2.5, 1, 0.25), clip("c", 3.5, 1, 9), muted};
        r.lanes[1].edit().clips = {looping};
        r.markers = {{2, "door, \"creaks\""}};
        ReelMaterial material{[this] { return std::make_unique<BufferSource>(source, kRate); },
                              nullptr,
                              StrengthTimeline(),
                              kRate,
                              2,
                              source.frames()};
        reel = {"The Night Ferry", "Reel: 1", r, std::make_shared<Materials>(material, true), 2, 3600.0, {}};
    }
    EventList list() {
        EventList l;
        l.title = "Ferry";
        l.start = 3600;
        l.tracks = tracksOf(*reel.rebuild, kRate);
        l.markers = reel.rebuild->markers;
        for (auto& t : l.tracks)
            for (auto& e : t.events)
                e.file = "media/x.wav", e.reelName = "L01C001", e.fileStart = e.from - 100,
                e.fileFrames = e.to - e.from + 200;
        return l;
    }
    static std::string slurp(const fs::path& file) {
        std::ifstream in(file);
        return {std::istreambuf_iterator<char>(in), {}};
    }
};

}  // namespace

TEST_F(EventLists, OverlapsGoToTracksOfTheirOwn) {
    const auto tracks = tracksOf(*reel.rebuild, kRate);
    ASSERT_EQ(tracks.size(), 3u);
    EXPECT_EQ(tracks[0].events.size(), 2u) << "a and c";
    EXPECT_EQ(tracks[1].name, "Words (2)");
    EXPECT_EQ(tracks[1].events[0].clip.id, "b");
    for (const auto& t : tracks)
        for (size_t i = 1; i < t.events.size(); ++i) EXPECT_LE(t.events[i - 1].to, t.events[i].from);
}

// CMX 3600: event, reel, channels, transition, source in and out, record in and out; times from SMPTE ST 12-1.
TEST_F(EventLists, CmxListsAreInPlaceByFrames) {
    EventList l = list();
    const std::string edl = cmxList(l, l.tracks[0]);
    EXPECT_NE(edl.find("TITLE: Ferry, Words\nFCM: NON-DROP FRAME\n"), std::string::npos) << edl;
    EXPECT_NE(edl.find("001  L01C001  AA    C        01:00:01:00 01:00:03:00 01:00:01:00 01:00:03:00\n"),
              std::string::npos)
        << edl;
    EXPECT_NE(edl.find("002  L01C001  AA    C        01:00:03:13 01:00:04:13"), std::string::npos)
        << "3.5 s at 25 frames";
    EXPECT_NE(edl.find("* GAIN: -6.00 DB"), std::string::npos);
    EXPECT_NE(edl.find("* EXACT: SAMPLES 168000 TO 216000 AT 48000 HZ"), std::string::npos);
    // 01:00:00;00 is frame 107892 of drop-frame counting (SMPTE ST 12-1).
    l.rate = {30000, 1001};
    l.drop = true;
    l.start = 107892 * 1001 / 30000.0;
    const std::string drop = cmxList(l, l.tracks[0]);
    EXPECT_NE(drop.find("FCM: DROP FRAME"), std::string::npos);
    EXPECT_NE(drop.find("01:00:01;00 01:00:03;00"), std::string::npos) << drop;
    for (char c : cmxList(l, l.tracks[2])) EXPECT_FALSE(c & 0x80) << "plain letters";
}

TEST_F(EventLists, AdlAndOtioAreExactToTheSample) {
    EventList l = list();
    l.tracks[0].events[0].from += 7;
    const std::string adl = adlList(l);
    EXPECT_NE(adl.find("01.00.01.00/0007\t01.00.01.00/0007\t01.00.03.00/0000"), std::string::npos) << adl;
    EXPECT_NE(adl.find("(SEQ_SAMPLE_RATE)\tS48000"), std::string::npos);
    EXPECT_NE(adl.find("(Infade)\t24000"), std::string::npos);
    EXPECT_NE(adl.find("(Gain)\t_\t-6.00"), std::string::npos);
    const json otio = json::parse(otioList(l));
    EXPECT_EQ(otio.at("OTIO_SCHEMA"), "Timeline.1");
    EXPECT_EQ(otio.at("global_start_time").at("value"), 3600.0 * kRate);
    const json& track = otio.at("tracks").at("children").at(0);
    EXPECT_EQ(track.at("kind"), "Audio");
    // A gap and a clip each; together they reach from 0 to the last clip's end.
    double at = 0;
    for (const json& child : track.at("children")) {
        if (child.at("OTIO_SCHEMA") == "Clip.1" && child.at("name") == "c") {
            EXPECT_EQ(at, 3.5 * kRate);
        }
        at += child.at("source_range").at("duration").at("value").get<double>();
    }
    EXPECT_EQ(at, 4.5 * kRate);
    EXPECT_EQ(track.at("children").at(1).at("source_range").at("start_time").at("value"), 107);
    EXPECT_EQ(otio.at("tracks").at("markers").at(0).at("marked_range").at("start_time").at("value"), 2.0 * kRate);
}

TEST_F(EventLists, MarkersAndSpansAsTableAndLabels) {
    EventList l = list();
    l.spans = {{"region", "bridge\tdeck", "", 1, 2.5}};
    EXPECT_NE(markersCsv(l).find("marker,\"door, \"\"creaks\"\"\",\"\",2.000000,2.000000,01:00:02:00,01:00:02:00\n"),
              std::string::npos)
        << markersCsv(l);
    EXPECT_NE(markersLabels(l).find("1.000000\t2.500000\tbridge deck\n"), std::string::npos);
}

TEST_F(EventLists, AHandOverHoldsEachClipWithItsHandles) {
    const fs::path made = writeHandOver(reel, {}, {25, 1}, false, 0.5, folder / "out", {});
    EXPECT_EQ(made.filename(), "Reel- 1.handover");
    const auto file = [&](const char* name) { return MediaReader(made / "media" / name); };
    MediaReader a = file("L01C001 Words.wav"), c = file("L01C002 Words.wav"), b = file("L02C001 Words (2).wav"),
                looped = file("L03C001 Müsic.wav");
    ASSERT_EQ(a.frames(), 3 * kRate);
    EXPECT_LT(differenceDb(a.read(0, a.frames()), source.slice(kRate * 5 / 2, 3 * kRate)), -120)
        << "no gain, no fades, from the very first sample";
    EXPECT_EQ(b.frames(), kRate * 7 / 4) << "before the material begins there is no handle";
    EXPECT_EQ(c.frames(), kRate * 3 / 2) << "nor behind its end";
    ASSERT_EQ(looped.frames(), 7 * kRate);
    EXPECT_LT(differenceDb(looped.read(0, kRate), source.slice(kRate * 3 / 2, kRate)), -120);
    EXPECT_DOUBLE_EQ(*a.info().timecodeSeconds, 3600.5) << "BWF time reference";
    for (const char* name :
         {"track 01 Words.edl", "tracks.adl", "tracks.otio", "markers.csv", "labels.txt", "MANIFEST.txt"})
        EXPECT_TRUE(fs::exists(made / name)) << name;
    const std::string manifest = slurp(made / "MANIFEST.txt");
    EXPECT_NE(manifest.find("clip \"a\", 3.000 s with handles of 0.50 and 0.50 s"), std::string::npos) << manifest;
    // Each file of the lists is there.
    const json otio = json::parse(slurp(made / "tracks.otio"));
    for (const json& t : otio.at("tracks").at("children"))
        for (const json& child : t.at("children"))
            if (child.contains("media_reference")) {
                EXPECT_TRUE(fs::exists(made / child.at("media_reference").at("target_url").get<std::string>()));
            }
    EXPECT_THROW(writeHandOver(reel, {}, {25, 1}, false, 0.5, folder / "out", {}), Error) << "nothing is replaced";
    Progress stop;
    stop.cancel();
    EXPECT_THROW(writeHandOver(reel, {}, {25, 1}, false, 0.5, folder / "other", stop), Error);
    EXPECT_TRUE(fs::is_empty(folder / "other"));
}
