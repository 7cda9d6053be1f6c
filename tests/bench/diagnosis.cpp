// How often is diagnosis right? Puts faults of known size into clean programme material and counts what is found, where
// and how large, and what is found in the clean material itself.
//   rivlen-bench-diagnosis FOLDER [KIND]     clips of training/make_programme.py; KIND: only that fault, and what is
//   missed
#include <chrono>
#include <cstdio>
#include <functional>
#include <map>

#include "VoiceFaults.h"
#include "core/diagnosis/Detector.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/MediaReader.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

std::vector<Finding> found(const AudioBuffer& x) {
    BufferSource source(x, kRate);
    auto diagnosis = diagnose(source, {});
    if (diagnosis.content == Content::Music)
        std::erase_if(diagnosis.findings,
                      [](const Finding& f) { return entryOf(f.kind).forVoice; });  // as the window does
    return diagnosis.findings;
}

const Finding* of(const std::vector<Finding>& all, Fault kind) {
    for (const auto& f : all)
        if (f.kind == kind) return &f;
    return nullptr;
}

/// Puts a fault into a clip and judges what is said of it: whether it was found, and whether its size is within the
/// tolerance.
struct Verdict {
    bool possible = true, found = false, right = false, audible = true;
    std::string said{};
    int cases = 1, hits = -1;  ///< of faults that come several in a clip
};

/// The level that a clip's stretches of 170 ms exceed in 95 of 100 cases between two frequencies, dB: what a steady
/// fault must stand out from to be heard at all.
double quietDb(const AudioBuffer& x, double from, double to) {
    const int n = 8192;
    Fft fft(n);
    const auto window = hannWindow(n);
    std::vector<float> frame(static_cast<size_t>(n));
    std::vector<std::complex<float>> bins(size_t(fft.bins()));
    std::vector<double> levels;
    for (int64_t at = 0; at + n <= x.frames(); at += n) {
        double sum = 1e-12;
        for (int c = 0; c < x.channels(); ++c) {
            for (int i = 0; i < n; ++i) frame[size_t(i)] = x.channel(c)[size_t(at + i)] * window[size_t(i)];
            fft.forward(frame, bins);
            for (int k = int(from * n / kRate); k < int(to * n / kRate); ++k)
                sum += double(std::norm(bins[size_t(k)])) * 2 / (0.375 * double(n) * n * x.channels());
        }
        levels.push_back(10 * std::log10(sum));
    }
    std::sort(levels.begin(), levels.end());
    return levels[levels.size() / 20];
}

/// How far what is above 5 kHz in one of fifty spoken moments of 10 ms stands over the vowels (what four in five of the
/// louder moments stay below between 200 Hz and 3.5 kHz), dB.
double sharpness(const AudioBuffer& x) {
    const auto levels = [&](double from, double to) {
        AudioBuffer band = x;
        shape(band, kRate, [=](double hz) { return hz > from && hz < to ? 1.0 : 0.0; });
        std::vector<double> db;
        for (int64_t at = 0; at + kRate / 100 <= x.frames(); at += kRate / 100)
            db.push_back(levelDb(band.slice(at, kRate / 100)));
        return db;
    };
    const auto quantile = [](std::vector<double> v, double share) {
        std::sort(v.begin(), v.end());
        return v[size_t(share * double(v.size() - 1))];
    };
    const auto body = levels(200, 3500), high = levels(5000, 10000);
    const double loud = quantile(body, 0.95);
    std::vector<double> vowels, spoken;
    for (size_t i = 0; i < body.size(); ++i) {
        if (body[i] > loud - 20) vowels.push_back(body[i]);
        if (body[i] > loud - 40) spoken.push_back(high[i]);
    }
    return quantile(spoken, 0.98) - quantile(vowels, 0.8);
}

struct Case {
    Fault kind;
    std::string what;
    bool audible;  ///< clearly: it must be found
    std::function<Verdict(AudioBuffer&, unsigned)> judge;
};

