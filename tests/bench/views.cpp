// What a step of zooming or scrolling costs on a three-hour reel: until something is drawn (the picture that was there,
// stretched), and until the picture of what is shown has been computed and drawn, while the reel is searched for faults
// in the background. Prints rows of a table.
#include <QApplication>
#include <QTest>
#include <chrono>

#include "../Support.h"
#include "app/widgets/Theme.h"
#include "app/window/MainWindow.h"
#include "core/media/AudioWriter.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

using Clock = std::chrono::steady_clock;
constexpr double kHours = 3;
constexpr int kRate = 48000;

double since(Clock::time_point start) { return std::chrono::duration<double>(Clock::now() - start).count(); }

void row(const std::string& a, const std::string& b, const std::string& c) {
    std::printf("| %-50s | %-44s | %-36s |\n", a.c_str(), b.c_str(), c.c_str());
    std::fflush(stdout);
}

struct Steps {
    std::vector<double> first, final;
    void tell(const std::string& what) {
        std::sort(first.begin(), first.end());
        std::sort(final.begin(), final.end());
        row(what + ": first picture",
            text("%.1f ms (median), %.1f ms (worst)", 1000 * first[first.size() / 2], 1000 * first.back()),
            "at most 50 ms");
        row(what + ": final picture",
            text("%.0f ms (median), %.0f ms (worst)", 1000 * final[final.size() / 2], 1000 * final.back()),
            "at most 300 ms");
    }
};

void step(Steps& steps, QWidget& view, const std::function<bool()>& busy, const std::function<void()>& move) {
    const auto start = Clock::now();
    move();
    view.repaint();
    steps.first.push_back(since(start));
    while (busy()) {
        QCoreApplication::processEvents();
        QThread::msleep(1);
    }
    view.repaint();
    steps.final.push_back(since(start));
}

}  // namespace

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-bench");
    theme::apply();
    TempFolder folder;
    for (const char* name : {"CACHE", "DATA", "CONFIG"})
        qputenv((std::string("XDG_") + name + "_HOME").c_str(), QByteArray::fromStdString((folder / name).string()));
    const fs::path file = folder / "long.wav";
    {
        AudioWriter writer(file, kRate, 2, AudioFormat::parse("wav", "16"));
        const AudioBuffer minute = noise(2, 60 * kRate, 0.1f, 5);
        for (int m = 0; m < int(60 * kHours); ++m) writer.write(minute);
        writer.commit();
    }
    row("what", "measured", "bar");
    row("---", "---", "---");
    Studio studio(makeSilentClock());
    MainWindow window(studio);
    window.resize(1280, 800);
    window.show();
    studio.reader.addFiles({QString::fromStdString(file.string())});
    if (!QTest::qWaitFor(
            [&] {
                return studio.reels.current() && studio.reels.current()->inspection &&
                       studio.work.idle(Work::Queue::Reading);
            },
            3600000))
        return 1;
    studio.document.setStage(stage::split);
    TimeAxis& axis = window.pictures().axis();
    auto& ownership = window.pictures().ownership();
    auto* current = window.findChild<CurrentView*>("current");
    const auto walk = [&](const char* what, QWidget& view, const std::function<bool()>& busy) {
        Steps zoom, scroll;
        axis.show(0, axis.duration());
        for (int i = 0; i < 44; ++i) step(zoom, view, busy, [&] { axis.zoom(0.7, 0.37 * axis.duration()); });
        zoom.tell(std::string(what) + ", zooming to samples");
        for (int i = 0; i < 20; ++i) {
            axis.show(0, i % 2 ? 600 : 2);
            while (busy()) QCoreApplication::processEvents();
            step(scroll, view, busy, [&] { axis.scroll(axis.span() * (17 + i)); });
        }
        scroll.tell(std::string(what) + ", scrolling far");
    };
    walk("Current", *current, [&] { return current->waves().isVisible() && current->waves().busy(); });
    window.pictures().show(MainWindow::Picture::Ownership);
    QTest::qWait(300);
    walk("Ownership", ownership, [&] { return ownership.busy(); });
    studio.file.begin();
    return 0;
}
