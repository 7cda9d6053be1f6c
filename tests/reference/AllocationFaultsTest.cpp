// Memory that runs out, and whatever else libraries throw: each command at many depths. All ends in one sentence of
// ours, or the work is done; nothing half is left.
#include <gtest/gtest.h>

#include <fstream>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Command {
    const char *name, *arguments;
    size_t block;  ///< bytes of a large block of this command
    int least;     ///< how many of the trials must have happened
};

class AllocationFaults : public testing::TestWithParam<Command> {
protected:
    TempFolder folder;
    int happened = 0;

    void SetUp() override {
        writeWav(folder / "in.wav", programme(2, 48000, 48000 * 6), 48000);
        fs::copy_file(folder / "in.wav", folder / "truth.wav");
        std::ofstream(folder / "s.rivlen") << R"({"format": "rivlen-session", "version": 4, "name": "S", "reels": [
            {"id": "r1", "name": "A", "source": "in.wav", "quality": "quick"}]})";
        fs::copy(fs::path(test::kSourceFolder) / "tests/data/networks/halves.ts", folder / "halves.ts");
        fs::copy(fs::path(test::kSourceFolder) / "tests/data/networks/halves.json", folder / "halves.json");
    }

    void failAt(int n, const char* kind) {
        const Command& command = GetParam();
        const fs::path log = folder / "happened";
        for (const char* name : {"out", "cache", "data"}) fs::remove_all(folder / name);
        fs::remove(log);
        const test::Run r =
            run("( cd '" + folder.path().string() +
                "' && XDG_DATA_HOME=data XDG_CACHE_HOME=cache LD_PRELOAD=" + std::string(test::kAllocationFaults) +
                " RIVLEN_FAULT_LOG='" + log.string() + "' RIVLEN_FAULT_ALLOCATION=" + std::to_string(n) + ":" + kind +
                ":" + std::to_string(command.block) + " timeout 100 " + (programFolder() / "rivlen-cli").string() +
                " " + command.arguments + " 2>&1 >/dev/null )");
        const std::string shown = std::string(command.arguments) + ", " + kind + " at " + std::to_string(n) + ": " +
                                  std::to_string(r.code) + "\n" + r.out;
        EXPECT_LE(r.code, 5) << "it crashed or hung: " << shown;
        for (const char* foreign :
             {"std::", "c10", "aten", "exception", "filesystem error", "basic_string", "terminate", "line 7"})
            EXPECT_EQ(r.out.find(foreign), std::string::npos) << shown;
        if (r.code != 0) {
            EXPECT_NE(r.out.find("rivlen-cli: "), std::string::npos) << shown;
            EXPECT_TRUE(entries(folder / "out").empty()) << "something was left: " << shown;
        }
        happened += fs::exists(log);
    }
};

}  // namespace

TEST_P(AllocationFaults, AreOneSentence) {
    for (int n = 1; n <= 200; n = n * 3 + 1) failAt(n, "memory");
    for (const char* kind : {"file", "json", "range", "library"})
        for (const int n : {1, 6}) failAt(n, kind);
    EXPECT_GE(happened, GetParam().least);
}

INSTANTIATE_TEST_SUITE_P(Commands, AllocationFaults,
                         testing::Values(Command{"inspect", "inspect in.wav", 4096, 8},
                                         Command{"split", "split in.wav --out out --quality quick", 65536, 8},
                                         Command{"treat", "treat in.wav --set dc-offset=100 --out out/a.wav", 16384, 8},
                                         Command{"weigh", "weigh in.wav --quality quick", 65536, 8},
                                         Command{"dispatch", "dispatch s.rivlen --out out", 65536, 8},
                                         Command{"handover", "handover s.rivlen --out out", 65536, 8},
                                         Command{"networks", "networks check halves.json", 1024, 2},
                                         Command{"score", "score --reference truth.wav --estimate in.wav", 65536, 8}),
                         [](const auto& info) { return std::string(info.param.name); });
