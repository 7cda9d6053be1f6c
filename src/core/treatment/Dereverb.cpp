// De-reverb: RoomGains at work on each channel; the room is the one that diagnosis found, else one of 0.7 s.
#include "core/treatment/CellTreatment.h"
#include "core/treatment/RoomGains.h"

namespace rivlen {

namespace {

constexpr double kUsualDecay = 0.7, kUsualRatio = 0;  // seconds, dB

class Dereverb : public CellTreatment {
public:
    Dereverb(double amount, const TreatmentFacts& facts)
        : CellTreatment(facts.channels, roomFrame(facts.sampleRate)), m_amount(float(amount / 100)) {
        double decay = kUsualDecay, ratio = kUsualRatio;
        for (const Finding& f : facts.findings)
            if (f.kind == Fault::Reverberation) decay = f.severity, ratio = f.level;
        for (int c = 0; c < facts.channels; ++c)
            m_rooms.emplace_back(int(bins()), double(roomFrame(facts.sampleRate)) / 4 / facts.sampleRate, decay, ratio);
    }

protected:
    void change(int channel, std::span<std::complex<float>> cells) override {
        const auto gains = m_rooms[size_t(channel)].next(cells);
        for (size_t k = 0; k < cells.size(); ++k) cells[k] *= 1 - m_amount * (1 - gains[k]);
    }

private:
    float m_amount;
    std::vector<RoomGains> m_rooms;
};

}  // namespace

std::unique_ptr<Treater> makeDereverb(double amount, const TreatmentFacts& facts) {
    return std::make_unique<Dereverb>(amount, facts);
}

}  // namespace rivlen
