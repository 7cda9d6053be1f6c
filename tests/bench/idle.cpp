// What an open window costs while nothing plays and nothing runs: share of a core and wake-ups a second of all its
// threads, at every stage. Prints rows of a table.
#include <sys/resource.h>

#include <QApplication>
#include <QEventLoop>
#include <QTest>
#include <QTimer>
#include <filesystem>
#include <fstream>

#include "../Support.h"
#include "Places.h"
#include "app/widgets/Theme.h"
#include "app/window/MainWindow.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

double cpuSeconds() {
    rusage used{};
    getrusage(RUSAGE_SELF, &used);
    const auto seconds = [](const timeval& t) { return double(t.tv_sec) + 1e-6 * double(t.tv_usec); };
    return seconds(used.ru_utime) + seconds(used.ru_stime);
}

/// Times that any thread of this process has gone to sleep by itself: as often it was woken.
long wakeUps() {
    long all = 0;
    for (const auto& thread : fs::directory_iterator("/proc/self/task")) {
        std::ifstream status(thread.path() / "status");
        for (std::string line; std::getline(status, line);)
            if (line.rfind("voluntary_ctxt_switches:", 0) == 0) all += std::stol(line.substr(24));
    }
    return all;
}

/// QTest::qWait would wake up a hundred times a second by itself.
void sleepFor(double seconds) {
    QEventLoop loop;
    QTimer::singleShot(int(1000 * seconds), &loop, &QEventLoop::quit);
    loop.exec();
}

}  // namespace

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-bench");
    theme::apply();
    const TempFolder folder;
    qputenv("XDG_CACHE_HOME", QByteArray::fromStdString((folder / "cache").string()));
    qputenv("XDG_DATA_HOME", QByteArray::fromStdString((folder / "data").string()));
    const double settle = argc > 1 ? std::atof(argv[1]) : 12, measured = argc > 2 ? std::atof(argv[2]) : 10;
    std::printf("| %-50s | %-38s | %-36s |\n", "what", "measured", "bar");
    std::printf("| %-50s | %-38s | %-36s |\n", "---", "---", "---");
    {
        Studio studio(makeSilentClock());
        MainWindow window(studio);
        window.show();
        studio.reader.addFiles({QString(test::kSourceFolder) + "/demo/reel-2-saloon.flac"});
        const auto idle = [&] { return studio.document.reel() && studio.reels.current()->info && !studio.busy(); };
        if (!QTest::qWaitFor(idle, 60000)) return 1;
        studio.document.editReel("", [](Reel& r) { r.quality = "quick"; });
        studio.splitting.split();
        if (!QTest::qWaitFor([&] { return studio.reels.current()->stems && idle(); }, 120000)) return 1;
        for (const auto& stage : kStages) {
            studio.document.setStage(stage.id);
            studio.hearing.togglePlay();
            sleepFor(0.5);
            studio.hearing.togglePlay();
            sleepFor(settle);
            const double cpu = cpuSeconds();
            const long woken = wakeUps();
            sleepFor(measured);
            std::printf("| %-50s | %-38s | %-36s |\n", formatted("idle window at %s", stage.name).c_str(),
                        formatted("%.2f %% of a core, %.1f wake-ups a second", 100 * (cpuSeconds() - cpu) / measured,
                                  double(wakeUps() - woken) / measured)
                            .c_str(),
                        "below 1 %, below 10");
            std::fflush(stdout);
        }
        studio.file.begin();
    }
    _exit(0);
}
