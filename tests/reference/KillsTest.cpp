// Programs end at any moment: a machine is switched off, a batch system kills. Each command is killed at random moments
// of its run; no file under a final name is half, the source is as it was, the same command then goes through, gives
// the same bytes and leaves nothing hidden behind. RIVLEN_KILLS says how often (docs/reliability.md: 200; in CI fewer).
#include <gtest/gtest.h>
#include <signal.h>
#include <sys/wait.h>
#include <unistd.h>

#include <fstream>
#include <map>
#include <random>

#include "Support.h"
#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

std::string bytesOf(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

/// The names of all files below a folder, hidden ones apart.
std::vector<std::string> filesIn(const fs::path& folder, bool hidden) {
    std::vector<std::string> found;
    std::error_code absent;
    for (const auto& entry : fs::recursive_directory_iterator(folder, absent)) {
        const std::string name = fs::relative(entry.path(), folder).string();
        if (entry.is_regular_file() && (name.front() == '.' || name.find("/.") != std::string::npos) == hidden)
            found.push_back(name);
    }
    return found;
}

/// The samples of a sound file, or nothing where it cannot be read whole; of others, which hold the date, nothing.
/// Headers hold the date as well: what counts is the sound.
std::vector<float> soundOf(const fs::path& file) {
    if (file.extension() != ".wav" && file.extension() != ".flac") return {};
    try {
        MediaReader reader(file);
        const AudioBuffer x = reader.read(0, reader.frames());
        return {x.samples().begin(), x.samples().end()};
    } catch (const Error&) {
        return {};
    }
}

struct Kills : testing::Test {
    TempFolder folder;
    const std::string cli = (programFolder() / "rivlen-cli").string();

    pid_t begin(const std::string& command) {
        const pid_t child = fork();
        if (child != 0) return child;
        setpgid(0, 0);
        const std::string line = "cd '" + folder.path().string() +
                                 "' && XDG_CACHE_HOME=cache XDG_DATA_HOME=data exec " + cli + " " + command +
                                 " >/dev/null 2>&1";
        execl("/bin/sh", "sh", "-c", line.c_str(), nullptr);
        _exit(127);
    }
    int waitOf(pid_t child) {
        int status = 0;
        waitpid(child, &status, 0);
        return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
    }
    void clear() {
        for (const char* name : {"out", "cache", "data"}) fs::remove_all(folder / name);
    }
};

}  // namespace

TEST_F(Kills, LeaveNothingHalfAndNothingBehind) {
    writeWav(folder / "in.wav", sine(300, 0.3, 48000, 96000, 2), 48000);
    std::ofstream(folder / "s.rivlen") << R"({"format": "rivlen-session", "version": 4, "name": "S", "reels": [
        {"id": "r1", "name": "A", "source": "in.wav", "quality": "quick"}]})";
    const std::string source = bytesOf(folder / "in.wav");
    const std::vector<std::string> commands{"split in.wav --out out --quality quick --force",
                                            "treat in.wav --set dc-offset=100 --out out/a.wav --force",
                                            "dispatch s.rivlen --out out --force", "handover s.rivlen --out out"};
    const int kills = test::kills(8);
    std::mt19937 random(seed());
    int killed = 0;
    for (size_t c = 0; c < commands.size(); ++c) {
        clear();
        const auto start = std::chrono::steady_clock::now();
        ASSERT_EQ(waitOf(begin(commands[c])), 0) << commands[c];
        const double whole = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        std::map<std::string, std::vector<float>> right;
        for (const auto& name : filesIn(folder / "out", false)) right[name] = soundOf(folder / "out" / name);
        ASSERT_FALSE(right.empty());
        for (int k = int(c); k < kills; k += int(commands.size())) {
            clear();
            const double after = std::uniform_real_distribution<>(0, 1.05 * whole)(random);
            const pid_t child = begin(commands[c]);
            std::this_thread::sleep_for(std::chrono::duration<double>(after));
            kill(-child, SIGKILL);
            killed += waitOf(child) != 0;
            const std::string shown = commands[c] + ", killed after " + std::to_string(after) + " s";
            for (const auto& name : filesIn(folder / "out", false)) {
                ASSERT_TRUE(right.count(name)) << name << " is none of its files: " << shown;
                EXPECT_TRUE(soundOf(folder / "out" / name) == right.at(name)) << name << " is half: " << shown;
            }
            EXPECT_TRUE(bytesOf(folder / "in.wav") == source) << shown;
            if (commands[c].rfind("handover", 0) == 0)  // it has no --force: what it has finished is taken away by hand
                for (const auto& entry : entries(folder / "out"))
                    if (entry.filename().native().front() != '.') fs::remove_all(entry);
            ASSERT_EQ(waitOf(begin(commands[c])), 0) << "the same command, once more: " << shown;
            for (const auto& [name, sound] : right)
                EXPECT_TRUE(soundOf(folder / "out" / name) == sound) << name << ": " << shown;
            for (const auto& name : filesIn(folder / "out", true))
                ADD_FAILURE() << name << " was left behind: " << shown;
        }
    }
    EXPECT_GT(killed, kills / 2) << "most must fall into the run";
    RecordProperty("killed", killed);
}

/// The window itself, driven by a seeded hand (tests/soak), on a platform without a screen or a virtual display.
TEST_F(Kills, OfTheWindowLoseNothingThatWasKept) {
    const int kills = test::kills(3);
    std::mt19937 random(seed());
    setenv("QT_QPA_PLATFORM", "offscreen", 0);
    const fs::path week = folder / "week";
    const std::string soak = (programFolder() / "rivlen-soak").string();
    ASSERT_EQ(run(soak + " '" + week.string() + "' 12 5 " + std::to_string(seed()) + " 2>&1").code, 0);
    std::map<std::string, std::string> sources;
    for (const auto& entry : entries(week / "media")) sources[entry.filename().string()] = bytesOf(entry);
    int killed = 0;
    for (int k = 0; k < kills; ++k) {
        const std::string number = std::to_string(random() % 100000);
        const pid_t child = fork();
        if (child == 0) {
            setpgid(0, 0);
            const std::string line =
                "exec " + soak + " '" + week.string() + "' 100000 5 " + number + " >/dev/null 2>&1";
            execl("/bin/sh", "sh", "-c", line.c_str(), nullptr);
            _exit(127);
        }
        const double after = std::uniform_real_distribution<>(0.3, 7)(random);
        std::this_thread::sleep_for(std::chrono::duration<double>(after));
        kill(-child, SIGKILL);
        killed += waitOf(child) != 0;
        const std::string shown = "seed " + number + ", killed after " + std::to_string(after) + " s";
        const test::Run next = run(soak + " '" + week.string() + "' 0 5 1 2>&1");
        EXPECT_EQ(next.code, 0) << shown << "\n" << next.out;
        EXPECT_EQ(next.out.find("0 reels"), std::string::npos) << shown << "\n" << next.out;
        for (const auto& [name, bytes] : sources) EXPECT_TRUE(bytesOf(week / "media" / name) == bytes) << name << shown;
        for (const auto& name : filesIn(week / "out", false))
            if (fs::path(name).extension() == ".wav") {
                EXPECT_FALSE(soundOf(week / "out" / name).empty()) << name << shown;
            }
        for (const auto& name : filesIn(week, false))
            EXPECT_EQ(name.find(".part"), std::string::npos) << name << " was left: " << shown;
    }
    EXPECT_GT(killed, kills / 2);
    RecordProperty("killed", killed);
}
