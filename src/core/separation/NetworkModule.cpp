#include "core/separation/NetworkModule.h"

#include <zip.h>

#include <fstream>
#include <limits>

#include "core/base/Error.h"
#include "core/base/Text.h"
#include "core/media/FileSum.h"

namespace rivlen {

namespace {

constexpr uintmax_t kLargestFile = uintmax_t(512) << 20;
constexpr int64_t kLargestUnpacked = int64_t(1) << 30;

Error refused(const NetworkCard& card, const std::string& why) {
    return {Error::Kind::InputUnreadable, "The network file \"" + card.file.string() + "\" " + why};
}

}  // namespace

std::string moduleBytes(const NetworkCard& card) {
    std::error_code problem;
    const auto size = std::filesystem::file_size(card.file, problem);
    if (problem) throw refused(card, "is missing: restore the networks folder that came with Rivlen.");
    if (size > kLargestFile) throw refused(card, "is larger than 512 MB: no network of that size can be used.");
    std::string bytes(size, '\0');
    std::ifstream in(card.file, std::ios::binary);
    in.read(bytes.data(), std::streamsize(size));
    if (!in || (!card.sha256.empty() && sha256Of(bytes) != card.sha256))
        throw refused(
            card, "is not the one that its card describes (SHA-256 differs): restore it, or choose another network.");
    return bytes;
}

int64_t unpackedBytes(const std::string& module) {
    zip_error_t error;
    zip_source_t* bytes = zip_source_buffer_create(module.data(), module.size(), 0, &error);
    if (!bytes) return 0;
    zip_t* archive = zip_open_from_source(bytes, ZIP_RDONLY, &error);
    if (!archive) {
        zip_source_free(bytes);
        return 0;
    }
    int64_t sum = 0;
    const zip_int64_t entries = zip_get_num_entries(archive, 0);
    for (zip_int64_t i = 0; i < entries; ++i) {
        zip_stat_t entry;
        if (zip_stat_index(archive, zip_uint64_t(i), 0, &entry) != 0 || !(entry.valid & ZIP_STAT_SIZE)) continue;
        sum = entry.size > zip_uint64_t(std::numeric_limits<int64_t>::max() - sum) ? std::numeric_limits<int64_t>::max()
                                                                                   : sum + int64_t(entry.size);
    }
    zip_discard(archive);
    return sum;
}

void refuseInflating(const NetworkCard& card, const std::string& module) {
    if (const int64_t size = unpackedBytes(module); size > kLargestUnpacked)
        throw refused(card, formatted("unpacks to %.1f GB: no network of that size can be used.", double(size) / 1e9));
}

}  // namespace rivlen
