// Disks that are full, break, or answer late: each call of each kind below the writers fails once. Whatever fails, the
// outcome is a whole, right file and no complaint, or no file at all and one sentence.
#include <gtest/gtest.h>

#include <fstream>

#include "Places.h"
#include "Support.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();

struct Fault {
    const char *call, *how;
};

std::string bytesOf(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

struct FileFaults : testing::Test {
    TempFolder folder;
    fs::path out = folder / "out";

    /// Runs a command with its n-th call failing. Whether the call came at all.
    bool runWith(const std::string& command, const Fault& fault, int n, const fs::path& where, test::Run& result) {
        const fs::path log = folder / "happened";
        fs::remove(log);
        result = run("( cd '" + folder.path().string() + "' && XDG_DATA_HOME='" + (folder / "data").string() +
                     "' XDG_CACHE_HOME='" + (folder / "cache").string() + "' LD_PRELOAD=" + test::kFileFaults +
                     " RIVLEN_FAULT_FOLDER='" + where.string() + "' RIVLEN_FAULT_LOG='" + log.string() +
                     "' RIVLEN_FAULT=" + fault.call + ":" + std::to_string(n) + ":" + fault.how + " timeout 100 " +
                     cli + " " + command + " 2>&1 >/dev/null )");
        return fs::exists(log);
    }

    /// For each kind of fault and each number until the calls run out: all or nothing, and what is there is right.
    void allOrNothing(const std::string& command, const std::vector<Fault>& faults, const std::vector<fs::path>& made,
                      int most) {
        ASSERT_EQ(run("( cd '" + folder.path().string() + "' && XDG_CACHE_HOME='" + (folder / "cache").string() + "' " +
                      cli + " " + command + " 2>&1 )")
                      .code,
                  0);
        std::vector<std::string> right;
        for (const auto& file : made) right.push_back(bytesOf(file));
        fs::remove_all(out);
        int tried = 0;
        for (const auto& fault : faults)
            for (int n = 1; n <= most; ++n) {
                test::Run r;
                if (!runWith(command, fault, n, out, r)) {
                    fs::remove_all(out);
                    EXPECT_GT(n, 1) << fault.call << " never came: " << r.out;
                    break;
                }
                ++tried;
                const std::string shown = std::string(fault.call) + " " + std::to_string(n) + " " + fault.how + ": " +
                                          std::to_string(r.code) + "\n" + r.out;
                if (r.code == 0) {
                    for (size_t i = 0; i < made.size(); ++i) EXPECT_EQ(bytesOf(made[i]), right[i]) << shown;
                } else {
                    EXPECT_NE(r.out.find("rivlen-cli: "), std::string::npos) << shown;
                    for (const char* foreign : {"std::", "filesystem error", "libsndfile", "System error"})
                        EXPECT_EQ(r.out.find(foreign), std::string::npos) << shown;
                    for (size_t i = 0; i < made.size(); ++i)
                        EXPECT_TRUE(!fs::exists(made[i]) || bytesOf(made[i]) == right[i]) << "half a file: " << shown;
                }
                for (const auto& entry : entries(out))
                    EXPECT_NE(entry.extension(), ".part") << entry << " was left: " << shown;
                fs::remove_all(out);
            }
        EXPECT_GT(tried, 5);
    }
};

}  // namespace

TEST_F(FileFaults, ATreatedFileIsWholeOrNotThere) {
    writeWav(folder / "in.wav", sine(300, 0.3, 48000, 48000, 2), 48000);
    const std::vector<Fault> faults{{"open", "EACCES"}, {"open", "ENOSPC"}, {"write", "ENOSPC"},
                                    {"write", "EIO"},   {"write", "short"}, {"write", "EINTR"},
                                    {"link", "EIO"},    {"link", "ENOSPC"}, {"fsync", "EIO"}};
    allOrNothing("treat in.wav --set dc-offset=100 --out out/a.wav", faults, {out / "a.wav"}, 12);
    allOrNothing("treat in.wav --set dc-offset=100 --out out/a.flac", faults, {out / "a.flac"}, 12);
}

TEST_F(FileFaults, AHandOverIsWholeOrNotThere) {
    writeWav(folder / "in.wav", sine(300, 0.3, 48000, 24000, 2), 48000);
    std::ofstream(folder / "s.rivlen") << R"({"format": "rivlen-session", "version": 4, "name": "S", "reels": [
        {"id": "r1", "name": "A", "source": "in.wav", "quality": "quick"}]})";
    ASSERT_EQ(run("( cd '" + folder.path().string() + "' && XDG_CACHE_HOME='" + (folder / "cache").string() + "' " +
                  cli + " handover s.rivlen --out out 2>&1 )")
                  .code,
              0);
    std::vector<std::string> names;
    for (const auto& entry : fs::recursive_directory_iterator(out))
        if (entry.is_regular_file()) names.push_back(fs::relative(entry.path(), out).string());
    fs::remove_all(out);
    for (const Fault& fault : {Fault{"write", "ENOSPC"}, Fault{"open", "EACCES"}, Fault{"rename", "EIO"}})
        for (const int n : {1, 2, 5, 9, 14}) {
            test::Run r;
            if (!runWith("handover s.rivlen --out out", fault, n, out, r)) {
                fs::remove_all(out);
                EXPECT_GT(n, 1) << fault.call << " never came: " << r.out;
                break;
            }
            std::vector<std::string> found;
            for (const auto& entry : fs::recursive_directory_iterator(out, fs::directory_options::none))
                if (entry.is_regular_file()) found.push_back(fs::relative(entry.path(), out).string());
            const std::string shown =
                std::string(fault.call) + " " + std::to_string(n) + ": " + std::to_string(r.code) + "\n" + r.out;
            EXPECT_EQ(found.size(), r.code == 0 ? names.size() : 0)
                << "of " << names.size() << " there are " << found.size() << ": " << shown;
            fs::remove_all(out);
        }
}

TEST_F(FileFaults, ASourceThatCannotBeReadToItsEndGivesNoStems) {
    writeWav(folder / "in/in.wav", sine(300, 0.3, 48000, 48000 * 12, 2), 48000);
    int refused = 0;
    for (const Fault& fault : {Fault{"read", "EIO"}, Fault{"read", "short"}, Fault{"read", "EINTR"}})
        for (int n = 1; n <= 61; n += 15) {
            test::Run r;
            if (!runWith("treat in/in.wav --set dc-offset=100 --out out/a.wav", fault, n, folder / "in", r)) break;
            const std::string shown = std::string(fault.call) + " " + std::to_string(n) + " " + fault.how + ": " +
                                      std::to_string(r.code) + "\n" + r.out;
            if (r.code == 0) {
                MediaReader a(out / "a.wav"), b(folder / "in/in.wav");
                ASSERT_EQ(a.frames(), b.frames()) << shown;
                EXPECT_LT(differenceDb(a.read(0, a.frames()), b.read(0, b.frames())), -100) << shown;
            } else {
                ++refused;
                EXPECT_EQ(r.code, 3) << shown;
                EXPECT_FALSE(fs::exists(out / "a.wav")) << shown;
            }
            fs::remove_all(out);
        }
    EXPECT_GT(refused, 0);
}
