#include "core/media/WavePromise.h"

#include <array>
#include <cstring>
#include <fstream>

namespace rivlen {

namespace {

uint64_t number(const char* bytes, int count) {
    uint64_t v = 0;
    for (int i = count - 1; i >= 0; --i) v = v << 8 | uint8_t(bytes[i]);
    return v;
}

}  // namespace

std::optional<int64_t> waveFramesPromised(const std::filesystem::path& file) {
    std::ifstream in(file, std::ios::binary);
    std::array<char, 12> head{};
    if (!in.read(head.data(), 12) || std::memcmp(head.data() + 8, "WAVE", 4) != 0) return {};
    const bool rf64 = std::memcmp(head.data(), "RF64", 4) == 0;
    if (!rf64 && std::memcmp(head.data(), "RIFF", 4) != 0) return {};
    uint64_t dataSize64 = 0, frameBytes = 0;
    for (int chunks = 0; chunks < 1000; ++chunks) {
        std::array<char, 8> chunk{};
        if (!in.read(chunk.data(), 8)) return {};
        const uint64_t size = number(chunk.data() + 4, 4);
        const auto is = [&](const char* id) { return std::memcmp(chunk.data(), id, 4) == 0; };
        if (is("data")) {
            if (size == 0 || frameBytes == 0 || (size == 0xffffffff && !rf64)) return {};
            return int64_t((size == 0xffffffff ? dataSize64 : size) / frameBytes);
        }
        const auto next = in.tellg() + std::streamoff(size + size % 2);
        std::array<char, 24> body{};
        if (is("ds64") && size >= 24 && in.read(body.data(), 24)) dataSize64 = number(body.data() + 8, 8);
        if (is("fmt ") && size >= 16 && in.read(body.data(), 16)) {
            // Of compressed waves a block holds more than a frame.
            const uint64_t kind = number(body.data(), 2), channels = number(body.data() + 2, 2),
                           align = number(body.data() + 12, 2), bits = number(body.data() + 14, 2);
            const bool plain = kind == 1 || kind == 3 || kind == 0xfffe;
            if (plain && align == channels * ((bits + 7) / 8)) frameBytes = align;
        }
        if (!in.seekg(next)) return {};
    }
    return {};
}

}  // namespace rivlen
