#include <atomic>
#include <chrono>
#include <thread>
#include <vector>

#include "playback/Device.h"

namespace rivlen {

namespace {

class SilentClock : public Device {
public:
    ~SilentClock() override { stop(); }

    bool start(int sampleRate, RenderCallback callback) override {
        stop();
        m_running = true;
        m_thread = std::thread([this, sampleRate, callback = std::move(callback)] {
            constexpr int block = 256;
            std::vector<float> discarded(block * 2);
            auto next = std::chrono::steady_clock::now();
            const auto step = std::chrono::nanoseconds(int64_t(1e9 * block / sampleRate));
            while (m_running) {
                callback(discarded.data(), block);
                next += step;
                std::this_thread::sleep_until(next);
            }
        });
        return true;
    }

    void stop() override {
        m_running = false;
        if (m_thread.joinable()) m_thread.join();
    }

    std::string name() const override { return "silent clock"; }

private:
    std::atomic<bool> m_running{false};
    std::thread m_thread;
};

}  // namespace

std::unique_ptr<Device> makeSilentClock() { return std::make_unique<SilentClock>(); }

}  // namespace rivlen
