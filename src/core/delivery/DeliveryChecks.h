#pragma once
#include "core/delivery/Deliverable.h"
#include "core/delivery/DeliveryReport.h"
#include "core/delivery/Measurement.h"
#include "core/media/AudioWriter.h"

namespace rivlen {

/// What is known of a delivery before its files are read again.
struct CheckedDelivery {
    const Deliverable& deliverable;
    const AudioFormat& format;
    const std::vector<std::filesystem::path>& stored;
    const std::vector<uint64_t>& fingerprints;  ///< of the samples that were stored, by file
    const std::filesystem::path& sound;         ///< what they should sound like, at their rate, as floats
    const std::filesystem::path& picture;       ///< where the picture came from
    int64_t frames;
    int sampleRate, channels;
    const Measurement& before;  ///< before gain and limiter
    const Measurement& after;
    std::optional<double>
        timecode;  ///< seconds of the first frame on the timecode's clock, where the recording has one
};

/// Reads the files themselves and fills the report: length, rate and channels, silence, clipping, DC, phase, loudness,
/// true peak; lossless ones are compared sample by sample with what was stored, lossy ones by their time; a picture's
/// packets with those that it came from. Throws Error (InputUnreadable, Cancelled).
void checkDelivery(const CheckedDelivery& checked, DeliveryReport& report, const Progress& progress);

/// Frames by which b is late against a around a place, by cross-correlation of up to maximum frames to both sides;
/// nothing where there is too little sound or likeness.
std::optional<int64_t> lagBetween(SampleSource& a, SampleSource& b, int64_t place, int64_t maximum);

}  // namespace rivlen
