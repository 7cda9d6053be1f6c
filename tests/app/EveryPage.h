#pragma once
#include <QTabBar>
#include <functional>

#include "WindowFixture.h"

namespace rivlen::test {

/// Calls look as the window stands, and again on each page of every row of tabs that is visible.
inline void onEveryPage(MainWindow& window, const std::function<void(const QString& page)>& look) {
    look({});
    for (auto* tabs : window.findChildren<QTabBar*>()) {
        if (!tabs->isVisibleTo(&window)) continue;
        for (int i = 0; i < tabs->count(); ++i) {
            tabs->setCurrentIndex(i);
            look(tabs->tabText(i));
        }
    }
}

}  // namespace rivlen::test
