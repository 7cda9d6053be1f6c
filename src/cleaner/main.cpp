// A small cleaner that stands in for one outside of Rivlen, for the demo and the tests: a spectral gate that takes what
// is steady away, and hands its answer back late, cut, at another rate, level or format, as others do.
//   rivlen-cleaner IN OUT [--late MS] [--cut S] [--rate HZ] [--gain DB] [--mono]
//   rivlen-cleaner --watch FOLDER [the same]      answers each NAME.wav that comes with "NAME cleaned.wav"
#include <chrono>
#include <cstdio>
#include <set>
#include <thread>

#include "core/audio/Decibel.h"
#include "core/audio/Resampler.h"
#include "core/base/Error.h"
#include "core/media/AudioWriter.h"
#include "core/media/MediaReader.h"
#include "core/spectral/Fft.h"

using namespace rivlen;
namespace fs = std::filesystem;

namespace {

constexpr int kSize = 2048, kHop = 512;
constexpr double kMostSeconds = 900;
constexpr float kOver = 2.5f, kFloor = 0.1f;  // of the gate: above the steady level, and what stays

struct Ways {
    double late = 0, cut = 0, gain = 0;  ///< ms, seconds off the beginning, dB
    int rate = 0;                        ///< 0: as it came
    bool mono = false;
};

/// Each bin's steady level is the fifth of its values from below; what is not well above it is lowered.
std::vector<float> gated(std::span<const float> x) {
    Fft fft(kSize);
    const auto window = hannWindow(kSize);
    const size_t frames = x.size() / kHop + 5, bins = size_t(fft.bins());
    std::vector<std::vector<std::complex<float>>> all(frames, std::vector<std::complex<float>>(bins));
    std::vector<float> frame(kSize), out(x.size(), 0.0f);
    const auto at = [&](size_t f) { return int64_t(f) * kHop - kSize; };
    for (size_t f = 0; f < frames; ++f) {
        for (int i = 0; i < kSize; ++i) {
            const int64_t place = at(f) + i;
            frame[size_t(i)] = place < 0 || place >= int64_t(x.size()) ? 0 : x[size_t(place)] * window[size_t(i)];
        }
        fft.forward(frame, all[f]);
    }
    for (size_t k = 0; k < bins; ++k) {
        std::vector<float> levels;
        for (const auto& f : all) levels.push_back(std::abs(f[k]));
        std::nth_element(levels.begin(), levels.begin() + long(levels.size() / 5), levels.end());
        const float steady = kOver * levels[levels.size() / 5];
        for (auto& f : all) f[k] *= std::max(kFloor, 1 - steady / (std::abs(f[k]) + 1e-12f));
    }
    for (size_t f = 0; f < frames; ++f) {
        fft.inverse(all[f], frame);
        for (int i = 0; i < kSize; ++i)
            if (const int64_t place = at(f) + i; place >= 0 && place < int64_t(x.size()))
                out[size_t(place)] += frame[size_t(i)] * window[size_t(i)] / 1.5f;
    }
    return out;
}

AudioFormat formatOf(const fs::path& out) {
    if (out.extension() == ".mp3") return {AudioFormat::Container::Mp3, AudioFormat::Bits::Int16};
    if (out.extension() == ".ogg") return {AudioFormat::Container::Vorbis, AudioFormat::Bits::Int16};
    if (out.extension() == ".flac") return AudioFormat::parse("flac", "24");
    return AudioFormat::parse("wav", "24");
}

void clean(const fs::path& in, const fs::path& out, const Ways& ways) {
    MediaReader reader(in);
    const int rate = reader.sampleRate();
    if (reader.info().duration() > kMostSeconds)
        throw Error(Error::Kind::Usage, "\"" + in.string() + "\" is longer than a quarter of an hour: send less.");
    const AudioBuffer x = reader.read(0, reader.frames());
    const int64_t cut = std::min(x.frames(), int64_t(std::llround(ways.cut * rate))),
                  late = std::llround(ways.late * rate / 1000);
    AudioBuffer made(ways.mono ? 1 : x.channels(), std::max<int64_t>(0, x.frames() - cut + late));
    for (int c = 0; c < x.channels(); ++c) {
        const auto y = gated(x.channel(c));
        const float share = float(fromDb(ways.gain)) / float(ways.mono ? x.channels() : 1);
        for (int64_t i = cut; i < x.frames(); ++i)
            if (const int64_t to = i - cut + late; to >= 0 && to < made.frames())
                made.channel(ways.mono ? 0 : c)[size_t(to)] += share * y[size_t(i)];
    }
    const int to = ways.rate > 0 ? ways.rate : rate;
    Resampler resampler(rate, to, made.channels());
    AudioWriter writer(out, to, made.channels(), formatOf(out), true);
    writer.write(resampler.process(made));
    writer.write(resampler.finish());
    writer.commit();
}

[[noreturn]] void watch(const fs::path& folder, const Ways& ways) {
    std::set<fs::path> done;
    for (;; std::this_thread::sleep_for(std::chrono::milliseconds(200)))
        for (const auto& entry : fs::directory_iterator(folder)) {
            const fs::path in = entry.path();
            const fs::path out = folder / (in.stem().string() + " cleaned.wav");
            if (in.extension() != ".wav" || in.filename().string().front() == '.' || done.count(in)) continue;
            done.insert(in), done.insert(out);
            clean(in, out, ways);
            std::printf("%s\n", out.c_str());
            std::fflush(stdout);
        }
}

}  // namespace

int main(int argc, char** argv) {
    Ways ways;
    std::vector<std::string> names;
    std::string watched;
    for (int i = 1; i < argc; ++i) {
        const std::string word = argv[i];
        const bool more = i + 1 < argc;
        if (word == "--mono") ways.mono = true;
        else if (word == "--late" && more) ways.late = std::atof(argv[++i]);
        else if (word == "--cut" && more) ways.cut = std::atof(argv[++i]);
        else if (word == "--gain" && more) ways.gain = std::atof(argv[++i]);
        else if (word == "--rate" && more) ways.rate = std::atoi(argv[++i]);
        else if (word == "--watch" && more) watched = argv[++i];
        else names.push_back(word);
    }
    try {
        if (!watched.empty()) watch(watched, ways);
        if (names.size() != 2) {
            std::fprintf(stderr,
                         "rivlen-cleaner: give IN and OUT, or --watch FOLDER; then --late MS, --cut S, --rate "
                         "HZ, --gain DB, --mono.\n");
            return 2;
        }
        clean(names[0], names[1], ways);
    } catch (const std::exception& e) {
        std::fprintf(stderr, "rivlen-cleaner: %s\n", e.what());
        return 1;
    }
    return 0;
}
