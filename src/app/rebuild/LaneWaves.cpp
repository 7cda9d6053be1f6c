#include "app/rebuild/LaneWaves.h"

#include <cmath>

#include "app/views/WaveDrawing.h"
#include "core/audio/Decibel.h"
#include "core/rebuild/Automation.h"

namespace rivlen {

namespace {

struct Wanted {
    Clip clip;
    DrawnCurve duck;  ///< empty: nothing ducks it
};

/// A clip's samples in [from, to) of the axis; nothing where its material is not there.
LaneWaves::Wave waveOf(const Wanted& wanted, double from, double to, Materials& materials, const Rebuild& rebuild,
                       const Progress& progress) {
    const Clip& clip = wanted.clip;
    LaneWaves::Wave wave;
    const auto source = materials.open(clip.material, rebuild);
    if (!source) return wave;
    const double rate = materials.reel().sampleRate;
    const int64_t count = std::llround((to - from) * rate);
    while (int64_t(wave.samples.size()) < count) {
        progress.throwIfCancelled();
        const double second = clip.materialAt(from + double(wave.samples.size()) / rate);
        const auto left = count - int64_t(wave.samples.size()),
                   untilRepeated =
                       clip.loops() ? std::max<int64_t>(1, std::llround((clip.loopTo - second) * rate)) : left;
        const AudioBuffer sound = source->read(std::llround(second * rate), std::min(left, untilRepeated));
        if (sound.frames() == 0) break;
        for (int64_t i = 0; i < sound.frames(); ++i) {
            float mean = 0;
            for (int c = 0; c < sound.channels(); ++c) mean += sound.channel(c)[size_t(i)];
            wave.samples.push_back(mean / float(sound.channels()));
        }
    }
    const double gain = fromDb(clip.gain);
    for (size_t i = 0; i < wave.samples.size(); ++i) {
        const double second = from + double(i) / rate;
        const double ducked = wanted.duck.empty() ? 1 : fromDb(drawnAt(wanted.duck, second));
        wave.samples[i] *= float(gain * ducked * clip.fadeAt(second));
    }
    wave.from = from - clip.at;
    wave.seconds = double(wave.samples.size()) / rate;
    return wave;
}

}  // namespace

LaneWaves::LaneWaves(const TimeAxis& axis, RebuildMix& mix, const RebuildDesk& desk, const Ducking& ducking,
                     QObject* parent)
    : QObject(parent), m_axis(axis), m_mix(mix), m_desk(desk), m_ducking(ducking) {
    m_wait.setSingleShot(true);
    m_wait.setInterval(40);
    connect(&m_wait, &QTimer::timeout, this, &LaneWaves::read);
    for (auto signal : {&RebuildMix::followed, &RebuildMix::renewed})
        connect(&mix, signal, &m_wait, qOverload<>(&QTimer::start));
    connect(&desk, &RebuildDesk::changed, &m_wait, qOverload<>(&QTimer::start));
    connect(&axis, &TimeAxis::changed, &m_wait, qOverload<>(&QTimer::start));
}

bool LaneWaves::close() const { return m_axis.span() > 0 && m_axis.span() < kCloseSeconds; }

const LaneWaves::Wave* LaneWaves::of(const std::string& clip) const {
    const auto found = close() ? m_waves.find(clip) : m_waves.end();
    return found == m_waves.end() ? nullptr : &found->second;
}

void LaneWaves::read() {
    m_newest.cancel();
    const auto materials = m_mix.materials();
    if (!close() || !materials) {
        m_waves.clear();
        return;
    }
    std::vector<Wanted> wanted;
    const double begin = m_axis.from(), end = m_axis.from() + m_axis.span();
    for (const auto& lane : m_desk.rebuild().lanes)
        for (const Clip& clip : lane->clips) {
            if (clip.end() <= begin || clip.at >= end) continue;
            const DrawnCurve* duck = lane->duck.on ? m_ducking.curve(lane->id) : nullptr;
            wanted.push_back({clip, duck ? *duck : DrawnCurve{}});
        }
    m_newest.run([this, wanted, begin, end, materials, rebuild = m_desk.rebuild()](const Progress& progress) {
        std::map<std::string, Wave> waves;
        float loudest = 1e-6f;
        for (const Wanted& w : wanted) {
            Wave wave =
                waveOf(w, std::max(begin, w.clip.at), std::min(end, w.clip.end()), *materials, rebuild, progress);
            for (const float v : wave.samples) loudest = std::max(loudest, std::fabs(v));
            waves.emplace(w.clip.id, std::move(wave));
        }
        return [this, waves = std::move(waves), loudest] {
            m_waves = waves;
            m_loudest = loudest;
            emit changed();
        };
    });
}

}  // namespace rivlen
