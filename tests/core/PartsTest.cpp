// Stems taken further apart: what is kept, that the parts are the stem, lanes and deliverables of parts. The networks
// are those of tests/data/networks.
#include <gtest/gtest.h>

#include <fstream>

#include "Places.h"
#include "StoredReel.h"
#include "core/base/Error.h"
#include "core/delivery/DeliveryRender.h"
#include "core/media/MediaReader.h"
#include "core/rebuild/PartBalance.h"
#include "core/rebuild/PartLanes.h"
#include "core/rebuild/RenderGraph.h"
#include "core/separation/NetworkLibrary.h"
#include "core/separation/Parts.h"
#include "core/separation/Scene.h"
#include "core/session/SessionDelivery.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = StoredReel::kRate;
constexpr int64_t kFrames = StoredReel::kFrames;

struct Parts : testing::Test, StoredReel {
    ReelMaterial reel = material();

    void SetUp() override {
        setenv("RIVLEN_NETWORKS", (fs::path(test::kSourceFolder) / "tests/data/networks").c_str(), 1);
    }
    void TearDown() override { unsetenv("RIVLEN_NETWORKS"); }
    static AudioBuffer whole(SampleSource& s) { return s.read(0, s.frames()); }
    AudioBuffer render(const Rebuild& r) {
        RenderGraph graph(r, std::make_shared<Materials>(reel, true), {1, 2});
        graph.seek(0, 0);
        return graph.next(kFrames);
    }
};

}  // namespace

TEST_F(Parts, AStemIsTakenApartOnceAndFoundAgain) {
    EXPECT_EQ(openParts(*store, "music"), nullptr);
    const auto parts = openOrMakeParts(*store, "music", "fine", {});
    EXPECT_EQ(parts->shape().stems, partsOf("music"));
    AudioBuffer sum(2, kFrames);
    for (size_t p = 0; p < 5; ++p) {
        const AudioBuffer part = whole(*parts->open(int(p)));
        EXPECT_GT(peakOf(part.samples()), 0.0f) << partsOf("music")[p];
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += part.samples()[i];
    }
    EXPECT_LT(differenceDb(sum, stems[1]), -120);
    ASSERT_TRUE(parts->residualDb());
    EXPECT_LT(*parts->residualDb(), -120);
    ASSERT_TRUE(openParts(*store, "music"));
    EXPECT_EQ(openParts(*store, "ambience"), nullptr);
    EXPECT_EQ(partsFolder(*store, "music", partsNetwork("music")).parent_path(), store->folder())
        << "a reel that is split again has no old parts";
    const auto again = StemStore::create(folder / "stems", store->shape());
    EXPECT_EQ(openParts(*again, "music"), nullptr);
}

TEST_F(Parts, ACancelledOneLeavesNothing) {
    Progress progress;
    progress.cancel();
    EXPECT_THROW(makeParts(*store, "ambience", "fine", progress), Error);
    EXPECT_FALSE(fs::exists(partsFolder(*store, "ambience", partsNetwork("ambience"))));
    EXPECT_THROW(makeParts(*store, "dialogue", "fine", {}), Error) << "nothing takes the voice apart";
}

TEST_F(Parts, NetworksForThemAreNoneForRecordings) {
    for (const auto& card : reelNetworks()) EXPECT_TRUE(card.of.empty()) << card.id;
    EXPECT_EQ(partsNetwork("music").id, "fifths");
    EXPECT_EQ(partsNetwork("ambience").id, "seconds");
    EXPECT_NE(findNetwork("").id, "fifths");
    try {
        networkFor("fifths", "fine", {});
        FAIL() << "it cannot separate a recording";
    } catch (const Error& e) {
        EXPECT_NE(std::string(e.what()).find("takes the music"), std::string::npos) << e.what();
    }
    setenv("RIVLEN_NETWORKS", folder.path().c_str(), 1);
    EXPECT_THROW(partsNetwork("music"), Error);
}

