// Lists that come in: what Rivlen wrote comes back to the sample, others' lists as their standards have them, broken
// ones with a sentence.
#include <gtest/gtest.h>

#include <cmath>
#include <fstream>

#include "StoredReel.h"
#include "core/base/Error.h"
#include "core/exchange/HandOver.h"
#include "core/exchange/ReadList.h"
#include "core/rebuild/RenderGraph.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = StoredReel::kRate;
constexpr int64_t kFrames = StoredReel::kFrames;
constexpr double kSample = 1.0 / kRate;

std::string sentenceOf(const std::function<void()>& what) {
    try {
        what();
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
        return e.what();
    }
    ADD_FAILURE() << "nothing was thrown";
    return "";
}

struct ReadBack : testing::Test, StoredReel {
    std::shared_ptr<Materials> materials = std::make_shared<Materials>(material(), true);
    Rebuild rebuild = [] {
        Rebuild r = plainRebuild(double(kFrames) / kRate, false);
        r.lanes.pop_back();  // the muted recording
        Lane& music = r.lanes[1].edit();
        Clip first = music.clips[0], second = first;
        first.length = 1.0000417;
        first.fadeOut = 0.25, first.fadeOutShape = FadeShape::Linear;
        first.name = "the waltz";
        second.id = "clip-9";
        second.at = 1.2345, second.offset = 0.5, second.length = 1.1, second.gain = -4.25;
        second.fadeIn = 0.1, second.fadeInShape = FadeShape::Smooth, second.fadeOut = 0.3;
        second.name = "the landing";
        music.clips = {first, second};
        r.markers = {{0.5, "who"}, {2.0, "a \"word\", and more"}};
        return r;
    }();

    fs::path handedOver(double start) {
        DeliverySource source{
            "The Night Ferry", "Reel 1", rebuild, materials, 2, start > 0 ? std::optional(start) : std::nullopt, {}};
        return writeHandOver(source, {}, {25, 1}, false, 0.2, folder / ("out-" + std::to_string(int(start))), {});
    }
    /// Of a rebuild alone: its lanes without chains.
    AudioBuffer rendered(const Rebuild& r) {
        RenderGraph graph(r, materials, {1, 2});
        graph.seek(0, 0);
        return graph.next(kFrames);
    }
    static void expectSame(const std::vector<Clip>& read, const std::vector<Clip>& written) {
        ASSERT_EQ(read.size(), written.size());
        for (size_t i = 0; i < read.size(); ++i) {
            EXPECT_NEAR(read[i].at, written[i].at, kSample);
            EXPECT_NEAR(read[i].length, written[i].length, 2 * kSample);
            EXPECT_NEAR(read[i].gain, written[i].gain, 0.005);
            EXPECT_NEAR(read[i].fadeIn, written[i].fadeIn, kSample);
            EXPECT_NEAR(read[i].fadeOut, written[i].fadeOut, kSample);
            if (written[i].fadeIn > 0) {
                EXPECT_EQ(read[i].fadeInShape, written[i].fadeInShape);
            }
            if (written[i].fadeOut > 0) {
                EXPECT_EQ(read[i].fadeOutShape, written[i].fadeOutShape);
            }
            EXPECT_EQ(read[i].name, written[i].name.empty() ? written[i].material : written[i].name);
        }
    }
};

}  // namespace

TEST_F(ReadBack, NothingIsLostOfWhatWasHandedOver) {
    const AudioBuffer wanted = rendered(rebuild);
    for (const double start : {0.0, 36000.01}) {
        const fs::path there = handedOver(start);
        const std::optional<double> clock = start > 0 ? std::optional(start) : std::nullopt;
        for (const char* name : {"tracks.otio", "tracks.adl"}) {
            const ReadList list = readList(there / name, {25, 1});
            EXPECT_EQ(list.title, "The Night Ferry, Reel 1");
            Rebuild again;
            const LaidIn laid = layIn(again, list, there, clock, double(kFrames) / kRate);
            EXPECT_TRUE(laid.notes.empty()) << laid.notes.front();
            ASSERT_EQ(again.lanes.size(), 3u) << name;
            for (size_t i = 0; i < 3; ++i) {
                EXPECT_EQ(again.lanes[i]->name, rebuild.lanes[i]->name);
                expectSame(again.lanes[i]->clips, rebuild.lanes[i]->clips);
            }
            EXPECT_LT(differenceDb(rendered(again), wanted), -110) << name << " sounds as before";
        }
        Rebuild cmx;
        for (const auto& entry : fs::directory_iterator(there))
            if (entry.path().extension() == ".edl" && entry.path().filename().string().rfind("track 02", 0) == 0) {
                const LaidIn laid = layIn(cmx, readList(entry.path(), {25, 1}), there, clock, double(kFrames) / kRate);
                EXPECT_TRUE(laid.notes.empty());
            }
        ASSERT_EQ(cmx.lanes.size(), 1u);
        expectSame(cmx.lanes[0]->clips, rebuild.lanes[1]->clips);
        Rebuild music;
        music.lanes.push_back(rebuild.lanes[1]);
        EXPECT_LT(differenceDb(rendered(cmx), rendered(music)), -110);
    }
}

