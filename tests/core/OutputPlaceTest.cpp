#include "core/media/OutputPlace.h"

#include <gtest/gtest.h>
#include <sys/stat.h>
#include <sys/wait.h>

#include <fstream>

#include "Support.h"
#include "core/base/Error.h"
#include "core/media/FinalName.h"
#include "core/media/WholeFile.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

std::string refusal(const fs::path& file, bool overwrite, const fs::path& source = {}) {
    try {
        checkOutputPlace(file, overwrite, source);
    } catch (const Error& e) {
        return e.what();
    }
    return "";
}

void touch(const fs::path& file, const std::string& text = "x") { std::ofstream(file) << text; }

}  // namespace

TEST(OutputPlace, OnlyFreeNamesAndRegularFilesAreWrittenTo) {
    const TempFolder folder;
    touch(folder / "there.wav");
    ::mkfifo((folder / "pipe.wav").c_str(), 0600);
    EXPECT_EQ(refusal(folder / "free.wav", false), "");
    EXPECT_NE(refusal(folder / "there.wav", false).find("--force"), std::string::npos);
    EXPECT_EQ(refusal(folder / "there.wav", true), "");
    EXPECT_NE(refusal(folder / "pipe.wav", true).find("pipe"), std::string::npos);
    EXPECT_NE(refusal("/dev/null", true).find("device"), std::string::npos);
    EXPECT_NE(refusal(folder.path(), true).find("folder"), std::string::npos);
    EXPECT_NE(refusal(folder / std::string(300, 'a'), true).find("longer"), std::string::npos);
}

TEST(OutputPlace, TheSourceIsRefusedByEveryName) {
    const TempFolder folder;
    const fs::path source = folder / "source.wav";
    touch(source);
    fs::create_symlink(source, folder / "link.wav");
    fs::create_hard_link(source, folder / "hard.wav");
    fs::create_directory(folder / "sub");
    for (const fs::path& name : {source, folder / "link.wav", folder / "hard.wav", folder / "sub" / ".." / "source.wav",
                                 folder / "./source.wav"})
        EXPECT_NE(refusal(name, true, source).find("source itself"), std::string::npos) << name;
    EXPECT_EQ(refusal(folder / "other.wav", true, source), "");
}

TEST(OutputPlace, NothingTakesTheNameOfAPipe) {
    const TempFolder folder;
    ::mkfifo((folder / "pipe").c_str(), 0600);
    touch(folder / "part");
    EXPECT_TRUE(giveFinalName(folder / "part", folder / "pipe", true));
    EXPECT_FALSE(writeWholeFile(folder / "pipe", "text"));
    EXPECT_TRUE(fs::is_fifo(folder / "pipe"));
    EXPECT_TRUE(fs::exists(folder / "part")) << "what was made is not lost";
}

TEST(PartFile, IsGoneWithItsWriterAndClearedAfterAKill) {
    const TempFolder folder;
    fs::path mine;
    {
        const PartFile part(folder / "a.wav");
        mine = part.path();
        touch(mine);
        PartFile::clearAbandoned(folder.path());
        EXPECT_TRUE(fs::exists(mine)) << "a living writer's is left alone";
    }
    EXPECT_FALSE(fs::exists(mine));
    const pid_t child = fork();
    if (child == 0) {
        auto* part = new PartFile(folder / "b.wav");  // killed: it is never deleted
        std::ofstream(part->path()) << "half";
        raise(SIGKILL);
    }
    int status = 0;
    waitpid(child, &status, 0);
    ASSERT_TRUE(WIFSIGNALED(status));
    touch(folder / ".notes.part");
    touch(folder / ".c.wav.part");
    ASSERT_EQ(entries(folder.path()).size(), 3u);
    const PartFile next(folder / "d.wav");
    EXPECT_EQ(entries(folder.path()).size(), 3u) << "the killed one's is gone, its own is there, others' are kept";
    EXPECT_TRUE(fs::exists(folder / ".notes.part"));
}

TEST(PartFile, LongNamesHaveRoomForWhatIsAdded) {
    const TempFolder folder;
    const PartFile part(folder / (std::string(250, 'n') + ".wav"));
    EXPECT_LE(part.path().filename().native().size(), 255u);
    EXPECT_TRUE(fs::exists(part.path()));
}