TEST_F(Parts, AsMaterialsTheyAreTheStemWhateverTheStrength) {
    reel.timeline.base.depth = 12;
    reel.timeline.base.firmness = 40;
    const auto sumOfParts = [&](const std::string& stem) {
        const auto materials = std::make_shared<Materials>(reel, true);
        AudioBuffer sum(2, kFrames);
        for (const auto& part : partsOf(stem)) {
            const AudioBuffer x = whole(*materials->open(part, {}));
            for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += x.samples()[i];
        }
        EXPECT_LT(differenceDb(sum, whole(*materials->open(stem, {}))), -120) << stem;
    };
    sumOfParts("music");  // not taken apart yet: all of it is the last part
    EXPECT_LE(peakOf(whole(*std::make_shared<Materials>(reel, true)->open("drums", {})).samples()), 0.0f);
    reel.parts["music"] = openOrMakeParts(*store, "music", "quick", {});
    reel.parts["ambience"] = openOrMakeParts(*store, "ambience", "quick", {});
    sumOfParts("music");
    sumOfParts("ambience");
    EXPECT_GT(peakOf(whole(*std::make_shared<Materials>(reel, true)->open("drums", {})).samples()), 0.0f);
}

TEST_F(Parts, AStrengthOfOneIsHeardInItsLaneAndTheStemStaysWhole) {
    reel.parts["music"] = openOrMakeParts(*store, "music", "quick", {});
    store->setParts("music", reel.parts["music"]);
    auto readers = store->openAll("bass");
    EXPECT_EQ(readers.divided, 1);
    EXPECT_TRUE(store->openAll("music").parts.empty());
    EXPECT_TRUE(store->openAll("events").parts.empty()) << "the ambience is whole";
    BufferSource recording(source, kRate);
    const StemBlock block = readers.read(recording, 1000, 5000);
    ASSERT_EQ(block.parts.size(), 5u);
    AudioBuffer sum(2, 5000);
    for (const auto& part : block.parts)
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += part.samples()[i];
    EXPECT_LT(differenceDb(sum, stems[1].slice(1000, 5000)), -120);
    EXPECT_EQ(block.slice(10, 20).parts[2].samples().size(), 40u);

    const auto read = [&](const std::string& material) {
        return whole(*std::make_shared<Materials>(reel, true)->open(material, {}));
    };
    const AudioBuffer plain = read("bass");
    reel.timeline.base.stem = "bass";
    EXPECT_LE(differenceDb(read("result"), plain), kSilenceDb);
    reel.timeline.base.depth = 14;
    const AudioBuffer weak = read("bass");
    EXPECT_LE(differenceDb(read("result"), weak), kSilenceDb) << "the lane is at the strength";
    EXPECT_GT(differenceDb(weak, plain), -40);
    AudioBuffer all(2, kFrames), music(2, kFrames);
    for (const auto& stem : kStemNames) {
        const AudioBuffer x = read(stem);
        for (size_t i = 0; i < x.samples().size(); ++i) all.samples()[i] += x.samples()[i];
    }
    EXPECT_LT(differenceDb(all, source), -120);
    for (const auto& part : partsOf("music")) {
        const AudioBuffer x = read(part);
        for (size_t i = 0; i < x.samples().size(); ++i) music.samples()[i] += x.samples()[i];
    }
    EXPECT_LT(differenceDb(music, read("music")), -120);
}

TEST_F(Parts, AStretchIsTakenApart) {
    StemBlock block{source, stems, {}};
    takeApart(block, "ambience", kRate, "quick", {});
    ASSERT_EQ(block.parts.size(), 2u);
    EXPECT_EQ(block.divided, 2);
    AudioBuffer sum = block.parts[0];
    for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += block.parts[1].samples()[i];
    EXPECT_LT(differenceDb(sum, stems[2]), -120);
    EXPECT_THROW(takeApart(block, "dialogue", kRate, "quick", {}), Error);
}

