#pragma once
#include <fstream>
#include <random>

#include "Support.h"

namespace rivlen::test {

/// Writes a FLAC of a noisy tone, and one like it with 200 bytes in its middle that are others; returns the latter.
inline fs::path damagedFlac(const fs::path& folder, double seconds) {
    AudioBuffer x = sine(440, 0.4, 48000, int64_t(48000 * seconds), 2);
    std::mt19937 random(3);
    std::normal_distribution<float> noise(0, 0.05f);
    for (float& v : x.samples()) v += noise(random);
    AudioWriter writer(folder / "good.flac", 48000, 2, AudioFormat::parse("flac", "24"), false);
    writer.write(x);
    writer.commit();
    std::ifstream in(folder / "good.flac", std::ios::binary);
    std::string bytes{std::istreambuf_iterator<char>(in), {}};
    for (size_t i = 0; i < 200; ++i) bytes[bytes.size() / 2 + i] = char(random());
    std::ofstream(folder / "bad.flac", std::ios::binary) << bytes;
    return folder / "bad.flac";
}

}  // namespace rivlen::test
