#pragma once
#include <memory>
#include <vector>

#include "core/audio/AudioBuffer.h"
#include "core/diagnosis/Finding.h"

namespace rivlen {

/// Looks for kinds of faults while a recording passes by, in memory that does not grow with its sound.
class Detector {
public:
    virtual ~Detector() = default;
    /// The next frames, in order, at most a second or so at once.
    virtual void add(const AudioBuffer& block) = 0;
    /// After the last frames: adds what was found.
    virtual void finish(std::vector<Finding>& findings) = 0;
};

std::unique_ptr<Detector> makeClickDetector(int channels, int rate);
std::unique_ptr<Detector> makeClippingDetector(int channels, int rate);
std::unique_ptr<Detector> makeHumDetector(int channels, int rate);
/// Hiss, rumble and bandwidth limits.
std::unique_ptr<Detector> makeNoiseDetector(int channels, int rate);
/// DC offset, polarity and dead channels.
std::unique_ptr<Detector> makeChannelDetector(int channels, int rate);
/// Silence and dropouts.
std::unique_ptr<Detector> makeSilenceDetector(int channels, int rate);

/// Wind and plosives.
std::unique_ptr<Detector> makeGustDetector(int channels, int rate);
std::unique_ptr<Detector> makeSibilanceDetector(int channels, int rate);
std::unique_ptr<Detector> makeReverberationDetector(int channels, int rate);

}  // namespace rivlen