TEST_F(Parts, LaidOutTheMixStaysAndWithoutVocalsOnlyTheyAreGone) {
    reel.parts["music"] = openOrMakeParts(*store, "music", "fine", {});
    Rebuild r = plainRebuild(double(kFrames) / kRate, false);
    r.lanes[1].edit().strip.level = -6;
    r.lanes[1].edit().strip.chain.highPass = true;
    r.lanes[1].edit().strip.automation["level"] = {{0.5, 0}, {2.5, -20}};
    r.lanes[0].edit().duck = {true, r.lanes[1]->id, false, -80, 0, 37, 10, 100, 100};
    const AudioBuffer before = render(r);
    EXPECT_FALSE(layInParts(r, "dialogue"));
    ASSERT_TRUE(layInParts(r, "music"));
    ASSERT_EQ(r.lanes.size(), 8u);
    ASSERT_EQ(r.groups.size(), 1u);
    EXPECT_TRUE(r.groups[0].folded);
    EXPECT_EQ(r.groups[0].name, "Music");
    EXPECT_DOUBLE_EQ(r.groups[0].strip.level, -6);
    std::set<std::string> ids;
    for (const auto& lane : r.lanes)
        for (const auto& c : lane->clips) EXPECT_TRUE(ids.insert(c.id).second) << c.id;
    r.lanes[0].edit().duck.on = false;
    Rebuild whole = plainRebuild(double(kFrames) / kRate, false);
    whole.lanes[1].edit().strip = r.groups[0].strip;
    EXPECT_LT(differenceDb(render(r), render(whole)), -100);
    EXPECT_FALSE(layInParts(r, "music")) << "no lane plays all of it any more";
    EXPECT_TRUE(usesPartsOf(r, "music"));
    EXPECT_FALSE(usesPartsOf(r, "ambience"));
    ASSERT_TRUE(muteParts(r, "vocals"));
    Rebuild alone = r;
    for (auto& lane : alone.lanes) lane.edit().strip.mute = lane->clips[0].material != "vocals";
    const AudioBuffer rest = render(r), vocals = render(alone);
    AudioBuffer both = rest;
    for (size_t i = 0; i < both.samples().size(); ++i) both.samples()[i] += vocals.samples()[i];
    EXPECT_LT(differenceDb(both, render(whole)), -100);
    EXPECT_EQ(rebuildFromJson(toJson(r, folder.path()), folder.path()), r);
}

TEST_F(Parts, DeliverablesHoldThemAndRefuseReelsThatAreNotTakenApart) {
    writeWav(folder / "reel.wav", source, kRate);
    Session session;
    session.name = "Ferry";
    Reel r = makeReel(session, folder / "reel.wav");
    Deliverable drums;
    drums.name = "drums", drums.holds = "drums";
    EXPECT_THROW(deliverySource(session, r, drums, reel), Error) << "not taken apart";
    Deliverable instrumental;
    instrumental.name = "instrumental", instrumental.holds = "instrumental";
    EXPECT_NO_THROW(deliverySource(session, r, instrumental, reel)) << "then it is the music as it is";
    reel.parts["music"] = openOrMakeParts(*store, "music", "fine", {});
    const auto lanes = [&](const Deliverable& d) {
        const DeliverySource from = deliverySource(session, r, d, reel);
        std::vector<std::string> materials;
        for (const auto& id : lanesOf(*from.rebuild, deliveryContent(d.holds)))
            materials.push_back(from.rebuild->lane(id)->clips[0].material);
        std::sort(materials.begin(), materials.end());
        return materials;
    };
    using Names = std::vector<std::string>;
    EXPECT_EQ(lanes(drums), Names{"drums"});
    EXPECT_EQ(lanes(instrumental), (Names{"bass", "drums", "guitar", "other"}));
    Deliverable under;
    under.name = "under", under.holds = "music-without-drums";
    EXPECT_EQ(lanes(under), (Names{"bass", "guitar", "other", "vocals"}));
    const DeliveryReport report = deliver(drums, deliverySource(session, r, drums, reel), folder / "out", false, {});
    MediaReader made(report.path);
    EXPECT_LT(differenceDb(made.read(0, kFrames), whole(*reel.parts["music"]->open(1))), -100);
}

TEST_F(Parts, StrengthsOfPartsAreKeptAndDeliveredWithThem) {
    Session session;
    session.reels.push_back(makeReel(session, "/recordings/a.wav"));
    Reel& r = session.reels.back();
    r.stem = "guitar";
    r.timeline().base.depth = 18;
    r.strength[wantedPlace("music")].base.firmness = 30;
    EXPECT_EQ(recipeOf(r).parts, std::vector<std::string>{"music"});
    EXPECT_EQ(recipeOf(r).timeline.base.stem, "guitar");
    const Session again = parseSession(sessionText(session, "/recordings"), "/recordings/s.rivlen");
    EXPECT_EQ(again.reels, session.reels);
    EXPECT_EQ(again.reels[0].strength[wantedPlace("guitar")].base.depth, 18);
    r.stem = "dialogue";
    EXPECT_TRUE(recipeOf(r).parts.empty());
}

