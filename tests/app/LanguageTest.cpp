// The window in its second language: every text has a translation, sentences of the core are found by their form, and
// nothing is cut at 1280x800.
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>
#include <QTabBar>
#include <QToolButton>

#include "EveryPage.h"
#include "app/words/Language.h"
#include "app/words/Say.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// What a widget shows of its text, and what it would need; nothing where it may be cut, wrapped or scrolled.
QString cutText(const QWidget* w) {
    if (const auto* b = qobject_cast<const QAbstractButton*>(w)) {
        const bool box = qobject_cast<const QCheckBox*>(w);
        const int room = b->width() - (box ? 20 : 4);
        return b->fontMetrics().size(Qt::TextShowMnemonic, b->text()).width() > room ? b->text() : QString();
    }
    if (const auto* l = qobject_cast<const QLabel*>(w); l && l->text().size() > 1) {
        if (l->wordWrap() || Qt::mightBeRichText(l->text()))
            return l->height() + 2 < l->heightForWidth(l->width()) ? l->text() : QString();
        return l->fontMetrics().size(0, l->text()).width() > l->width() + 1 ? l->text() : QString();
    }
    if (const auto* tabs = qobject_cast<const QTabBar*>(w)) {
        QStringList cut;
        for (int i = 0; i < tabs->count(); ++i)
            if (tabs->fontMetrics().horizontalAdvance(tabs->tabText(i)) > tabs->tabRect(i).width())
                cut << tabs->tabText(i);
        if (tabs->count() > 0 && tabs->tabRect(tabs->count() - 1).right() > tabs->width()) cut << "the last tab";
        return cut.join(", ");
    }
    return {};
}

struct InGerman : Window {
    std::set<QString> cut;
    int seen = 0;
    void SetUp() override {
        language::apply("de");
        Window::SetUp();
    }
    void TearDown() override {
        Window::TearDown();
        language::apply("en");
    }
    void look() {
        settle();
        for (const QWidget* w : window->findChildren<QWidget*>()) {
            if (!w->isVisibleTo(window.get()) || w->visibleRegion().isEmpty()) continue;
            ++seen;
            if (const QString text = cutText(w); !text.isEmpty())
                cut.insert(studio->document.session().stage.c_str() + (": " + text));
        }
        EXPECT_LE(window->minimumSizeHint().width(), 1280) << studio->document.session().stage;
        EXPECT_LE(window->minimumSizeHint().height(), 800) << studio->document.session().stage << page;
    }
    void lookAtPages() {
        onEveryPage(*window, [this](const QString& now) {
            page = " " + now.toStdString();
            look();
        });
    }
    std::string page;
};

}  // namespace

TEST(Language, EveryTextIsTranslatedWithTheValuesThatItHas) {
    const auto checked = test::run("python3 " + std::string(test::kSourceFolder) + "/translations/collect.py --check");
    EXPECT_EQ(checked.code, 0) << checked.out;
}

TEST(Language, SentencesOfTheCoreAreFoundByTheirForm) {
    EXPECT_EQ(said("Depth"), "Depth") << "English as long as nothing else was chosen";
    language::apply("de");
    EXPECT_EQ(said("Depth"), "Tiefe");
    EXPECT_EQ(said("Hum: 50.0 Hz at -41 dBFS"), "Brummen: 50.0 Hz bei -41 dBFS");
    // A name stays as it is, even where it is a word that is known; what follows is a sentence of its own.
    EXPECT_EQ(said("The set \"Music\" cannot be read: it has no deliverables."),
              "Der Satz „Music“ lässt sich nicht lesen: er hat keine Lieferungen.");
    EXPECT_EQ(said("\"/films/deck.wav\" is empty (0 bytes): copy or export it again."),
              "„/films/deck.wav“ ist leer (0 Byte): neu kopieren oder ausgeben.");
    EXPECT_EQ(said("nobody ever said this"), "nobody ever said this");
    EXPECT_EQ(say("Split it now"), "Jetzt trennen");
    EXPECT_EQ(within(say("Music")), "Musik") << "nouns stay large";
    language::apply("en");
    EXPECT_EQ(say("Split it now"), "Split it now");
    EXPECT_EQ(within(say("Music")), "music");
}

TEST(Language, TheOneThatWasChosenIsRemembered) {
    qunsetenv("RIVLEN_LANGUAGE");
    QSettings().clear();
    language::choose("de");
    EXPECT_EQ(language::chosen(), "de");
    language::choose("no such");
    EXPECT_TRUE(language::all().contains(language::chosen()));
    qputenv("RIVLEN_LANGUAGE", "de");
    EXPECT_EQ(language::chosen(), "de");
    qputenv("RIVLEN_LANGUAGE", "en");
    QSettings().clear();
}

TEST_F(InGerman, NothingIsCutOnAnyStageAndPage) {
    window->resize(1280, 800);
    look();
    addAndSplit(4);
    studio->document.editReel("", [](Reel& r) { r.loop = std::pair(1.0, 2.0); });
    for (const char* stage : {"intake", "split", "weigh", "rebuild", "dispatch"}) {
        studio->document.setStage(stage);
        QTest::qWait(100);
        lookAtPages();
    }
    EXPECT_GT(seen, 500);
    EXPECT_EQ(window->size(), QSize(1280, 800));
    for (const QString& text : cut) ADD_FAILURE() << text.toStdString() << " is cut";
    EXPECT_EQ(find<QPushButton>("play")->text(), "Start");
}

TEST_F(InGerman, NothingIsCutInDialogues) {
    window->resize(1280, 800);
    addAndSplit(4);
    add({QString::fromStdString(clip("other.wav", 3).string())});
    studio->document.selectReel(studio->document.session().reels[0].id);
    int opened = 0;
    for (const DialogueButton& button : kDialogueButtons) {
        studio->document.setStage(button.stage);
        QTest::qWait(100);
        if (button.tabs) find<QTabBar>(button.tabs)->setCurrentIndex(button.page);
        settle();
        QTest::mouseClick(find<QPushButton>(button.name), Qt::LeftButton);
        settle();
        for (auto* dialog : window->findChildren<QDialog*>()) {
            if (!dialog->isVisible()) continue;
            ++opened;
            for (const QWidget* w : dialog->findChildren<QWidget*>())
                if (const QString text = w->isVisible() ? cutText(w) : QString(); !text.isEmpty())
                    cut.insert(dialog->windowTitle() + ": " + text);
            EXPECT_FALSE(dialog->windowTitle().isEmpty());
            dialog->close();
        }
        settle();
    }
    for (auto* action : window->findChildren<QAction*>())
        if (action->text() == say("Sound output…")) action->trigger();
    settle();
    auto* output = window->findChild<QDialog*>("soundOutput");
    ASSERT_NE(output, nullptr);
    for (const QWidget* w : output->findChildren<QWidget*>())
        if (const QString text = cutText(w); !text.isEmpty()) cut.insert(output->windowTitle() + ": " + text);
    EXPECT_GE(opened, 5);
    for (const QString& text : cut) ADD_FAILURE() << text.toStdString() << " is cut";
}

TEST_F(InGerman, WhatTheCoreRefusesIsSaidInGerman) {
    std::ofstream(folder / "empty.wav").close();
    studio->reader.addFiles({QString::fromStdString((folder / "empty.wav").string())});
    ASSERT_TRUE(until([&] { return !warned.empty(); }));
    EXPECT_TRUE(warned.back().contains("ist leer (0 Byte)")) << warned.back().toStdString();
}
