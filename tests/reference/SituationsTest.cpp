// Situations that the command line can get into, as a table: what is given, how it ends, what the sentence must say and
// that nothing is left behind. The rules are the command line's contract: one line that names the file, the reason and
// what to do; no file under a final name that is not whole; the source never touched.
#include <gtest/gtest.h>
#include <sys/stat.h>
#include <sys/wait.h>

#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>

#include "Support.h"
#include "core/base/Resources.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

const std::string cli = (programFolder() / "rivlen-cli").string();

struct Situation {
    std::string command;             ///< after "rivlen-cli "; run in a folder that holds files() of broken things
    int code;                        ///< it ends with
    std::vector<std::string> words;  ///< that what it says must hold
};

void put(const fs::path& file, const std::string& bytes) { std::ofstream(file, std::ios::binary) << bytes; }

std::string bytesOf(const fs::path& file) {
    std::ifstream in(file, std::ios::binary);
    return {std::istreambuf_iterator<char>(in), {}};
}

/// One second of a tone and noise, and whatever can be wrong with files.
void makeFiles(const fs::path& f) {
    std::mt19937 random(5);
    std::normal_distribution<float> noise(0, 0.02f);
    AudioBuffer x = sine(300, 0.3, 48000, 96000, 2);
    for (float& v : x.samples()) v += noise(random);
    writeWav(f / "good.wav", x, 48000);
    writeWav(f / "other.wav", x, 48000);
    writeWav(f / "silent.wav", AudioBuffer(2, 96000), 48000);
    AudioBuffer still(2, 96000);
    for (float& v : still.samples()) v = 0.25f;
    writeWav(f / "still.wav", still, 48000);
    writeWav(f / "short.wav", x.slice(0, 4800), 48000);
    writeWav(f / "slow.wav", x.slice(0, 2000), 1000);
    AudioBuffer odd = x;
    odd.channel(0)[100] = NAN;
    odd.channel(1)[200] = INFINITY;
    writeWav(f / "odd.wav", odd, 48000);
    const std::string good = bytesOf(f / "good.wav");
    put(f / "cut.wav", good.substr(0, good.size() - 20000));
    put(f / "empty.wav", "");
    put(f / "text.wav", "this is no sound at all, only some words that somebody gave another suffix\n");
    put(f / "header.wav", good.substr(0, 44));
    put(f / "zeros.wav", std::string(5000, '\0'));
    const std::string convert = "cd '" + f.string() + "' && ffmpeg -v error -y ";
    ASSERT_EQ(run(convert + "-i good.wav good.flac").code, 0);
    ASSERT_EQ(run(convert + "-i good.wav good.mp3 -i good.wav good.mkv").code, 0);
    ASSERT_EQ(run(convert + "-f lavfi -i testsrc=s=64x64:d=1 -c:v mpeg4 picture.mp4").code, 0);
    std::string flac = bytesOf(f / "good.flac");
    put(f / "cut.flac", flac.substr(0, flac.size() * 9 / 10));
    for (size_t i = 0; i < 200; ++i) flac[flac.size() / 2 + i] = char(random());
    put(f / "damaged.flac", flac);
    const std::string mkv = bytesOf(f / "good.mkv");
    put(f / "cut.mkv", mkv.substr(0, mkv.size() * 8 / 10));
    fs::create_directory(f / "folder.wav");
    ::mkfifo((f / "pipe.wav").c_str(), 0600);
    fs::create_symlink("circle2.wav", f / "circle1.wav");
    fs::create_symlink("circle1.wav", f / "circle2.wav");
    fs::create_symlink("good.wav", f / "link.wav");
    fs::create_hard_link(f / "good.wav", f / "hard.wav");
    const auto session = [&](const char* name, const std::string& text) { put(f / name, text); };
    const std::string reel = R"({"id": "r1", "name": "A", "source": "good.wav"})";
    session("good.rivlen", R"({"format": "rivlen-session", "version": 4, "reels": [)" + reel + "]}");
    session("noreels.rivlen", R"({"format": "rivlen-session", "version": 4, "reels": []})");
    session("other.rivlen", R"({"format": "something"})");
    session("nojson.rivlen", "{\"format\": \"rivlen-session\", ");
    session("newer.rivlen", R"({"format": "rivlen-session", "version": 99, "reels": []})");
    session("minus.rivlen", R"({"format": "rivlen-session", "version": -3, "reels": []})");
    session("noversion.rivlen", R"({"format": "rivlen-session", "reels": []})");
    session("list.rivlen", "[1, 2, 3]");
    session("ultra.rivlen", R"({"format": "rivlen-session", "version": 4,
        "reels": [{"id": "r1", "name": "A", "source": "good.wav", "quality": "ultra"}]})");
    session("stage.rivlen",
            R"({"format": "rivlen-session", "version": 4, "stage": "kitchen", "reels": [)" + reel + "]}");
    session("loop.rivlen", R"({"format": "rivlen-session", "version": 4,
        "reels": [{"id": "r1", "name": "A", "source": "good.wav", "loop": [2, 1]}]})");
    session("kind.rivlen", R"({"format": "rivlen-session", "version": 4, "reels": [{"id": 7, "source": true}]})");
    session("nosource.rivlen", R"({"format": "rivlen-session", "version": 4, "reels": [{"id": "r1", "name": "A"}]})");
    session("twice.rivlen", R"({"format": "rivlen-session", "version": 4, "reels": [)" + reel + "," + reel + "]}");
    session("gone.rivlen", R"({"format": "rivlen-session", "version": 4,
        "reels": [{"id": "r1", "name": "A", "source": "nowhere.wav"}]})");
    session("abroad.rivlen", R"({"format": "rivlen-session", "version": 4,
        "reels": [{"id": "r1", "name": "A", "source": "/dev/shm/abroad.wav"}]})");
    session("treatment.rivlen", R"({"format": "rivlen-session", "version": 4,
        "reels": [{"id": "r1", "name": "A", "source": "good.wav", "treatments": [{"id": "de-what", "amount": 1}]}]})");
    session("huge.rivlen", R"({"format": "rivlen-session", "version": 4, "reels": [], "x": 1e300})");
    session("damaged.rivlen", R"({"format": "rivlen-session", "version": 4,
        "reels": [{"id": "r1", "name": "A", "source": "damaged.flac", "quality": "quick"}]})");
    session("card.json", R"({"format":"rivlen-network","version":1,"id":"x"})");
    session("set.json", "{");
}

