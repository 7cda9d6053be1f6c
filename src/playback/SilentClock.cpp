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
        m_rate = sampleRate;
        m_callback = std::move(callback);
        resume();
        return true;
    }

    void stop() override {
        pause();
        m_callback = nullptr;
    }

    void pause() override {
        m_running = false;
        if (m_thread.joinable()) m_thread.join();
    }

    void resume() override {
        if (m_running || !m_callback) return;
        m_running = true;
        m_thread = std::thread([this] {
            constexpr int block = 256;
            std::vector<float> discarded(block * 2);
            auto next = std::chrono::steady_clock::now();
            const auto step = std::chrono::nanoseconds(int64_t(1e9 * block / m_rate));
            while (m_running) {
                m_callback(discarded.data(), block);
                next += step;
                std::this_thread::sleep_until(next);
            }
        });
    }

    std::string name() const override { return "silent clock"; }

private:
    int m_rate = 0;
    RenderCallback m_callback;
    std::atomic<bool> m_running{false};
    std::thread m_thread;
};

}  // namespace

std::unique_ptr<Device> makeSilentClock() { return std::make_unique<SilentClock>(); }

}  // namespace rivlen
