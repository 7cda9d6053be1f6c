// A host of ours for the effect that other programs load: runs it over a file of floats, channel after channel, in
// blocks, and counts what its audio thread must not do.
//   rivlen-lv2-host BUNDLE URI CHANNELS RATE BLOCK FROM TO [--kill FRAME] [SYMBOL-NUMBER=VALUE ...]
// Numbers of control ports count from the first one after the audio ports. Prints latency, late, and how often memory
// was taken or given back or a lock was taken while it ran.
#include <dlfcn.h>
#include <lv2/core/lv2.h>
#include <pthread.h>
#include <signal.h>
#include <unistd.h>

#include <algorithm>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <fstream>
#include <string>
#include <vector>

namespace {

thread_local bool watched = false;
thread_local long memory = 0, locks = 0;

template <typename F>
F next(const char* name) {
    return reinterpret_cast<F>(dlsym(RTLD_NEXT, name));
}

}  // namespace

// The C library's own, counted.
extern "C" {
void* __libc_malloc(size_t);
void* __libc_calloc(size_t, size_t);
void* __libc_realloc(void*, size_t);
void __libc_free(void*);

void* malloc(size_t n) {
    if (watched) ++memory;
    return __libc_malloc(n);
}
void* calloc(size_t n, size_t m) {
    if (watched) ++memory;
    return __libc_calloc(n, m);
}
void* realloc(void* p, size_t n) {
    if (watched) ++memory;
    return __libc_realloc(p, n);
}
void free(void* p) {
    if (watched && p) ++memory;
    __libc_free(p);
}
int pthread_mutex_lock(pthread_mutex_t* m) {
    static const auto own = next<int (*)(pthread_mutex_t*)>("pthread_mutex_lock");
    if (watched) ++locks;
    return own(m);
}
}

int main(int argc, char** argv) {
    if (argc < 8) return 2;
    const std::string bundle = std::string(argv[1]) + "/", uri = argv[2];
    const int channels = std::atoi(argv[3]), block = std::atoi(argv[5]);
    const double rate = std::atof(argv[4]);
    std::ifstream from(argv[6], std::ios::binary | std::ios::ate);
    const size_t frames = size_t(from.tellg()) / sizeof(float) / size_t(channels);
    std::vector<float> in(frames * size_t(channels)), out(in.size());
    from.seekg(0);
    from.read(reinterpret_cast<char*>(in.data()), std::streamsize(in.size() * sizeof(float)));
    constexpr int kControls = 12, kLate = 10, kLatency = 11;
    float controls[kControls] = {0, 0, 61};
    long killAt = -1;
    for (int i = 8; i < argc; ++i)
        if (std::strcmp(argv[i], "--kill") == 0 && i + 1 < argc) killAt = std::atol(argv[++i]);
        else if (const char* is = std::strchr(argv[i], '='))
            controls[std::atoi(argv[i]) % kControls] = float(std::atof(is + 1));

    void* library = dlopen((bundle + "rivlen.so").c_str(), RTLD_NOW);
    const auto descriptors =
        library ? reinterpret_cast<LV2_Descriptor_Function>(dlsym(library, "lv2_descriptor")) : nullptr;
    const LV2_Descriptor* effect = nullptr;
    for (uint32_t i = 0; descriptors && (effect = descriptors(i)) && uri != effect->URI; ++i) {}
    if (!effect) return 3;
    const LV2_Feature* none[] = {nullptr};
    LV2_Handle at = effect->instantiate(effect, rate, bundle.c_str(), none);
    if (!at) return 4;
    for (int c = 0; c < kControls; ++c) effect->connect_port(at, uint32_t(2 * channels + c), &controls[c]);
    effect->activate(at);
    std::vector<float> work(size_t(block) * size_t(channels));
    for (size_t first = 0; first < frames; first += size_t(block)) {
        const size_t n = std::min(size_t(block), frames - first);
        if (killAt >= 0 && first >= size_t(killAt)) {
            killAt = -1;
            if (std::system("pkill -KILL -P $PPID rivlen-live-hos") != 0) return 5;
        }
        for (int c = 0; c < channels; ++c) {  // in place
            float* row = work.data() + size_t(c) * size_t(block);
            std::copy_n(in.begin() + long(size_t(c) * frames + first), n, row);
            effect->connect_port(at, uint32_t(c), row);
            effect->connect_port(at, uint32_t(channels + c), row);
        }
        watched = true;
        effect->run(at, uint32_t(n));
        watched = false;
        for (int c = 0; c < channels; ++c)
            std::copy_n(work.begin() + long(size_t(c) * size_t(block)), n,
                        out.begin() + long(size_t(c) * frames + first));
    }
    effect->cleanup(at);
    std::ofstream(argv[7], std::ios::binary)
        .write(reinterpret_cast<const char*>(out.data()), std::streamsize(out.size() * sizeof(float)));
    std::printf("{\"latency\": %.0f, \"late\": %.0f, \"memory\": %ld, \"locks\": %ld}\n", double(controls[kLatency]),
                double(controls[kLate]), memory, locks);
    std::fflush(stdout);
    _exit(0);
}