TEST_F(ReadBack, MarkersComeBack) {
    const fs::path there = handedOver(0);
    for (const char* name : {"markers.csv", "tracks.otio"}) {
        Rebuild again;
        const LaidIn laid = layIn(again, readList(there / name, {25, 1}), there, {}, 10);
        EXPECT_EQ(laid.markers, 2);
        ASSERT_EQ(again.markers.size(), 2u);
        EXPECT_NEAR(again.markers[1].at, 2.0, kSample);
        EXPECT_EQ(again.markers[1].name, rebuild.markers[1].name);
    }
    const ReadList labels = readList(there / "labels.txt", {25, 1});
    EXPECT_GE(labels.markers.size(), 2u);
}

TEST_F(ReadBack, WhatIsMissingIsToldAndTheRestIsLaidIn) {
    const fs::path there = handedOver(0);
    fs::path gone;
    for (const auto& entry : fs::directory_iterator(there / "media"))
        if (entry.path().filename().string().rfind("L02C001", 0) == 0) gone = entry.path();
    fs::remove(gone);
    Rebuild again = rebuild;
    const LaidIn laid = layIn(again, readList(there / "tracks.otio", {25, 1}), there, {}, 3);
    ASSERT_EQ(laid.notes.size(), 1u);
    EXPECT_NE(laid.notes[0].find(gone.filename().string()), std::string::npos) << laid.notes[0];
    EXPECT_EQ(again.lanes.size(), 6u);
    EXPECT_EQ(again.lanes[4]->clips.size(), 1u);
    std::set<std::string> ids;
    for (const auto& lane : again.lanes)
        for (const Clip& c : lane->clips) EXPECT_TRUE(ids.insert(c.id).second) << c.id;
    EXPECT_EQ(rebuildFromJson(toJson(again, folder.path()), folder.path()), again);
}

// CMX 3600 as it is commonly printed (the layout from memory): cuts and a dissolve, drop-frame, events of the picture
// between.
TEST(ReadCmx, TakesCutsAndDissolvesOfSound) {
    const std::string text =
        "TITLE: LANDING\nFCM: DROP FRAME\n\n"
        "001  TAPE1    V     C        01:00:00;00 01:00:02;00 10:00:00;00 10:00:02;00\n"
        "002  TAPE1    AA    C        01:00:10;00 01:00:12;00 10:00:00;00 10:00:02;00\n"
        "* FROM CLIP NAME: deck.wav\n"
        "003  TAPE2    AA    D    015 02:00:00;00 02:00:03;00 10:00:02;00 10:00:05;00\n"
        "004  BL       A     C        00:00:00;00 00:00:01;00 10:00:05;00 10:00:06;00\n";
    const ReadList list = readCmx(text, "x.edl", {30000, 1001});
    ASSERT_EQ(list.tracks.size(), 1u);
    const auto& events = list.tracks[0].events;
    ASSERT_EQ(events.size(), 2u);
    const double frame = 1001.0 / 30000;
    EXPECT_NEAR(events[0].at, double(framesOfTimecode("10:00:00;00", {30000, 1001})) * frame, 1e-9);
    EXPECT_EQ(events[0].name, "deck.wav");
    EXPECT_NEAR(events[0].length, 75 * frame, 1e-9) << "two seconds, and on while the next comes in";
    EXPECT_NEAR(events[0].fadeOut, 15 * frame, 1e-9);
    EXPECT_NEAR(events[1].fadeIn, 15 * frame, 1e-9);
    EXPECT_EQ(events[1].media, "TAPE2");
    ASSERT_EQ(list.leftOut.size(), 1u);
    // At 50 frames a second a list counts 25.
    EXPECT_NEAR(readCmx("001  A AA C 00:00:00:00 00:00:01:24 00:00:00:00 00:00:01:24\n", "x", {50, 1})
                    .tracks[0]
                    .events[0]
                    .length,
                49 / 25.0, 1e-9);
}

