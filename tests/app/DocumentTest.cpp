// The document and its file, without the window.
#include "StudioFixture.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Documents : WithoutWindow {
    std::vector<std::string> heard;
    void listen() {
        Document& d = studio->document;
        QObject::connect(&d, &Document::edited, [this] { heard.push_back("edited"); });
        QObject::connect(&d, &Document::changed, [this] { heard.push_back("changed"); });
        QObject::connect(&d, &Document::chosen, [this] { heard.push_back("chosen"); });
        QObject::connect(&d, &Document::voided, [this] { heard.push_back("voided"); });
        QObject::connect(&d, &Document::filled, [this] { heard.push_back("filled"); });
        QObject::connect(&d, &Document::travelled, [this] { heard.push_back("travelled"); });
    }
    using Heard = std::vector<std::string>;
};

}  // namespace

TEST_F(Documents, TellsThoseWhoFollowBeforeThoseWhoShow) {
    add(clip("a.wav", 1));
    listen();
    studio->document.editReel("Set Depth", [](Reel& r) { r.isolation().depth = 6; });
    EXPECT_EQ(heard, (Heard{"edited", "changed"}));
    heard.clear();
    studio->document.undo();
    EXPECT_EQ(reel().isolation().depth, kFullDepth);
    EXPECT_EQ(heard, (Heard{"edited", "changed", "chosen", "travelled"}));
    heard.clear();
    studio->document.reset({});
    EXPECT_EQ(heard, (Heard{"voided", "changed", "filled", "chosen"}));
}

TEST_F(Documents, AStageOrTheReelInUseIsNoEdit) {
    add(clip("a.wav", 1));
    add(clip("b.wav", 1));
    ASSERT_TRUE(studio->file.save(QString::fromStdString((folder / "s.rivlen").string())));
    studio->document.setStage(stage::weigh);
    studio->document.selectReel(studio->document.session().reels.front().id);
    EXPECT_FALSE(studio->document.history().modified());
    EXPECT_EQ(studio->document.history().undoName(), "Add b");
}

TEST_F(Documents, AnEditIsInTheCopyThatACrashLeaves) {
    add(clip("a.wav", 1));
    studio->document.editReel("Name", [](Reel& r) { r.note = "the knock"; });
    ASSERT_TRUE(until([&] {
        const QString copy = studio->file.recoverable();
        return !copy.isEmpty() && loadSession(toPath(copy)).reels.front().note == "the knock";
    }));
    studio.reset();  // as if it had been killed: nothing says goodbye to the file
    begin();
    ASSERT_FALSE(studio->file.recoverable().isEmpty());
    studio->file.recover();
    EXPECT_EQ(reel().note, "the knock");
    EXPECT_TRUE(studio->document.history().modified()) << "it was never saved";
    studio->document.undo();
    EXPECT_TRUE(studio->document.session().reels.empty());
}

TEST_F(Documents, EditsWithoutAPauseAreKeptAsWellAndACopyGoesWithWhatItWasFor) {
    add(clip("a.wav", 1));
    ASSERT_TRUE(studio->file.save(QString::fromStdString((folder / "s.rivlen").string())));
    // An edit each 50 ms: the copy does not wait for an end of them.
    for (int i = 0; studio->file.recoverable().isEmpty(); ++i) {
        ASSERT_LT(i, kPatienceMs / 50);
        studio->document.editReel("Name", [i](Reel& r) { r.note = std::to_string(i); });
        QTest::qWait(50);
    }
    while (studio->document.history().modified()) studio->document.undo();
    EXPECT_TRUE(studio->file.recoverable().isEmpty()) << "older than the file that it would be recovered over";
}

TEST_F(Documents, ASessionThatCannotBeReadLeavesTheOpenOne) {
    add(clip("a.wav", 1));
    std::ofstream(folder / "broken.rivlen") << "{\"format\": \"rivlen-session\", \"version\": 1, ";
    EXPECT_FALSE(studio->file.open(QString::fromStdString((folder / "broken.rivlen").string())));
    EXPECT_EQ(studio->document.session().reels.size(), 1u);
    ASSERT_EQ(warned.size(), 1u);
    EXPECT_TRUE(warned[0].contains("broken.rivlen")) << warned[0].toStdString();
}

TEST_F(Documents, ASessionThatNamesFilesElsewhereIsOpenedWhenTheUserSaysSo) {
    const fs::path recording = clip("a.wav", 1), file = folder / "sent/s.rivlen";
    Session sent;
    sent.reels.push_back(makeReel(sent, recording));
    fs::create_directories(folder / "sent");
    saveSession(sent, file);
    const QString name = QString::fromStdString(file.string());
    EXPECT_FALSE(studio->file.open(name)) << "nobody was asked";
    std::vector<std::filesystem::path> asked;
    bool answer = false;
    studio->file.askWith([&](const auto& files) { return asked = files, answer; });
    EXPECT_FALSE(studio->file.open(name));
    EXPECT_EQ(asked, std::vector<std::filesystem::path>{recording});
    EXPECT_TRUE(studio->document.session().reels.empty());
    answer = true;
    EXPECT_TRUE(studio->file.open(name));
    EXPECT_EQ(studio->document.session().reels.size(), 1u);
    asked.clear();
    EXPECT_TRUE(studio->file.open(name));
    EXPECT_TRUE(asked.empty()) << "asked once";
    // What was saved here names what the user added here.
    studio->file.begin();
    add(recording);
    fs::remove(folder / "data/rivlen/folders.json");
    EXPECT_TRUE(studio->file.save(name));
    EXPECT_TRUE(studio->file.open(name));
    EXPECT_TRUE(asked.empty());
}

TEST_F(Documents, RemembersTheLastEightFiles) {
    for (int i = 0; i < 10; ++i)
        ASSERT_TRUE(studio->file.save(QString::fromStdString((folder / std::to_string(i)).string() + ".rivlen")));
    const QStringList recent = studio->file.recent();
    ASSERT_EQ(recent.size(), 8);
    EXPECT_TRUE(recent[0].endsWith("9.rivlen"));
    EXPECT_TRUE(recent[7].endsWith("2.rivlen"));
}
