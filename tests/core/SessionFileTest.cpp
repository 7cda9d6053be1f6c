#include <gtest/gtest.h>

#include <fstream>

#include "ExampleSession.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

TEST(SessionFile, RoundTrips) {
    const TempFolder folder;
    const Session s = example(folder.path());
    saveSession(s, folder / "harbour.rivlen");
    EXPECT_EQ(loadSession(folder / "harbour.rivlen"), s);
}

TEST(SessionFile, SurvivesBeingMovedWithItsMedia) {
    const TempFolder folder;
    fs::create_directories(folder / "one/media");
    saveSession(example(folder / "one"), folder / "one/harbour.rivlen");
    fs::rename(folder / "one", folder / "two");
    const Session moved = loadSession(folder / "two/harbour.rivlen");
    EXPECT_EQ(moved.reels[0].source, folder / "two/media/a.wav");
    std::ifstream in(folder / "two/harbour.rivlen");
    const std::string text((std::istreambuf_iterator<char>(in)), {});
    EXPECT_EQ(text.find(folder.path().string()), std::string::npos) << "paths are relative";
}

TEST(SessionFile, TheFirstVersionsOneStrengthIsStillRead) {
    const TempFolder folder;
    std::ofstream(folder / "old.rivlen")
        << R"({"format": "rivlen-session", "version": 1, "name": "Old", "stage": "weigh", "current": "r1", "reels": [
        {"id": "r1", "name": "Deck", "source": "deck.wav",
         "isolation": {"stem": "music", "depth_db": 12, "firmness": 20}}]})";
    const Session session = loadSession(folder / "old.rivlen");
    ASSERT_EQ(session.reels.size(), 1u);
    const Reel& reel = session.reels[0];
    EXPECT_EQ(reel.stem, "music");
    EXPECT_EQ(reel.isolation().depth, 12);
    EXPECT_EQ(reel.isolation().firmness, 20);
    EXPECT_EQ(reel.strength[0].base, IsolationSettings{}) << "the other stems are plain";
    // Saved again it is a file of today.
    saveSession(session, folder / "new.rivlen");
    EXPECT_EQ(loadSession(folder / "new.rivlen").reels[0].strength, reel.strength);
}

TEST(SessionFile, AReelsSceneLiesBesideIt) {
    const TempFolder folder;
    Session s = example(folder.path());
    s.reels[0].scene = folder / "media/deck.scene";
    saveSession(s, folder / "harbour.rivlen");
    EXPECT_EQ(loadSession(folder / "harbour.rivlen"), s);
    EXPECT_NE(sessionText(s, folder.path()).find("\"media/deck.scene\""), std::string::npos) << "relative";
}

TEST(SessionFile, TheFormerNetworkQuickIsAQualityNow) {
    const Session session = parseSession(
        R"({"format": "rivlen-session", "version": 1, "name": "Old", "reels": [
        {"id": "r1", "name": "Deck", "source": "deck.wav", "network": "quick", "quality": "fine"}]})",
        "/somewhere/old.rivlen");
    EXPECT_EQ(session.reels[0].network, "");
    EXPECT_EQ(session.reels[0].quality, "quick");
}

TEST(SessionFile, DamageIsASentence) {
    const TempFolder folder;
    for (
        const char* text :
        {"", "{", "[1]", R"({"format":"x"})", R"({"format":"rivlen-session","version":99,"reels":[]})",
         R"({"format":"rivlen-session","version":1})",
         R"({"format":"rivlen-session","version":1,"reels":[{"id":"a"}]})",
         R"({"format":"rivlen-session","version":1,"reels":[{"id":"a","source":"x"},{"id":"a","source":"x"}]})",
         R"({"format":"rivlen-session","version":1,"reels":[{"id":"a","source":"x","isolation":{"firmness":900}}]})"}) {
        std::ofstream(folder / "bad.rivlen") << text;
        EXPECT_THROW(loadSession(folder / "bad.rivlen"), Error) << text;
    }
    EXPECT_THROW(loadSession(folder / "gone.rivlen"), Error);
}

TEST(SessionFile, AFailedSaveLeavesTheOldFile) {
    const TempFolder folder;
    Session s = example(folder.path());
    saveSession(s, folder / "s.rivlen");
    fs::create_directory(folder / ".s.rivlen.part");  // stands in the way, for root as well
    s.name = "Other";
    EXPECT_THROW(saveSession(s, folder / "s.rivlen"), Error);
    EXPECT_EQ(loadSession(folder / "s.rivlen").name, "Harbour");
}
