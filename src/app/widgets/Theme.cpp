#include "app/widgets/Theme.h"

#include <QApplication>
#include <QDir>
#include <QFontDatabase>
#include <QPalette>
#include <QStyleFactory>

#include "core/base/Resources.h"

namespace rivlen::theme {

QColor stemColor(int stem) { return stem == 0 ? dialogue : stem == 1 ? music : ambience; }
QString stemLetter(int stem) { return stem == 0 ? "D" : stem == 1 ? "M" : "A"; }
QString stemName(int stem) { return stem == 0 ? "Dialogue" : stem == 1 ? "Music" : "Ambience"; }

QFont font(int pixels, int weight) {
    QFont f("Inter");
    f.setPixelSize(pixels);
    f.setWeight(QFont::Weight(weight));
    return f;
}

void apply() {
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
    p.setColor(QPalette::Highlight, QColor(0x55, 0x4d, 0x40));
    p.setColor(QPalette::HighlightedText, ink);
    for (auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, QColor(0x6d, 0x66, 0x5a));
    QApplication::setPalette(p);
    qApp->setStyleSheet(R"(
        QPushButton { background: #2f2b26; border: 1px solid #3a352e; border-radius: 5px; padding: 5px 12px; }
        QPushButton:hover { background: #38332c; }
        QPushButton:checked { background: #ece4d6; color: #1d1b18; }
        QPushButton:disabled { color: #6d665a; background: #26231f; }
        QPushButton:focus, QLineEdit:focus, QComboBox:focus, QListWidget:focus,
            QTableWidget:focus { border: 1px solid #a79d8c; }
        QLineEdit, QComboBox { background: #1d1b18; border: 1px solid #3a352e; border-radius: 4px; padding: 3px 6px; }
        QComboBox QAbstractItemView { background: #26231f; border: 1px solid #3a352e; }
        QListWidget { background: #1d1b18; border: 1px solid #3a352e; border-radius: 5px; outline: 0; }
        QListWidget::item { padding: 6px; }
        QTreeView, QTableView { background: #1d1b18; border: 1px solid #3a352e; border-radius: 5px; outline: 0;
            selection-background-color: #4a443b; selection-color: #ece4d6; }
        QTreeView::item { padding: 4px 2px; }
        QTreeView:focus, QTableView:focus { border: 1px solid #a79d8c; }
        QTableWidget { background: #1d1b18; border: 1px solid #3a352e; border-radius: 5px; outline: 0;
            selection-background-color: #4a443b; selection-color: #ece4d6; }
        QTableWidget::indicator, QCheckBox::indicator { width: 13px; height: 13px; border: 1px solid #a79d8c;
            border-radius: 3px; background: #1d1b18; }
        QTableWidget::indicator:checked, QCheckBox::indicator:checked { background: #ece4d6;
            border: 1px solid #ece4d6; }
        QHeaderView { background: #26231f; }
        QHeaderView::section { background: #26231f; color: #a79d8c; border: 0; border-bottom: 1px solid #3a352e;
            padding: 4px 6px; }
        QProgressBar { background: #3a352e; border: 0; border-radius: 3px; }
        QProgressBar::chunk { background: #ece4d6; border-radius: 3px; }
        QSlider::groove:horizontal { height: 4px; background: #3a352e; border-radius: 2px; }
        QSlider::sub-page:horizontal { background: #a79d8c; border-radius: 2px; }
        QSlider::handle:horizontal { width: 14px; margin: -6px 0; border-radius: 7px; background: #ece4d6; }
        QSlider::sub-page:horizontal:disabled { background: #3a352e; }
        QSlider::handle:horizontal:disabled { background: #6d665a; }
        QScrollBar:horizontal { height: 10px; background: #1d1b18; }
        QScrollBar::handle:horizontal { background: #4a443b; border-radius: 5px; min-width: 30px; }
        QScrollBar:vertical { width: 8px; background: transparent }
        QScrollBar::handle:vertical { background: #4a443b; border-radius: 4px; min-height: 24px; }
        QScrollBar::add-page, QScrollBar::sub-page { background: transparent }
        QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
        QMenu { background: #26231f; border: 1px solid #3a352e; } QMenu::item:selected { background: #4a443b; }
        QToolTip { background: #26231f; color: #ece4d6; border: 1px solid #3a352e; padding: 4px; }
        QMenuBar { background: #1d1b18; } QMenuBar::item:selected { background: #38332c; }
    )");
}

}  // namespace rivlen::theme
