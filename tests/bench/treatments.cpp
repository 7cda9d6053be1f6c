// What do treatments bring? Puts faults of known size into clean programme material, lets diagnosis and treatment find
// their way, and compares with the clean material.
//   rivlen-bench-treatments FOLDER [rooms | clean]     only that part; clips of training/make_programme.py
#include <cstdio>
#include <functional>

#include "VoiceFaults.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/MediaReader.h"
#include "core/treatment/Treat.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

constexpr int kRate = 48000;

AudioBuffer treated(const AudioBuffer& x, const std::string& only) {
    BufferSource source(x, kRate);
    const auto diagnosis = diagnose(source, {});
    const auto& findings = diagnosis.findings;
    auto treatments = proposed(findings, diagnosis.content);
    if (!only.empty()) std::erase_if(treatments, [&](const Treatment& t) { return t.id != only; });
    AudioBuffer out(x.channels(), 0);
    treat(source, treatments, factsFor(source, treatments, findings, {}), [&](const AudioBuffer& b) { out.append(b); },
          {});
    return out;
}

/// Signal to distortion ratio, dB.
double sdr(const AudioBuffer& y, const AudioBuffer& truth) {
    double signal = 0, error = 1e-20;
    for (size_t i = 0; i < truth.samples().size(); ++i) {
        signal += double(truth.samples()[i]) * truth.samples()[i];
        error += std::pow(double(y.samples()[i]) - truth.samples()[i], 2);
    }
    return 10 * std::log10(signal / error);
}

struct Case {
    std::string what, treatment;
    std::function<void(AudioBuffer&, unsigned)> spoil;
};

/// De-reverb in rooms whose response is known, with the decay time and ratio that diagnosis finds. Clarity: the first
/// 50 ms against the rest, as in C50 of ISO 3382-1.
void rooms(const std::string& folder) {
    std::printf(
        "\n| room | amount | clips | direct to reverberant, gain | direct sound | clarity, gain "
        "|\n|---|---|---|---|---|---|\n");
    for (const auto& [rt, drr] : {std::pair(0.5, 0.0), {0.7, 0.0}, {0.7, -3.0}, {1.2, 0.0}})
        for (double amount : {70.0, 100.0}) {
            double ratio = 0, loss = 0, clarity = 0;
            int n = 0;
            for (; n < 20; ++n) {
                const fs::path file = fs::path(folder) / text("%03d-speech.flac", n);
                if (!fs::exists(file)) break;
                MediaReader reader(file);
                const AudioBuffer dry = reader.read(0, reader.frames());
                auto h = roomResponse(kRate, rt, drr, unsigned(n));
                AudioBuffer wet = dry, early = dry;
                convolve(wet, h);
                h.resize(size_t(0.05 * kRate));
                convolve(early, h);
                AudioBuffer rest = wet, late = wet;
                for (size_t i = 0; i < wet.samples().size(); ++i)
                    rest.samples()[i] -= dry.samples()[i], late.samples()[i] -= early.samples()[i];
                BufferSource source(wet, kRate);
                double decay = 0.7, direct = 0;
                for (const Finding& f : diagnose(source, {}).findings)
                    if (f.kind == Fault::Reverberation) decay = f.severity, direct = f.level;
                const auto [d0, r0] = followed(wet, dry, rest, kRate, decay, direct, 0);
                const auto [d1, r1] = followed(wet, dry, rest, kRate, decay, direct, amount);
                const auto [e0, l0] = followed(wet, early, late, kRate, decay, direct, 0);
                const auto [e1, l1] = followed(wet, early, late, kRate, decay, direct, amount);
                ratio += powerDb(d1 / r1) - powerDb(d0 / r0), loss += powerDb(d1 / d0),
                    clarity += powerDb(e1 / l1) - powerDb(e0 / l0);
            }
            std::printf("| RT60 %.1f s, %.0f dB | %.0f %% | %d | %.1f dB | %.1f dB | %.1f dB |\n", rt, drr, amount, n,
                        ratio / n, loss / n, clarity / n);
            std::fflush(stdout);
        }
}

}  // namespace

