#pragma once
#include <gtest/gtest.h>

#include "Places.h"
#include "StudioFixture.h"
#include "app/reels/StemExport.h"
#include "app/window/MainWindow.h"

namespace rivlen::test {

inline const QString demo = QString(test::kSourceFolder) + "/demo/";

/// The real window with a silent clock and folders of its own.
struct Window : WithoutWindow {
    std::unique_ptr<MainWindow> window;

    void SetUp() override {
        WithoutWindow::SetUp();
        open();
    }
    void open() {
        if (window || !studio) {  // once more, as after a start of the program
            window.reset();
            begin();
        }
        window = std::make_unique<MainWindow>(*studio);
        window->show();
        window->activateWindow();
        if (!QTest::qWaitForWindowActive(window.get(), 3000)) QTest::qWait(50);
    }
    void TearDown() override {
        studio->file.begin();
        window.reset();
        studio.reset();
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
        const size_t before = studio->document.session().reels.size();
        studio->reader.addFiles(files);
        ASSERT_TRUE(until([&] {
            return studio->document.session().reels.size() == before + size_t(files.size()) &&
                   !studio->reels.current()->reading;
        }));
    }
    void addAndSplit(double seconds = 5, const char* quality = "quick") {
        add({QString::fromStdString(clip("clip.wav", seconds).string())});
        studio->document.editReel("", [&](Reel& r) { r.quality = quality; });
        key(Qt::Key_Return, Qt::ControlModifier);
        ASSERT_TRUE(
            until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
    }
};

}  // namespace rivlen::test
