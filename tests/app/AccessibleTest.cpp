// What a screen reader is told: every control and picture of every stage and page has a name and a role, by Qt's
// accessibility interface. (WCAG 2.1, success criterion 4.1.2: name, role, value.)
#include <QAbstractSlider>
#include <QAbstractSpinBox>
#include <QAccessible>
#include <QComboBox>
#include <QLineEdit>
#include <QStackedWidget>

#include "EveryPage.h"
#include "app/views/TimeView.h"

using namespace rivlen;
using namespace rivlen::test;

namespace {

/// Widgets that somebody uses or looks at, apart from those that are parts of another one.
bool matters(const QWidget* w) {
    const QString name = w->metaObject()->className();
    if (name == "QScrollBar" || name == "QHeaderView" || name.startsWith("QDockWidget") ||
        name == "QTableCornerButton" || w->objectName().startsWith("qt_") || w->objectName() == "ScrollLeftButton" ||
        w->objectName() == "ScrollRightButton")
        return false;
    if (qobject_cast<const QLineEdit*>(w) &&
        (qobject_cast<const QAbstractSpinBox*>(w->parentWidget()) || qobject_cast<const QComboBox*>(w->parentWidget())))
        return false;
    return w->focusPolicy() != Qt::NoFocus || qobject_cast<const QAbstractButton*>(w) ||
           qobject_cast<const QAbstractSlider*>(w) || qobject_cast<const TimeView*>(w);
}

QString describe(const QWidget* w) {
    QStringList path;
    for (const QWidget* at = w; at && path.size() < 4; at = at->parentWidget())
        path << QString(at->metaObject()->className()) + (at->objectName().isEmpty() ? "" : "#" + at->objectName());
    return path.join(" in ");
}

struct Accessible : Window {
    std::set<QString> nameless, seen;
    void look() {
        settle();
        for (QWidget* w : window->findChildren<QWidget*>()) {
            if (!w->isVisibleTo(window.get()) || !matters(w)) continue;
            QAccessibleInterface* read = QAccessible::queryAccessibleInterface(w);
            ASSERT_NE(read, nullptr) << describe(w).toStdString();
            seen.insert(describe(w));
            if (read->text(QAccessible::Name).trimmed().isEmpty() || read->role() == QAccessible::NoRole)
                nameless.insert(describe(w));
        }
    }
    void lookAtPages() {
        onEveryPage(*window, [this](const QString&) { look(); });
    }
};

}  // namespace

TEST_F(Accessible, EveryControlAndPictureHasANameAndARole) {
    look();  // empty
    addAndSplit(4);
    studio->document.editReel("Set loop", [](Reel& r) { r.loop = std::pair(1.0, 2.0); });
    for (const char* stage : {"intake", "split", "weigh", "rebuild", "dispatch"}) {
        studio->document.setStage(stage);
        QTest::qWait(100);
        lookAtPages();
        for (auto picture : {MainWindow::Picture::Ownership, MainWindow::Picture::Current}) {
            window->pictures().show(picture);
            look();
        }
    }
    EXPECT_GT(seen.size(), 150u);
    for (const QString& w : nameless) ADD_FAILURE() << w.toStdString() << " has no name";
    EXPECT_TRUE(nameless.empty());
}

TEST_F(Accessible, PicturesAreGraphicsThatSayWhereThePlayheadIs) {
    addAndSplit(4);
    studio->hearing.locate(2 * 48000);
    QAccessibleInterface* read = QAccessible::queryAccessibleInterface(find<TimeView>("current"));
    ASSERT_NE(read, nullptr);
    EXPECT_EQ(read->role(), QAccessible::Graphic);
    EXPECT_TRUE(read->text(QAccessible::Name).startsWith("Current"));
    EXPECT_TRUE(until([&] { return read->text(QAccessible::Value).startsWith("at 0:00:02.000, 0:00:00.000"); }))
        << read->text(QAccessible::Value).toStdString();
}
