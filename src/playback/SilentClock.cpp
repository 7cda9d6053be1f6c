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
                m_callback({discarded.data(), {}, block, {}, {}});
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

/// A device where it can play at the rate, the silent clock otherwise.
class OrSilent : public Device {
public:
    explicit OrSilent(std::unique_ptr<Device> device) : m_device(std::move(device)) {}
    bool start(int sampleRate, RenderCallback callback) override {
        m_silent = !m_device->start(sampleRate, callback);
        return !m_silent || m_clock->start(sampleRate, std::move(callback));
    }
    void stop() override {
        m_device->stop();
        m_clock->stop();
    }
    void pause() override { used().pause(); }
    void resume() override { used().resume(); }
    std::string name() const override { return m_silent ? m_clock->name() : m_device->name(); }
    bool lost() const override { return !m_silent && m_device->lost(); }
    bool hearsStems() const override { return !m_silent && m_device->hearsStems(); }
    bool listens() const override { return !m_silent && m_device->listens(); }
    int rate() const override { return m_silent ? 0 : m_device->rate(); }
    SharedTransport* transport() override { return m_silent ? nullptr : m_device->transport(); }

private:
    Device& used() { return m_silent ? *m_clock : *m_device; }
    std::unique_ptr<Device> m_device, m_clock = makeSilentClock();
    bool m_silent = true;
};

}  // namespace

std::unique_ptr<Device> makeSilentClock() { return std::make_unique<SilentClock>(); }
std::unique_ptr<Device> orSilent(std::unique_ptr<Device> device) {
    return std::make_unique<OrSilent>(std::move(device));
}

}  // namespace rivlen
