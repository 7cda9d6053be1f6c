// The appearances: contrasts as in WCAG 2.2 (W3C Recommendation of 5 October 2023): relative luminance and contrast
// ratio by its definitions, text at least 4.5 (1.4.3) and 7 (1.4.6, High contrast), what is not text at least 3
// (1.4.11).
#include <gtest/gtest.h>

#include <QApplication>
#include <QMenu>
#include <QMenuBar>
#include <QSettings>
#include <cmath>
#include <fstream>

#include "Places.h"
#include "Support.h"
#include "app/widgets/Theme.h"
#include "app/window/MainWindow.h"

using namespace rivlen;

namespace {

double luminance(const QColor& c) {
    const auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}

double contrast(const QColor& a, const QColor& b) {
    const double la = luminance(a), lb = luminance(b);
    return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

struct Themes : testing::Test {
    ~Themes() override { theme::apply(); }
};

}  // namespace

TEST(Contrast, IsTheStandards) {
    EXPECT_NEAR(contrast(Qt::black, Qt::white), 21, 1e-6);
    // A worked example of the standard's guidance (technique G18 and its tools): #767676 on white is the first grey
    // with 4.5.
    EXPECT_GE(contrast(QColor("#767676"), Qt::white), 4.5);
    EXPECT_LT(contrast(QColor("#777777"), Qt::white), 4.5);
}

TEST_F(Themes, TextAndHuesStandOutFromWhatIsBehindThem) {
    for (int i = 0; i < theme::kAppearances; ++i) {
        const auto appearance = theme::Appearance(i);
        theme::apply(appearance);
        const bool high = appearance == theme::Appearance::Contrast;
        for (const QColor& behind : {theme::ground, theme::raised}) {
            const auto stands = [&](const char* what, const QColor& c, double least) {
                EXPECT_GE(contrast(c, behind), least)
                    << what << " " << c.name().toStdString() << " on " << behind.name().toStdString() << ", "
                    << theme::appearanceId(appearance).toStdString();
            };
            stands("text", theme::ink, 7);
            stands("quiet text", theme::quietInk, high ? 7 : 4.5);
            stands("warnings", theme::attention, high ? 7 : 4.5);
            stands("what is well", theme::good, high ? 7 : 4.5);
            for (int s = 0; s < 3; ++s)
                stands("a stem's hue and letter", theme::stemColor(s), high ? 7 : s == 1 ? 4.0 : 4.5);
            stands("what is left over", theme::leftovers, 3);
            if (high) stands("borders", theme::line, 3);
        }
        EXPECT_GE(contrast(theme::ink, theme::button), 7);
        EXPECT_GE(contrast(theme::ink, theme::chosen), high ? 7 : 4.5);
        EXPECT_GE(contrast(theme::ground, theme::ink), 7) << "a button that is down";
    }
}

TEST_F(Themes, SheetsNameTheirColours) {
    EXPECT_EQ(theme::sheet("a: @ink; b: @ground"), "a: #ece4d6; b: #1d1b18");
    theme::apply(theme::Appearance::Contrast);
    EXPECT_EQ(theme::sheet("a: @ink; b: @ground"), "a: #ffffff; b: #000000");
    EXPECT_EQ(QApplication::palette().color(QPalette::Window), QColor(Qt::black));
    theme::apply();
    EXPECT_EQ(QApplication::palette().color(QPalette::Window), QColor(0x1d, 0x1b, 0x18));
}

TEST_F(Themes, NoColourStandsOutsideOfThem) {
    // Black and white behind pictures, and with alpha over them, are the pictures' own.
    int seen = 0;
    for (const auto& entry :
         std::filesystem::recursive_directory_iterator(std::filesystem::path(test::kSourceFolder) / "src/app")) {
        const auto ending = entry.path().extension();
        if ((ending != ".cpp" && ending != ".h") || entry.path().stem() == "Theme") continue;
        std::ifstream in(entry.path());
        for (std::string line; std::getline(in, line); ++seen)
            EXPECT_FALSE(QString::fromStdString(line).contains(QRegularExpression("#[0-9a-fA-F]{6}\\b")))
                << entry.path() << ": " << line;
    }
    EXPECT_GT(seen, 5000);
}

TEST_F(Themes, IsChosenInTheMenuForTheNextStart) {
    test::TempFolder folder;
    Studio studio;
    MainWindow window(studio);
    QAction* paper = nullptr;
    for (auto* menu : window.menuBar()->findChildren<QMenu*>())
        for (auto* action : menu->actions())
            if (action->text() == "Paper (light)") paper = action;
    ASSERT_TRUE(paper);
    EXPECT_FALSE(paper->isChecked());
    paper->trigger();
    EXPECT_TRUE(paper->isChecked());
    EXPECT_EQ(theme::chosenAppearance(), theme::Appearance::Paper);
    qputenv("RIVLEN_APPEARANCE", "contrast");
    EXPECT_EQ(theme::chosenAppearance(), theme::Appearance::Contrast);
    qunsetenv("RIVLEN_APPEARANCE");
    QSettings().remove("appearance");
    EXPECT_EQ(theme::chosenAppearance(), theme::Appearance::Desk);
}