std::vector<Case> cases() {
    std::vector<Case> all;
    const auto sized = [](Fault kind, double truth, double tolerance) {
        return [=](const AudioBuffer& x) {
            const auto findings = found(x);
            const Finding* f = of(findings, kind);
            return Verdict{true, f != nullptr, f && std::fabs(f->severity - truth) <= tolerance, true,
                           f ? describe(*f) : ""};
        };
    };
    for (double level : {0.7, 0.35, 0.15, 0.05})
        all.push_back({Fault::Click, text("5 clicks at %.0f %% of the peak", 100 * level), level >= 0.15,
                       [=](AudioBuffer& x, unsigned seed) {
                           const auto places = addClicks(x, kRate, 5, level, seed);
                           const auto findings = found(x);
                           int hit = 0, count = 0;
                           for (int64_t at : places) {
                               ++count;
                               bool this_one = false;
                               for (const auto& f : findings)
                                   for (double p : f.kind == Fault::Click ? f.places : std::vector<double>{})
                                       this_one |= std::fabs(p - double(at) / kRate) < 0.002;
                               hit += this_one;
                           }
                           return Verdict{count > 0, hit == count, hit == count, true, text("%d of %d", hit, count),
                                          count,     hit};
                       }});
    for (double share : {0.2, 0.5, 0.8, 0.95})
        all.push_back({Fault::Clipping, text("clipped at %.0f %% of the peak", 100 * share), share <= 0.8,
                       [=](AudioBuffer& x, unsigned) {
                           const double truth = double(clip(x, share)), tolerance = 0.2 * truth + 10;
                           const auto findings = found(x);
                           double sum = 0;
                           for (const auto& f : findings) sum += f.kind == Fault::Clipping ? f.severity : 0;
                           return Verdict{truth >= 20, sum > 0, std::fabs(sum - truth) < tolerance};
                       }});
    for (double db : {-35.0, -45.0, -55.0, -65.0})
        for (double hz : {50.0, 59.94})
            all.push_back({Fault::Hum, text("%.2f Hz at %.0f dBFS", hz, db), db >= -55, [=](AudioBuffer& x, unsigned) {
                               const bool audible = db > quietDb(x, 40, 800) + 3;
                               addHum(x, kRate, hz, db);
                               const auto findings = found(x);
                               const Finding* f = of(findings, Fault::Hum);
                               return Verdict{true, f != nullptr,
                                              f && std::fabs(f->hz - hz) < 0.2 && std::fabs(f->severity - db) < 3,
                                              audible, f ? text("%.2f Hz %.1f dB", f->hz, f->severity) : ""};
                           }});
    for (double db : {-40.0, -50.0, -58.0, -66.0})
        all.push_back(
            {Fault::Hiss, text("white noise at %.0f dBFS", db), db >= -58, [=](AudioBuffer& x, unsigned seed) {
                 const double loud = db - 3.4;  // 10.9 of 24 kHz
                 const bool audible = loud > quietDb(x, 1600, 12500) + 3;
                 addNoise(x, db, seed);
                 Verdict v = sized(Fault::Hiss, loud, 3)(x);
                 v.audible = audible;
                 return v;
             }});
    for (double db : {-25.0, -35.0, -45.0})
        all.push_back({Fault::Rumble, text("at %.0f dBFS", db), db >= -35, [=](AudioBuffer& x, unsigned seed) {
                           addRumble(x, kRate, db, seed);
                           return sized(Fault::Rumble, db - 4, 4)(x);
                       }});
    for (double offset : {0.05, 0.01, 0.003})
        all.push_back({Fault::DcOffset, text("%.1f %%", 100 * offset), true, [=](AudioBuffer& x, unsigned) {
                           addOffset(x, offset);
                           return sized(Fault::DcOffset, 100 * offset, 0.1)(x);
                       }});
    all.push_back({Fault::Polarity, "one channel turned over", true, [=](AudioBuffer& x, unsigned) {
                       if (x.channels() == 2) std::copy(x.channel(0).begin(), x.channel(0).end(), x.channel(1).begin());
                       turnPolarity(x);
                       return sized(Fault::Polarity, -1, 0.1)(x);
                   }});
    all.push_back({Fault::DeadChannel, "right channel", true, [=](AudioBuffer& x, unsigned) {
                       turnPolarity(x);
                       std::fill(x.channel(1).begin(), x.channel(1).end(), 0.0f);
                       const auto findings = found(x);
                       const Finding* f = of(findings, Fault::DeadChannel);
                       return Verdict{true, f != nullptr, f && f->channel == 1};
                   }});
    for (double ms : {100.0, 20.0, 5.0})
        all.push_back({Fault::Dropout, text("of %.0f ms", ms), true, [=](AudioBuffer& x, unsigned seed) {
                           if (!dropOut(x, kRate, ms / 1000, seed)) return Verdict{false};
                           return sized(Fault::Dropout, ms, 1)(x);
                       }});
    for (double hz : {4000.0, 8000.0, 15500.0})
        all.push_back(
            {Fault::Bandwidth, text("at %.1f kHz", hz / 1000), hz <= 8000, [=](AudioBuffer& x, unsigned seed) {
                 shape(x, kRate, [=](double f) { return f < hz ? 1.0 : 0.0; });
                 addNoise(x, -110, seed);
                 return sized(Fault::Bandwidth, hz, 250)(x);
             }});
    const auto onlyVoice = [](const AudioBuffer& x) { return x.channels() == 1; };  // the clips of speech are mono
    for (double over : {10.0, 6.0, 0.0})
        all.push_back({Fault::Plosive, text("4 pops %.0f dB above the voice", over), over >= 6,
                       [=](AudioBuffer& x, unsigned seed) {
                           if (!onlyVoice(x)) return Verdict{false};
                           const auto places = addPops(x, kRate, 4, over, seed);
                           const auto findings = found(x);
                           const Finding* f = of(findings, Fault::Plosive);
                           int hit = 0;
                           for (double at : places)
                               hit += f && std::any_of(f->places.begin(), f->places.end(),
                                                       [at](double p) { return std::fabs(p - at) < 0.08; });
                           return Verdict{true, f != nullptr, f && f->severity == 4, true, f ? describe(*f) : "",
                                          4,    hit};
                       }});
    for (double over : {0.0, -6.0, -14.0})
        all.push_back(
            {Fault::Wind, text("8 s, %.0f dB against the voice", over), over >= -6, [=](AudioBuffer& x, unsigned seed) {
                 if (!onlyVoice(x)) return Verdict{false};
                 const double voice = voiceDb(x, kRate);
                 addWind(x, kRate, over, seed);
                 return sized(Fault::Wind, voice + over, 4)(x);
             }});
    for (double over : {9.0, 6.0, 3.0})
        all.push_back(
            {Fault::Sibilance, text("s %.0f dB above the vowels", over), over >= 6, [=](AudioBuffer& x, unsigned) {
                 if (!onlyVoice(x)) return Verdict{false};
                 const double by = over - sharpness(x);
                 if (by > 40) return Verdict{false};  // there is no s in it
                 sharpen(x, kRate, by);
                 return sized(Fault::Sibilance, over, 2)(x);
             }});
    for (double rt : {1.2, 0.8, 0.6, 0.4})
        all.push_back({Fault::Reverberation, text("RT60 %.1f s, direct to reverberant 0 dB", rt), rt >= 0.6,
                       [=](AudioBuffer& x, unsigned seed) {
                           if (!onlyVoice(x)) return Verdict{false};
                           convolve(x, roomResponse(kRate, rt, 0, seed));
                           return sized(Fault::Reverberation, rt, 0.3)(x);
                       }});
    return all;
}