TEST_F(Parts, AReelSaysWhatIsTakenApart) {
    Session session;
    session.reels.push_back(makeReel(session, folder / "a.wav"));
    session.current = session.reels[0].id;
    session.reels[0].parts = {"ambience", "music"};
    const std::string text = sessionText(session, folder.path());
    EXPECT_EQ(parseSession(text, folder / "s.rivlen"), session);
    EXPECT_EQ(recipeOf(session.reels[0]).parts, (std::vector<std::string>{"music", "ambience"}));
    std::string wrong = text;
    wrong.replace(wrong.find("\"ambience\""), 10, "\"dialogue\"");
    EXPECT_THROW(parseSession(wrong, folder / "s.rivlen"), Error);
}

TEST_F(Parts, BalancesSetLevelsOfTheReelOrOfASpanAndAreKept) {
    setenv("XDG_DATA_HOME", (folder / "data").c_str(), 1);
    Rebuild r = plainRebuild(30, false);
    const PartBalance under{"Mine", "music", {{"drums", -9.0}, {"vocals", kSilentLevel}}};
    EXPECT_FALSE(applyBalance(r, under)) << "no lane plays a part";
    ASSERT_TRUE(layInParts(r, "music"));
    ASSERT_TRUE(applyBalance(r, under));
    EXPECT_DOUBLE_EQ(balanceAt(r, "music", 3).levels.at("drums"), -9);
    EXPECT_DOUBLE_EQ(balanceAt(r, "music", 3).levels.at("bass"), 0);
    // Over a span: outside of it everything is as before.
    ASSERT_TRUE(applyBalance(r, {"", "music", {{"drums", -20.0}}}, 10, 12, 0.5));
    for (const auto& [second, drums] :
         {std::pair(9.0, -9.0), {9.75, -14.5}, {10.0, -20.0}, {12.0, -20.0}, {13.0, -9.0}})
        EXPECT_NEAR(balanceAt(r, "music", second).levels.at("drums"), drums, 1e-9) << second;
    EXPECT_DOUBLE_EQ(balanceAt(r, "music", 11).levels.at("vocals"), 0);
    EXPECT_DOUBLE_EQ(balanceAt(r, "music", 20).levels.at("vocals"), kSilentLevel);
    ASSERT_TRUE(applyBalance(r, {"", "music", {{"drums", -3.0}}}, 0, 2, 0.5));
    EXPECT_DOUBLE_EQ(balanceAt(r, "music", 0).levels.at("drums"), -3);
    EXPECT_NEAR(balanceAt(r, "music", 11).levels.at("drums"), -20, 1e-9) << "what was drawn elsewhere stays";
    // Kept, listed after the shipped ones, removed; a broken file hides nothing.
    saveBalance(under);
    std::ofstream(folder / "data/rivlen/balances/broken.json") << "{\"format\": \"rivlen-balance\", \"version\": 1";
    const auto listed = listBalances("music");
    EXPECT_EQ(listed.back(), under);
    EXPECT_EQ(listed.front().name, "As it is");
    EXPECT_THROW(saveBalance({"", "music", {}}), Error);
    EXPECT_THROW(saveBalance({"Rhythm alone", "music", {}}), Error) << "a shipped one";
    EXPECT_THROW(removeBalance(listed.front()), Error);
    removeBalance(under);
    EXPECT_NE(listBalances("music").back(), under);
    // Another reel gets the same remix, laid out where it is not yet.
    Rebuild other = plainRebuild(20, false);
    EXPECT_FALSE(copyRemix(other, "music", r)) << "it has none";
    ASSERT_TRUE(copyRemix(r, "music", other));
    for (double second : {0.0, 5.0, 11.0, 15.0})
        EXPECT_EQ(balanceAt(other, "music", second), balanceAt(r, "music", second)) << second;
    unsetenv("XDG_DATA_HOME");
}
