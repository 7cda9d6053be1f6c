#pragma once
#include <unistd.h>

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <memory>
#include <numbers>
#include <random>
#include <string>
#include <thread>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/audio/Decibel.h"
#include "core/isolation/IsolationSettings.h"
#include "core/media/AudioWriter.h"
#include "core/separation/Engine.h"

namespace rivlen::test {

namespace fs = std::filesystem;

/// How often a test kills what it tests: $RIVLEN_KILLS, or a few times.
inline int kills(int few) {
    const char* given = std::getenv("RIVLEN_KILLS");
    return given ? std::atoi(given) : few;
}

/// What random choices of a test begin with: $RIVLEN_TEST_SEED, or always the same. A failing test prints it.
inline unsigned seed() {
    const char* given = std::getenv("RIVLEN_TEST_SEED");
    return given ? unsigned(std::strtoul(given, nullptr, 10)) : 7u;
}

/// How long an event is waited for that is sure to come: a wait this long is a failure, however slow or busy the
/// machine.
constexpr int kPatienceMs = 240'000;

/// Waits until condition() holds, at most as long as patience allows; whether it holds.
template <typename Condition>
bool waitFor(Condition&& condition) {
    const auto end = std::chrono::steady_clock::now() + std::chrono::milliseconds(kPatienceMs);
    while (!condition()) {
        if (std::chrono::steady_clock::now() > end) return condition();
        std::this_thread::sleep_for(std::chrono::milliseconds(2));
    }
    return true;
}

/// The entries of a folder by name; none when it is not there (yet).
inline std::vector<fs::path> entries(const fs::path& folder) {
    std::vector<fs::path> found;
    std::error_code gone;
    for (fs::directory_iterator it(folder, gone), end; !gone && it != end; it.increment(gone))
        found.push_back(it->path());
    std::sort(found.begin(), found.end());
    return found;
}

/// As printf gives it.
inline std::string text(const char* format, auto... values) {
    char line[160];
    std::snprintf(line, sizeof line, format, values...);
    return line;
}

/// A folder that goes away with the test.
class TempFolder {
public:
    TempFolder() {
        std::string name = (fs::temp_directory_path() / "rivlen-test-XXXXXX").string();
        m_path = mkdtemp(name.data());
    }
    ~TempFolder() { fs::remove_all(m_path); }
    fs::path operator/(const std::string& name) const { return m_path / name; }
    const fs::path& path() const { return m_path; }

private:
    fs::path m_path;
};

inline AudioBuffer noise(int channels, int64_t frames, float amplitude = 0.2f, unsigned seed = 1) {
    AudioBuffer b(channels, frames);
    std::mt19937 random(seed);
    std::normal_distribution<float> normal(0, amplitude);
    for (float& v : b.samples()) v = normal(random);
    return b;
}

inline AudioBuffer sine(double hz, double amplitude, int rate, int64_t frames, int channels = 1) {
    AudioBuffer b(channels, frames);
    for (int c = 0; c < channels; ++c)
        for (int64_t i = 0; i < frames; ++i)
            b.channel(c)[size_t(i)] = float(amplitude * std::sin(2 * std::numbers::pi * hz * double(i) / rate));
    return b;
}

/// Something with tones, noise and pauses: nothing that a resampler or network finds easy.
inline AudioBuffer programme(int channels, int rate, int64_t frames) {
    AudioBuffer b = noise(channels, frames, 0.03f, 7);
    for (int c = 0; c < channels; ++c)
        for (int64_t i = 0; i < frames; ++i) {
            const double t = double(i) / rate, gate = std::fmod(t, 1.1) < 0.7 ? 1.0 : 0.0;
            b.channel(c)[size_t(i)] += float(gate * (0.2 * std::sin(2 * std::numbers::pi * 180 * t) +
                                                     0.1 * std::sin(2 * std::numbers::pi * (700 + 90 * c) * t)));
        }
    return b;
}

inline void writeWav(const fs::path& file, const AudioBuffer& audio, int rate,
                     AudioFormat::Bits bits = AudioFormat::Bits::Float32) {
    AudioWriter writer(file, rate, audio.channels(), {AudioFormat::Container::Wav, bits});
    writer.write(audio);
    writer.commit();
}

/// Runs a shell command; what it printed and its exit code.
struct Run {
    std::string out;
    int code;
};
inline Run run(const std::string& command) {
    Run r;
    FILE* pipe = popen((command + " 2>&1").c_str(), "r");
    std::array<char, 4096> block;
    size_t got;
    while ((got = fread(block.data(), 1, block.size(), pipe)) > 0) r.out.append(block.data(), got);
    const int status = pclose(pipe);
    r.code = WIFEXITED(status) ? WEXITSTATUS(status) : 128;
    return r;
}

/// Largest difference of two buffers of the same shape, dBFS.
inline double differenceDb(const AudioBuffer& a, const AudioBuffer& b) {
    double peak = 0;
    for (size_t i = 0; i < a.samples().size(); ++i)
        peak = std::max(peak, std::fabs(double(a.samples()[i]) - double(b.samples()[i])));
    return toDb(peak);
}

/// A whole separation in memory: one buffer per stem given.
inline IsolationSettings strength(double depth, double firmness = 0, double onsetGuard = 0, double steadiness = 0,
                                  BandBias bias = {}) {
    IsolationSettings s;
    s.depth = depth, s.firmness = firmness, s.onsetGuard = onsetGuard, s.steadiness = steadiness,
    s.bandBias = std::move(bias);
    return s;
}

inline std::vector<AudioBuffer> separated(const std::shared_ptr<Network>& network, const AudioBuffer& x,
                                          int rate = 48000, const EngineOptions& options = {}) {
    BufferSource source(x, rate);
    std::vector<AudioBuffer> all(stemsGiven(network->card(), options).size(), AudioBuffer(x.channels(), 0));
    separate(
        source, network, options,
        [&](int64_t, const AudioBuffer&, const std::vector<AudioBuffer>& stems) {
            for (size_t s = 0; s < stems.size(); ++s) all[s].append(stems[s]);
        },
        Progress{});
    return all;
}

inline AudioBuffer sumOf(const std::vector<AudioBuffer>& parts) {
    AudioBuffer sum = parts.at(0);
    for (size_t p = 1; p < parts.size(); ++p)
        for (size_t i = 0; i < sum.samples().size(); ++i) sum.samples()[i] += parts[p].samples()[i];
    return sum;
}

/// Mean power of all samples, dB.
inline double levelDb(const AudioBuffer& x) {
    double power = 1e-20;
    for (float v : x.samples()) power += double(v) * v;
    return 10 * std::log10(power / double(std::max<size_t>(1, x.samples().size())));
}

/// A network without learning, for the machinery around it: a short symmetric filter, its complement and silence.
class FakeNetwork : public Network {
public:
    explicit FakeNetwork(int rate = 48000) {
        m_card.id = "fake";
        m_card.stems = m_card.shown = {"dialogue", "music", "ambience"};
        m_card.shownRow = {0, 1, 2};
        m_card.sampleRate = rate;
        m_card.context = 64;
        m_card.grid = 32;
    }
    const NetworkCard& card() const override { return m_card; }
    using Network::separate;
    std::vector<AudioBuffer> separate(const AudioBuffer& x, int) override {
        std::vector<AudioBuffer> stems(3, AudioBuffer(x.channels(), x.frames()));
        for (int c = 0; c < x.channels(); ++c)
            for (int64_t i = 0; i < x.frames(); ++i) {
                float sum = 0;
                for (int64_t k = -20; k <= 20; ++k)
                    if (i + k >= 0 && i + k < x.frames()) sum += x.channel(c)[size_t(i + k)] / 41.0f;
                stems[0].channel(c)[size_t(i)] = sum;
                stems[1].channel(c)[size_t(i)] = x.channel(c)[size_t(i)] - sum;
            }
        return stems;
    }
    NetworkCard m_card;
};

}  // namespace rivlen::test