std::vector<Situation> situations() {
    std::vector<Situation> all;
    // What cannot be read, by every command that reads a recording.
    const std::vector<std::pair<std::string, std::vector<std::string>>> unreadable{
        {"nowhere.wav", {"nowhere.wav", "is not there"}},
        {"nofolder/x.wav", {"is not there"}},
        {"good.wav/x.wav", {"good.wav/x.wav", "not a folder"}},
        {"empty.wav", {"empty.wav", "0 bytes"}},
        {"text.wav", {"text.wav", "not a recording"}},
        {"header.wav", {"header.wav"}},
        {"zeros.wav", {"zeros.wav"}},
        {"folder.wav", {"folder.wav", "is a folder"}},
        {"pipe.wav", {"pipe.wav", "pipe"}},
        {"/dev/null", {"/dev/null", "device"}},
        {"circle1.wav", {"circle1.wav", "circle"}},
        {"cut.wav", {"cut.wav", "cut short", "copy it again"}},
        {"cut.flac", {"cut.flac", "cut short"}},
        {"cut.mkv", {"cut.mkv", "cut short"}},
        {"picture.mp4", {"picture.mp4", "no sound"}},
        {"slow.wav", {"slow.wav", "1000 Hz"}},
        {std::string(300, 'n') + ".wav", {"longer than file systems allow"}},
    };
    const std::vector<std::string> commands{"inspect FILE",
                                            "inspect FILE --json",
                                            "split FILE --out new --quality quick",
                                            "weigh FILE --quality quick",
                                            "treat FILE --auto --out new.wav",
                                            "clean FILE --out new --quality quick"};
    for (const auto& [file, words] : unreadable)
        for (const auto& command : commands) {
            if (file == "folder.wav" && command.rfind("clean", 0) == 0) continue;  // takes folders
            std::string with = command;
            with.replace(with.find("FILE"), 4, "'" + file + "'");
            all.push_back({with, 3, words});
        }
    for (const char* c : {"split damaged.flac --out new --quality quick", "weigh damaged.flac --quality quick",
                          "treat damaged.flac --auto --out new.wav", "clean damaged.flac --out new --quality quick"})
        all.push_back({c, 3, {"damaged.flac", "is damaged at 0:00:0", "--tolerate-damage"}});
    // Sessions that say what cannot be.
    const std::vector<std::pair<std::string, std::vector<std::string>>> sessions{
        {"nowhere.rivlen", {"nowhere.rivlen", "cannot be read"}},
        {"folder.wav", {"is a folder"}},
        {"pipe.wav", {"pipe"}},
        {"other.rivlen", {"other.rivlen", "not a Rivlen session"}},
        {"nojson.rivlen", {"nojson.rivlen", "damaged", "no JSON"}},
        {"text.wav", {"text.wav", "damaged"}},
        {"newer.rivlen", {"newer Rivlen"}},
        {"minus.rivlen", {"version -3"}},
        {"noversion.rivlen", {"\"version\"", "missing"}},
        {"list.rivlen", {"list.rivlen"}},
        {"ultra.rivlen", {"quality \"ultra\"", "\"A\"", "fine"}},
        {"stage.rivlen", {"stage \"kitchen\""}},
        {"loop.rivlen", {"loop", "2", "1", "\"A\""}},
        {"kind.rivlen", {"kind.rivlen", "damaged"}},
        {"nosource.rivlen", {"\"source\"", "missing"}},
        {"twice.rivlen", {"r1", "twice"}},
        {"treatment.rivlen", {"de-what"}},
        {"huge.rivlen", {"out of range"}},
        {"gone.rivlen", {"nowhere.wav", "is not there"}},
    };
    for (const auto& [file, words] : sessions)
        for (const char* command : {"dispatch ", "handover "}) all.push_back({command + file + " --out new", 3, words});
    const std::vector<Situation> others{
        {"handover damaged.rivlen --out new", 3, {"damaged.flac", "is damaged", "--tolerate-damage"}},
        {"dispatch noreels.rivlen --out new", 2, {"no reels"}},
        {"dispatch abroad.rivlen --out new", 2, {"/dev/shm/abroad.wav", "outside of its folder", "--anywhere"}},
        {"handover abroad.rivlen --out new", 2, {"/dev/shm/abroad.wav", "outside of its folder", "--anywhere"}},
        {"dispatch abroad.rivlen --out new --anywhere", 3, {"abroad.wav", "is not there"}},
        {"dispatch good.rivlen --out new --only nothing", 2, {"nothing"}},
        {"dispatch good.rivlen --out new --reel nobody", 2, {"nobody"}},
        {"dispatch good.rivlen --out new --set set.json", 3, {"set.json"}},
        {"dispatch good.rivlen --out new --set nowhere.json", 3, {"nowhere.json"}},
        {"handover good.rivlen --out new --handles nan", 2, {"--handles"}},
        {"handover good.rivlen --out new --handles -1", 2, {"handles"}},
        {"handover good.rivlen --out new --handles many", 2, {"--handles", "0 to 600"}},
        {"networks check card.json", 3, {"card.json", "missing"}},
        {"networks check nowhere.json", 3, {"nowhere.json"}},
        {"networks remove nobody", 2, {"nobody"}},
        {"networks install card.json", 3, {"card.json"}},
        // Usage.
        {"", 2, {"No command", "inspect"}},
        {"frobnicate", 2, {"\"frobnicate\" is no command", "inspect"}},
        {"splitt good.wav", 2, {"\"splitt\" is no command"}},
        {"--frob", 2, {"--help"}},
        {"inspect", 2, {"FILE", "inspect --help"}},
        {"split", 2, {"split --help"}},
        {"split good.wav", 2, {"--out"}},
        {"split good.wav --out ''", 2, {"--out is empty"}},
        {"split good.wav --out new --quality best", 2, {"\"best\"", "quick or fine"}},
        {"split good.wav --out", 2, {"--out has no value"}},
        {"split good.wav --out new --from 1 --from 2", 2, {"--from is given more than once"}},
        {"split good.wav --out new --frob", 2, {"\"--frob\" is not known here"}},
        {"weigh good.wav --stem choir", 2, {"\"choir\"", "dialogue, music, ambience, vocals"}},
        {"split good.wav --out new --network nobody", 2, {"nobody"}},
        {"split good.wav --out new --from later", 2, {"later"}},
        {"split good.wav --out new --from 1.5 --to 0.5", 2, {"--from must lie before --to"}},
        {"split good.wav --out new --from 60", 2, {"good.wav", "0:00:02"}},
        {"split good.wav --out new --depth much", 2, {"much"}},
        {"split good.wav --out new --depth nan", 2, {"nan"}},
        {"split good.wav --out new --firmness 1000", 2, {"1000"}},
        {"split good.wav --out new --room-keep -5", 2, {"-5"}},
        {"split good.wav --out new --band-bias 100", 2, {"100"}},
        {"split good.wav --out new --format mp3", 2, {"mp3", "wav or flac"}},
        {"split good.wav --out new --bits 8", 2, {"8", "16, 24 or 32f"}},
        {"split good.wav --out new --format flac", 2, {"--bits 24"}},
        {"split good.wav --out new --apart --room-keep 50", 2, {"--apart"}},
        {"split good.wav good.flac --out new", 2, {"\"good\""}},
        {"split good.wav --out good.wav", 4, {"good.wav"}},
        {"split good.wav --out good.wav/new", 4, {"good.wav/new"}},
        {"split good.wav --out /proc/nothing --quality quick", 4, {"/proc/nothing"}},
        {"treat good.wav --out new.wav", 2, {"--auto", "--set"}},
        {"treat good.wav --auto", 2, {"--out"}},
        {"treat good.wav --auto --out new.mp3", 2, {".mp3", ".wav or .flac"}},
        {"treat good.wav --auto --out new", 2, {"no suffix"}},
        {"treat good.wav --auto --out new.ogg --force", 2, {".ogg"}},
        {"treat good.wav --set de-what=1 --out new.wav", 2, {"de-what", "de-hum"}},
        {"treat good.wav --set de-hum=lots --out new.wav", 2, {"lots", "de-hum"}},
        {"treat good.wav --set de-hum=1e9 --out new.wav", 2, {"de-hum"}},
        {"treat good.wav --set de-hum=nan --out new.wav", 2, {"de-hum"}},
        {"treat good.wav --set de-hum=10,de-hum=20 --out new.wav", 2, {"de-hum", "twice"}},
        {"treat good.wav other.wav --auto --out new.wav", 2, {"--folder"}},
        {"treat good.wav --auto --out new.flac --bits 32f", 2, {"FLAC"}},
        // Places that must not be written to.
        {"treat good.wav --auto --out other.wav", 4, {"other.wav", "already there", "--force"}},
        {"treat good.wav --auto --out good.wav --force", 2, {"source itself"}},
        {"treat good.wav --auto --out ./good.wav --force", 2, {"source itself"}},
        {"treat good.wav --auto --out link.wav --force", 2, {"source itself"}},
        {"treat good.wav --auto --out hard.wav --force", 2, {"source itself"}},
        {"treat link.wav --auto --out good.wav --force", 2, {"source itself"}},
        {"treat good.wav --auto --out pipe.wav --force", 4, {"pipe.wav", "device or a pipe"}},
        {"treat good.wav --auto --out folder.wav --force", 4, {"folder.wav", "folder"}},
        {"treat good.wav --auto --out circle1.wav --force", 4, {"circle"}},
        {"treat good.wav --auto --out " + std::string(254, 'w') + ".wav", 4, {"longer"}},
        {"treat good.wav --auto --out /proc/none.wav", 4, {"/proc/none.wav"}},
        // A clean voice.
        {"clean good.wav", 2, {"--out"}},
        {"clean good.wav --out ''", 2, {"--out is empty"}},
        {"clean folder.wav --out new", 2, {"no recordings", "folder.wav"}},
        {"clean good.wav good.flac --out new", 2, {"\"good\"", "different folders"}},
        {"clean good.wav --out new --for singing", 2, {"\"singing\"", "under-music"}},
        {"clean good.wav --out new --set Nothing", 2, {"\"Nothing\"", "Web and podcast", ".json"}},
        {"clean good.wav --out new --set 'Parts of the music'", 2, {"neither a mix nor a dialogue"}},
        {"clean good.wav --out new --set set.json", 3, {"set.json"}},
        {"clean good.wav --out new --network nobody", 2, {"nobody"}},
        {"clean good.wav --out good.wav", 4, {"good.wav"}},
        {"clean silent.wav --out new --quality quick", 2, {"silent.wav", "no voice"}},
        // Through a cleaner outside.
        {"outside good.wav --out new/a.wav --quality quick", 2, {"--command", "--folder", "--answer"}},
        {"outside good.wav --out new/a.wav --command true --folder new", 2, {"one way"}},
        {"outside good.wav --out new/a.mp3 --command true", 2, {".wav or .flac"}},
        {"outside good.wav --out good.wav --force --command true", 2, {"good.wav", "source"}},
        {"outside silent.wav --out new/a.wav --command true", 2, {"silent.wav", "nothing to weigh"}},
        {"outside nowhere.wav --out new/a.wav --command true", 3, {"nowhere.wav"}},
        {"outside good.wav --out new/a.wav --quality quick --command 'echo no room >&2; exit 3'",
         1,
         {"code 3", "no room"}},
        {"outside good.wav --out new/a.wav --quality quick --command true", 1, {"wrote no", "{out}"}},
        {"outside good.wav --out new/a.wav --quality quick --command 'echo no sound > {out}'", 3, {"not a recording"}},
        {"outside good.wav --out new/a.wav --quality quick --answer nowhere.wav", 3, {"nowhere.wav", "not there"}},
        {"outside good.wav --out new/a.wav --quality quick --answer silent.wav", 3, {"silent.wav", "Nothing of what"}},
        {"outside good.wav --out new/a.wav --command true --handles nan", 2, {"--handles"}},
        // Nothing to weigh.
        {"weigh silent.wav --quality quick", 2, {"silent.wav", "nothing to weigh"}},
        {"weigh still.wav --quality quick", 2, {"still.wav", "nothing to weigh"}},
        {"weigh short.wav --quality quick", 2, {"short.wav", "half a second"}},
        {"weigh good.wav --from 1 --to 1.2", 2, {"half a second"}},
        {"weigh good.wav --stem voice", 2, {"voice"}},
        // Names.
        {"inspect -dash.wav", 2, {"./-dash.wav"}},
        {"score --reference good.wav --estimate", 2, {"--estimate"}},
        {"score --reference good.wav other.wav --estimate good.wav", 2, {"2 references", "1 estimates"}},
        {"score --reference good.wav --estimate short.wav", 2, {"short.wav", "another rate, length"}},
        {"score --reference nowhere.wav --estimate good.wav", 3, {"nowhere.wav"}},
    };
    all.insert(all.end(), others.begin(), others.end());
    return all;
}

