#include "core/media/FileSum.h"

extern "C" {
#include <libavutil/md5.h>
#include <libavutil/mem.h>
#include <libavutil/sha.h>
}

#include <fstream>
#include <memory>
#include <vector>

namespace rivlen {

std::string hexadecimal(const unsigned char* bytes, size_t count) {
    constexpr char kDigits[] = "0123456789abcdef";
    std::string text;
    for (size_t i = 0; i < count; ++i) {
        text += kDigits[bytes[i] >> 4];
        text += kDigits[bytes[i] & 15];
    }
    return text;
}

std::string sha256Of(std::string_view bytes) {
    const std::unique_ptr<AVSHA, void (*)(void*)> sha(av_sha_alloc(), av_free);
    av_sha_init(sha.get(), 256);
    av_sha_update(sha.get(), reinterpret_cast<const uint8_t*>(bytes.data()), bytes.size());
    uint8_t sum[32];
    av_sha_final(sha.get(), sum);
    return hexadecimal(sum, sizeof sum);
}

FileSums fileSums(const std::filesystem::path& file) {
    std::ifstream in(file, std::ios::binary);
    if (!in) return {};
    const std::unique_ptr<AVSHA, void (*)(void*)> sha(av_sha_alloc(), av_free);
    const std::unique_ptr<AVMD5, void (*)(void*)> md5(av_md5_alloc(), av_free);
    av_sha_init(sha.get(), 256);
    av_md5_init(md5.get());
    std::vector<char> block(1 << 20);
    while (in.read(block.data(), std::streamsize(block.size())) || in.gcount() > 0) {
        const auto* bytes = reinterpret_cast<const uint8_t*>(block.data());
        av_sha_update(sha.get(), bytes, size_t(in.gcount()));
        av_md5_update(md5.get(), bytes, size_t(in.gcount()));
    }
    uint8_t long_[32], short_[16];
    av_sha_final(sha.get(), long_);
    av_md5_final(md5.get(), short_);
    return {hexadecimal(long_, sizeof long_), hexadecimal(short_, sizeof short_)};
}

}  // namespace rivlen
