// What a step of zooming or scrolling costs on a three-hour reel: until something is drawn (the picture that was there,
// stretched), and until the picture of what is shown has been computed and drawn, while the reel is searched for faults
// in the background; then the same with stems, of the lanes and of a delivered file. Prints rows of a table. Needs 18
// GB of room for temporary files.
//   rivlen-bench-views [split]     "split": the reel with stems alone
#include <QApplication>
#include <QTest>
#include <chrono>

#include "../Support.h"
#include "app/dispatch/DeliveryView.h"
#include "app/rebuild/LanesView.h"
#include "app/widgets/Theme.h"
#include "app/window/MainWindow.h"
#include "core/base/Memory.h"
#include "core/media/AudioWriter.h"
#include "core/separation/Scene.h"
#include "core/separation/StemStore.h"

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

struct Long {
    TempFolder folder;
    fs::path file;
    std::unique_ptr<Studio> studio;
    std::unique_ptr<MainWindow> window;

    Long() {
        for (const char* name : {"CACHE", "DATA", "CONFIG"})
            qputenv((std::string("XDG_") + name + "_HOME").c_str(),
                    QByteArray::fromStdString((folder / name).string()));
        file = folder / "long.wav";
        AudioWriter writer(file, kRate, 2, AudioFormat::parse("wav", "16"));
        const AudioBuffer minute = noise(2, 60 * kRate, 0.1f, 5);
        for (int m = 0; m < int(60 * kHours); ++m) writer.write(minute);
        writer.commit();
    }
    /// As if the reel had been split: stems of noise.
    void writeStems() {
        const Reel usual;
        const auto place =
            StemStore::folderFor(file, networkFor(usual.network, usual.quality, usual.scene).sum(), usual.quality);
        const auto store =
            StemStore::create(place,
                              {{kStemNames.begin(), kStemNames.end()}, kRate, 2, int64_t(kHours * 3600) * kRate});
        std::vector<AudioBuffer> minute;
        for (unsigned s = 0; s < kStemCount; ++s) minute.push_back(noise(2, 60 * kRate, 0.05f, 6 + s));
        for (int m = 0; m < int(60 * kHours); ++m) store->append(minute);
        store->finish();
    }
    bool open() {
        window.reset();
        studio.reset();
        studio = std::make_unique<Studio>(makeSilentClock());
        window = std::make_unique<MainWindow>(*studio);
        window->resize(1280, 800);
        window->show();
        studio->reader.addFiles({QString::fromStdString(file.string())});
        return until([&] {
            return studio->reels.current() && studio->reels.current()->inspection &&
                   studio->work.idle(Work::Queue::Reading);
        });
    }
    static bool until(const std::function<bool()>& so) { return QTest::qWaitFor(so, 3600000); }
    void walk(const std::string& what, QWidget& view, const std::function<bool()>& busy) {
        TimeAxis& axis = window->pictures().axis();
        Steps zoom, scroll;
        axis.show(0, axis.duration());
        until([&] { return !busy(); });
        for (int i = 0; i < 44; ++i) step(zoom, view, busy, [&] { axis.zoom(0.7, 0.37 * axis.duration()); });
        zoom.tell(what + ", zooming to samples");
        for (int i = 0; i < 20; ++i) {
            axis.show(0, i % 2 ? 600 : 2);
            while (busy()) QCoreApplication::processEvents();
            step(scroll, view, busy, [&] { axis.scroll(axis.span() * (17 + i)); });
        }
        scroll.tell(what + ", scrolling far");
    }
    void walkPictures(const std::string& with) {
        studio->document.setStage(stage::split);
        auto* current = window->findChild<CurrentView*>("current");
        walk("Current" + with, *current, [&] { return current->waves().isVisible() && current->waves().busy(); });
        window->pictures().show(MainWindow::Picture::Ownership);
        QTest::qWait(300);
        auto& ownership = window->pictures().ownership();
        walk("Ownership" + with, ownership, [&] { return ownership.busy(); });
    }
    void walkLanes() {
        studio->document.setStage(stage::rebuild);
        QTest::qWait(300);
        auto& lanes = window->pictures().lanes();
        walk("Lanes of three stems", lanes, [&] { return lanes.waves().busy(); });
    }
    void walkStretch() {
        TimeAxis axis;
        axis.setDuration(kHours * 3600);
        QWidget nothing;
        DeliveryStretch stretch(axis);
        stretch.follow({file}, 0);
        const auto start = Clock::now();
        const auto zoom = [&](const char* when) {
            Steps steps;
            axis.show(0, axis.duration());
            for (int i = 0; i < 44; ++i)
                step(
                    steps, nothing, [&] { return stretch.busy(); }, [&] { axis.zoom(0.7, 0.37 * axis.duration()); });
            steps.tell(std::string("What is in sight of a file, ") + when);
        };
        zoom("while its outline is made");
        until([&] { return stretch.outlined(); });
        row("Outline of three hours", text("%.1f s", since(start)), "");
        zoom("outlined");
    }
    bool walkDelivery() {
        // One file is enough to be looked at; all five of a session that says nothing take minutes more.
        studio->document.editDeliverables("Tick one", [](std::vector<Deliverable>& all) {
            if (all.empty()) all = usualDeliverables();
            for (size_t i = 1; i < all.size(); ++i) all[i].on = false;
        });
        studio->document.setStage(stage::dispatch);
        DispatchDesk& desk = window->desks().dispatch;
        desk.dispatch(QString::fromStdString((folder / "out").string()), false);
        if (!until([&] { return !desk.busy() && desk.standing() == DispatchDesk::Standing::Delivered; })) return false;
        auto* view = window->findChild<DeliveryView*>("deliveryview");
        walk("A delivered file", *view, [&] { return view->stretch().busy(); });
        return true;
    }
};

}  // namespace

int main(int argc, char** argv) {
    keepLargeBlocks();  // as the program does
    QApplication app(argc, argv);
    QApplication::setApplicationName("rivlen-bench");
    theme::apply();
    row("what", "measured", "bar");
    row("---", "---", "---");
    Long reel;
    // "split": with stems alone, "delivered": the delivered file, "stretch": without its window.
    const std::string only = argc < 2 ? "" : argv[1];
    if (only == "stretch") {  // what is in sight of a delivered file, alone: the reel's own file stands for it
        reel.walkStretch();
        return 0;
    }
    if (only.empty()) {
        if (!reel.open()) return 1;
        reel.walkPictures(", not split");
    }
    reel.writeStems();
    if (!reel.open() || !reel.studio->reels.current()->stems) return 1;
    if (only != "delivered") {
        reel.walkPictures(", split");
        reel.walkLanes();
    }
    if (!reel.walkDelivery()) return 1;
    reel.studio->file.begin();
    return 0;
}
