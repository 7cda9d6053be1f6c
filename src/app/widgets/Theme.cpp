#include "app/widgets/Theme.h"

#include <QApplication>
#include <QDir>
#include <QFontDatabase>
#include <QPalette>
#include <QRegularExpression>
#include <QSettings>
#include <QStyleFactory>
#include <cmath>
#include <vector>

#include "app/words/Say.h"
#include "core/base/Resources.h"

namespace rivlen::theme {

namespace {

constexpr const char* kKept = "appearance";

struct Named {
    const char* name;
    QColor* color;
    QRgb paper, contrast;
    QColor desk = *color;  ///< as it is before another appearance is applied
};

/// The colours of the other appearances. Contrasts are checked against WCAG 2.2 (tests/app/ThemeTest.cpp).
const std::vector<Named>& colors() {
    static const std::vector<Named> all{
        {"ground", &ground, 0xf4efe6, 0x000000},     {"raised", &raised, 0xeae3d6, 0x141414},
        {"line", &line, 0xcdc3b1, 0x8c8c8c},         {"ink", &ink, 0x231f19, 0xffffff},
        {"quiet", &quietInk, 0x5f574a, 0xdedede},    {"dim", &dim, 0x8f8675, 0x9a9a9a},
        {"dialogue", &dialogue, 0x8d590a, 0xffc95c}, {"music", &music, 0x8a4da3, 0xdba6f2},
        {"ambience", &ambience, 0x276f63, 0x7fe0d0}, {"leftovers", &leftovers, 0x7a7263, 0xbdbdbd},
        {"good", &good, 0x446f2a, 0xa8e07f},         {"attention", &attention, 0xac4116, 0xff9a66},
        {"button", &button, 0xe2dacb, 0x1e1e1e},     {"hover", &hover, 0xd8cfbe, 0x3a3a3a},
        {"row", &row, 0xded5c5, 0x2c2c2c},           {"chosen", &chosen, 0xcfc3ad, 0x404040},
        {"shade", &shade, 0x938a7a, 0xa8a8a8},       {"plain", &plain, 0x7d7362, 0xd8d8d8},
        {"well", &well, 0xe3dccf, 0x000000},         {"lane", &lane, 0xfaf6ee, 0x0a0a0a},
        {"lanehere", &laneHere, 0xeee7da, 0x1c1c1c}, {"lanehead", &laneHead, 0xcdc3b1, 0x404040},
        {"earlier", &earlier, 0x587486, 0x8fb8d8},   {"later", &later, 0x9c5a3e, 0xe8a080},
        {"second", &second, 0x2f6fa8, 0x8cc4ff},
    };
    return all;
}

}  // namespace

QString appearanceId(Appearance a) {
    return a == Appearance::Desk ? "desk" : a == Appearance::Paper ? "paper" : "contrast";
}
QString appearanceName(Appearance a) {
    return a == Appearance::Desk    ? say("Desk (dark)")
           : a == Appearance::Paper ? say("Paper (light)")
                                    : say("High contrast");
}

Appearance chosenAppearance() {
    const QString wish = qEnvironmentVariable("RIVLEN_APPEARANCE"),
                  id = wish.isEmpty() ? QSettings().value(kKept).toString() : wish;
    for (int i = 0; i < kAppearances; ++i)
        if (appearanceId(Appearance(i)) == id) return Appearance(i);
    return Appearance::Desk;
}
void chooseAppearance(Appearance appearance) { QSettings().setValue(kKept, appearanceId(appearance)); }

QColor named(const QString& name) {
    for (const auto& c : colors())
        if (name == QLatin1String(c.name)) return *c.color;
    Q_ASSERT_X(false, "theme", qPrintable("no colour of the name " + name));
    return ink;
}

QString sheet(const QString& text) {
    static const QRegularExpression token("@([a-z]+)");
    QString out;
    qsizetype at = 0;
    for (auto found = token.globalMatch(text); found.hasNext();) {
        const auto m = found.next();
        out += text.mid(at, m.capturedStart() - at) + named(m.captured(1)).name();
        at = m.capturedEnd();
    }
    return out + text.mid(at);
}

QColor sunk(const QColor& hue, int per100) {
    if (ground.lightness() < 128) return hue.darker(per100);
    const double kept = 100.0 / per100;
    const auto mixed = [&](int a, int b) { return int(std::lround(kept * a + (1 - kept) * b)); };
    return {mixed(hue.red(), ground.red()), mixed(hue.green(), ground.green()), mixed(hue.blue(), ground.blue())};
}

QColor stemColor(int stem) { return stem == 0 ? dialogue : stem == 1 ? music : ambience; }
QString stemLetter(int stem) { return stem == 0 ? "D" : stem == 1 ? "M" : "A"; }
QString stemName(int stem) { return stem == 0 ? say("Dialogue") : stem == 1 ? say("Music") : say("Ambience"); }

QFont font(int pixels, int weight) {
    QFont f("Inter");
    f.setPixelSize(pixels);
    f.setWeight(QFont::Weight(weight));
    return f;
}

void apply(Appearance appearance) {
    for (const auto& c : colors())
        *c.color = appearance == Appearance::Desk    ? c.desk
                   : appearance == Appearance::Paper ? QColor(c.paper)
                                                     : QColor(c.contrast);
    const QDir fonts(QString::fromStdString(resourceFolder("fonts").string()));
    for (const QString& file : fonts.entryList({"*.otf"})) QFontDatabase::addApplicationFont(fonts.filePath(file));
    QApplication::setStyle(QStyleFactory::create("Fusion"));
    QApplication::setFont(font(13));
    QPalette p;
    p.setColor(QPalette::Window, ground);
    p.setColor(QPalette::Base, ground);
    p.setColor(QPalette::AlternateBase, raised);
    p.setColor(QPalette::Button, raised);
    p.setColor(QPalette::WindowText, ink);
    p.setColor(QPalette::Text, ink);
    p.setColor(QPalette::ButtonText, ink);
    p.setColor(QPalette::ToolTipBase, raised);
    p.setColor(QPalette::ToolTipText, ink);
    p.setColor(QPalette::PlaceholderText, quietInk);
    p.setColor(QPalette::Highlight, chosen);
    p.setColor(QPalette::HighlightedText, ink);
    // The style's own edges, as of the arrow in a list.
    for (auto role : {QPalette::Light, QPalette::Midlight}) p.setColor(role, raised);
    for (auto role : {QPalette::Mid, QPalette::Dark, QPalette::Shadow}) p.setColor(role, line);
    for (auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, dim);
    QApplication::setPalette(p);
    const QString mark = QString::fromStdString(resourceFolder("marks").string()) + "/open-" + appearanceId(appearance);
    qApp->setStyleSheet(sheet(R"(
        QPushButton { background: @button; border: 1px solid @line; border-radius: 5px; padding: 5px 12px; }
        QPushButton:hover { background: @hover; }
        QPushButton:checked { background: @ink; color: @ground; }
        QPushButton:disabled { color: @dim; background: @raised; }
        QPushButton:focus, QLineEdit:focus, QComboBox:focus, QListWidget:focus,
            QTableWidget:focus { border: 1px solid @quiet; }
        QLineEdit, QComboBox { background: @ground; border: 1px solid @line; border-radius: 4px; padding: 3px 6px; }
        QComboBox::drop-down { border: none; width: 20px; }
        QComboBox::down-arrow { image: url("MARK.svg"); width: 10px; height: 10px; }
        QComboBox QAbstractItemView { background: @raised; border: 1px solid @line; }
        QPushButton::menu-indicator { image: url("MARK.svg"); width: 10px; height: 10px; right: 7px;
            subcontrol-origin: padding; subcontrol-position: center right; }
        QListWidget { background: @ground; border: 1px solid @line; border-radius: 5px; outline: 0; }
        QListWidget::item { padding: 6px; }
        QTreeView, QTableView { background: @ground; border: 1px solid @line; border-radius: 5px; outline: 0;
            selection-background-color: @chosen; selection-color: @ink; }
        QTreeView::item { padding: 4px 2px; }
        QTreeView:focus, QTableView:focus { border: 1px solid @quiet; }
        QTableWidget { background: @ground; border: 1px solid @line; border-radius: 5px; outline: 0;
            selection-background-color: @chosen; selection-color: @ink; }
        QTableWidget::indicator, QCheckBox::indicator { width: 13px; height: 13px; border: 1px solid @quiet;
            border-radius: 3px; background: @ground; }
        QTableWidget::indicator:checked, QCheckBox::indicator:checked { background: @ink;
            border: 1px solid @ink; }
        QHeaderView { background: @raised; }
        QHeaderView::section { background: @raised; color: @quiet; border: 0; border-bottom: 1px solid @line;
            padding: 4px 6px; }
        QProgressBar { background: @line; border: 0; border-radius: 3px; }
        QProgressBar::chunk { background: @ink; border-radius: 3px; }
        QSlider::groove:horizontal { height: 4px; background: @line; border-radius: 2px; }
        QSlider::sub-page:horizontal { background: @quiet; border-radius: 2px; }
        QSlider::handle:horizontal { width: 14px; margin: -5px 0; border-radius: 7px; background: @ink; }
        QSlider::sub-page:horizontal:disabled { background: @line; }
        QSlider::handle:horizontal:disabled { background: @dim; }
        QScrollBar:horizontal { height: 10px; background: @ground; }
        QScrollBar::handle:horizontal { background: @chosen; border-radius: 5px; min-width: 30px; }
        QScrollBar:vertical { width: 8px; background: transparent }
        QScrollBar::handle:vertical { background: @chosen; border-radius: 4px; min-height: 24px; }
        QScrollBar::add-page, QScrollBar::sub-page { background: transparent }
        QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
        QMenu { background: @raised; border: 1px solid @line; } QMenu::item:selected { background: @chosen; }
        QToolTip { background: @raised; color: @ink; border: 1px solid @line; padding: 4px; }
        QMenuBar { background: @ground; } QMenuBar::item:selected { background: @hover; }
    )")
                            .replace("MARK", mark));
}

}  // namespace rivlen::theme
