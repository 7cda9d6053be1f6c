#include "IntakeRows.h"

#include <chrono>

#include "Support.h"
#include "core/diagnosis/Diagnosis.h"
#include "core/media/MediaReader.h"
#include "core/media/PictureReader.h"
#include "core/spectral/Alignment.h"
#include "core/treatment/Treat.h"

using namespace rivlen;
using test::text;
using Clock = std::chrono::steady_clock;

namespace {
double since(Clock::time_point start) { return std::chrono::duration<double>(Clock::now() - start).count(); }
}  // namespace

void intakeRows(const std::filesystem::path& recording, const std::filesystem::path& folder,
                const std::function<void(const char*, const std::string&, const char*)>& row) {
    MediaReader reader(recording);
    const double seconds = double(reader.frames()) / reader.sampleRate();
    auto start = Clock::now();
    const auto diagnosis = diagnose(reader, {});
    row(text("diagnosis of %.0f s of stereo", seconds).c_str(), text("%.0fx real time", seconds / since(start)),
        "at least 50x");
    for (const char* chain : {"de-click", "de-hum", "de-rumble,de-plosive,de-wind", "de-hiss", "de-reverb,de-ess"}) {
        const auto treatments = parseTreatments(chain);
        start = Clock::now();
        treat(reader, treatments,
              factsFor(reader, treatments, {{Fault::Hum, 0, seconds, -1, -40, 1, 100, 50, 0, {1, 2, 3, 4, 5, 6}}}, {}),
              [](const AudioBuffer&) {}, {});
        row(text("treatments %s", chain).c_str(), text("%.0fx real time", seconds / since(start)), "");
    }
    MediaReader newer(recording);
    start = Clock::now();
    align(reader, newer, {});
    row("comparing two versions of it", text("%.1f s", since(start)), "");

    const auto video = folder / "1080.mp4";
    if (test::run("ffmpeg -v error -y -f lavfi -i testsrc2=s=1920x1080:r=25:d=60 -c:v libx264 -preset veryfast -g 50 "
                  "-pix_fmt yuv420p " +
                  video.string())
            .code != 0)
        return;
    PictureReader picture(video);
    double worst = 0, sum = 0;
    for (int i = 0; i < 30; ++i) {
        start = Clock::now();
        picture.at(std::fmod(7.31 * i, 59), 540);
        worst = std::max(worst, since(start));
        sum += since(start);
    }
    row("exact frame at any place of 1080p, key frames every 2 s",
        text("%.0f ms, at worst %.0f ms", 1000 * sum / 30, 1000 * worst), "");
    start = Clock::now();
    for (int i = 0; i < 500; ++i) picture.at(i / 25.0, 540);
    row("    its frames one after the other", text("%.1fx real time", 20 / since(start)), "at least 2x");
}
