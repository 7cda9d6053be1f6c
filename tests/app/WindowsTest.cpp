// Views in windows of their own, a layout that is remembered, and nothing cut at the sizes that people have.
#include <QLabel>
#include <QProcess>
#include <QPushButton>
#include <QSettings>
#include <QTabBar>

#include "WindowFixture.h"
#include "app/widgets/Theme.h"
#include "app/window/CourseBar.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

struct Windows : Window {
    void expectPassesAt(const char* scale) {
        QProcess again;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert("QT_SCALE_FACTOR", scale);
        for (const char* own : {"GTEST_TOTAL_SHARDS", "GTEST_SHARD_INDEX"})  // it would be half of one test
            environment.remove(own);
        again.setProcessEnvironment(environment);
        again.setProcessChannelMode(QProcess::MergedChannels);
        again.start(QCoreApplication::applicationFilePath(), {"--gtest_filter=Windows.NothingIsCut"});
        ASSERT_TRUE(again.waitForFinished(300000));
        const QByteArray said = again.readAll();
        EXPECT_TRUE(again.exitCode() == 0 && said.contains("[  PASSED  ] 1 test")) << said.toStdString();
    }
    void TearDown() override {
        QSettings().remove("layout");
        Window::TearDown();
    }
    QWidget* own(const char* name) { return window->findChild<QWidget*>(name); }
    void expectNothingCut() {
        const int high = window->height();
        for (int i = 0; i < CourseBar::kStations; ++i) {
            studio->document.setStage(kStages[size_t(i)].id);
            settle();
            if (kStages[size_t(i)].id == stage::weigh) window->desks().strength.chooseStem("music");
            auto* pages = find<QTabBar>("rebuildtabs");
            for (int page = 0; page < pages->count() && kStages[size_t(i)].id == stage::rebuild; ++page) {
                pages->setCurrentIndex(page);
                settle();
                EXPECT_EQ(window->height(), high) << pages->tabText(page).toStdString();
            }
            settle();
            EXPECT_EQ(window->height(), high) << kStages[size_t(i)].id;
            for (const QPushButton* b : window->findChildren<QPushButton*>()) {
                if (!b->isVisible()) continue;
                EXPECT_GE(b->width(), b->minimumSizeHint().width() - 24)
                    << kStages[size_t(i)].id << ": " << b->text().toStdString();
            }
            for (const QLabel* l : window->findChildren<QLabel*>()) {
                if (!l->isVisible() || !l->wordWrap()) continue;
                EXPECT_GE(l->height() + 1, l->heightForWidth(l->width()))
                    << kStages[size_t(i)].id << ": " << l->text().toStdString();
            }
            EXPECT_EQ(window->width(), window->centralWidget()->width());
        }
    }
};

}  // namespace

TEST_F(Windows, ThePictureStandsInAWindowOfItsOwnAndComesBack) {
    addAndSplit(3);
    studio->document.setStage(stage::split);
    settle();
    auto* current = find<CurrentView>("current");
    const QSize before = current->size(), whole = window->size();
    key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
    settle();
    QWidget* there = own("pictureswindow");
    ASSERT_TRUE(there->isVisible());
    EXPECT_TRUE(there->isWindow());
    EXPECT_EQ(current->window(), there);
    EXPECT_TRUE(current->isVisible());
    const auto says = [&](const QString& words) {
        for (const QLabel* l : window->pictures().findChildren<QLabel*>())
            if (l->isVisible() && l->text().contains(words)) return true;
        return false;
    };
    EXPECT_TRUE(says("window of its own"));
    // It stays where it is at every stage, also where the window itself shows no picture.
    studio->document.setStage(stage::dispatch);
    settle();
    EXPECT_TRUE(current->isVisible());
    EXPECT_FALSE(says("window of its own"));
    studio->document.setStage(stage::rebuild);
    settle();
    EXPECT_GT(current->height(), 200) << "not as low as beside the lanes";
    // The window's keys work there.
    there->activateWindow();
    settle();
    QTest::keyClick(there, Qt::Key_V);
    EXPECT_EQ(window->pictures().shown(), MainWindow::Picture::Ownership);
    QTest::keyClick(there, Qt::Key_V);
    QTest::mouseClick(current, Qt::LeftButton, {}, QPoint(current->width() / 2, 40));
    EXPECT_NEAR(double(studio->hearing.player().position()) / 48000, 1.5, 0.02);
    studio->document.setStage(stage::split);
    there->close();
    settle();
    EXPECT_EQ(current->window(), window.get());
    EXPECT_EQ(current->size(), before);
    EXPECT_EQ(window->size(), whole);
    EXPECT_FALSE(says("window of its own"));
}

TEST_F(Windows, LanesAndMetersStandApartAndTheLayoutIsRemembered) {
    addAndSplit(3);
    studio->document.setStage(stage::rebuild);
    key(Qt::Key_L, Qt::ControlModifier | Qt::ShiftModifier);
    key(Qt::Key_G);
    settle();
    ASSERT_TRUE(own("laneswindow")->isVisible());
    ASSERT_TRUE(own("meterwindow")->isVisible());
    LanesView* lanes = &window->pictures().lanes();
    EXPECT_EQ(lanes->window(), own("laneswindow"));
    own("laneswindow")->setGeometry(60, 70, 700, 420);
    studio->document.setStage(stage::split);
    settle();
    EXPECT_TRUE(lanes->isVisible());
    window->resize(1180, 760);
    window->rememberLayout();
    const QRect was = own("laneswindow")->geometry();
    open();
    EXPECT_FALSE(own("laneswindow")->isVisible());
    window->restoreLayout();
    settle();
    EXPECT_TRUE(own("laneswindow")->isVisible());
    EXPECT_TRUE(own("meterwindow")->isVisible());
    EXPECT_FALSE(own("pictureswindow")->isVisible());
    EXPECT_EQ(own("laneswindow")->size(), was.size());
    // What is open when the window closes is remembered as open.
    window->close();
    open();
    window->restoreLayout();
    EXPECT_TRUE(own("laneswindow")->isVisible());
    key(Qt::Key_L, Qt::ControlModifier | Qt::ShiftModifier);
    key(Qt::Key_G);
    EXPECT_FALSE(own("laneswindow")->isVisible());
    EXPECT_EQ(window->pictures().lanes().window(), window.get());
}

/// With the program's own fonts and style, which stay for as long as a program runs, and at a scale that it begins
/// with: that needs programs of their own, so this one runs itself.
TEST_F(Windows, NothingIsCut) {
    const QByteArray scale = qgetenv("QT_SCALE_FACTOR");
    if (!scale.isEmpty()) {
        theme::apply();
        open();
        addAndSplit(2);
        for (const QSize size : {QSize(1280, 800), QSize(1920, 1080)}) {
            window->resize(size);
            settle();
            expectNothingCut();
            EXPECT_EQ(window->size(), size) << "it had to grow";
        }
        EXPECT_EQ(window->grab().toImage().size(), QSize(1920, 1080) * scale.toInt());
        return;
    }
    for (const char* factor : {"1", "2"}) expectPassesAt(factor);
}
