#pragma once
#include <QBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>

#include "app/widgets/PageTabs.h"
#include "app/widgets/Theme.h"

// The parts that pages of a stage's panel are put together from.
namespace rivlen {

inline QLabel* addPageHeading(QBoxLayout* column, const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(theme::font(13, QFont::DemiBold));
    column->addWidget(label);
    return label;
}

inline QLabel* addPageText(QBoxLayout* column, const QString& text = {}) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setFont(theme::font(12));
    label->setStyleSheet(theme::sheet("color: @quiet"));
    column->addWidget(label);
    return label;
}

inline QPushButton* makeSmallButton(const char* name, const QString& label, const QString& tip) {
    auto* b = new QPushButton(label);
    b->setObjectName(name);
    b->setToolTip(tip);
    b->setStyleSheet("QPushButton { padding: 3px 10px }");
    return b;
}

/// Shows a page; those that are not shown ask for no height, so that the tallest one does not set the window's.
inline void showPage(QStackedWidget& pages, int index) {
    for (int i = 0; i < pages.count(); ++i)
        pages.widget(i)->setSizePolicy(QSizePolicy::Preferred,
                                       i == index ? QSizePolicy::Preferred : QSizePolicy::Ignored);
    pages.setCurrentIndex(index);
}

/// The tabs above a panel's pages.
inline QTabBar* makePageTabs(const char* name, const QStringList& titles) {
    auto* tabs = new PageTabs(titles);
    tabs->setObjectName(name);
    return tabs;
}

}  // namespace rivlen
