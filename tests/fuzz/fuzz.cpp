// One fuzzer for all readers: the environment variable RIVLEN_FUZZ names the one.
#include <cstdio>
#include <cstdlib>
#include <cstring>

#include "readers.h"

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
