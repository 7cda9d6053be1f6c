#include <CLI/CLI.hpp>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <numbers>
#include <thread>

#include "cli/Commands.h"
#include "core/space/HeadMessage.h"

namespace rivlen {

void addHead(CLI::App& program, Progress& progress) {
    struct HeadOptions {
        int port = kHeadPort;
        double seconds = 30, sweep = 60, period = 8;
    };
    constexpr int kRate = 50;  // messages a second, as trackers send
    auto o = std::make_shared<HeadOptions>();
    auto* command = program.add_subcommand(
        "head", "Stands in for a head tracker: a head that turns slowly to and fro, sent to the window.");
    command->add_option("--port", o->port, "Where the window listens, UDP.")
        ->check(CLI::Range(1024, 65535))
        ->capture_default_str();
    command->add_option("--seconds", o->seconds, "How long.")->check(CLI::Range(0.1, 86400.0))->capture_default_str();
    command->add_option("--sweep", o->sweep, "How far to each side, degrees.")
        ->check(CLI::Range(0.0, 180.0))
        ->capture_default_str();
    command->add_option("--period", o->period, "Seconds from left to left.")
        ->check(CLI::Range(0.5, 600.0))
        ->capture_default_str();
    command->callback([o, &progress] {
        const auto begin = std::chrono::steady_clock::now();
        int sent = 0;
        for (int i = 0; i < o->seconds * kRate; ++i) {
            progress.throwIfCancelled();
            const double t = double(i) / kRate;
            std::this_thread::sleep_until(begin + std::chrono::microseconds(int64_t(1e6 * t)));
            if (sendYaw(o->port, o->sweep * std::sin(2 * std::numbers::pi * t / o->period))) ++sent;
        }
        std::printf("%d messages %s sent to port %d\n", sent, kHeadAddress, o->port);
    });
}

}  // namespace rivlen
