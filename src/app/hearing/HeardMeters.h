#pragma once
#include <QObject>
#include <memory>
#include <vector>

#include "app/hearing/Hearing.h"
#include "core/loudness/Loudness.h"
#include "core/spectral/Fft.h"

namespace rivlen {

/// What is heard, measured as it plays: loudness, true peak, phase and spectrum. One for the whole window; whoever
/// shows it listens to changed().
class HeardMeters : public QObject {
    Q_OBJECT
public:
    explicit HeardMeters(Hearing& hearing, QObject* parent = nullptr);

    /// Takes what was heard since the last call; called at the picture rate.
    void tick();
    void restart();  ///< integrated loudness and the highest peak begin anew

    double momentary() const { return m_momentary; }      ///< LUFS, 0.4 s; -infinity: silence
    double shortTerm() const { return m_shortTerm; }      ///< LUFS, 3 s
    double integrated() const { return m_integrated; }    ///< LUFS, since it began
    double truePeak() const { return m_truePeak; }        ///< dBTP, since it began
    double correlation() const { return m_correlation; }  ///< -1 ... +1 over 0.3 s; 1 for silence
    static constexpr int kSize = 4096;
    /// dBFS of bins 0 ... kSize / 2, falling slowly.
    const std::vector<float>& spectrum() const { return m_spectrum; }
    int sampleRate() const { return m_rate; }

signals:
    void changed();

private:
    Hearing& m_hearing;
    int m_rate = 0;
    Heard m_heard = Heard::Source;
    std::unique_ptr<LoudnessMeter> m_meter;
    std::vector<float> m_last;  ///< interleaved, kSize frames or more
    std::vector<float> m_spectrum = std::vector<float>(kSize / 2 + 1, -120.0f);
    Fft m_fft{kSize};
    std::vector<float> m_window = hannWindow(kSize);
    double m_momentary, m_shortTerm, m_integrated, m_truePeak, m_correlation = 1;
    bool m_quiet = false;
};

}  // namespace rivlen
