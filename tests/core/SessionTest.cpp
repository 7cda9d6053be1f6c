#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/session/History.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

Session example(const fs::path& folder) {
    Session s;
    s.name = "Harbour";
    s.reels.push_back(makeReel(s, folder / "media/a.wav"));
    s.reels.push_back(makeReel(s, folder / "media/b.wav"));
    s.reels[1].isolation().depth = 12;
    s.reels[1].isolation().firmness = -25;
    s.reels[1].loop = {1.5, 2.25};
    s.reels[1].quality = "quick";
    s.current = s.reels[1].id;
    s.stage = "weigh";
    return s;
}

}  // namespace

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

TEST(Session, ReelIdsStayUnique) {
    Session s;
    for (int i = 0; i < 3; ++i) s.reels.push_back(makeReel(s, "/x/a.wav"));
    s.reels.erase(s.reels.begin());
    const Reel next = makeReel(s, "/x/a.wav");
    EXPECT_EQ(s.reel(next.id), nullptr);
}

TEST(History, UndoesAndRedoes) {
    History h;
    h.edit("Name", [](Session& s) { s.name = "A"; });
    h.edit("Name again", [](Session& s) { s.name = "B"; });
    EXPECT_EQ(h.undoName(), "Name again");
    h.undo();
    EXPECT_EQ(h.session().name, "A");
    EXPECT_EQ(h.redoName(), "Name again");
    h.redo();
    EXPECT_EQ(h.session().name, "B");
    h.undo();
    h.edit("Other", [](Session& s) { s.name = "C"; });
    EXPECT_FALSE(h.canRedo());
}

TEST(History, AGestureIsOneStepAndNothingIsNone) {
    History h;
    h.reset(example("/x"));
    const auto depth = [](double d) { return [d](Session& s) { s.reels[0].isolation().depth = d; }; };
    for (double d : {50.0, 40.0, 30.0}) h.edit("Set Depth", depth(d), "depth_db");
    h.endGesture();
    h.edit("Set Depth", depth(20), "depth_db");
    h.edit("Set Depth", depth(20));
    h.undo();
    EXPECT_DOUBLE_EQ(h.session().reels[0].isolation().depth, 30);
    h.undo();
    EXPECT_DOUBLE_EQ(h.session().reels[0].isolation().depth, kFullDepth);
    EXPECT_FALSE(h.canUndo());
}

TEST(History, KnowsWhatIsSaved) {
    History h;
    h.reset(example("/x"));
    h.remember([](Session& s) { s.stage = "intake"; });
    EXPECT_FALSE(h.modified()) << "looking around changes nothing";
    h.edit("Name", [](Session& s) { s.name = "New"; });
    EXPECT_TRUE(h.modified());
    h.markSaved();
    EXPECT_FALSE(h.modified());
}

TEST(History, UndoKeepsTheUserWhereHeIs) {
    History h;
    h.reset(example("/x"));
    h.edit("Set", [](Session& s) { s.reels[0].isolation().depth = 3; });
    h.remember([](Session& s) { s.stage = "dispatch"; });
    h.undo();
    EXPECT_EQ(h.session().stage, "dispatch");
}
