// Effects that tests need: some that do exactly what they say, and one for each way to fail.
#include <lv2/atom/atom.h>
#include <lv2/core/lv2.h>
#include <lv2/state/state.h>
#include <lv2/urid/urid.h>
#include <lv2/worker/worker.h>
#include <unistd.h>

#include <cmath>
#include <cstdlib>
#include <cstring>
#include <string>
#include <vector>

namespace {

constexpr const char* kFactor = "urn:rivlen-test:factor";

struct Effect {
    std::string uri;
    std::vector<void*> ports = std::vector<void*>(8, nullptr);
    std::vector<float> line[2];  ///< of the late one
    size_t at = 0;
    LV2_URID_Map* map = nullptr;
    LV2_Worker_Schedule* worker = nullptr;
    float factor = 1;  ///< kept as state
    int answered = 0;
    float* audio(int port) { return static_cast<float*>(ports[size_t(port)]); }
    float control(int port) { return *static_cast<float*>(ports[size_t(port)]); }
};

Effect& of(LV2_Handle handle) { return *static_cast<Effect*>(handle); }

LV2_Handle instantiate(const LV2_Descriptor* descriptor, double, const char*, const LV2_Feature* const* features) {
    auto* e = new Effect;
    e->uri = descriptor->URI;
    for (; *features; ++features) {
        if (!std::strcmp((*features)->URI, LV2_URID__map)) e->map = static_cast<LV2_URID_Map*>((*features)->data);
        if (!std::strcmp((*features)->URI, LV2_WORKER__schedule))
            e->worker = static_cast<LV2_Worker_Schedule*>((*features)->data);
    }
    return e;
}

void connect(LV2_Handle handle, uint32_t port, void* to) { of(handle).ports[port] = to; }
void activate(LV2_Handle handle) {
    for (auto& line : of(handle).line) line.assign(4096, 0.0f);
    of(handle).at = 0;
}
void cleanup(LV2_Handle handle) { delete &of(handle); }

// in 0, out 1, gain in dB 2
void runGain(LV2_Handle handle, uint32_t n) {
    Effect& e = of(handle);
    const float gain = e.factor * std::pow(10.0f, e.control(2) / 20);
    for (uint32_t i = 0; i < n; ++i) e.audio(1)[i] = gain * e.audio(0)[i];
}

// in 0 1, out 2 3, frames 4, latency 5
void runLate(LV2_Handle handle, uint32_t n) {
    Effect& e = of(handle);
    const auto late = size_t(e.control(4));
    *static_cast<float*>(e.ports[5]) = float(late);
    for (uint32_t i = 0; i < n; ++i, e.at = (e.at + 1) % 4096)
        for (int c = 0; c < 2; ++c) {
            e.line[c][e.at] = e.audio(c)[i];
            e.audio(2 + c)[i] = e.line[c][(e.at + 4096 - late) % 4096];
        }
}

// in 0, out 1, now 2: well until it is told
void runFaulty(LV2_Handle handle, uint32_t n) {
    Effect& e = of(handle);
    std::memcpy(e.audio(1), e.audio(0), n * sizeof(float));
    if (e.control(2) < 0.5f) return;
    if (e.uri.ends_with("crashes")) std::abort();
    if (e.uri.ends_with("hangs"))
        while (true) sleep(1);
    if (e.uri.ends_with("floods")) e.audio(1)[n / 2] = std::nanf("");
}

// in 0, out 1, amount 2, answered 3: asks its worker for the sign
void runWorking(LV2_Handle handle, uint32_t n) {
    Effect& e = of(handle);
    const float asked = e.control(2);
    e.worker->schedule_work(e.worker->handle, sizeof asked, &asked);
    for (uint32_t i = 0; i < n; ++i) e.audio(1)[i] = float(e.answered) * e.audio(0)[i];
    *static_cast<float*>(e.ports[3]) = float(e.answered);
}
LV2_Worker_Status work(LV2_Handle, LV2_Worker_Respond_Function respond, LV2_Worker_Respond_Handle to, uint32_t,
                       const void* data) {
    const int answer = *static_cast<const float*>(data) < 0 ? -1 : 1;
    return respond(to, sizeof answer, &answer);
}
LV2_Worker_Status answer(LV2_Handle handle, uint32_t, const void* data) {
    of(handle).answered = *static_cast<const int*>(data);
    return LV2_WORKER_SUCCESS;
}

LV2_State_Status save(LV2_Handle handle, LV2_State_Store_Function store, LV2_State_Handle to, uint32_t,
                      const LV2_Feature* const*) {
    Effect& e = of(handle);
    return store(to, e.map->map(e.map->handle, kFactor), &e.factor, sizeof e.factor,
                 e.map->map(e.map->handle, LV2_ATOM__Float), LV2_STATE_IS_POD | LV2_STATE_IS_PORTABLE);
}
LV2_State_Status restore(LV2_Handle handle, LV2_State_Retrieve_Function retrieve, LV2_State_Handle from, uint32_t,
                         const LV2_Feature* const*) {
    Effect& e = of(handle);
    size_t size = 0;
    uint32_t type = 0, flags = 0;
    const void* value = retrieve(from, e.map->map(e.map->handle, kFactor), &size, &type, &flags);
    if (value && size == sizeof e.factor) std::memcpy(&e.factor, value, size);
    return LV2_STATE_SUCCESS;
}

const void* extension(const char* uri) {
    static const LV2_State_Interface state{save, restore};
    static const LV2_Worker_Interface worker{work, answer, nullptr};
    if (!std::strcmp(uri, LV2_STATE__interface)) return &state;
    if (!std::strcmp(uri, LV2_WORKER__interface)) return &worker;
    return nullptr;
}

const LV2_Descriptor kEffects[] = {
    {"urn:rivlen-test:gain", instantiate, connect, activate, runGain, nullptr, cleanup, extension},
    {"urn:rivlen-test:late", instantiate, connect, activate, runLate, nullptr, cleanup, extension},
    {"urn:rivlen-test:crashes", instantiate, connect, activate, runFaulty, nullptr, cleanup, extension},
    {"urn:rivlen-test:hangs", instantiate, connect, activate, runFaulty, nullptr, cleanup, extension},
    {"urn:rivlen-test:floods", instantiate, connect, activate, runFaulty, nullptr, cleanup, extension},
    {"urn:rivlen-test:works", instantiate, connect, activate, runWorking, nullptr, cleanup, extension},
    {"urn:rivlen-test:needs", instantiate, connect, activate, runGain, nullptr, cleanup, extension},
};

}  // namespace

LV2_SYMBOL_EXPORT const LV2_Descriptor* lv2_descriptor(uint32_t index) {
    return index < sizeof kEffects / sizeof *kEffects ? &kEffects[index] : nullptr;
}