// OpenTimelineIO, schemas Clip.2 with several references and Transition.1 (its documentation): half a second of a
// cross-fade around the cut.
TEST(ReadOtio, TakesReferencesTransitionsAndGaps) {
    const auto time = [](double s) {
        return "{\"OTIO_SCHEMA\":\"RationalTime.1\",\"rate\":24.0,\"value\":" + std::to_string(24 * s) + "}";
    };
    const auto range = [&](double from, double length) {
        return "{\"OTIO_SCHEMA\":\"TimeRange.1\",\"start_time\":" + time(from) + ",\"duration\":" + time(length) + "}";
    };
    const auto clip = [&](const char* name, double from, double length) {
        return std::string("{\"OTIO_SCHEMA\":\"Clip.2\",\"name\":\"") + name +
               "\",\"source_range\":" + range(from, length) +
               ",\"active_media_reference_key\":\"high\",\"media_references\":{\"high\":{\"OTIO_SCHEMA\":"
               "\"ExternalReference.1\",\"target_url\":\"file:///deck%20one.wav\",\"available_range\":" +
               range(100, 60) +
               "}},\"effects\":[{\"OTIO_SCHEMA\":\"LinearTimeWarp.1\",\"effect_name\":\"warp\"}],\"markers\":[]}";
    };
    const std::string text =
        "{\"OTIO_SCHEMA\":\"Timeline.1\",\"name\":\"landing\",\"global_start_time\":null,\"tracks\":{\"OTIO_SCHEMA\":"
        "\"Stack.1\",\"markers\":[],\"children\":["
        "{\"OTIO_SCHEMA\":\"Track.1\",\"kind\":\"Video\",\"name\":\"V1\",\"children\":[]},"
        "{\"OTIO_SCHEMA\":\"Track.1\",\"kind\":\"Audio\",\"name\":\"A1\",\"children\":["
        "{\"OTIO_SCHEMA\":\"Gap.1\",\"source_range\":" +
        range(0, 1) + "}," + clip("a", 110, 2) + ",{\"OTIO_SCHEMA\":\"Transition.1\",\"in_offset\":" + time(0.25) +
        ",\"out_offset\":" + time(0.25) + "}," + clip("b", 120, 3) + "]}]}}";
    const ReadList list = readOtio(text, "x.otio");
    ASSERT_EQ(list.tracks.size(), 1u);
    const auto& e = list.tracks[0].events;
    ASSERT_EQ(e.size(), 2u);
    EXPECT_EQ(e[0].media, "file:///deck%20one.wav");
    EXPECT_NEAR(e[0].at, 1, 1e-9);
    EXPECT_NEAR(e[0].offset, 10, 1e-9) << "counted from where the media begins";
    EXPECT_NEAR(e[0].length, 2.25, 1e-9);
    EXPECT_NEAR(e[0].fadeOut, 0.5, 1e-9);
    EXPECT_NEAR(e[1].at, 2.75, 1e-9);
    EXPECT_NEAR(e[1].offset, 19.75, 1e-9);
    EXPECT_NEAR(e[1].length, 3.25, 1e-9);
    EXPECT_EQ(list.leftOut.size(), 2u) << "the picture's track, and the warp";
}

