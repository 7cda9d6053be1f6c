// One fuzzer for all readers: the environment variable RIVLEN_FUZZ names the one.
#include <cstdio>
#include <cstdlib>
#include <cstring>

#include "JsonMutator.h"
#include "readers.h"

extern "C" size_t LLVMFuzzerMutate(uint8_t* data, size_t size, size_t most);

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    static const rivlen::fuzz::Reader* reader = [] {
        const char* name = std::getenv("RIVLEN_FUZZ");
        for (const auto& r : rivlen::fuzz::readers())
            if (name && std::strcmp(r.name, name) == 0) return &r;
        std::fprintf(stderr, "RIVLEN_FUZZ must name one of the readers in tests/fuzz/readers.cpp.\n");
        std::exit(2);
    }();
    rivlen::fuzz::tried(*reader, std::string(reinterpret_cast<const char*>(data), size));
    return 0;
}

/// Documents are changed as documents four times out of five; by bytes otherwise, and where they are none.
extern "C" size_t LLVMFuzzerCustomMutator(uint8_t* data, size_t size, size_t most, unsigned seed) {
    if (seed % 5 != 0) {
        const std::string made =
            rivlen::fuzz::mutatedJson(std::string(reinterpret_cast<const char*>(data), size), seed, most);
        if (!made.empty()) {
            std::memcpy(data, made.data(), made.size());
            return made.size();
        }
    }
    return LLVMFuzzerMutate(data, size, most);
}
