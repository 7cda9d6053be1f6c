#pragma once
#include <gtest/gtest.h>

#include <QTest>

#include "Support.h"
#include "app/MainWindow.h"
#include "core/media/MediaReader.h"

namespace rivlen::test {

inline const QString demo = QString(RIVLEN_SOURCE_DIR) + "/demo/";

/// The real window with a silent clock and a cache of its own.
struct Window : testing::Test {
    TempFolder folder;
    std::unique_ptr<Controller> controller;
    std::unique_ptr<MainWindow> window;

    void SetUp() override {
        qputenv("XDG_CACHE_HOME", QByteArray::fromStdString((folder / "cache").string()));
        qputenv("XDG_DATA_HOME", QByteArray::fromStdString((folder / "data").string()));
        open();
    }
    void open() {
        controller = std::make_unique<Controller>(makeSilentClock());
        window = std::make_unique<MainWindow>(*controller);
        window->show();
        window->activateWindow();
        if (!QTest::qWaitForWindowActive(window.get(), 3000)) QTest::qWait(50);
    }
    void TearDown() override {
        controller->newSession();
        window.reset();
        controller.reset();
    }

    template <typename F>
    bool until(F&& condition) {
        return QTest::qWaitFor(condition, kPatienceMs);
    }
    /// What the window owes by now is done: events that were posted, and layouts that they ask for.
    void settle() {
        for (int i = 0; i < 3; ++i) {
            QCoreApplication::sendPostedEvents();
            QCoreApplication::processEvents();
        }
    }
    void key(Qt::Key k, Qt::KeyboardModifiers m = Qt::NoModifier) { QTest::keyClick(window.get(), k, m); }
    template <typename T>
    T* find(const char* name) {
        T* widget = window->findChild<T*>(name);
        EXPECT_NE(widget, nullptr) << name;
        return widget;
    }
    void add(const QStringList& files) {
        const size_t before = controller->session().reels.size();
        controller->addFiles(files);
        ASSERT_TRUE(until([&] {
            return controller->session().reels.size() == before + size_t(files.size()) &&
                   !controller->currentState()->reading;
        }));
    }
    fs::path clip(const char* name, double seconds) {
        MediaReader reader((demo + "reel-2-saloon.flac").toStdString());
        writeWav(folder / name, reader.read(48000, int64_t(seconds * 48000)), 48000);
        return folder / name;
    }
    void addAndSplit(double seconds = 5, const char* quality = "quick") {
        add({QString::fromStdString(clip("clip.wav", seconds).string())});
        controller->editReel("", [&](Reel& r) { r.quality = quality; });
        key(Qt::Key_Return, Qt::ControlModifier);
        ASSERT_TRUE(
            until([&] { return controller->currentState()->stems && controller->currentState()->stems->finished(); }));
    }
};

}  // namespace rivlen::test
