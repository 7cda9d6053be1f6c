#include "core/separation/NetworkCheck.h"

#include <fcntl.h>
#include <poll.h>
#include <signal.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <chrono>
#include <cmath>
#include <random>

#include "core/base/Error.h"
#include "core/base/Resources.h"
#include "core/base/Text.h"
#include "core/media/FileSum.h"
#include "core/separation/Network.h"
#include "core/separation/NetworkLibrary.h"

namespace rivlen {

namespace {

using Clock = std::chrono::steady_clock;

constexpr const char* kHelper = "rivlen-network-check";

std::filesystem::path helperFile() {
    for (const char* place : {"", RIVLEN_LIBRARY_FOLDER}) {
        const auto path = programFolder() / place / kHelper;
        if (std::filesystem::exists(path)) return path;
    }
    return {};
}

NetworkFacts refused(const std::string& why) {
    NetworkFacts facts;
    facts.reason = why;
    return facts;
}

/// Everything the helper prints; killed when the time is over. Returns false then.
bool readAll(int pipe, pid_t child, int seconds, std::string& text) {
    const auto end = Clock::now() + std::chrono::seconds(seconds);
    char block[4096];
    while (true) {
        const auto left = std::chrono::duration_cast<std::chrono::milliseconds>(end - Clock::now()).count();
        pollfd wait{pipe, POLLIN, 0};
        if (left <= 0 || text.size() > 65536) {
            kill(child, SIGKILL);
            return false;
        }
        if (poll(&wait, 1, int(std::min<long long>(left, 1000))) <= 0) continue;
        const ssize_t got = read(pipe, block, sizeof block);
        if (got <= 0) return true;
        text.append(block, size_t(got));
    }
}

double differenceDb(const AudioBuffer& a, const AudioBuffer& b, double gain) {
    double error = 1e-30, power = 1e-30;
    for (size_t i = 0; i < a.samples().size(); ++i) {
        const double x = a.samples()[i], d = x - gain * b.samples()[i];
        error += d * d;
        power += x * x;
    }
    return 10 * std::log10(error / power);
}

}  // namespace

NetworkFacts checkNetwork(const NetworkCard& card, const CheckLimits& limits) {
    if (!std::filesystem::exists(card.file)) return refused("its file \"" + card.file.string() + "\" is missing.");
    if (!card.sha256.empty() && fileSha256(card.file) != card.sha256)
        return refused("its file \"" + card.file.string() +
                       "\" is not the one that its card describes (SHA-256 differs): get it again.");
    const std::string helper = helperFile().string();
    if (helper.empty())
        return refused("the program that checks networks is missing: install Rivlen again, or run ./rivlen build.");
    int ends[2];
    if (pipe2(ends, O_CLOEXEC) != 0) return refused("the check cannot be started: close some programs and try again.");
    const std::string cardFile = [&] {  // the card's own path: the helper reads the card itself
        for (const auto& entry : std::filesystem::directory_iterator(card.file.parent_path()))
            if (entry.path().extension() == ".json") try {
                    if (NetworkCard::load(entry.path()).id == card.id) return entry.path().string();
                } catch (const Error&) {}
        return std::string();
    }();
    const pid_t child = fork();
    if (child == 0) {  // only async-signal-safe calls from here on
        const rlimit memory{rlim_t(limits.bytes), rlim_t(limits.bytes)}, none{0, 0};
        const rlimit time{rlim_t(limits.seconds),
                          rlim_t(limits.seconds) + 2};  // at the harder limit the signal would not tell why
        setrlimit(RLIMIT_AS, &memory);
        setrlimit(RLIMIT_CPU, &time);
        setrlimit(RLIMIT_FSIZE, &none);
        setrlimit(RLIMIT_CORE, &none);
        dup2(ends[1], STDOUT_FILENO);
        const int nowhere = open("/dev/null", O_RDWR);
        dup2(nowhere, STDERR_FILENO);
        dup2(nowhere, STDIN_FILENO);
        execl(helper.c_str(), kHelper, cardFile.c_str(), nullptr);
        _exit(127);
    }
    close(ends[1]);
    if (child < 0) {
        close(ends[0]);
        return refused("the check cannot be started: close some programs and try again.");
    }
    std::string text;
    const bool inTime = readAll(ends[0], child, limits.seconds, text);
    close(ends[0]);
    int status = 0;
    waitpid(child, &status, 0);
    if (!inTime || (WIFSIGNALED(status) && WTERMSIG(status) == SIGXCPU))
        return refused("it did not answer within " + std::to_string(limits.seconds) +
                       " seconds for ten seconds of sound.");
    try {
        const auto json = nlohmann::json::parse(text);
        NetworkFacts facts;
        facts.passed = json.at("passed");
        facts.reason = json.at("reason");
        facts.sumErrorDb = json.at("sum_error_db");
        facts.levelErrorDb = json.at("level_error_db");
        facts.realTimeFactor = json.at("real_time_factor");
        return facts;
    } catch (const nlohmann::json::exception&) {
        return refused("it made the program that tried it end: the file is damaged, hostile, or needs more than " +
                       std::to_string(limits.bytes >> 30) + " GB.");
    }
}

NetworkFacts tryNetwork(const NetworkCard& card) {
    const auto network = loadForTrial(card);
    const int channels = card.stereo ? 2 : 1;
    const int64_t n = std::max<int64_t>(card.sampleRate * 10, card.minimum);
    AudioBuffer x(channels, n);
    std::mt19937 random(5);
    std::normal_distribution<float> normal(0, 0.1f);
    for (int c = 0; c < channels; ++c)
        for (int64_t i = 0; i < n; ++i)  // noise that comes and goes, over a tone
            x.channel(c)[size_t(i)] =
                normal(random) * float(i / (card.sampleRate / 3) % 2) + 0.1f * float(std::sin(0.03 * double(i)));
    network->separate(x.slice(0, std::max<int64_t>(card.minimum, card.sampleRate)));  // the first run also compiles
    const auto start = Clock::now();
    const auto stems = network->separate(x);
    NetworkFacts facts;
    facts.realTimeFactor = double(n) / card.sampleRate / std::chrono::duration<double>(Clock::now() - start).count();
    AudioBuffer sum(channels, n), quiet = x;
    for (const auto& stem : stems)
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += stem.samples()[i];
    facts.sumErrorDb = differenceDb(x, sum, 1.0);
    for (float& v : quiet.samples()) v *= 0.01f;
    const auto again = network->separate(quiet);
    facts.levelErrorDb = -300;
    for (size_t s = 0; s < stems.size(); ++s)
        facts.levelErrorDb = std::max(facts.levelErrorDb, differenceDb(stems[s], again[s], 100.0));
    const auto silent = network->separate(AudioBuffer(channels, n));
    for (const auto& stem : silent)
        for (float v : stem.samples())
            if (std::fabs(v) > 1e-4f) throw Error(Error::Kind::InputUnreadable, "it makes sound out of silence.");
    // Rivlen shares out what is missing, but a network that loses most of the sound does not separate it.
    if (facts.sumErrorDb > -3)
        throw Error(Error::Kind::InputUnreadable, formatted("its stems do not sum to the recording: what is missing is "
                                                            "as loud as the recording (%+.0f dB).",
                                                            facts.sumErrorDb));
    facts.passed = true;
    return facts;
}

}  // namespace rivlen
