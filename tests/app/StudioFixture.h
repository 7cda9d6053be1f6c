#pragma once
#include <gtest/gtest.h>

#include <QSettings>
#include <QTest>

#include "Places.h"
#include "Support.h"
#include "app/window/Studio.h"
#include "core/media/MediaReader.h"

namespace rivlen::test {

/// What the window works with, without the window: a silent clock and folders of its own.
struct WithoutWindow : testing::Test {
    TempFolder folder;
    std::unique_ptr<Studio> studio;
    std::vector<QString> warned, reported;

    void SetUp() override {
        qputenv("XDG_CACHE_HOME", QByteArray::fromStdString((folder / "cache").string()));
        qputenv("XDG_DATA_HOME", QByteArray::fromStdString((folder / "data").string()));
        QSettings().clear();  // what another test, or another run, has chosen
        begin();
    }
    void TearDown() override {
        if (studio) studio->file.begin();
    }
    void begin() {
        studio = std::make_unique<Studio>(makeSilentClock());
        QObject::connect(&studio->work, &Work::warned, [this](const QString& s) { warned.push_back(s); });
        QObject::connect(&studio->work, &Work::reported, [this](const QString& s) { reported.push_back(s); });
    }
    template <typename F>
    bool until(F&& condition) {
        return QTest::qWaitFor(condition, kPatienceMs);
    }
    /// Some seconds of a demo reel as a file.
    fs::path clip(const char* name, double seconds) {
        MediaReader reader(fs::path(test::kSourceFolder) / "demo/reel-2-saloon.flac");
        writeWav(folder / name, reader.read(48000, int64_t(seconds * 48000)), 48000);
        return folder / name;
    }
    void add(const fs::path& file) {
        const size_t before = studio->document.session().reels.size();
        studio->reader.addFiles({QString::fromStdString(file.string())});
        ASSERT_TRUE(until([&] {
            return studio->document.session().reels.size() == before + 1 && studio->reels.current()->inspection &&
                   !studio->busy();
        }));
    }
    void split() {
        studio->document.editReel("", [](Reel& r) { r.quality = "quick"; });
        studio->splitting.split();
        ASSERT_TRUE(
            until([&] { return studio->reels.current()->stems && studio->reels.current()->stems->finished(); }));
    }
    const Reel& reel() { return *studio->document.reel(); }
};

}  // namespace rivlen::test