/// Speech with the music of the same number under it.
AudioBuffer over(const AudioBuffer& speech, const AudioBuffer& music, double db) {
    AudioBuffer mix = speech, under(1, music.frames());
    for (int c = 0; c < music.channels(); ++c)
        for (int64_t i = 0; i < music.frames(); ++i)
            under.channel(0)[size_t(i)] += music.channel(c)[size_t(i)] / float(music.channels());
    const double scale = fromDb(db + levelDb(speech) - levelDb(under));
    for (int64_t i = 0; i < std::min(mix.frames(), under.frames()); ++i)
        mix.channel(0)[size_t(i)] = 0.5f * float(mix.channel(0)[size_t(i)] + scale * under.channel(0)[size_t(i)]);
    return mix;
}

}  // namespace

int main(int argc, char** argv) {
    if (argc < 2) return std::fprintf(stderr, "rivlen-bench-diagnosis: give the folder of the clips.\n"), 2;
    std::vector<AudioBuffer> clips;
    double seconds = 0;
    for (int number = 0;; ++number) {
        const fs::path stem = fs::path(argv[1]) / text("%03d-", number);
        if (!fs::exists(stem.string() + "speech.flac")) break;
        for (const char* what : {"speech", "music"}) {
            MediaReader reader(stem.string() + what + ".flac");
            clips.push_back(reader.read(0, reader.frames()));
            seconds += double(reader.frames()) / kRate;
        }
    }
    if (clips.empty())
        return std::fprintf(
                   stderr,
                   "rivlen-bench-diagnosis: there are no clips in \"%s\": make them with training/make_programme.py.\n",
                   argv[1]),
               3;
    std::map<Fault, int> falsely;
    const auto start = std::chrono::steady_clock::now();
    std::vector<std::vector<Finding>> clean;
    for (const auto& x : clips) clean.push_back(found(x));
    const double speed = seconds / std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    for (size_t i = 0; i < clips.size(); ++i) {
        std::map<Fault, bool> any;
        for (const auto& f : clean[i]) {
            any[f.kind] = true;
            if (argc > 2)
                std::fprintf(stderr, "clip %zu %s: %s, %.1f s, confidence %.2f\n", i / 2, i % 2 ? "music" : "speech",
                             describe(f).c_str(), f.from, f.confidence);
        }
        for (const auto& [kind, is] : any) falsely[kind] += is;
    }
    std::printf(
        "%zu clips of 16 s, speech and music in turn; diagnosis runs at %.0f times real time\n\n| fault | size | cases "
        "| found | size right |\n|---|---|---|---|---|\n",
        clips.size(), speed);
    std::map<Fault, std::pair<int, int>> clearly;
    for (const auto& c : cases()) {
        if (argc > 2 && std::string(argv[2]) != entryOf(c.kind).id) continue;
        int count = 0, hit = 0, right = 0;
        for (size_t i = 0; i < clips.size(); ++i) {
            if (of(clean[i], c.kind)) continue;  // it has the fault by itself, or a false alarm, counted below
            AudioBuffer x = clips[i];
            const Verdict v = c.judge(x, unsigned(i));
            if (!v.possible || !v.audible) continue;  // masked by the programme throughout
            const int hits = v.hits >= 0 ? v.hits : int(v.found);
            count += v.cases, hit += hits, right += v.hits >= 0 ? v.hits : int(v.right);
            if (c.audible) clearly[c.kind].first += v.cases, clearly[c.kind].second += hits;
            if (argc > 2 && c.audible && !v.right)
                std::fprintf(stderr, "%s: %s %s in clip %zu %s, %s\n", v.found ? "size" : "missed", entryOf(c.kind).id,
                             c.what.c_str(), i / 2, i % 2 ? "music" : "speech", v.said.c_str());
        }
        std::printf("| %s | %s%s | %d | %.0f %% | %.0f %% |\n", entryOf(c.kind).name, c.what.c_str(),
                    c.audible ? "" : " (faint)", count, 100.0 * hit / std::max(1, count),
                    100.0 * right / std::max(1, count));
        std::fflush(stdout);
    }
    for (double db : {-8.0, -12.0, -16.0}) {
        if (argc > 2 && std::string(argv[2]) != entryOf(Fault::MusicUnder).id) continue;
        int count = 0, hit = 0;
        for (size_t i = 0; i + 1 < clips.size(); i += 2, ++count)
            hit += of(found(over(clips[i], clips[i + 1], db)), Fault::MusicUnder) != nullptr;
        if (db > -16) clearly[Fault::MusicUnder].first += count, clearly[Fault::MusicUnder].second += hit;
        std::printf("| %s | music %.0f dB below the voice | %d | %.0f %% | |\n", entryOf(Fault::MusicUnder).name, -db,
                    count, 100.0 * hit / std::max(1, count));
    }
    std::printf(
        "\n| fault | found where clearly audible | clean clips in which it is found as well |\n|---|---|---|\n");
    for (int k = 0; k < kFaults; ++k) {
        const Fault kind = Fault(k);
        const auto [count, hit] = clearly[kind];
        std::printf("| %s | %s | %.1f %% |\n", entryOf(kind).name,
                    count ? text("%.1f %%", 100.0 * hit / count).c_str() : "",
                    100.0 * falsely[kind] / double(clips.size()));
    }
    return 0;
}
