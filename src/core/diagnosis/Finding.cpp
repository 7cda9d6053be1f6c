#include "core/diagnosis/Finding.h"

#include <array>
#include <cmath>
#include <cstdio>

#include "core/base/Text.h"
#include "core/media/Timecode.h"

namespace rivlen {

const FaultEntry& entryOf(Fault kind) {
    static constexpr std::array<FaultEntry, kFaults> table{{
        {"click", "Clicks", "clicks", "de-click",
         "Single ticks and crackle: a mouse, a mouth, a scratch, a lost sample."},
        {"clipping", "Clipping", "samples", "de-clip",
         "The recording was too loud for its converter: peaks are cut flat and sound harsh."},
        {"hum", "Hum", "dBFS", "de-hum", "A steady tone of 50 or 60 Hz with its harmonics, from the mains."},
        {"hiss", "Hiss", "dBFS", "de-hiss", "Steady broadband noise under everything, heard in pauses."},
        {"rumble", "Rumble", "dBFS", "de-rumble", "Low noise below the voice: traffic, handling, ventilation."},
        {"dc-offset", "DC offset", "% of full scale", "dc-offset",
         "The waveform is not centred: cuts click, and loudness is lost."},
        {"polarity", "Polarity", "correlation", "polarity",
         "Left and right work against each other and vanish in mono."},
        {"dead-channel", "Dead channel", "dBFS", "", "One channel is silent while another is not."},
        {"dropout", "Dropouts", "ms", "", "The sound breaks off for moments."},
        {"silence", "Silence", "s", "", "There is nothing in this span."},
        {"bandwidth", "Bandwidth limit", "Hz", "",
         "There is nothing above this frequency: a lossy or narrow-band origin."},
        {"wind", "Wind", "dBFS", "de-wind", "Low gusts that beat on the microphone and cover the voice.", true},
        {"plosive", "Plosives", "pops", "de-plosive",
         "Breath of p and b that hits the microphone: a thump under the word.", true},
        {"sibilance", "Sibilance", "dB", "de-ess", "The s is sharp: it stands out over the vowels.", true},
        {"reverberation", "Reverberation", "s", "de-reverb", "The room answers for long and blurs the words.", true},
        {"music-under", "Music under the voice", "dB", "", "Somebody speaks over music: Split takes them apart.", true},
        {"damage", "Damaged file", "ms", "",
         "The file cannot be decoded here: silence stands for it, and what follows stays in its place."},
        {"gap", "Gap in the file", "ms", "",
         "The file's clock jumps: nothing was recorded here, and silence stands for it."},
        {"not-a-number", "Samples without a value", "samples", "",
         "A program wrote infinite values, or such that are no numbers: a straight line is drawn over them."},
    }};
    return table[size_t(kind)];
}

nlohmann::json toJson(const Finding& f) {
    const auto& e = entryOf(f.kind);
    const auto rounded = [](double v, double step) { return std::round(v / step) * step; };
    nlohmann::json json{{"kind", e.id},
                        {"from_s", rounded(f.from, 1e-4)},
                        {"to_s", rounded(f.to, 1e-4)},
                        {"channel", f.channel < 0 ? nlohmann::json(nullptr) : nlohmann::json(f.channel + 1)},
                        {"severity", rounded(f.severity, 1e-3)},
                        {"unit", e.unit},
                        {"confidence", rounded(f.confidence, 1e-2)},
                        {"treatment", *e.treatment ? nlohmann::json(e.treatment) : nlohmann::json(nullptr)},
                        {"amount", *e.treatment ? nlohmann::json(f.amount) : nlohmann::json(nullptr)}};
    if (f.kind == Fault::Reverberation) json["direct_to_reverberant_db"] = rounded(f.level, 0.1);
    if (f.kind == Fault::Hum) json["drift_hz"] = rounded(f.level, 1e-3);
    if (f.hz > 0) json["hz"] = rounded(f.hz, 1e-3);
    return json;
}

namespace {
constexpr double kDriftHz = 0.03;  // from which it is worth saying
}

std::string findingKey(const Finding& f) {
    std::string text = formatted("%s@%.1f", entryOf(f.kind).id, f.from);
    return text + (f.channel < 0 ? std::string() : "/" + std::to_string(f.channel + 1));
}

std::string describe(const Finding& f) {
    const auto& e = entryOf(f.kind);
    std::string text;
    switch (f.kind) {
        case Fault::Click: text = formatted("%.0f click%s", f.severity, f.severity == 1 ? "" : "s"); break;
        case Fault::Clipping: text = formatted("Clipping: %.0f samples", f.severity); break;
        case Fault::Hum:
            if (f.level >= kDriftHz)
                text = formatted("Hum: %.1f Hz at %.0f dBFS, drifts by %.2f Hz", f.hz, f.severity, f.level);
            else text = formatted("Hum: %.1f Hz at %.0f dBFS", f.hz, f.severity);
            break;
        case Fault::DcOffset: text = formatted("DC offset: %.2f %% of full scale", f.severity); break;
        case Fault::Polarity: text = formatted("Polarity: left and right correlate by %.2f", f.severity); break;
        case Fault::DeadChannel: text = formatted("Channel %d is dead", f.channel + 1); break;
        case Fault::Silence: text = formatted("Silence: %.1f s", f.severity); break;
        case Fault::Dropout: text = formatted("Dropout: %.0f ms", f.severity); break;
        case Fault::Plosive: text = formatted("%.0f plosive%s", f.severity, f.severity == 1 ? "" : "s"); break;
        case Fault::Sibilance: text = formatted("Sibilance: s %.0f dB above the vowels", f.severity); break;
        case Fault::Reverberation:
            text = formatted("Reverberation: RT60 %.1f s, D/R %.0f dB", f.severity, f.level);
            break;
        case Fault::MusicUnder: text = formatted("Music under the voice, %.0f dB below it", -f.severity); break;
        case Fault::Damage: text = formatted("Damaged: %.0f ms cannot be decoded", f.severity); break;
        case Fault::Gap: text = formatted("Gap: nothing was recorded for %.0f ms", f.severity); break;
        case Fault::NotNumbers:
            text = formatted("%.0f sample%s without a value, bridged", f.severity, f.severity == 1 ? "" : "s");
            break;
        case Fault::Bandwidth: text = formatted("Nothing above %.1f kHz", f.severity / 1000); break;
        default: text = formatted("%s: %.0f %s", e.name, f.severity, e.unit);
    }
    std::string line = text;
    if (f.channel >= 0 && f.kind != Fault::DeadChannel) line += ", channel " + std::to_string(f.channel + 1);
    return line;
}

}  // namespace rivlen