/// What libraries say in their own words, and what nobody should read.
const std::vector<std::string> kForeign{"json.exception", "not in {",  "required but",     "TEXT",
                                        "Could not",      "std::",     "filesystem error", "basic_string",
                                        "what():",        "terminate", "Invalid argument", "libsndfile",
                                        "c10::",          "nan dB"};

std::string withoutProgress(const std::string& text) {
    std::istringstream lines(text);
    std::string kept;
    for (std::string line; std::getline(lines, line);)
        if (line.rfind("rivlen-cli: ", 0) == 0 || line.find(" %") == std::string::npos) kept += line + "\n";
    return kept;
}

}  // namespace

TEST(Situations, EndAsTheContractSaysAndLeaveNothingBehind) {
    const TempFolder temporary;
    const fs::path& f = temporary.path();
    makeFiles(f);
    put(f / "-dash.wav", bytesOf(f / "good.wav"));
    const std::vector<fs::path> before = entries(f);
    const std::string source = bytesOf(f / "good.wav");
    const auto table = situations();
    EXPECT_GE(table.size(), 150u);
    for (const auto& s : table) {
        auto r = run("( cd '" + f.string() + "' && XDG_DATA_HOME=data timeout 100 " + cli + " " + s.command +
                     " 2>&1 >/dev/null </dev/null )");
        r.out = withoutProgress(r.out);
        const std::string shown = s.command.substr(0, 90) + "\n    " + r.out;
        EXPECT_EQ(r.code, s.code) << shown;
        for (const auto& w : s.words) EXPECT_NE(r.out.find(w), std::string::npos) << "\"" << w << "\" in " << shown;
        for (const auto& w : kForeign) EXPECT_EQ(r.out.find(w), std::string::npos) << "\"" << w << "\" in " << shown;
        EXPECT_EQ(std::count(r.out.begin(), r.out.end(), '\n'), 1) << "one line: " << shown;
        for (const char* made : {"data", "new"}) {  // folders may be made; files not
            std::error_code absent;
            for (const auto& entry : fs::recursive_directory_iterator(f / made, absent))
                if (entry.is_regular_file()) ADD_FAILURE() << entry.path() << " was left by " << shown;
            fs::remove_all(f / made);
        }
        const auto now = entries(f);
        if (now != before) {
            for (const auto& entry : now)
                if (std::find(before.begin(), before.end(), entry) == before.end()) {
                    ADD_FAILURE() << entry << " was left by " << shown;
                    fs::remove_all(entry);
                }
        }
    }
    EXPECT_EQ(bytesOf(f / "good.wav"), source) << "the source is never written to";
    struct stat pipe {};
    ASSERT_EQ(::lstat((f / "pipe.wav").c_str(), &pipe), 0);
    EXPECT_TRUE(S_ISFIFO(pipe.st_mode)) << "a pipe is still a pipe";
}