TEST(ReadLists, BrokenOnesGetASentenceWithTheLine) {
    const auto has = [](const std::string& sentence, std::initializer_list<const char*> words) {
        for (const char* w : words) EXPECT_NE(sentence.find(w), std::string::npos) << w << ": " << sentence;
    };
    has(sentenceOf([] {
            readCmx("TITLE: x\n001  A AA C 00:00:00:00 00:00:01:99 00:00:00:00 00:00:01:00\n", "x.edl", {25, 1});
        }),
        {"x.edl", "line 2", "00:00:01:99", "25 frames"});
    has(sentenceOf([] {
            readCmx("TITLE: x\n\n001  A AA C 00:00:00:00\n", "x.edl", {25, 1});
        }),
        {"line 3", "too early"});
    has(sentenceOf([] { readCmx("hello\n", "x.edl", {25, 1}); }), {"no CMX 3600 list"});
    has(sentenceOf([] { readOtio("{\n\"OTIO_SCHEMA\": \"Timeline.1\",\n \"tracks\" = 3}", "x.otio"); }),
        {"x.otio", "line 3"});
    has(sentenceOf([] { readOtio("{\"OTIO_SCHEMA\":\"Clip.1\"}", "x.otio"); }), {"no timeline"});
    has(sentenceOf([] {
            readAdl("<ADL>\n(SEQ_SAMPLE_RATE)\tS48000\n(Entry)\t1\t(Cut)\tI\t7\t1\t1\t00.00.00.00/0000\n", "x.adl");
        }),
        {"line 3", "source 7"});
    has(sentenceOf([] { readAdl("<ADL>\n(Infade)\t20\tLIN\n", "x.adl"); }), {"line 2", "without an event"});
    has(sentenceOf([] { readAdl("{}", "x.adl"); }), {"no AES31-3 list"});
    has(sentenceOf([] { readMarkers("name,from_s\nlanding,soon\n", "x.csv", {25, 1}); }), {"line 2", "soon"});
    has(sentenceOf([] { readMarkers("a,b\n1,2\n", "x.csv", {25, 1}); }), {"line 1", "column"});
    has(sentenceOf([] { readList("/nowhere/x.edl", {25, 1}); }), {"/nowhere/x.edl"});
    has(sentenceOf([] { readList("/etc/hostname", {25, 1}); }), {".otio"});
}

// A comment of a million characters took the stack of a regular expression with it (found by fuzzing).
TEST(ReadLists, AnEndlessCommentIsCut) {
    const std::string event = "001  A AA C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n", endless(1000000, 'x');
    const ReadList list =
        readCmx("TITLE: x\n" + event + "* FROM CLIP NAME: " + endless + "\n* NAME: short\n", "x.edl", {25, 1});
    ASSERT_EQ(list.tracks.at(0).events.size(), 1u);
    EXPECT_EQ(list.tracks[0].events[0].name, "short");
}

// Whatever bytes a list has, it is read or refused.
TEST(ReadLists, NoBytesBringItDown) {
    unsigned seed = 5;
    const auto random = [&seed] { return seed = seed * 1664525u + 1013904223u, seed >> 8; };
    const std::string cmx =
                          "TITLE: x\n001  A AA C 00:00:00:00 00:00:01:00 00:00:00:00 00:00:01:00\n* EXACT: SAMPLES 0 "
                          "TO 48000 AT 48000 HZ\n* GAIN: +1.00 DB\n",
                      adl =
                          "<ADL>\n(SEQ_SAMPLE_RATE)\tS48000\n(Index)\t1\t(F)\t\"URL:file://localhost/"
                          "a\"\tBBCK\t00.00.00.00/0000\t00.00.01.00/0000\t\"a\"\tN\n"
                          "(Entry)\t1\t(Cut)\tI\t1\t1\t1\t00.00.00.00/0000\t00.00.00.00/0000\t00.00.01.00/"
                          "0000\tR\n(Infade)\t20\tCURVE\t-1\t-3\t-8\n",
                      csv = "name,from_s\n\"a\"\"b\",1.5\n";
    for (int i = 0; i < 3000; ++i)
        for (int kind = 0; kind < 3; ++kind) {
            std::string text = kind == 0 ? cmx : kind == 1 ? adl : csv;
            for (unsigned n = random() % 6; n > 0; --n) {
                const size_t at = random() % text.size();
                switch (random() % 3) {
                    case 0: text[at] = char(random()); break;
                    case 1: text.erase(at, random() % 9); break;
                    default: text.insert(at, std::string(random() % 5, "09:\t.\n"[random() % 6]));
                }
                if (text.empty()) text = "x";
            }
            try {
                const ReadList list = kind == 0   ? readCmx(text, "x", {25, 1})
                                      : kind == 1 ? readAdl(text, "x")
                                                  : readMarkers(text, "x", {25, 1});
                Rebuild r;
                layIn(r, list, "/nowhere", {}, 10);
            } catch (const Error& e) {
                EXPECT_EQ(e.kind(), Error::Kind::InputUnreadable);
            }
        }
}
