#include "core/session/NamedFolders.h"

#include <gtest/gtest.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct NamedFolders : testing::Test {
    TempFolder folder;
    fs::path file = folder / "work/s.rivlen";

    void SetUp() override {
        setenv("XDG_DATA_HOME", (folder / "data").c_str(), 1);
        for (const char* name : {"work/media", "elsewhere/deep"}) fs::create_directories(folder / name);
        for (const char* name : {"work/media/a.wav", "elsewhere/b.wav", "elsewhere/deep/c.wav"})
            std::ofstream(folder / name) << "sound";
    }
    void TearDown() override { unsetenv("XDG_DATA_HOME"); }
    Session naming(std::vector<fs::path> sources) {
        Session s;
        for (const auto& source : sources) s.reels.push_back(makeReel(s, source));
        return s;
    }
};

}  // namespace

TEST_F(NamedFolders, WhatLiesBelowTheSessionGoesWithIt) {
    EXPECT_TRUE(foreignFiles(naming({folder / "work/media/a.wav", folder / "work/gone.wav"}), file).empty());
    const auto foreign = foreignFiles(naming({folder / "work/../elsewhere/b.wav", folder / "work/media/a.wav"}), file);
    ASSERT_EQ(foreign.size(), 1u);
    EXPECT_EQ(foreign[0], folder / "elsewhere/b.wav");
}

TEST_F(NamedFolders, ALinkCountsAsWhatItLeadsTo) {
    fs::create_symlink(folder / "elsewhere/b.wav", folder / "work/media/link.wav");
    fs::create_directory_symlink(folder / "elsewhere", folder / "work/folder");
    EXPECT_EQ(foreignFiles(naming({folder / "work/media/link.wav"}), file).size(), 1u);
    EXPECT_EQ(foreignFiles(naming({folder / "work/folder/deep/c.wav"}), file).size(), 1u);
}

TEST_F(NamedFolders, FoldersThatWereWorkedInAreTheUsersOwnAndNoOthers) {
    const Session s = naming({folder / "elsewhere/b.wav"});
    rememberFolders(s);
    EXPECT_TRUE(foreignFiles(s, file).empty());
    EXPECT_EQ(foreignFiles(naming({folder / "elsewhere/deep/c.wav"}), file).size(), 1u) << "folders below it as well";
    std::ofstream(folder / "data/rivlen/folders.json") << "{damaged";
    EXPECT_EQ(foreignFiles(s, file).size(), 1u) << "a damaged list allows nothing";
    rememberFolders(s);
    EXPECT_TRUE(foreignFiles(s, file).empty());
}

TEST_F(NamedFolders, SoundsOfARebuildCountToo) {
    Session s = naming({folder / "work/media/a.wav"});
    s.reels[0].rebuild.edit().sounds.push_back({"sound-1", "b", folder / "elsewhere/b.wav"});
    EXPECT_EQ(foreignFiles(s, file).size(), 1u);
}

TEST_F(NamedFolders, ScenesCountToo) {
    Session s = naming({folder / "work/media/a.wav"});
    s.reels[0].scene = folder / "elsewhere/b.scene";
    EXPECT_EQ(foreignFiles(s, file).size(), 1u);
}

TEST_F(NamedFolders, ACommandWantsToBeTold) {
    saveSession(naming({folder / "elsewhere/b.wav"}), file);
    try {
        loadOwnSession(file, false);
        FAIL();
    } catch (const Error& e) {
        EXPECT_EQ(e.kind(), Error::Kind::Usage);
        EXPECT_NE(std::string(e.what()).find("--anywhere"), std::string::npos) << e.what();
    }
    EXPECT_EQ(loadOwnSession(file, true).reels.size(), 1u);
}
