#include "core/delivery/Inspection.h"

#include <algorithm>
#include <cmath>

#include "core/audio/Decibel.h"
#include "core/loudness/Loudness.h"

namespace rivlen {

NoiseFloor::NoiseFloor(int rate) : m_stretch(std::max(1, rate / 20)) {}

void NoiseFloor::add(const AudioBuffer& audio) {
    for (int64_t from = 0; from + m_stretch <= audio.frames(); from += m_stretch) {
        double energy = 0;
        for (int c = 0; c < audio.channels(); ++c)
            for (float v : audio.channel(c).subspan(size_t(from), size_t(m_stretch))) energy += double(v) * v;
        m_levels.push_back(energy / double(m_stretch * audio.channels()));
    }
}

double NoiseFloor::over(size_t first, size_t end) const {
    std::vector<double> sounding;
    std::copy_if(m_levels.begin() + long(first), m_levels.begin() + long(end), std::back_inserter(sounding),
                 [](double v) { return v > 0; });
    if (sounding.empty()) return kSilenceDb;
    const size_t tenth = std::max<size_t>(1, sounding.size() / 10);
    std::nth_element(sounding.begin(), sounding.begin() + long(tenth - 1), sounding.end());
    double sum = 0;
    for (size_t i = 0; i < tenth; ++i) sum += sounding[i];
    return toDb(std::sqrt(sum / double(tenth)));
}

double NoiseFloor::dbfs() const { return over(0, m_levels.size()); }

std::vector<float> NoiseFloor::course() const {
    constexpr size_t kSecond = 20;  // stretches
    std::vector<float> all;
    for (size_t at = 0; at < m_levels.size(); at += kSecond)
        all.push_back(float(over(at < kSecond ? 0 : at - kSecond, std::min(m_levels.size(), at + 2 * kSecond))));
    return all;
}

Inspection inspect(SampleSource& source, const Progress& progress) {
    LoudnessMeter meter(source.channels(), source.sampleRate());
    NoiseFloor floor(source.sampleRate());
    const int64_t block = std::max<int64_t>(1, source.sampleRate() / 20) * 20;  // a second
    Inspection found;
    for (int64_t at = 0; at < source.frames(); at += block) {
        progress.throwIfCancelled();
        const AudioBuffer audio = source.read(at, std::min(block, source.frames() - at));
        meter.add(audio);
        floor.add(audio);
        found.shortTerm.push_back(float(std::max(kSilenceDb, meter.shortTerm())));
        progress.report(double(at + audio.frames()) / double(source.frames()));
    }
    found.integratedLufs = meter.integrated();
    found.rangeLu = meter.range();
    found.truePeakDbtp = meter.truePeak();
    found.peakDbfs = meter.samplePeak();
    found.noiseFloorDbfs = floor.dbfs();
    found.floor = floor.course();
    return found;
}

namespace {
/// JSON has no infinity: what is not measurable is null.
nlohmann::json number(double value) {
    if (!std::isfinite(value) || value <= kSilenceDb) return nullptr;
    return std::round(value * 100) / 100;
}
}  // namespace

nlohmann::json toJson(const MediaInfo& info, const Inspection& i) {
    nlohmann::json json{{"file", info.file},
                        {"duration_s", info.duration()},
                        {"sample_rate", info.sampleRate},
                        {"channels", info.channels},
                        {"layout", info.layout},
                        {"codec", info.codec},
                        {"bits", info.bits > 0 ? nlohmann::json(info.bits) : nlohmann::json(nullptr)},
                        {"timecode", info.timecode ? nlohmann::json(*info.timecode) : nlohmann::json(nullptr)},
                        {"picture", nullptr},
                        {"loudness",
                         {{"integrated_lufs", number(i.integratedLufs)},
                          {"range_lu", number(i.rangeLu)},
                          {"true_peak_dbtp", number(i.truePeakDbtp)}}},
                        {"peak_dbfs", number(i.peakDbfs)},
                        {"noise_floor_dbfs", number(i.noiseFloorDbfs)}};
    if (info.picture)
        json["picture"] = {{"width", info.picture->width},
                           {"height", info.picture->height},
                           {"fps", info.picture->fps},
                           {"codec", info.picture->codec}};
    return json;
}

}  // namespace rivlen