int main(int argc, char** argv) {
    if (argc > 2 && std::string(argv[2]) == "rooms") return rooms(argv[1]), 0;
    if (argc < 2) return std::fprintf(stderr, "rivlen-bench-treatments: give the folder of the clips.\n"), 2;
    std::vector<Case> cases;
    const bool clean_ = argc > 2 && std::string(argv[2]) == "clean";
    for (double share : {0.2, 0.4, 0.6})
        cases.push_back({text("clipped at %.0f %% of the peak", 100 * share), "de-clip",
                         [share](AudioBuffer& x, unsigned) { clip(x, share); }});
    for (double level : {0.7, 0.3})
        cases.push_back({text("20 clicks at %.0f %% of the peak", 100 * level), "de-click",
                         [level](AudioBuffer& x, unsigned seed) { addClicks(x, kRate, 20, level, seed); }});
    for (double db : {-25.0, -40.0})
        cases.push_back({text("hum of 50.03 Hz at %.0f dBFS", db), "de-hum",
                         [db](AudioBuffer& x, unsigned) { addHum(x, kRate, 50.03, db); }});
    cases.push_back({"hum that drifts from 50 to 50.1 Hz at -25 dBFS", "de-hum",
                     [](AudioBuffer& x, unsigned) { addHum(x, kRate, 50, -25, 10, 0.1); }});
    cases.push_back(
        {"rumble at -20 dBFS", "de-rumble", [](AudioBuffer& x, unsigned seed) { addRumble(x, kRate, -20, seed); }});
    for (double db : {-40.0, -50.0})
        cases.push_back({text("white noise at %.0f dBFS", db), "de-hiss",
                         [db](AudioBuffer& x, unsigned seed) { addNoise(x, db, seed); }});
    cases.push_back({"4 pops 10 dB above the voice", "de-plosive",
                     [](AudioBuffer& x, unsigned seed) { addPops(x, kRate, 4, 10, seed); }});
    for (double over : {0.0, -6.0})
        cases.push_back({text("wind, %.0f dB against the voice", over), "de-wind",
                         [over](AudioBuffer& x, unsigned seed) { addWind(x, kRate, over, seed); }});
    cases.push_back({"offset of 2 %", "dc-offset", [](AudioBuffer& x, unsigned) { addOffset(x, 0.02); }});
    std::vector<std::vector<double>> before(cases.size()), after(cases.size());
    std::vector<double> null;
    int count = 0;
    for (; count < 200; ++count) {
        const fs::path stem = fs::path(argv[1]) / text("%03d-", count);
        if (!fs::exists(stem.string() + "speech.flac")) break;
        for (const char* what : {"speech", "music"}) {
            MediaReader reader(stem.string() + what + ".flac");
            const AudioBuffer clean = reader.read(0, reader.frames());
            null.push_back(differenceDb(treated(clean, ""), clean));
            for (size_t i = 0; i < cases.size() && !clean_; ++i) {
                if (cases[i].treatment == "de-clip" && count % 4) continue;  // slow where all is clipped
                if ((cases[i].treatment == "de-hiss" || cases[i].treatment == "de-hum" ||
                     cases[i].treatment == "de-rumble" || cases[i].treatment == "de-plosive" ||
                     cases[i].treatment == "de-wind") &&
                    std::string(what) == "music")
                    continue;  // mostly masked, see the table of diagnosis
                AudioBuffer x = clean;
                cases[i].spoil(x, unsigned(count));
                before[i].push_back(sdr(x, clean));
                after[i].push_back(sdr(treated(x, cases[i].treatment), clean));
            }
        }
        std::fprintf(stderr, "\rclip %d", count + 1);
    }
    if (null.empty())
        return std::fprintf(stderr,
                            "rivlen-bench-treatments: there are no clips in \"%s\": make them with "
                            "training/make_programme.py.\n",
                            argv[1]),
               3;
    std::printf(
        "\n| fault | treatment | clips | SDR before | after | gain, mean | least |\n|---|---|---|---|---|---|---|\n");
    for (size_t i = 0; i < cases.size(); ++i) {
        double b = 0, a = 0, least = 1e9;
        const double n = double(before[i].size());
        for (size_t k = 0; k < before[i].size(); ++k)
            b += before[i][k] / n, a += after[i][k] / n, least = std::min(least, after[i][k] - before[i][k]);
        std::printf("| %s | %s | %zu | %.1f dB | %.1f dB | %.1f dB | %.1f dB |\n", cases[i].what.c_str(),
                    cases[i].treatment.c_str(), before[i].size(), b, a, a - b, least);
    }
    if (!clean_) rooms(argv[1]);
    const auto same = std::count_if(null.begin(), null.end(), [](double db) { return db < -60; });
    std::printf(
        "\nClean material that goes through what diagnosis proposes: %zd of %zu clips come out the same below -60 "
        "dBFS.\n",
        size_t(same), null.size());
    return 0;
}
